import { closingDay, dateOf, type Day, weekStartOf } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import { trendDay } from "../body/trend";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { notesOf } from "../log/notes";
import { foodDay } from "../nutrition/foodDay";
import { nutritionOf } from "../nutrition/slice";
import { effectiveStatus } from "../sessions/adherence";
import { sessionsOf } from "../sessions/slice";

/** One session as a mark: its kind gives the shape, its standing the filling. */
export interface SessionMark {
  id: string;
  kind: string;
  status: Session["status"];
  title: string;
}

/** A day's row in the Column. */
export interface ColumnRow {
  date: string;
  weighedKg: number | null;
  gross: boolean;
  trendKg: number | null;
  low80: number | null;
  high80: number | null;
  planKg: number | null;
  marks: SessionMark[];
  /** Eaten energy as a share of the day's target; null when nothing was eaten or there is no target. */
  foodShare: number | null;
  note: string | null;
  /** The week's figures, on its closing day only, once the week has begun. */
  week: { days: number; medianKg: number | null; open: boolean; done: number; planned: number } | null;
}

/** Rows of the days from `from` to `to`, both included. */
export function columnView(asOf: AsOf, from: Day, to: Day): ColumnRow[] {
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, index): ColumnRow => {
    const day = from + index;
    const smoothed = trendDay(weightOf(asOf).trend(), day);
    const food = day <= asOf.on && nutritionOf(asOf).mealsOn(day).length > 0 ? foodDay(asOf, day) : null;
    return {
      date: dateOf(day),
      weighedKg: smoothed?.weighedKg ?? null,
      gross: smoothed?.gross ?? false,
      trendKg: smoothed?.kg ?? null,
      low80: smoothed?.low80 ?? null,
      high80: smoothed?.high80 ?? null,
      planKg: goalsOf(asOf).planOn(day),
      marks: sessionsOf(asOf)
        .on(day)
        .map((session) => ({
          id: session.id,
          kind: session.kind,
          status: effectiveStatus(session, asOf.on),
          title: session.title ?? session.kind,
        })),
      foodShare:
        food === null || "reason" in food.target || food.eatenKcal === null || food.eaten.kcal === 0
          ? null
          : food.eaten.kcal / food.target.kcal,
      note: notesOf(asOf).noteOn(day)?.text ?? null,
      week: day === closingDay(day, asOf.weekStart) ? weekFigures(asOf, day) : null,
    };
  });
}

function weekFigures(asOf: AsOf, closing: Day): ColumnRow["week"] {
  const start = weekStartOf(closing, asOf.weekStart);
  if (start > asOf.on) return null;
  const weight = weightOf(asOf).weekFrom(start);
  const { done, planned } = sessionsOf(asOf).adherence(start, start + 6);
  return { days: weight?.days ?? 0, medianKg: weight?.medianKg ?? null, open: closing > asOf.on, done, planned };
}

/**
 * First and last day that the Column runs over: from the first entry (at least eight weeks back) to the last plan (at
 * least two weeks ahead).
 */
export function columnSpan(asOf: AsOf): { first: string; last: string } {
  const weighed = weightOf(asOf).weighed();
  const sessionDays = sessionsOf(asOf).days();
  const mealDays = nutritionOf(asOf).mealDays();
  const days = [weighed[0]?.day, sessionDays[0], sessionDays.at(-1), mealDays[0], mealDays.at(-1)].filter(
    (day) => day !== undefined,
  );
  const first = Math.min(asOf.on - 55, ...days);
  const last = Math.max(asOf.on + 14, ...days);
  return { first: dateOf(weekStartOf(first, asOf.weekStart)), last: dateOf(closingDay(last, asOf.weekStart)) };
}
