import type { Day } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import type { Exercise } from "../log/kinds/exercises";
import { bodyShare, type BodyWeightOn, type Counting, isHard, isWork, type PerformedSet } from "./sets";

/** Work done: repetitions lifted (NL), repetitions times total load, and how heavy it was on average. */
export interface Volume {
  /** Σ reps × total load, kilograms, both sides of one-sided work counted. Sets whose load is unknown add nothing. */
  volumeLoadKg: number;
  /** Σ reps (NL), both sides counted. */
  numberOfLifts: number;
  /** Performed sets that count as work. */
  sets: number;
  /**
   * Σ(reps × % of maximum) / Σ reps over lifts with a maximum in force, as a share (0.78 for 78 %); null when none has
   * one.
   */
  averageIntensity: number | null;
  byGroup: Record<string, { volumeLoadKg: number; numberOfLifts: number }>;
  byExercise: Record<string, { volumeLoadKg: number; numberOfLifts: number; sets: number }>;
  /** Hard sets per muscle: 1 for each direct muscle, ½ for each indirect one (common practice, no source). */
  byMuscle: Record<string, { sets: number }>;
}

/** The maximum in force for a lift on a day, quoted as that lift is loaded; null when there is none. */
export type MaximumOn = (exerciseId: string, day: Day) => number | null;

/**
 * Work done in a list of performed sets, intensity left open. Sums run in the order given, so the same sets in the same
 * order give the same bits.
 */
export function workOf(sets: readonly PerformedSet[], counting: Counting): Volume {
  const volume: Volume = {
    volumeLoadKg: 0,
    numberOfLifts: 0,
    sets: 0,
    averageIntensity: null,
    byGroup: {},
    byExercise: {},
    byMuscle: {},
  };
  const groups = new Map<string, { volumeLoadKg: number; numberOfLifts: number }>();
  const lifts = new Map<string, { volumeLoadKg: number; numberOfLifts: number; sets: number }>();
  const muscles = new Map<string, { sets: number }>();
  for (const set of sets) {
    if (!isWork(set, counting)) continue;
    const reps = liftsOf(set);
    const load = loadOf(set);
    volume.sets += 1;
    volume.numberOfLifts += reps;
    volume.volumeLoadKg += load;
    const group = entry(groups, set.exercise.group || "other", () => ({ volumeLoadKg: 0, numberOfLifts: 0 }));
    group.volumeLoadKg += load;
    group.numberOfLifts += reps;
    const lift = entry(lifts, set.exercise.id, () => ({ volumeLoadKg: 0, numberOfLifts: 0, sets: 0 }));
    lift.volumeLoadKg += load;
    lift.numberOfLifts += reps;
    lift.sets += 1;
    if (isHard(set, counting)) addMuscles(muscles, set);
  }
  return {
    ...volume,
    byGroup: Object.fromEntries(groups),
    byExercise: Object.fromEntries(lifts),
    byMuscle: Object.fromEntries(muscles),
  };
}

/** Repetitions of a set, the parts of a drop or cluster set and both sides of one-sided work counted. */
export function liftsOf({ reps, parts, sides }: PerformedSet): number {
  return (parts.length === 0 ? reps : parts.reduce((sum, part) => sum + part.reps, reps)) * sides;
}

/** Σ reps × total load of a set, kilograms; what has no known load adds nothing. */
export function loadOf({ reps, totalKg, parts, sides }: PerformedSet): number {
  return parts.reduce((sum, part) => sum + part.reps * (part.totalKg ?? 0), reps * (totalKg ?? 0)) * sides;
}

/**
 * Σ(reps × share of the maximum in force) and Σ reps over the lifts that have one, so that intensities of several weeks
 * can be put together.
 */
export function intensitySums(
  sets: readonly PerformedSet[],
  counting: Counting,
  maximumOn: MaximumOn,
  bodyWeightOn: BodyWeightOn,
): { weighted: number; reps: number } {
  const sums = { weighted: 0, reps: 0 };
  for (const set of sets) {
    const reps = liftsOf(set);
    if (!isWork(set, counting) || set.totalKg === null || reps <= 0) continue;
    const maximum = totalMaximum(set, maximumOn, bodyWeightOn);
    if (maximum === null) continue;
    sums.weighted += loadOf(set) / maximum;
    sums.reps += reps;
  }
  return sums;
}

function addMuscles(muscles: Map<string, { sets: number }>, set: PerformedSet): void {
  for (const [muscle, share] of muscleShares(set.exercise)) entry(muscles, muscle, () => ({ sets: 0 })).sets += share;
}

/** What a hard set counts for each muscle of an exercise, named once. */
const muscleShares = perOwner(({ direct, indirect }: Exercise): [muscle: string, share: number][] => {
  const shares = new Map((direct ?? []).map((muscle) => [muscle, 1]));
  for (const muscle of indirect ?? []) if (!shares.has(muscle)) shares.set(muscle, 0.5);
  return [...shares];
});

/**
 * The maximum in force on the day of a set, as a total load: the quoted one with the body's share. Null when there is
 * none.
 */
export function totalMaximum(set: PerformedSet, maximumOn: MaximumOn, bodyWeightOn: BodyWeightOn): number | null {
  const quoted = maximumOn(set.exercise.id, set.day);
  if (quoted === null) return null;
  const share = bodyShare(set.exercise);
  const total = share === null ? quoted : quoted + share * (bodyWeightOn(set.day) ?? 0);
  return total > 0 ? total : null;
}

function entry<T>(map: Map<string, T>, key: string, fresh: () => T): T {
  const found = map.get(key) ?? fresh();
  map.set(key, found);
  return found;
}
