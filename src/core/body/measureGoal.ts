import type { Day } from "../base/calendar/day";
import { leastSquares, type Regression } from "../base/numeric/regression";
import { planLine, type PlanLine, planWeight } from "../goals/plan";
import type { Goal } from "../log/kinds/goals";
import { crossing, horizonDays } from "./projection";

export interface DayValue {
  day: Day;
  value: number;
}

/**
 * A straight line through the readings of the latest weeks: value and weekly rate on a day with their covariance; null
 * while there is too little.
 */
export interface MeasureTrend {
  on: Day;
  value: number;
  perWeek: number;
  covariance: Regression["covariance"];
  readings: number;
}

/** The line is drawn through the readings of so many days, at least four of them over at least three weeks. */
export const rateDays = 84;
const rateNeeds = { readings: 4, days: 21 };

/** Straight line through the readings of the latest twelve weeks, by least squares. */
export function measureTrend(readings: readonly DayValue[], on: Day): MeasureTrend | null {
  const recent = readings.filter(({ day }) => day > on - rateDays && day <= on);
  if (recent.length < rateNeeds.readings || recent.at(-1)!.day - recent[0]!.day < rateNeeds.days) return null;
  const fit = leastSquares(recent.map(({ day, value }) => ({ y: value, x: [(day - on) / 7, 1], variance: 1 })));
  return fit === null
    ? null
    : {
        on,
        value: fit.coefficients[1]!,
        perWeek: fit.coefficients[0]!,
        covariance: fit.covariance,
        readings: recent.length,
      };
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
  /**
   * Days by which the line has crossed the target with a probability of 10, 50 and 90 %; null when not within three
   * years, or not known.
   */
  projected: { p10: Day | null; p50: Day | null; p90: Day | null } | null;
  reached: boolean;
}

/**
 * How the goal of a measure stands; null without numbers in it or a reading.
 * @param goal the goal in force
 * @param latest the latest reading
 * @param trend the line through the readings, when there is one
 */
export function measureGoal(
  goal: Goal | null,
  latest: DayValue | undefined,
  trend: MeasureTrend | null,
  on: Day,
): MeasureGoal | null {
  if (goal === null || latest === undefined) return null;
  // The same straight line as a weight goal's, in the measure's unit.
  const line = planLine({ ...goal, startKg: goal.startValue, targetKg: goal.targetValue });
  if ("reason" in line) return null;
  const planned = planWeight(line, on);
  const toGo = line.targetKg - line.startKg;
  return {
    goalId: goal.id,
    startDay: line.startDay,
    startValue: line.startKg,
    targetValue: line.targetKg,
    deadline: line.deadline,
    perWeek: line.kgPerWeek,
    planned,
    apart: latest.value - planned,
    doneShare: toGo === 0 ? null : (latest.value - line.startKg) / toGo,
    projected: trend === null ? null : projectedOn(trend, line),
    reached: toGo < 0 ? latest.value <= line.targetKg : latest.value >= line.targetKg,
  };
}

/** When the line through the readings, carried on with the covariance of value and rate, crosses the target. */
function projectedOn(trend: MeasureTrend, line: PlanLine): MeasureGoal["projected"] {
  const course = Array.from({ length: horizonDays + 1 }, (_, ahead) => ({
    day: trend.on + ahead,
    kg: trend.value + (trend.perWeek * ahead) / 7,
    sd: measureSd(trend, ahead),
  }));
  const { p10, p50, p90 } = crossing(course, line, trend.on);
  return { p10, p50, p90 };
}
