import type { Day } from "../base/calendar/day";
import { recordUpTo } from "./e1rm";
import { dayOf, firstSet, frontSet, type FrontSet, type LiftRun, repsOf, typedKgOf } from "./liftRun";
import { hasMaximum, type LiftCourse, type LiftMaximum, type LiftSegment, maximumAt } from "./maximum";
import { type BodyWeightOn, quotedKg } from "./sets";

/** Repetition records are kept for at least this many repetitions. */
export const repRecordsUpTo = 12;

/** The heaviest load for at least so many repetitions, with the set that made it. */
export interface RepRecord {
  reps: number;
  kg: number;
  day: Day;
  set: FrontSet;
}

/** What beat what stood before it. */
export type Beaten =
  | { day: Day; exerciseId: string; what: "e1rm"; kg: number; beforeKg: number; set: FrontSet }
  | { day: Day; exerciseId: string; what: "reps"; reps: number; kg: number; beforeKg: number; set: FrontSet }
  | { day: Day; exerciseId: string; what: "volume"; kg: number; beforeKg: number };

/** Whether an estimate may be a record: at most ten repetitions to the limit. */
export function makesRecord({ set }: LiftMaximum): boolean {
  return set.repsToFailure <= recordUpTo;
}

/** The records of a lift: as they were beaten, oldest first, and those that stand for at least so many repetitions. */
export interface LiftRecords {
  beaten: Beaten[];
  standing: RepRecord[];
}

/** An estimate as a multiple of the body weight of its day, both as total loads. */
export interface Ratio {
  ratio: number;
  day: Day;
}

/**
 * The highest estimate of a lift in some days against body weight; null where nothing is known of one of them. Apart
 * from the other records, because every body weight may move it and none of them.
 * @param share the share of body weight that the movement carries
 */
export function bestRatio(part: LiftSegment, bodyWeightOn: BodyWeightOn, share: number): Ratio | null {
  const { run, e1rmKg } = part;
  let best: Ratio | null = null;
  for (let index = 0; index < e1rmKg.length; index++) {
    if (!hasMaximum(part, index)) continue;
    const body = bodyWeightOn(dayOf(run, index));
    const ratio = body === null ? 0 : (e1rmKg[index]! + share * body) / body;
    if (ratio > (best?.ratio ?? 0)) best = { ratio, day: dayOf(run, index) };
  }
  return best;
}

/**
 * Every record of a lift in one run through its days before a day. Told as beaten are the estimated maximum, a
 * repetition record (once a load, for the most repetitions it is the heaviest for, against what stood before the day),
 * and the volume load of a day. What is done for the first time beats nothing. A repetition record is the heaviest
 * load, as the lift is quoted, for at least so many repetitions (a set of six also stands for five), from 1 to 12; of
 * equal loads the earlier keeps it.
 * @param volumeOf volume load of a lift on one of its days
 */
export function liftRecords(
  course: LiftCourse,
  volumeOf: (run: LiftRun, index: number) => number,
  before: Day = Infinity,
): LiftRecords {
  const all: Beaten[] = [];
  const standing: (RepRecord | undefined)[] = [];
  let estimate: LiftMaximum | null = null;
  let mostKg = 0;
  for (const part of course) {
    const { run, e1rmKg } = part;
    const { exercise } = run;
    for (let index = 0; index < e1rmKg.length && dayOf(run, index) < before; index++) {
      const day = dayOf(run, index);
      let dawn: readonly (RepRecord | undefined)[] | null = null;
      const raised: FrontSet[] = [];
      for (let at = firstSet(run, index), end = firstSet(run, index + 1); at < end; at++) {
        const kg = quotedKg(exercise, typedKgOf(run, at));
        const most = Math.min(repRecordsUpTo, Math.floor(repsOf(run, at)));
        // What is held for more repetitions is held for fewer: where the set beats nothing at its own, it beats
        // nothing.
        if ((standing[most - 1]?.kg ?? -Infinity) >= kg) continue;
        dawn ??= [...standing];
        const one = frontSet(run, index, at);
        raise(standing, one, most, kg);
        raised.push(one);
      }
      if (dawn !== null)
        for (const { reps, kg, beforeKg, set } of beatenOn(dawn, standing, raised))
          all.push({ day, exerciseId: exercise.id, what: "reps", reps, kg, beforeKg, set });
      const higher: LiftMaximum | null =
        hasMaximum(part, index) && (estimate === null || e1rmKg[index]! > estimate.e1rmKg)
          ? maximumAt(part, index)
          : null;
      // One best everywhere: a rough estimate makes no record, and yet is what the next one must beat.
      if (higher !== null) {
        if (estimate !== null && makesRecord(higher))
          all.push({
            day,
            exerciseId: exercise.id,
            what: "e1rm",
            kg: higher.e1rmKg,
            beforeKg: estimate.e1rmKg,
            set: higher.set,
          });
        estimate = higher;
      }
      const volumeKg = volumeOf(run, index);
      if (volumeKg <= mostKg) continue;
      if (mostKg > 0) all.push({ day, exerciseId: exercise.id, what: "volume", kg: volumeKg, beforeKg: mostKg });
      mostKg = volumeKg;
    }
  }
  return { beaten: all, standing: standing.flatMap((record) => record ?? []) };
}

/** Enters a set that beats something for as many repetitions as it was done, or fewer. */
function raise(standing: (RepRecord | undefined)[], set: FrontSet, most: number, kg: number): void {
  for (let reps = 1; reps <= most; reps++)
    if ((standing[reps - 1]?.kg ?? -Infinity) < kg) standing[reps - 1] = { reps, kg, day: set.day, set };
}

/**
 * What a day's sets have beaten of what stood before it, whatever their order: each load once, for the most repetitions
 * for which it is the heaviest and something stood before.
 */
function beatenOn(
  dawn: readonly (RepRecord | undefined)[],
  standing: readonly (RepRecord | undefined)[],
  raised: readonly FrontSet[],
): { reps: number; kg: number; beforeKg: number; set: FrontSet }[] {
  const byLoad = new Map<number, { reps: number; kg: number; beforeKg: number; set: FrontSet }>();
  for (const [index, now] of standing.entries()) {
    const before = dawn[index];
    if (now !== undefined && before !== undefined && now !== before)
      byLoad.set(now.kg, { reps: now.reps, kg: now.kg, beforeKg: before.kg, set: now.set });
  }
  return [...byLoad.values()].sort((a, b) => raised.indexOf(a.set) - raised.indexOf(b.set));
}
