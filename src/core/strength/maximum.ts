import type { Day } from "../base/calendar/day";
import type { Factor } from "./e1rm";
import {
  dayOf,
  daysIn,
  firstSet,
  frontSet,
  type FrontSet,
  inSession,
  type LiftRun,
  repsToFailureOf,
  sessionCount,
  totalKgOf,
  wasWorked,
} from "./liftRun";
import { bodyShare, type BodyWeightOn } from "./sets";

/** A lift's estimated maximum with the set it stands on. */
export interface LiftMaximum {
  e1rmKg: number;
  set: FrontSet;
}

/**
 * A run of a lift's days with each day's highest eligible estimate (NaN without one) and the place of the set it stands
 * on; of equal ones the earlier set keeps the place.
 */
export interface LiftSegment {
  readonly run: LiftRun;
  readonly e1rmKg: readonly number[];
  readonly set: readonly number[];
  /**
   * Of each day the same of its last session that has an estimate, which another session of the day may have surpassed.
   */
  readonly lastKg: readonly number[];
  readonly lastSet: readonly number[];
}

/** What was done of one lift, part after part, oldest first. */
export type LiftCourse = readonly LiftSegment[];

/**
 * What is known of one lift: the highest eligible estimate ever, that of the latest session which has one, the day last
 * done (null for a lift of which only a tested maximum is known) and in how many sessions.
 */
export interface LiftStanding {
  exerciseId: string;
  best: LiftMaximum | null;
  latest: LiftMaximum | null;
  lastDone: Day | null;
  sessions: number;
}

/**
 * A run with its highest estimates, on the total load and quoted as the lift is loaded. An estimate rises with load and
 * with repetitions to the limit, so it stands on the front.
 */
export function withMaximum(run: LiftRun, factor: Factor, bodyWeightOn: BodyWeightOn): LiftSegment {
  const count = daysIn(run);
  const e1rmKg: number[] = [];
  const set: number[] = [];
  const lastKg: number[] = [];
  const lastSet: number[] = [];
  const share = bodyShare(run.exercise);
  for (let index = 0, at = 0; index < count; index++) {
    let top = -1;
    let topKg = 0;
    let [last, lastTopKg, session] = [-1, 0, -1];
    for (const end = firstSet(run, index + 1); at < end; at++) {
      const repsToFailure = repsToFailureOf(run, at);
      const kg = repsToFailure === 0 ? 0 : totalKgOf(run, at) * factor(repsToFailure);
      if (kg > 0 && (inSession(run, at) !== session || kg > lastTopKg))
        [last, lastTopKg, session] = [at, kg, inSession(run, at)];
      if (kg <= topKg) continue;
      top = at;
      topKg = kg;
    }
    const body = share === null || top < 0 ? 0 : share * (bodyWeightOn(dayOf(run, index)) ?? 0);
    set.push(top);
    e1rmKg.push(top < 0 ? NaN : topKg - body);
    lastSet.push(last);
    lastKg.push(last < 0 ? NaN : lastTopKg - body);
  }
  return { run, e1rmKg, set, lastKg, lastSet };
}

/** Whether a day has an estimate. */
export const hasMaximum = ({ set }: LiftSegment, index: number): boolean => set[index]! >= 0;

/** The highest estimate of a day that has one, with its set. */
export function maximumAt({ run, e1rmKg, set }: LiftSegment, index: number): LiftMaximum {
  return { e1rmKg: e1rmKg[index]!, set: frontSet(run, index, set[index]!) };
}

/** The highest estimates of a course, oldest first. */
export function maximaOf(course: LiftCourse): LiftMaximum[] {
  const maxima: LiftMaximum[] = [];
  for (const part of course)
    for (let index = 0; index < part.set.length; index++)
      if (hasMaximum(part, index)) maxima.push(maximumAt(part, index));
  return maxima;
}

/** The days of a course from the latest back. */
export function* daysBack(course: LiftCourse): Generator<{ part: LiftSegment; index: number }> {
  for (const part of [...course].reverse())
    for (let index = daysIn(part.run) - 1; index >= 0; index--) yield { part, index };
}

/**
 * Best and latest estimated maximum of a lift before a day; null when it was not worked.
 * @param course the days of the lift; of equal estimates the earlier day keeps the place
 */
export function liftStanding(exerciseId: string, course: LiftCourse, before: Day = Infinity): LiftStanding | null {
  let lastDone: Day | null = null;
  let best: LiftSegment | null = null;
  let bestAt = 0;
  let latest: LiftSegment | null = null;
  let latestAt = 0;
  let sessions = 0;
  for (const part of course) {
    const { run, e1rmKg, set } = part;
    for (let index = 0; index < set.length && dayOf(run, index) < before; index++) {
      sessions += sessionCount(run, index);
      if (wasWorked(run, index)) lastDone = dayOf(run, index);
      if (!hasMaximum(part, index)) continue;
      latest = part;
      latestAt = index;
      if (best !== null && e1rmKg[index]! <= best.e1rmKg[bestAt]!) continue;
      best = part;
      bestAt = index;
    }
  }
  return lastDone === null
    ? null
    : {
        exerciseId,
        best: best && maximumAt(best, bestAt),
        latest: latest && {
          e1rmKg: latest.lastKg[latestAt]!,
          set: frontSet(latest.run, latestAt, latest.lastSet[latestAt]!),
        },
        lastDone,
        sessions,
      };
}

/**
 * The maximum in force on each day: the latest tested one, raised by any higher estimate since; without a test the
 * highest estimate so far. It looks back only, so a later maximum never rewrites an earlier figure.
 * @param course the days of one lift
 * @param tested tested maxima, oldest first
 * @returns the maximum in force on a day (that day's own sets included), or null when there is none yet
 */
export function maximumInForce(
  course: LiftCourse,
  tested: readonly { kg: number; day: Day }[],
): (day: Day) => number | null {
  const steps: { day: Day; kg: number }[] = [];
  let next = 0;
  const takeTests = (until: Day) => {
    for (let test = tested[next]; test !== undefined && test.day <= until; test = tested[++next]) steps.push(test);
  };
  for (const part of course)
    for (let index = 0; index < part.set.length; index++) {
      if (!hasMaximum(part, index)) continue;
      const { run, e1rmKg } = part;
      // On the day of a test an estimate can still raise it.
      takeTests(dayOf(run, index));
      if (steps.length === 0 || e1rmKg[index]! > steps.at(-1)!.kg)
        steps.push({ day: dayOf(run, index), kg: e1rmKg[index]! });
    }
  takeTests(Infinity);
  return (day) => {
    let low = 0;
    let high = steps.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (steps[middle]!.day <= day) low = middle + 1;
      else high = middle;
    }
    return steps[low - 1]?.kg ?? null;
  };
}
