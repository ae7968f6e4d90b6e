import { type Day, type Weekday, weekStartOf } from "../base/calendar/day";
import { mean, median } from "./weighIns";

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
 * Median and mean over the primary weigh-ins of one week.
 * @param values weights of the week up to the day asked about
 * @param first day of the first weigh-in ever
 */
export function weeklyWeight(start: Day, values: readonly number[], first: Day, on: Day): WeeklyWeight {
  const some = values.length > 0;
  return {
    closingDay: start + 6,
    from: Math.max(start, first),
    days: values.length,
    medianKg: some ? median(values) : null,
    meanKg: some ? mean(values) : null,
    open: start + 6 > on,
  };
}

/** First days of the weeks from the first weigh-in to the week that holds `on`. Nothing is computed over the future. */
export function weekStarts(first: Day, on: Day, weekStart: Weekday): Day[] {
  const begin = weekStartOf(first, weekStart);
  return Array.from({ length: Math.max(0, Math.floor((on - begin) / 7) + 1) }, (_, index) => begin + 7 * index);
}
