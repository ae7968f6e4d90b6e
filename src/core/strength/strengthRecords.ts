import type { Day } from "../calendar/day";
import { recordUpTo } from "./e1rm";
import type { DoneLift, FrontSet, LiftDay, LiftMaximum } from "./maximum";
import { quotedKg, type BodyWeightOn } from "./sets";

/** Repetition records are kept for at least this many repetitions. */
export const repRecordsUpTo = 12;

/** The heaviest load for at least so many repetitions, with the set that made it. */
export interface RepRecord { reps: number; kg: number; day: Day; set: FrontSet }

/** What beat what stood before it. */
export type Beaten =
  | { day: Day; exerciseId: string; what: "e1rm"; kg: number; beforeKg: number; set: FrontSet }
  | { day: Day; exerciseId: string; what: "reps"; reps: number; kg: number; beforeKg: number; set: FrontSet }
  | { day: Day; exerciseId: string; what: "volume"; kg: number; beforeKg: number };

/** Whether an estimate may be a record: at most ten repetitions to the limit. */
export function makesRecord({ set }: LiftMaximum): boolean {
  return set.limitReps <= recordUpTo;
}

/**
 * The standing repetition records of a lift, from 1 to 12: the heaviest load, as the lift is quoted, for at least so many repetitions (a
 * set of six also stands for five). Of equal loads the earlier keeps the record.
 * @param course the days of the lift, oldest first
 */
export function repRecords(course: readonly Pick<LiftDay, "done" | "day">[]): RepRecord[] {
  const best: (RepRecord | undefined)[] = [];
  for (const { day, done } of course) for (const set of done.front) raise(best, set, day);
  return best.flatMap((record) => record ?? []);
}

function raise(best: (RepRecord | undefined)[], set: FrontSet, day: Day): RepRecord | null {
  const kg = quotedKg(set.exercise, set.typedKg);
  // What is held for more repetitions is held for fewer: where the set beats nothing at its own, it beats nothing.
  const most = standsFor(set);
  if ((best[most - 1]?.kg ?? -Infinity) >= kg) return null;
  let beaten: RepRecord | null = null;
  for (let reps = 1; reps <= most; reps++) {
    const before = best[reps - 1];
    if (before !== undefined && before.kg >= kg) continue;
    // One set beats one record: the most repetitions for which it is the heaviest.
    if (before !== undefined) beaten = before;
    best[reps - 1] = { reps, kg, day, set };
  }
  return beaten;
}

/** The most repetitions that a set stands for. */
function standsFor({ reps }: FrontSet): number { return Math.min(repRecordsUpTo, Math.floor(reps)); }

/** The records of a lift: as they were beaten, oldest first, and those that stand for at least so many repetitions. */
export interface LiftRecords { beaten: Beaten[]; standing: RepRecord[] }

/** An estimate as a multiple of the body weight of its day, both as total loads. */
export interface Ratio { ratio: number; day: Day }

/**
 * The highest estimate of a lift against body weight; null where nothing is known of one of them. Apart from the other records, because
 * every body weight may move it and none of them.
 * @param share the share of body weight that the movement carries
 */
export function bestRatio(course: readonly Pick<LiftDay, "day" | "maximum">[], bodyWeightOn: BodyWeightOn, share: number): Ratio | null {
  let best: Ratio | null = null;
  for (const { day, maximum } of course) {
    if (maximum === null) continue;
    const body = bodyWeightOn(day);
    const ratio = body === null ? 0 : (maximum.e1rmKg + share * body) / body;
    if (ratio > (best?.ratio ?? 0)) best = { ratio, day };
  }
  return best;
}

/** What a day can add to a lift's records: only what beats the days before it in its own stretch of days. */
export interface RecordDay { exerciseId: string; day: Day; sets: FrontSet[]; maximum: LiftMaximum | null; volumeKg: number }

/**
 * The days of a stretch that can hold a record, and of them what can be one. What does not beat its own stretch beats nothing before
 * it either, so that stretches can be looked through apart and their remains after one another.
 * @param course days of the lift, oldest first; @param volumeOf volume load of one of them
 */
export function recordDays(course: readonly LiftDay[], volumeOf: (done: DoneLift) => number): RecordDay[] {
  const heaviest = new Array<number>(repRecordsUpTo).fill(-Infinity);
  let estimateKg = -Infinity;
  let volumeKg = 0;
  const days: RecordDay[] = [];
  for (const { day, done, maximum } of course) {
    const { exerciseId, front } = done;
    const sets: FrontSet[] = [];
    for (const set of front) {
      const kg = quotedKg(set.exercise, set.typedKg);
      let reps = standsFor(set);
      if (kg <= heaviest[reps - 1]!) continue;
      sets.push(set);
      for (; reps >= 1 && kg > heaviest[reps - 1]!; reps--) heaviest[reps - 1] = kg;
    }
    const higher = maximum !== null && makesRecord(maximum) && maximum.e1rmKg > estimateKg;
    if (higher) estimateKg = maximum.e1rmKg;
    const volume = volumeOf(done);
    const more = volume > volumeKg;
    if (more) volumeKg = volume;
    if (sets.length > 0 || higher || more) days.push({ exerciseId, day, sets, maximum: higher ? maximum : null, volumeKg: more ? volume : 0 });
  }
  return days;
}

/**
 * Every record of a lift in one run through the days that can hold one. Told as beaten are the estimated maximum, a repetition record (once a
 * set, for the most repetitions it is the heaviest for), and the volume load of a day. What is done for the first time beats nothing.
 */
export function liftRecords(days: readonly RecordDay[]): LiftRecords {
  const all: Beaten[] = [];
  const reps: (RepRecord | undefined)[] = [];
  let estimate: LiftMaximum | null = null;
  let mostKg = 0;
  for (const { day, exerciseId, sets, maximum, volumeKg } of days) {
    const beaten = new Map<number, Beaten>();
    for (const set of sets) {
      const before = raise(reps, set, day);
      if (before !== null && before.day < day) beaten.set(before.reps, { day, exerciseId, what: "reps", reps: before.reps, kg: quotedKg(set.exercise, set.typedKg), beforeKg: before.kg, set });
    }
    all.push(...beaten.values());
    if (maximum !== null && (estimate === null || maximum.e1rmKg > estimate.e1rmKg)) {
      if (estimate !== null) all.push({ day, exerciseId, what: "e1rm", kg: maximum.e1rmKg, beforeKg: estimate.e1rmKg, set: maximum.set });
      estimate = maximum;
    }
    if (volumeKg > mostKg) {
      if (mostKg > 0) all.push({ day, exerciseId, what: "volume", kg: volumeKg, beforeKg: mostKg });
      mostKg = volumeKg;
    }
  }
  return { beaten: all, standing: reps.flatMap((record) => record ?? []) };
}
