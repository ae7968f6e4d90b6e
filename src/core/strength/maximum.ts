import type { Day } from "../calendar/day";
import type { Exercise, Session, TrainingSet } from "../log/records";
import type { Factor } from "./e1rm";
import { bodyShare, eligibleReps, quotedKg, totalLoad, type BodyWeightOn, type PerformedSet } from "./sets";

/** A lift's estimated maximum with the set it stands on. */
export interface LiftMaximum { e1rmKg: number; set: FrontSet }

/** What was done of one lift on one day, whatever relation of repetitions to load is chosen. */
export interface DoneLift {
  exerciseId: string;
  day: Day;
  /** Whether at least one repetition (or a timed or distance set) was done. */
  worked: boolean;
  /** Sessions of the day that hold performed sets of the lift. */
  sessionIds: string[];
  /** The last session of the day with a set that is no warm-up. */
  lastWorking: string | null;
  /** Working sets of the day that no other one matches in load, repetitions and repetitions to the limit together; of equal ones the earlier. */
  front: FrontSet[];
  /** The heaviest single made in a session of testing, quoted as the lift is loaded; null without one. */
  testedKg: number | null;
  /** Σ reps × total load of the working sets, and of the warm-ups, kilograms, as `workOf` counts them. */
  workKg: number;
  warmUpKg: number;
}

/** A performed set on the front of its day, as far as a maximum, a record or a curve needs it. A lift has thousands of them. */
export interface FrontSet extends Pick<PerformedSet, "exercise" | "sessionId" | "day" | "reps" | "typedKg" | "rpe" | "failed" | "asManyAsPossible"> {
  totalKg: number;
  /** Repetitions done plus in reserve; 0 for a set that may not stand for a maximum. */
  limitReps: number;
}

/** The same with the day's highest eligible estimate; of equal ones the earlier set keeps the place. */
export interface LiftDay { day: Day; done: DoneLift; maximum: LiftMaximum | null }

/** What is known of one lift: the highest eligible estimate ever, that of the latest day which has one, the day last done and in how many sessions. */
export interface LiftStanding { exerciseId: string; best: LiftMaximum | null; latest: LiftMaximum | null; lastDone: Day; sessions: number }

/**
 * What was done of each lift on a day, in the order in which the lifts were first done. Every set of every session passes here when
 * all is computed afresh, so nothing lasting is made for a set but for those few on the day's front.
 */
export function liftsDone(day: Day, sessions: readonly Session[], exercises: ReadonlyMap<string, Exercise>, bodyWeightOn: BodyWeightOn): DoneLift[] {
  const lifts: DoneLift[] = [];
  for (const session of sessions) {
    for (const item of session.items ?? []) {
      const exercise = exercises.get(item.exerciseId);
      if (exercise === undefined) continue;
      const timed = exercise.measure === "duration" || exercise.measure === "distance";
      let at = indexOfLift(lifts, exercise.id);
      for (const set of item.sets) {
        const { done } = set;
        if (!done) continue;
        // Lists are begun with what they hold: one that grows later is given room for many, and there are thousands of them.
        if (at < 0) at = lifts.push({ exerciseId: exercise.id, day, worked: false, sessionIds: [session.id], lastWorking: null, front: noFront, testedKg: null, workKg: 0, warmUpKg: 0 }) - 1;
        const lift = lifts[at]!;
        const reps = done.reps ?? 0;
        if (reps > 0 || timed) lift.worked = true;
        if (lift.sessionIds[lift.sessionIds.length - 1] !== session.id) lift.sessionIds.push(session.id);
        if (!set.warmUp) lift.lastWorking = session.id;
        if (reps < 1 || timed) continue;
        const totalKg = totalLoad(exercise, done.kg ?? 0, day, bodyWeightOn);
        if (set.warmUp) { lift.warmUpKg += loadDone(done, reps, totalKg, exercise, day, bodyWeightOn); continue; }
        if (session.test && reps === 1 && !done.failed) lift.testedKg = Math.max(lift.testedKg ?? -Infinity, quotedKg(exercise, done.kg ?? 0));
        if (totalKg === null) continue;
        lift.workKg += loadDone(done, reps, totalKg, exercise, day, bodyWeightOn);
        const limitReps = eligibleReps(reps, done.rpe ?? null);
        if (isMatched(lift.front, totalKg, reps, limitReps)) continue;
        const one: FrontSet = { exercise, sessionId: session.id, day, reps, typedKg: done.kg ?? 0, rpe: done.rpe ?? null, failed: done.failed ?? false, asManyAsPossible: set.planned?.asManyAsPossible ?? false, totalKg, limitReps };
        if (lift.front.length === 0) lift.front = [one];
        else putOnFront(lift.front, one);
      }
    }
  }
  return lifts;
}

const noFront: FrontSet[] = [];

function indexOfLift(lifts: readonly DoneLift[], exerciseId: string): number {
  for (let at = 0; at < lifts.length; at++) if (lifts[at]!.exerciseId === exerciseId) return at;
  return -1;
}

/** Σ reps × total load of one done set, both sides and all parts counted; `totalKg` is that of its first part. */
function loadDone({ kg, parts }: NonNullable<TrainingSet["done"]>, reps: number, totalKg: number | null, exercise: Exercise, day: Day, bodyWeightOn: BodyWeightOn): number {
  let load = reps * (totalKg ?? 0);
  if (parts) for (const part of parts) load += (part.reps ?? 0) * (totalLoad(exercise, part.kg ?? kg ?? 0, day, bodyWeightOn) ?? 0);
  return load * (exercise.perSide ? 2 : 1);
}

function isMatched(front: readonly FrontSet[], totalKg: number, reps: number, limitReps: number): boolean {
  for (const one of front) if (one.totalKg >= totalKg && one.reps >= reps && one.limitReps >= limitReps) return true;
  return false;
}

/** Puts a set on the front in the place of those that it matches. */
function putOnFront(front: FrontSet[], one: FrontSet): void {
  let left = 0;
  for (const held of front) if (one.totalKg < held.totalKg || one.reps < held.reps || one.limitReps < held.limitReps) front[left++] = held;
  front[left] = one;
  front.length = left + 1;
}

/**
 * A lift's day with its highest estimate, on the total load and quoted as the lift is loaded. An estimate rises with load and with repetitions to
 * the limit, so it stands on the front.
 */
export function withMaximum(done: DoneLift, factor: Factor, bodyWeightOn: BodyWeightOn): LiftDay {
  const { day, front } = done;
  let top: FrontSet | null = null;
  let topKg = 0;
  for (const one of front) {
    const kg = one.limitReps === 0 ? 0 : one.totalKg * factor(one.limitReps);
    if (kg > topKg) [top, topKg] = [one, kg];
  }
  const share = top === null ? null : bodyShare(top.exercise);
  const maximum = top === null ? null : { e1rmKg: share === null ? topKg : topKg - share * (bodyWeightOn(day) ?? 0), set: top };
  return { day, done, maximum };
}

/**
 * Best and latest estimated maximum of a lift; null when it was never worked.
 * @param course the days of the lift, oldest first; of equal estimates the earlier day keeps the place
 */
export function liftStanding(exerciseId: string, course: readonly LiftDay[]): LiftStanding | null {
  const last = course.findLast(({ done }) => done.worked);
  if (last === undefined) return null;
  let best: LiftMaximum | null = null;
  let latest: LiftMaximum | null = null;
  let sessions = 0;
  for (const { maximum, done } of course) {
    sessions += done.sessionIds.length;
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
