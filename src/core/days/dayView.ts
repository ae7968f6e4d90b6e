import { dateOf, type Day } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import { trendDay, z80 } from "../body/trend";
import { catchUpRate, holdingBand, isHolding, planBand, planWeight } from "../goals/plan";
import { printDay } from "../base/calendar/print";
import { carriedDays, lastWeighedAgo, levelOn, paceKnownDays, type MorningChance } from "../body/projection";
import type { DayNote } from "../log/kinds/dayNotes";
import type { Meal } from "../log/kinds/meals";
import type { WeighIn } from "../log/kinds/weighIns";
import { mealNutrients, type FullNutrients } from "../nutrition/energy";
import type { Figures } from "../figures/figures";
import { foodDay, type FoodDay } from "../nutrition/foodDay";
import { dueOf, type Due } from "./due";
import { mealNames } from "../nutrition/mealNames";
import { capitalised, sessionCard, type SessionCard } from "../training/sessionCard";

/** One line of a meal. */
export interface MealLine {
  meal: Meal;
  name: string;
  grams: number | null;
  portions: number | null;
  nutrients: FullNutrients | null;
  reason: string | null;
}

/** The lines of one meal, with their energy together. */
export interface MealGroup {
  name: string;
  lines: MealLine[];
  kcal: number;
  planned: MealLine[];
}

/** Where the trend stands, with how sure it is and how this morning's scale reading sits against it. */
export interface TrendFigure {
  date: string;
  kg: number;
  low80: number;
  high80: number;
  /** Days since the last weigh-in, over which level and interval are carried forward; `date` is that of the weigh-in. */
  carriedDays: number;
  /** Rate and half its 80 % interval; null below seven days of weigh-ins. */
  kgPerWeek: number | null;
  kgPerWeekHalf80: number | null;
  weighIns: number;
  morning: { kg: number; usual: boolean } | null;
}

/** Where the trend stands against the plan line. */
export interface PlanFigure {
  planKg: number;
  aboveKg: number;
  bandKg: number;
  standing: "on plan" | "too slow" | "too fast" | "above" | "below" | "not known";
  kgPerWeek: number;
  trendKgPerWeek: number | null;
  catchUpKgPerWeek: number | null;
  losing: boolean;
}

/** When the goal will be met. */
export interface ArrivalFigure {
  targetKg: number;
  holding: boolean;
  deadline: string;
  daysLeft: number;
  chance: number;
  arrived: boolean;
  p10: string | null;
  p50: string | null;
  p90: string | null;
  onMorning: MorningChance | null;
}

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
  meals: MealGroup[];
  food: FoodDay;
  trend: TrendFigure | { reason: string };
  plan: PlanFigure | { reason: string };
  arrival: ArrivalFigure | { reason: string };
}

/** Everything of one day, and how things stand on it. `figures` should be asked for that day (or for today when it lies ahead). */
export function dayView(figures: Figures, day: Day): DayView {
  const date = dateOf(day);
  return {
    date,
    goal:
      "reason" in figures.line
        ? null
        : {
            deadline: dateOf(figures.line.deadline),
            daysLeft: figures.line.deadline - day,
            why: figures.goal?.why ?? null,
          },
    weighIn: figures.primaryOn(day),
    seconds: figures.log.index.on("weighIns", figures.personId, day).filter(({ primary }) => primary === false),
    note: figures.noteOn(day),
    due: day === figures.on ? dueOf(figures) : [],
    sessions: figures.sessionsOn(day).map((session) => sessionCard(figures, session)),
    meals: mealGroups(figures, day),
    food: foodDay(figures, day),
    trend: trendFigure(figures),
    plan: planFigure(figures),
    arrival: arrivalFigure(figures),
  };
}

export function mealLines(figures: Figures, day: Day): MealLine[] {
  const { foods, recipes } = figures;
  return figures.mealsOn(day).map((meal) => {
    const result = mealNutrients(meal, foods, recipes);
    const name =
      meal.name ||
      (meal.foodId && foods.get(meal.foodId)?.name) ||
      (meal.recipeId && recipes.get(meal.recipeId)?.name) ||
      "food";
    return {
      meal,
      name,
      grams: meal.grams ?? null,
      portions: meal.portions ?? null,
      nutrients: "nutrients" in result ? result.nutrients : null,
      reason: "reason" in result ? result.reason : null,
    };
  });
}

