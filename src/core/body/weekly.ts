import { closingDay, weekStartOf, type Day, type Weekday } from "../calendar/day";
import { mean, median, type Weighed } from "./weighIns";

/** A week's weight, drawn up on its closing day. */
export interface WeeklyWeight {
  closingDay: Day;
  /** First day that counts: the week's first, or the first weigh-in ever in a partial first week. */
  from: Day;
  /** Weigh-ins the figures rest on. */
  days: number;
  medianKg: number | null;
  meanKg: number | null;
  /** The week that holds the day asked about and is not over. */
  open: boolean;
}

/**
 * Weekly median and mean over the primary weigh-ins of each week from the first weigh-in to the week that holds `on`.
 * Nothing is computed over the future; a week without a weigh-in has none.
 */
export function weeklyWeights(weighed: readonly Weighed[], on: Day, weekStart: Weekday): WeeklyWeight[] {
  const first = weighed[0];
  if (first === undefined) return [];
  const weeks: WeeklyWeight[] = [];
  let next = 0;
  for (let start = weekStartOf(first.day, weekStart); start <= on; start += 7) {
    const closing = closingDay(start, weekStart);
    const values: number[] = [];
    while (next < weighed.length && weighed[next]!.day <= Math.min(closing, on)) values.push(weighed[next++]!.kg);
    const some = values.length > 0;
    weeks.push({ closingDay: closing, from: Math.max(start, first.day), days: values.length, medianKg: some ? median(values) : null, meanKg: some ? mean(values) : null, open: closing > on });
  }
  return weeks;
}
