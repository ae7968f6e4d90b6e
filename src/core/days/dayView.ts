import { dateOf, type Day } from "../base/calendar/day";
import type { ArrivalFigure, PlanFigure, TrendFigure } from "../body/keyFigures";
import { arrivalFigure, planFigure, trendFigure } from "../body/keyFigures";
import { weightOf } from "../body/slice";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { DayNote } from "../log/kinds/dayNotes";
import type { WeighIn } from "../log/kinds/weighIns";
import { notesOf } from "../log/notes";
import { foodDay, type FoodDay } from "../nutrition/foodDay";
import type { MealGroup } from "../nutrition/mealGroups";
import { mealGroups } from "../nutrition/mealGroups";
import { sessionsOf } from "../sessions/slice";
import { sessionCard, type SessionCard } from "../training/sessionCard";
import { type Ahead, aheadOf } from "./ahead";
import { type Due, dueOf } from "./due";

export interface DayView {
  date: string;
  /** The goal's date, however likely it is, and why it matters. */
  goal: { deadline: string; daysLeft: number; why: string | null } | null;
  weighIn: WeighIn | null;
  /** Second weigh-ins of the day, in order. */
  seconds: WeighIn[];
  note: DayNote | null;
  /** What waits to be written; nothing on a day that is past or lies ahead. */
  due: Due[];
  sessions: SessionCard[];
  /** What comes after a day of rest; null on a day with a session. */
  ahead: Ahead | null;
  meals: MealGroup[];
  food: FoodDay;
  trend: TrendFigure | { reason: string };
  plan: PlanFigure | { reason: string };
  arrival: ArrivalFigure | { reason: string };
}

/**
 * Everything of one day, and how things stand on it. `asOf` should be of for that day (or for today when it lies
 * ahead).
 */
export function dayView(asOf: AsOf, day: Day): DayView {
  const date = dateOf(day);
  const line = goalsOf(asOf).line();
  const sessions = sessionsOf(asOf).on(day);
  return {
    date,
    goal:
      "reason" in line
        ? null
        : {
            deadline: dateOf(line.deadline),
            daysLeft: line.deadline - day,
            why: goalsOf(asOf).now()?.why ?? null,
          },
    weighIn: weightOf(asOf).primaryOn(day),
    seconds: asOf.log.index.on("weighIns", asOf.personId, day).filter(({ primary }) => primary === false),
    note: notesOf(asOf).noteOn(day),
    due: day === asOf.on ? dueOf(asOf) : [],
    sessions: sessions.map((session) => sessionCard(asOf, session)),
    ahead: sessions.length === 0 ? aheadOf(asOf, day) : null,
    meals: mealGroups(asOf, day),
    food: foodDay(asOf, day),
    trend: trendFigure(asOf),
    plan: planFigure(asOf),
    arrival: arrivalFigure(asOf),
  };
}
