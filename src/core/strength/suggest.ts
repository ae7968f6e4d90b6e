import type { Day } from "../base/calendar/day";
import { counted } from "../base/units/number";
import type { Exercise } from "../log/kinds/exercises";
import type { TrainingSet } from "../log/kinds/sessions";
import type { Factor } from "./e1rm";
import { dayOf } from "./liftRun";
import { nearestStep } from "./loading";
import { daysBack, hasMaximum, type LiftCourse } from "./maximum";

/** What a load is worked out from: how strong the lift is now, as a total load, and what that stands on. */
export interface Strength {
  totalKg: number;
  day: Day;
  standsOn: "estimate" | "test";
  recent: boolean;
}

/**
 * Strength is read off the last four weeks (our judgement: long enough for a good day, short enough to follow a
 * lay-off).
 */
const strengthDays = 28;

/**
 * How strong a lift is on a day, before anything done on that day: the highest estimate or test of the last four weeks,
 * of equal ones the earlier, else the latest there is. Null when there is none.
 * @param course the days of the lift; @param tests tested maxima, quoted as the lift is loaded, oldest first
 * @param bodyPart the body weight that the movement carries on a day, kilograms
 */
export function strengthOn(
  course: LiftCourse,
  tests: readonly { day: Day; kg: number }[],
  on: Day,
  bodyPart: (day: Day) => number,
): Strength | null {
  const of = (kg: number, day: Day, standsOn: Strength["standsOn"]): Strength => ({
    totalKg: kg + bodyPart(day),
    day,
    standsOn,
    recent: day >= on - strengthDays,
  });
  let best: Strength | null = null;
  let latest: Strength | null = null;
  for (const { part, index } of daysBack(course)) {
    const day = dayOf(part.run, index);
    if (day >= on || !hasMaximum(part, index)) continue;
    const one = of(part.e1rmKg[index]!, day, "estimate");
    latest ??= one;
    if (!one.recent) break;
    if (best === null || one.totalKg >= best.totalKg) best = one;
  }
  for (const { kg, day } of tests) {
    if (day >= on) break;
    const one = of(kg, day, "test");
    if (latest === null || day >= latest.day) latest = one;
    if (one.recent && (best === null || one.totalKg > best.totalKg)) best = one;
  }
  return best ?? latest;
}

/**
 * A load worked out: as quoted, in the exercise's own steps, with the share of the maximum it is; `exactKg` before it
 * was made loadable.
 */
export interface Suggestion {
  kg: number;
  exactKg: number;
  share: number;
  repsToFailure: number | null;
  maximumKg: number;
}

/**
 * What a share of a maximum, both total loads, comes to on a lift: quoted as it is loaded, to its nearest step, a tie
 * going down.
 */
function loadAtShare(
  exercise: Exercise,
  maximumTotalKg: number,
  share: number,
  bodyPartKg: number,
  stepKg: number,
): Suggestion {
  const exactKg = maximumTotalKg * share - bodyPartKg;
  const typed = exercise.measure === "assisted-reps" ? -exactKg : exactKg;
  return {
    kg: nearestStep(typed, stepKg),
    exactKg: typed,
    share,
    repsToFailure: null,
    maximumKg: maximumTotalKg - bodyPartKg,
  };
}

/** The load for so many repetitions with so many left: maximum ÷ factor(repetitions + reserve). */
export function loadForEffort(
  exercise: Exercise,
  maximumTotalKg: number,
  reps: number,
  rpe: number,
  factor: Factor,
  bodyPartKg: number,
  stepKg: number,
): Suggestion | { reason: string } {
  const repsToFailure = reps + 10 - rpe;
  if (repsToFailure > 20)
    return { reason: `${counted(repsToFailure, "repetition")} to the limit; a load can be worked out up to 20` };
  if (repsToFailure < 1) return { reason: "at least one repetition is needed" };
  return { ...loadAtShare(exercise, maximumTotalKg, 1 / factor(repsToFailure), bodyPartKg, stepKg), repsToFailure };
}

/**
 * A planned set's load as it is to be done: as planned, or worked out from a share of the maximum or from an effort.
 */
export type Target =
  { kg: number | null; from: "plan" } | (Suggestion & { from: "percent" | "effort" }) | { reason: string };

/**
 * @param maximumTotalKg the maximum in force before the day, as a total load, for percentages; null when there is none
 * @param strength how strong the lift is now, for efforts
 */
export function targetOf(
  planned: TrainingSet["planned"],
  exercise: Exercise,
  maximumTotalKg: number | null,
  strength: Strength | null,
  factor: Factor,
  bodyPartKg: number,
  stepKg: number,
): Target {
  if (planned?.kg != null || planned == null || (planned.percent == null && planned.rpe == null))
    return { kg: planned?.kg ?? null, from: "plan" };
  if (planned.percent != null)
    return maximumTotalKg === null
      ? { reason: "there is no maximum to take a percentage of" }
      : { ...loadAtShare(exercise, maximumTotalKg, planned.percent, bodyPartKg, stepKg), from: "percent" };
  if (planned.reps == null) return { kg: null, from: "plan" };
  if (strength === null) return { reason: "no set so far tells how strong the lift is" };
  const load = loadForEffort(exercise, strength.totalKg, planned.reps, planned.rpe!, factor, bodyPartKg, stepKg);
  return "reason" in load ? load : { ...load, from: "effort" };
}