/** The day's meals: in the order of the trainee's names of them, then any others in alphabetical order. */
export function mealGroups(figures: Figures, day: Day): MealGroup[] {
  const mealOrder = mealNames(figures.settings);
  const rank = (name: string) => {
    const index = mealOrder.indexOf(name);
    return index < 0 ? mealOrder.length : index;
  };
  return [...groupBy(mealLines(figures, day), ({ meal }) => meal.meal || "food")]
    .sort(([a], [b]) => rank(a) - rank(b) || (a < b ? -1 : 1))
    .map(([name, lines]) => ({
      name,
      lines,
      kcal: lines.reduce((sum, { nutrients }) => sum + (nutrients?.kcal ?? 0), 0),
      planned: lines.filter(({ meal }) => meal.status === "planned"),
    }));
}

export function trendFigure(figures: Figures): TrendFigure | { reason: string } {
  const { trend, weighed } = figures;
  if (trend === null) return { reason: "No weight is written yet. Type this morning's weight above." };
  const last = trendDay(trend, trend.last)!;
  const now = levelOn(trend, figures.on);
  if (now === null)
    return {
      reason: `${capitalised(lastWeighedAgo(trend, figures.on))} (${printDay(trend.last)}, trend ${figures.printer.mass(last.kg)}). Type this morning's weight above.`,
    };
  const spread = Math.sqrt(trend.residualVariance + last.sd ** 2);
  const rated = trend.last - trend.first >= 7;
  return {
    date: dateOf(last.day),
    kg: now.kg,
    low80: now.low80,
    high80: now.high80,
    carriedDays: Math.max(0, figures.on - trend.last),
    kgPerWeek: rated ? now.kgPerWeek : null,
    kgPerWeekHalf80: rated ? z80 * last.kgPerWeekSd : null,
    weighIns: weighed.length,
    morning:
      last.weighedKg === null
        ? null
        : { kg: last.weighedKg, usual: !last.gross && Math.abs(last.weighedKg - last.kg) <= 2 * spread },
  };
}

export function planFigure(figures: Figures): PlanFigure | { reason: string } {
  const { line, trend, on } = figures;
  if ("reason" in line) return { reason: `No plan line: ${line.reason}.` };
  const trendKg = figures.levelOn(on);
  if (trend === null) return { reason: "No weight is written yet." };
  if (trendKg === null)
    return {
      reason:
        on < trend.first
          ? "No weight is written yet."
          : `${capitalised(lastWeighedAgo(trend, on))}; the plan needs one of the last ${carriedDays} days.`,
    };
  const now = levelOn(trend, on)!;
  const planKg = planWeight(line, on);
  const bandKg = Math.max(planBand(line, trendKg, now.high80 - now.kg), isHolding(line) ? holdingBand(line) : 0);
  const aboveKg = trendKg - planKg;
  const losing = line.targetKg < line.startKg;
  const behind = losing ? aboveKg > bandKg : aboveKg < -bandKg;
  return {
    planKg,
    aboveKg,
    bandKg,
    standing:
      Math.abs(aboveKg) <= bandKg
        ? "on plan"
        : on - trend.last > paceKnownDays
          ? "not known"
          : isHolding(line)
            ? aboveKg > 0
              ? "above"
              : "below"
            : behind
              ? "too slow"
              : "too fast",
    losing,
    kgPerWeek: line.kgPerWeek,
    trendKgPerWeek: trend.last - trend.first >= 7 && on - trend.last <= paceKnownDays ? now.kgPerWeek : null,
    catchUpKgPerWeek: catchUpRate(line, trendKg, on),
  };
}

export function arrivalFigure(figures: Figures): ArrivalFigure | { reason: string } {
  const { line, projection, on } = figures;
  if ("reason" in line) return { reason: `No goal date: ${line.reason}.` };
  if ("reason" in projection) return { reason: `Not known yet: ${projection.reason}.` };
  const date = (day: Day | null) => (day === null ? null : dateOf(day));
  return {
    targetKg: line.targetKg,
    holding: isHolding(line),
    deadline: dateOf(line.deadline),
    daysLeft: line.deadline - on,
    chance: projection.byDeadline,
    arrived: projection.arrived,
    onMorning: projection.onMorning,
    p10: date(projection.p10),
    p50: date(projection.p50),
    p90: date(projection.p90),
  };
}
