import { dateOf, type Day, type Weekday, weekStartOf } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import type { DayValue } from "../body/measureGoal";
import { changePerWeek } from "../body/movingAverage";
import { weekStarts } from "../body/weekly";
import { mean, median } from "../body/weighIns";

/** One week, drawn up on its closing day. `change`: of the mean, from the last week before it that has one. */
export interface ReportWeek {
  closingDay: Day;
  days: number;
  mean: number;
  median: number;
  change: number | null;
}

/**
 * One calendar year. `change`: of the weekly mean, from the last one before the year (or its own first) to its last.
 */
export interface ReportYear {
  year: number;
  days: number;
  mean: number;
  low: number;
  high: number;
  change: number | null;
}

export interface Report {
  start: DayValue;
  current: DayValue;
  total: number;
  perWeek: number | null;
  weeks: ReportWeek[];
  years: ReportYear[];
}

/**
 * How a daily quantity went from its first reading to its latest, by week and by year. A mean weekly change is withheld
 * below seven days. Weeks without a reading do not appear, and the week after such a gap has no change of a week.
 * @param readings oldest first, one a day
 */
export function report(readings: readonly DayValue[], weekStart: Weekday, on: Day): Report | null {
  const [start, current] = [readings[0], readings.at(-1)];
  if (start === undefined || current === undefined) return null;
  const byWeek = groupBy(readings, ({ day }) => weekStartOf(day, weekStart));
  const weeks: ReportWeek[] = [];
  for (const first of weekStarts(start.day, on, weekStart)) {
    const values = byWeek.get(first)?.map(({ value }) => value);
    if (values === undefined) continue;
    const weekly = mean(values);
    weeks.push({
      closingDay: first + 6,
      days: values.length,
      mean: weekly,
      median: median(values),
      change: weeks.at(-1)?.closingDay === first - 1 ? weekly - weeks.at(-1)!.mean : null,
    });
  }
  const years = [...groupBy(readings, ({ day }) => yearOf(day))].map(([year, some]): ReportYear => {
    const values = some.map(({ value }) => value);
    // A week belongs to the year in which it closes; the open one, to the year of its last reading.
    const within = weeks.filter(({ closingDay }) => yearOf(Math.min(closingDay, current.day)) === year);
    const before = weeks.findLast(({ closingDay }) => yearOf(Math.min(closingDay, current.day)) < year) ?? within[0];
    const last = within.at(-1);
    return {
      year,
      days: values.length,
      mean: mean(values),
      low: Math.min(...values),
      high: Math.max(...values),
      change: last === undefined || before === undefined || before === last ? null : last.mean - before.mean,
    };
  });
  const total = current.value - start.value;
  return { start, current, total, perWeek: changePerWeek(total, current.day - start.day), weeks, years };
}

function yearOf(day: Day): number {
  return Number(dateOf(day).slice(0, 4));
}
