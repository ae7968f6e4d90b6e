import { dateOf } from "../base/calendar/day";
import { carryForward, project, type Projection } from "../body/projection";
import { weightOf } from "../body/slice";
import { trendDay } from "../body/trend";
import { balanceForRate, goalWarnings, planLine, type PlanLine, planWeight, rateOfBalance } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { Goal } from "../log/kinds/goals";
import { type Expenditure, expenditureOn } from "./expenditure";
import { whereToWrite } from "./resting";
import { energyOf } from "./slice";

/**
 * A goal that is being written. `kcal`: set by what is eaten a day, from which the rate follows; null when the goal
 * says its own.
 */
export interface GoalAsk {
  goal: Goal;
  kcal: number | null;
}

/** One day of the lines that a goal would draw. */
export interface WhatIf {
  date: string;
  trendKg: number | null;
  planKg: number | null;
  nowKg: number | null;
  aheadKg: number | null;
  aheadLow: number | null;
  aheadHigh: number | null;
}

/** What a weight goal would ask, before it is saved. */
export type GoalPreview =
  | {
      /** The goal as it would be saved. */
      goal: Goal;
      line: PlanLine;
      kcalPerDay: number;
      percentPerWeek: number;
      warnings: string[];
      /**
       * What the day's target would be: the formula's expenditure with the line's balance; null when that is not known.
       */
      targetKcal: number | null;
      /** When today's trend would meet it, and how likely by its deadline; null when that cannot be said. */
      pace: Projection | null;
      /**
       * The last eight weeks, and on to the deadline: the trend, the plan as it stands, the plan as it would be, and
       * the course at today's pace.
       */
      course: WhatIf[];
    }
  | { reason: string };

export function goalPreview(asOf: AsOf, { goal: asked, kcal }: GoalAsk): GoalPreview {
  const { on } = asOf;
  const trend = weightOf(asOf).trend();
  const expenditure = expenditureOn(asOf, on);
  const by = kcal === null ? asked.by : byIntake(asked, kcal, expenditure);
  if ("reason" in by) return { reason: by.reason as string };
  const goal = { ...asked, by };
  const line = planLine(goal);
  if ("reason" in line) return line;
  const kcalPerDay = balanceForRate(line.kgPerWeek);
  const resting = energyOf(asOf).restingOn(energyOf(asOf).settingsOn(on)?.equation ?? "mifflinStJeor", on);
  const targetKcal = "reason" in expenditure ? null : expenditure.kcal + kcalPerDay;
  const under =
    targetKcal !== null && "kcal" in resting && targetKcal < resting.kcal
      ? [
          `It asks to eat ${asOf.printer.energy(targetKcal)} a day, under the resting expenditure of ${asOf.printer.energy(resting.kcal)}.`,
        ]
      : [];
  const pace = line.deadline <= on ? null : project(trend, line, on);
  return {
    goal,
    line,
    kcalPerDay,
    percentPerWeek: line.kgPerWeek / line.startKg,
    warnings: [...under, ...goalWarnings(line, asOf.person.heightCm ?? null)],
    targetKcal,
    pace: pace === null || "reason" in pace ? null : pace,
    course: courseOf(asOf, line),
  };
}

/** The rate that an intake gives a goal, or why it gives none. */
function byIntake(goal: Goal, kcal: number, expenditure: Expenditure): { rateKgPerWeek: number } | { reason: string } {
  if ("reason" in expenditure)
    return {
      reason: `What you burn is not known (${expenditure.reason}), so an intake gives no rate. ${whereToWrite(expenditure.reason)}`,
    };
  const rate = rateOfBalance(kcal - expenditure.kcal);
  if (goal.startKg == null || goal.targetKg == null || rate * (goal.targetKg - goal.startKg) <= 0)
    return {
      reason: `At this intake the weight goes ${rate < 0 ? "down" : rate > 0 ? "up" : "nowhere"}, away from the goal.`,
    };
  return { rateKgPerWeek: rate };
}

const weeksBack = 8;
const pointsAtMost = 150;

function courseOf(asOf: AsOf, line: PlanLine): WhatIf[] {
  const { on } = asOf;
  const trend = weightOf(asOf).trend();
  const now = goalsOf(asOf).line();
  const [from, until] = [
    Math.min(on, Math.max(on - 7 * weeksBack, trend?.first ?? on)),
    Math.min(Math.max(line.deadline, on) + 7, on + 730),
  ];
  const ahead = new Map(trend === null ? [] : carryForward(trend, until).map((one) => [one.day, one]));
  const step = Math.ceil((until - from + 1) / pointsAtMost);
  const along = (one: PlanLine, day: number) =>
    day >= one.startDay && day <= one.deadline ? planWeight(one, day) : null;
  return Array.from({ length: Math.floor((until - from) / step) + 1 }, (_, index) => from + index * step).map(
    (day): WhatIf => {
      const [here, next] = [trendDay(trend, day), ahead.get(day)];
      return {
        date: dateOf(day),
        trendKg: here?.kg ?? null,
        planKg: along(line, day),
        nowKg: "reason" in now || now.goalId !== line.goalId ? null : along(now, day),
        aheadKg: next?.kg ?? null,
        aheadLow: next?.low80 ?? null,
        aheadHigh: next?.high80 ?? null,
      };
    },
  );
}
