import type { Day } from "../calendar/day";
import { mustDay } from "../calendar/day";
import { leastSquares, type Regression } from "../body/regression";
import type { Goal } from "../log/records";
import { normalCdf } from "./normal";
import { planLine, planWeight, type PlanLine } from "./plan";
import { horizonDays } from "./projection";

interface Reading { day: Day; value: number }

/** A straight line through the readings of the latest weeks: value and weekly rate on a day with their covariance; null while there is too little. */
export interface MeasureTrend { on: Day; value: number; perWeek: number; covariance: Regression["covariance"]; readings: number }

/** The line is drawn through the readings of so many days, at least four of them over at least three weeks. */
export const rateDays = 84;
const rateNeeds = { readings: 4, days: 21 };

/** Straight line through the readings of the latest twelve weeks, by least squares. */
export function measureTrend(readings: readonly Reading[], on: Day): MeasureTrend | null {
  const recent = readings.filter(({ day }) => day > on - rateDays && day <= on);
  if (recent.length < rateNeeds.readings || recent.at(-1)!.day - recent[0]!.day < rateNeeds.days) return null;
  const fit = leastSquares(recent.map(({ day, value }) => ({ y: value, x: [(day - on) / 7, 1], variance: 1 })));
  return fit === null ? null : { on, value: fit.coefficients[1]!, perWeek: fit.coefficients[0]!, covariance: fit.covariance, readings: recent.length };
}

/** Standard deviation of the line's value so many days after the day it was drawn for (before it, when negative). */
export function measureSd({ covariance }: MeasureTrend, days: number): number {
  const weeks = days / 7;
  return Math.sqrt(Math.max(0, covariance[1]![1]! + 2 * weeks * covariance[0]![1]! + weeks ** 2 * covariance[0]![0]!));
}

/** How a goal on a measure stands. Values are in the measure's unit. */
export interface MeasureGoal {
  goalId: string;
  startDay: Day;
  startValue: number;
  targetValue: number;
  deadline: Day;
  perWeek: number;
  /** What the plan line asks on the day, and how far the latest reading is from it. */
  planned: number;
  apart: number;
  doneShare: number | null;
  /** Days by which the line has crossed the target with a probability of 10, 50 and 90 %; null when not within three years, or not known. */
  projected: { p10: Day | null; p50: Day | null; p90: Day | null } | null;
  reached: boolean;
}

/** The goal of a measure in force on a day: of those begun by then, the one begun last; null without one that has numbers. */
export function measureGoal(goals: readonly Goal[], measureId: string, readings: readonly Reading[], on: Day): MeasureGoal | null {
  const goal = goals.filter((one) => one.of === measureId && mustDay(one.startDate) <= on).sort((a, b) => (a.startDate < b.startDate || (a.startDate === b.startDate && a.id < b.id) ? -1 : 1)).at(-1);
  const latest = readings.at(-1);
  if (goal === undefined || latest === undefined) return null;
  const line = lineOf(goal);
  if (line === null) return null;
  const planned = planWeight(line, on);
  const toGo = line.targetKg - line.startKg;
  const trend = measureTrend(readings, on);
  return {
    goalId: goal.id, startDay: line.startDay, startValue: line.startKg, targetValue: line.targetKg, deadline: line.deadline, perWeek: line.kgPerWeek, planned, apart: latest.value - planned,
    doneShare: toGo === 0 ? null : (latest.value - line.startKg) / toGo, projected: trend === null ? null : crossing(trend, line), reached: toGo < 0 ? latest.value <= line.targetKg : latest.value >= line.targetKg,
  };
}

/** The same straight line as a weight goal's, in the measure's unit. */
function lineOf(goal: Goal): PlanLine | null {
  const line = planLine({ ...goal, startKg: goal.startValue, targetKg: goal.targetValue });
  return "reason" in line ? null : line;
}

/** When the line through the readings, carried on, crosses the target: on each day Φ((target − value) ÷ sd) with the covariance of value and rate; a probability once reached is kept. */
function crossing(trend: MeasureTrend, line: PlanLine): MeasureGoal["projected"] {
  const side = line.targetKg < line.startKg ? 1 : -1;
  const dates: { p10: Day | null; p50: Day | null; p90: Day | null } = { p10: null, p50: null, p90: null };
  let reached = 0;
  for (let ahead = 0; ahead <= horizonDays; ahead++) {
    const sd = measureSd(trend, ahead);
    const distance = side * (line.targetKg - (trend.value + (trend.perWeek * ahead) / 7));
    reached = Math.max(reached, sd === 0 ? Number(distance >= 0) : normalCdf(distance / sd));
    for (const [key, level] of [["p10", 0.1], ["p50", 0.5], ["p90", 0.9]] as const) if (dates[key] === null && reached >= level) dates[key] = trend.on + ahead;
  }
  return dates;
}
