import { closingDay, dateOf, weekStartOf, type Day } from "../base/calendar/day";
import { trendDay } from "../body/trend";
import { adherence, standing } from "../sessions/adherence";
import type { Session } from "../log/kinds/sessions";
import type { Figures } from "../figures/figures";
import { foodDay } from "../nutrition/foodDay";

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
export function columnView(figures: Figures, from: Day, to: Day): ColumnRow[] {
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, index): ColumnRow => {
    const day = from + index;
    const smoothed = trendDay(figures.trend, day);
    const food = day <= figures.on && figures.mealsOn(day).length > 0 ? foodDay(figures, day) : null;
    return {
      date: dateOf(day),
      weighedKg: smoothed?.weighedKg ?? null,
      gross: smoothed?.gross ?? false,
      trendKg: smoothed?.kg ?? null,
      low80: smoothed?.low80 ?? null,
      high80: smoothed?.high80 ?? null,
      planKg: figures.planOn(day),
      marks: figures.sessionsOn(day).map((session) => ({
        id: session.id,
        kind: session.kind,
        status: standing(session, figures.on),
        title: session.title ?? session.kind,
      })),
      foodShare:
        food === null || "reason" in food.target || food.eatenKcal === null || food.eaten.kcal === 0
          ? null
          : food.eaten.kcal / food.target.kcal,
      note: figures.noteOn(day)?.text ?? null,
      week: day === closingDay(day, figures.weekStart) ? weekFigures(figures, day) : null,
    };
  });
}

function weekFigures(figures: Figures, closing: Day): ColumnRow["week"] {
  const start = weekStartOf(closing, figures.weekStart);
  if (start > figures.on) return null;
  const weight = figures.weekFrom(start);
  const { done, planned } = adherence(figures.sessionsOfWeek(start), figures.on);
  return { days: weight?.days ?? 0, medianKg: weight?.medianKg ?? null, open: closing > figures.on, done, planned };
}

/** First and last day that the Column runs over: from the first entry (at least eight weeks back) to the last plan (at least two weeks ahead). */
export function columnSpan(figures: Figures): { first: string; last: string } {
  const { weighed, sessionDays, mealDays } = figures;
  const days = [weighed[0]?.day, sessionDays[0], sessionDays.at(-1), mealDays[0], mealDays.at(-1)].filter(
    (day) => day !== undefined,
  );
  const first = Math.min(figures.on - 55, ...days);
  const last = Math.max(figures.on + 14, ...days);
  return { first: dateOf(weekStartOf(first, figures.weekStart)), last: dateOf(closingDay(last, figures.weekStart)) };
}
