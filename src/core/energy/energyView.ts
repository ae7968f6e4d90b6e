import { dateOf } from "../base/calendar/day";
import { fromKcal } from "../base/units/energy";
import { printTyped } from "../base/units/number";
import type { GoalCourse, Milestone } from "../body/course";
import { arrivalFigure, type ArrivalFigure, planFigure, type PlanFigure } from "../body/keyFigures";
import { weightOf } from "../body/slice";
import { balanceForRate, goalWarnings, type PlanLine } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { DayTarget, EnergySettings } from "../log/kinds/energySettings";
import type { Goal } from "../log/kinds/goals";
import type { Session } from "../log/kinds/sessions";
import { sessionsOf } from "../sessions/slice";
import { printTurn } from "./dayKindTyped";
import {
  type Credit,
  creditsOn,
  dayKind,
  dayKindsOf,
  type Expenditure,
  expenditureOn,
  plannedKcal,
  type Target,
  targetFor,
  targetsOfKind,
} from "./expenditure";
import { type Ladder, ladderOf } from "./ladder";
import { equationError, type EquationName, equationNames, type Resting } from "./resting";
import { energyOf } from "./slice";
import { targetFields, type TargetsTyped } from "./targetsTyped";
import { targetWarnings } from "./targetWarnings";

/** A kind of day: how it was set, and what that comes to today. */
export interface KindOfDay {
  name: string;
  /** When it is, as it is typed; null for training and rest days. */
  turn: string | null;
  targets: DayTarget;
  /** The same as it is typed. */
  typed: TargetsTyped;
  target: Target;
}

export interface EnergyView {
  resting: { equation: EquationName; result: Resting }[];
  expenditure: Expenditure;
  /** The formula's middle value with its known error either way. */
  range: { low: number; high: number } | null;
  settings: EnergySettings | null;
  /** Training and rest days, then the trainee's own; and which of them today is. */
  kinds: KindOfDay[];
  kindToday: string;
  /** The energy of a day that has no target of its own. */
  plannedKcal: number | null;
  /** What grams for each kilogram are reckoned with. */
  body: { kg: number; fatFreeKg: number | null } | null;
  ladder: Ladder | null;
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
  const settings = energyOf(asOf).settingsOn(on);
  const resting = energyOf(asOf).restingOn(settings?.equation ?? "mifflinStJeor", on);
  const kinds = dayKindsOf(settings).map((name): KindOfDay => {
    const own = settings?.dayKinds?.find((kind) => kind.name === name);
    const turn = own === undefined ? null : printTurn(own);
    const targets = targetsOfKind(settings, name);
    const energy = (kcal: number) => printTyped(fromKcal(kcal, asOf.printer.units.energy), 1);
    return { name, turn, targets, typed: targetFields(targets, energy), target: targetFor(asOf, name, on) };
  });
  const warnings = [
    ...("reason" in line ? [] : goalWarnings(line, asOf.person.heightCm ?? null)),
    ...targetWarnings(asOf, kinds, resting),
  ];
  return {
    resting: equationNames.map((equation) => ({ equation, result: energyOf(asOf).restingOn(equation, on) })),
    expenditure,
    range:
      "reason" in expenditure
        ? null
        : { low: expenditure.byFormula * (1 - equationError), high: expenditure.byFormula * (1 + equationError) },
    settings,
    kinds,
    kindToday: dayKind(asOf, on),
    plannedKcal: plannedKcal(asOf, on),
    body: energyOf(asOf).bodyOn(on),
    ladder: ladderOf(asOf),
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
