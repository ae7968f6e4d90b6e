import type { Exercise, Session, Settings, TrainingSet } from "../log/records";
import { estimateMaximum, reserve, roughAbove, type Estimate, type FormulaChoice } from "./e1rm";
import type { Day } from "../calendar/day";

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
  rpe: number | null;
  failed: boolean;
  warmUp: boolean;
  /** 2 for one-sided work, where reps and load are per side and both sides count. */
  sides: 1 | 2;
}

/** Body weight in kilograms on a day, or null when nothing was ever weighed. */
export type BodyWeightOn = (day: Day) => number | null;

/** The sets of a session that were performed; a set without `done` was not. */
export function performedSets(session: Session, day: Day, exercises: ReadonlyMap<string, Exercise>, bodyWeightOn: BodyWeightOn): PerformedSet[] {
  const performed: PerformedSet[] = [];
  for (const item of session.items ?? []) {
    const exercise = exercises.get(item.exerciseId);
    if (exercise !== undefined) for (const set of item.sets) if (set.done) performed.push(performedSet(session.id, item.id, set, exercise, day, bodyWeightOn));
  }
  return performed;
}

/** One set that has a `done`. */
export function performedSet(sessionId: string, itemId: string, { id, done, warmUp }: TrainingSet, exercise: Exercise, day: Day, bodyWeightOn: BodyWeightOn): PerformedSet {
  const typedKg = done!.kg ?? 0;
  return {
    sessionId, itemId, setId: id, exercise, day, reps: done!.reps ?? 0, typedKg, totalKg: totalLoad(exercise, typedKg, day, bodyWeightOn),
    rpe: done!.rpe ?? null, failed: done!.failed ?? false, warmUp: warmUp ?? false, sides: exercise.perSide ? 2 : 1,
  };
}

/**
 * The load a movement moves: what is on the bar; for bodyweight movements the movement's share of body weight plus what was
 * added; for assisted ones that share less the assistance, never below zero. Null when body weight is needed and unknown, or
 * when the exercise has no load at all.
 */
export function totalLoad(exercise: Exercise, typedKg: number, day: Day, bodyWeightOn: BodyWeightOn): number | null {
  const measure = exercise.measure ?? "load-reps";
  if (measure === "load-reps") return typedKg;
  const share = bodyShare(exercise);
  if (share === null) return null;
  const body = bodyWeightOn(day);
  return body === null ? null : Math.max(0, body * share + (measure === "assisted-reps" ? -typedKg : typedKg));
}

/** Share of body weight a movement carries: 1 unless the exercise says so; null for movements that carry none of it. */
export function bodyShare(exercise: Exercise): number | null {
  return exercise.measure === "bodyweight-reps" || exercise.measure === "assisted-reps" ? (exercise.bodyShare ?? 1) : null;
}

/** Whether a set counts as work: at least one rep (or a timed or distance set), and no warm-up unless the trainee counts those. */
export function isWork(set: PerformedSet, settings: Settings): boolean {
  const counted = set.reps > 0 || set.exercise.measure === "duration" || set.exercise.measure === "distance";
  return counted && (!set.warmUp || settings.countWarmUps === true);
}

/** Whether a set is hard: work done with at most four reps in reserve, or with an unknown reserve (common practice, no source). */
export function isHard(set: PerformedSet, settings: Settings): boolean {
  return isWork(set, settings) && (set.rpe === null || (set.rpe >= 6 && 10 - set.rpe <= 4));
}

/** A set's estimated maximum, quoted the way the lift is loaded: added load for bodyweight and (below zero) assisted movements. */
export function setMaximum(set: Pick<PerformedSet, "exercise" | "day" | "reps" | "totalKg" | "rpe">, choice: FormulaChoice, bodyWeightOn: BodyWeightOn): Estimate {
  if (set.exercise.measure === "duration" || set.exercise.measure === "distance") return { reason: "a timed or distance movement has no repetition maximum" };
  if (set.totalKg === null) return { reason: "body weight is not known" };
  const estimate = estimateMaximum(choice, set.totalKg, set.reps, set.rpe);
  const share = bodyShare(set.exercise);
  if ("reason" in estimate || share === null) return estimate;
  return { ...estimate, kg: estimate.kg - share * (bodyWeightOn(set.day) ?? 0) };
}

/** Whether a set may stand for a lift's maximum: working, at most 4 reps in reserve, at most 12 reps to the limit. */
export function isEligible({ warmUp, reps, rpe }: Pick<PerformedSet, "warmUp" | "reps" | "rpe">): boolean {
  if (warmUp || reps < 1 || (rpe !== null && rpe < 6)) return false;
  return reps + (reserve(rpe) ?? 0) <= roughAbove;
}
