import type { Day } from "../base/calendar/day";
import { completedReps } from "../log/doneSets";
import type { Exercise } from "../log/kinds/exercises";
import type { Settings } from "../log/kinds/people";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { repsInReserve, roughAbove } from "./e1rm";

/** A set that was performed, with what it takes to count it. */
export interface PerformedSet {
  sessionId: string;
  itemId: string;
  setId: string;
  exercise: Exercise;
  day: Day;
  reps: number;
  /** The load as typed: on the bar, added to or taken off the body, per side. */
  typedKg: number;
  /** The load moved: with the body's share, less assistance. Null when it cannot be known. */
  totalKg: number | null;
  /**
   * What followed without a full rest: the other parts of a drop or cluster set. The first part alone stands for a
   * maximum.
   */
  parts: readonly { reps: number; totalKg: number | null }[];
  rpe: number | null;
  /** One more repetition than those completed was tried and missed. */
  failed: boolean;
  /** Planned for as many repetitions as possible. */
  asManyAsPossible: boolean;
  warmUp: boolean;
  /** 2 for one-sided work, where reps and load are per side and both sides count. */
  sides: 1 | 2;
}

/** What of the settings decides which sets count as work. */
export type Counting = Pick<Settings, "countWarmUps">;

/** Body weight in kilograms on a day, or null when nothing was ever weighed. */
export type BodyWeightOn = (day: Day) => number | null;

/** The sets of a session that were performed; a set without `done` was not. */
export function performedSets(
  session: Session,
  day: Day,
  exercises: ReadonlyMap<string, Exercise>,
  bodyWeightOn: BodyWeightOn,
): PerformedSet[] {
  const performed: PerformedSet[] = [];
  for (const item of session.items ?? []) {
    const exercise = exercises.get(item.exerciseId);
    if (exercise !== undefined)
      for (const set of item.sets)
        if (set.done) performed.push(performedSet(session, item.id, set, exercise, day, bodyWeightOn));
  }
  return performed;
}

const noParts: PerformedSet["parts"] = [];

/** One set that has a `done`. */
function performedSet(
  { id: sessionId, test }: Session,
  itemId: string,
  { id, planned, done, warmUp }: TrainingSet,
  exercise: Exercise,
  day: Day,
  bodyWeightOn: BodyWeightOn,
): PerformedSet {
  const typedKg = done!.kg ?? 0;
  const parts = done!.parts
    ? done!.parts.map(({ reps, kg }) => ({
        reps: reps ?? 0,
        totalKg: totalLoad(exercise, kg ?? typedKg, day, bodyWeightOn),
      }))
    : noParts;
  return {
    sessionId,
    itemId,
    setId: id,
    exercise,
    day,
    reps: completedReps(done!, test === true),
    typedKg,
    totalKg: totalLoad(exercise, typedKg, day, bodyWeightOn),
    parts,
    rpe: done!.rpe ?? null,
    failed: done!.failed ?? false,
    asManyAsPossible: planned?.asManyAsPossible ?? false,
    warmUp: warmUp ?? false,
    sides: exercise.perSide ? 2 : 1,
  };
}

/**
 * The load a movement moves: what is on the bar; for bodyweight movements the movement's share of body weight plus what
 * was added; for assisted ones that share less the assistance, never below zero. Null when body weight is needed and
 * unknown, or when the exercise has no load at all.
 */
export function totalLoad(exercise: Exercise, typedKg: number, day: Day, bodyWeightOn: BodyWeightOn): number | null {
  return totalWith(exercise, typedKg, bodyShare(exercise) === null ? null : bodyWeightOn(day));
}

/** The same with the body weight of the day. */
export function totalWith(exercise: Exercise, typedKg: number, bodyKg: number | null): number | null {
  const measure = exercise.measure ?? "load-reps";
  if (measure === "load-reps") return typedKg;
  const share = bodyShare(exercise);
  return share === null || bodyKg === null ? null : Math.max(0, bodyKg * share + quotedKg(exercise, typedKg));
}

/** A load as the lift is quoted: what was typed, below zero for assistance. */
export function quotedKg(exercise: Exercise, typedKg: number): number {
  return exercise.measure === "assisted-reps" ? -typedKg : typedKg;
}

/** Whether a movement is done for time or distance and not for repetitions. */
export function isTimed({ measure }: Exercise): boolean {
  return measure === "duration" || measure === "distance";
}

/** Share of body weight a movement carries: 1 unless the exercise says so; null for movements that carry none of it. */
export function bodyShare(exercise: Exercise): number | null {
  return exercise.measure === "bodyweight-reps" || exercise.measure === "assisted-reps"
    ? (exercise.bodyShare ?? 1)
    : null;
}

/** The body weight a movement carries, kilograms; none where it carries no share or the weight is unknown. */
export function bodyPartOf(exercise: Exercise, bodyKg: number | null): number {
  return (bodyShare(exercise) ?? 0) * (bodyKg ?? 0);
}

/**
 * Whether a set counts as work: at least one rep (or a timed or distance set), and no warm-up unless the trainee counts
 * those.
 */
export function isWork(set: PerformedSet, counting: Counting): boolean {
  const counted = set.reps > 0 || isTimed(set.exercise);
  return counted && (!set.warmUp || counting.countWarmUps === true);
}

/**
 * Whether a set is hard: work done with at most four reps in reserve, or with an unknown reserve (common practice, no
 * source).
 */
export function isHard(set: PerformedSet, counting: Counting): boolean {
  return isWork(set, counting) && (set.rpe === null || (set.rpe >= 6 && 10 - set.rpe <= 4));
}

/**
 * Repetitions to the limit of a working set that may stand for its lift's maximum (at most 4 in reserve, at most 12 to
 * the limit); 0 for one that may not.
 */
export function eligibleReps(reps: number, rpe: number | null): number {
  if (reps < 1 || (rpe !== null && rpe < 6)) return 0;
  const repsToFailure = reps + (repsInReserve(rpe) ?? 0);
  return repsToFailure <= roughAbove ? repsToFailure : 0;
}
