import type { Day } from "../calendar/day";
import type { Exercise, Session } from "../log/records";
import type { FormulaChoice } from "./e1rm";
import { isEligible, performedSet, setMaximum, totalLoad, type BodyWeightOn, type PerformedSet } from "./sets";

/** A lift's estimated maximum with the set it stands on. */
export interface LiftMaximum { e1rmKg: number; set: PerformedSet; limitReps: number }

/** What was done of one lift on one day. */
export interface LiftDay {
  exerciseId: string;
  day: Day;
  /** Highest eligible estimate of the day; of equal ones the earlier set keeps the place. */
  maximum: LiftMaximum | null;
  /** Whether at least one repetition (or a timed or distance set) was done. */
  worked: boolean;
  /** Sessions of the day that hold performed sets of the lift. */
  sessionIds: string[];
  /** The last session of the day with a set that is no warm-up. */
  lastWorking: string | null;
}

/** What is known of one lift: the highest eligible estimate ever, that of the latest day which has one, the day last done and in how many sessions. */
export interface LiftStanding { exerciseId: string; best: LiftMaximum | null; latest: LiftMaximum | null; lastDone: Day; sessions: number }

/**
 * What was done of each lift on a day, in the order in which the lifts were first done. Every set of every session passes here when
 * all is computed afresh, so nothing is made for a set but the one that is the day's best.
 */
export function liftDays(day: Day, sessions: readonly Session[], exercises: ReadonlyMap<string, Exercise>, choice: FormulaChoice, bodyWeightOn: BodyWeightOn): LiftDay[] {
  const lifts: LiftDay[] = [];
  for (const session of sessions) {
    for (const item of session.items ?? []) {
      const exercise = exercises.get(item.exerciseId);
      if (exercise === undefined) continue;
      let lift = lifts.find(({ exerciseId }) => exerciseId === exercise.id);
      for (const set of item.sets) {
        const { done } = set;
        if (!done) continue;
        if (lift === undefined) lifts.push((lift = { exerciseId: exercise.id, day, maximum: null, worked: false, sessionIds: [], lastWorking: null }));
        const reps = done.reps ?? 0;
        const rpe = done.rpe ?? null;
        const warmUp = set.warmUp ?? false;
        if (reps > 0 || exercise.measure === "duration" || exercise.measure === "distance") lift.worked = true;
        if (!warmUp) lift.lastWorking = session.id;
        if (lift.sessionIds.at(-1) !== session.id) lift.sessionIds.push(session.id);
        if (!isEligible({ warmUp, reps, rpe })) continue;
        const estimate = setMaximum({ exercise, day, reps, rpe, totalKg: totalLoad(exercise, done.kg ?? 0, day, bodyWeightOn) }, choice, bodyWeightOn);
        if ("reason" in estimate || (lift.maximum !== null && estimate.kg <= lift.maximum.e1rmKg)) continue;
        lift.maximum = { e1rmKg: estimate.kg, set: performedSet(session.id, item.id, set, exercise, day, bodyWeightOn), limitReps: estimate.limitReps };
      }
    }
  }
  return lifts;
}

/**
 * Best and latest estimated maximum of a lift; null when it was never worked.
 * @param course the days of the lift, oldest first; of equal estimates the earlier day keeps the place
 */
export function liftStanding(exerciseId: string, course: readonly LiftDay[]): LiftStanding | null {
  const last = course.findLast(({ worked }) => worked);
  if (last === undefined) return null;
  let best: LiftMaximum | null = null;
  let latest: LiftMaximum | null = null;
  let sessions = 0;
  for (const { maximum, sessionIds } of course) {
    sessions += sessionIds.length;
    latest = maximum ?? latest;
    if (maximum !== null && (best === null || maximum.e1rmKg > best.e1rmKg)) best = maximum;
  }
  return { exerciseId, best, latest, lastDone: last.day, sessions };
}

/**
 * The maximum in force on each day: the latest tested one, raised by any higher estimate since; without a test the highest
 * estimate so far. It looks back only, so a later maximum never rewrites an earlier figure.
 * @param course the days of one lift, oldest first
 * @param tested tested maxima, oldest first
 * @returns the maximum in force on a day (that day's own sets included), or null when there is none yet
 */
export function maximumInForce(course: readonly LiftDay[], tested: readonly { kg: number; day: Day }[]): (day: Day) => number | null {
  const steps: { day: Day; kg: number }[] = [];
  let next = 0;
  const takeTests = (until: Day) => {
    for (let test = tested[next]; test !== undefined && test.day <= until; test = tested[++next]) steps.push(test);
  };
  for (const { day, maximum } of course) {
    if (maximum === null) continue;
    // On the day of a test an estimate can still raise it.
    takeTests(day);
    if (steps.length === 0 || maximum.e1rmKg > steps.at(-1)!.kg) steps.push({ day, kg: maximum.e1rmKg });
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
