import { dateOf, type Day } from "../base/calendar/day";
import { equationError, equationNames, type EquationName, type Resting } from "./resting";
import type { GoalCourse, Milestone } from "../body/course";
import { balanceForRate, goalWarnings, type PlanLine } from "../goals/plan";
import type { EnergySettings } from "../log/kinds/energySettings";
import type { Goal } from "../log/kinds/goals";
import type { Session } from "../log/kinds/sessions";
import type { Figures } from "../figures/figures";
import {
  creditsOn,
  expenditureOn,
  foodDay,
  foodDays,
  targetFor,
  type Credit,
  type Expenditure,
  type FoodDay,
  type Target,
} from "../nutrition/foodDay";
import {
  arrivalFigure,
  mealGroups,
  planFigure,
  type ArrivalFigure,
  type MealGroup,
  type PlanFigure,
} from "../days/dayView";

export interface EnergyView {
  resting: { equation: EquationName; result: Resting }[];
  expenditure: Expenditure;
  /** The formula's middle value with its known error either way. */
  range: { low: number; high: number } | null;
  settings: EnergySettings | null;
  targets: { training: Target; rest: Target };
  /** The goal in force, else the one that begins next. */
  goal: Goal | null;
  line: PlanLine | { reason: string };
  balanceKcal: number | null;
  warnings: string[];
  plan: PlanFigure | { reason: string };
  arrival: ArrivalFigure | { reason: string };
  /** Weight goals, the latest first, with how each ended. */
  goals: GoalCourse[];
  /** Weights on the way to the goal in force, the goal the last. */
  milestones: Milestone[];
  /** Weights from which a plan may start today: this morning's, the median of the week, the trend. */
  starts: { morningKg: number | null; medianKg: number | null; trendKg: number | null };
  /** Performed sessions of the last seven days with their net energy, newest first. */
  credits: { date: string; title: string; credit: Credit }[];
}

export function energyView(figures: Figures): EnergyView {
  const { on, line } = figures;
  const expenditure = expenditureOn(figures, on);
  const week = Array.from({ length: 7 }, (_, index) => on - index);
  const training = targetFor(figures, "training", on);
  const resting = figures.restingOn(figures.energySettingsOn(on)?.equation ?? "mifflinStJeor", on);
  const warnings = "reason" in line ? [] : goalWarnings(line, figures.person.heightCm ?? null);
  if (!("reason" in training) && "kcal" in resting && training.kcal < resting.kcal)
    warnings.push("The daily target is under the resting expenditure.");
  return {
    resting: equationNames.map((equation) => ({ equation, result: figures.restingOn(equation, on) })),
    expenditure,
    range:
      "reason" in expenditure
        ? null
        : { low: expenditure.kcal * (1 - equationError), high: expenditure.kcal * (1 + equationError) },
    settings: figures.energySettingsOn(on),
    targets: { training, rest: targetFor(figures, "rest", on) },
    goal: figures.goal ?? figures.nextGoal,
    line,
    balanceKcal: "reason" in line ? null : balanceForRate(line.kgPerWeek),
    warnings,
    plan: planFigure(figures),
    arrival: arrivalFigure(figures),
    starts: startsOn(figures),
    goals: figures.goalCourses,
    milestones: figures.milestones,
    credits: week.flatMap((day) =>
      creditsOn(figures, day).map((credit) => ({
        date: dateOf(day),
        title: titleOf(figures.sessionOn(day, credit.sessionId)),
        credit,
      })),
    ),
  };
}

function startsOn(figures: Figures): EnergyView["starts"] {
  return {
    morningKg: figures.primaryOn(figures.on)?.kg ?? null,
    medianKg: figures.weekly(1)[0]?.medianKg ?? null,
    trendKg: figures.levelOn(figures.on),
  };
}

function titleOf(session: Session | null): string {
  return session?.title || session?.kind || "";
}

export interface FoodView {
  food: FoodDay;
  meals: MealGroup[];
  week: FoodDay[];
}

/** A day's food by line, and the days of the last week that have some. */
export function foodView(figures: Figures, day: Day): FoodView {
  return { food: foodDay(figures, day), meals: mealGroups(figures, day), week: foodDays(figures, figures.on - 6) };
}
