import { dateOf } from "../base/calendar/day";
import type { GoalCourse, Milestone } from "../body/course";
import { arrivalFigure, type ArrivalFigure, planFigure, type PlanFigure } from "../body/keyFigures";
import { weightOf } from "../body/slice";
import { balanceForRate, goalWarnings, type PlanLine } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { EnergySettings } from "../log/kinds/energySettings";
import type { Goal } from "../log/kinds/goals";
import type { Session } from "../log/kinds/sessions";
import { sessionsOf } from "../sessions/slice";
import { type Credit, creditsOn, type Expenditure, expenditureOn, type Target, targetFor } from "./expenditure";
import { equationError, type EquationName, equationNames, type Resting } from "./resting";
import { energyOf } from "./slice";
import { targetWarnings } from "./targetWarnings";

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

export function energyView(asOf: AsOf): EnergyView {
  const { on } = asOf;
  const line = goalsOf(asOf).line();
  const expenditure = expenditureOn(asOf, on);
  const week = Array.from({ length: 7 }, (_, index) => on - index);
  const training = targetFor(asOf, "training", on);
  const resting = energyOf(asOf).restingOn(energyOf(asOf).settingsOn(on)?.equation ?? "mifflinStJeor", on);
  const targets = { training, rest: targetFor(asOf, "rest", on) };
  const warnings = [
    ...("reason" in line ? [] : goalWarnings(line, asOf.person.heightCm ?? null)),
    ...targetWarnings(asOf, targets, resting),
  ];
  return {
    resting: equationNames.map((equation) => ({ equation, result: energyOf(asOf).restingOn(equation, on) })),
    expenditure,
    range:
      "reason" in expenditure
        ? null
        : { low: expenditure.byFormula * (1 - equationError), high: expenditure.byFormula * (1 + equationError) },
    settings: energyOf(asOf).settingsOn(on),
    targets,
    goal: goalsOf(asOf).now() ?? goalsOf(asOf).next(),
    line,
    balanceKcal: "reason" in line ? null : balanceForRate(line.kgPerWeek),
    warnings,
    plan: planFigure(asOf),
    arrival: arrivalFigure(asOf),
    starts: startsOn(asOf),
    goals: weightOf(asOf).goalCourses(),
    milestones: weightOf(asOf).milestones(),
    credits: week.flatMap((day) =>
      creditsOn(asOf, day).map((credit) => ({
        date: dateOf(day),
        title: titleOf(sessionsOf(asOf).find(day, credit.sessionId)),
        credit,
      })),
    ),
  };
}

function startsOn(asOf: AsOf): EnergyView["starts"] {
  return {
    morningKg: weightOf(asOf).primaryOn(asOf.on)?.kg ?? null,
    medianKg: weightOf(asOf).weekly(1)[0]?.medianKg ?? null,
    trendKg: weightOf(asOf).levelOn(asOf.on),
  };
}

function titleOf(session: Session | null): string {
  return session?.title || session?.kind || "";
}
