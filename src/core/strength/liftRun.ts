import type { Day } from "../base/calendar/day";
import { doneSetMarks, doneSetRow, doneSets } from "../log/doneSets";
import type { Exercise } from "../log/kinds/exercises";
import type { Session } from "../log/kinds/sessions";
import { bodyShare, type BodyWeightOn, eligibleReps, isTimed, type PerformedSet, quotedKg, totalWith } from "./sets";

/**
 * What was done of one lift through some days, oldest first, whatever relation of repetitions to load is chosen. Days
 * and sets are rows of numbers: a log of many years has tens of thousands of them, and as objects they would cost more
 * to make and to keep than to work out. (So would typed arrays: for some fifty numbers making one takes five times as
 * long as a list.)
 */
export interface LiftRun {
  readonly exercise: Exercise;
  /** Sessions that hold performed sets of the lift, day after day. */
  readonly sessionIds: readonly string[];
  /** A row a day: see `Day…` below for its numbers. */
  readonly days: readonly number[];
  /**
   * Of each session the working sets that no other one matches in load, repetitions and repetitions to the limit
   * together; of equal ones the earlier. Where a body weight is not known the load is the one added, and the set stands
   * for no maximum.
   */
  readonly sets: readonly number[];
}

/** A performed set on the front of its day. */
export interface FrontSet extends Pick<
  PerformedSet,
  "exercise" | "sessionId" | "day" | "reps" | "typedKg" | "rpe" | "failed" | "asManyAsPossible"
> {
  totalKg: number;
  /** Repetitions done plus in reserve; 0 for a set that may not stand for a maximum. */
  repsToFailure: number;
}

// The numbers of a day: the day, its first set and first session by their places, whether it was worked (at least one
// repetition, or a timed or distance set), the place of its last session with a set that is no warm-up (-1 without),
// the heaviest single made in a session of testing as the lift is quoted (NaN without), and Σ reps × total load of its
// working sets and of its warm-ups, kilograms, as `workOf` counts them.
const dayRow = 8;
const dayAt = 0,
  setAt = 1,
  sessionAt = 2,
  workedAt = 3,
  lastWorkingAt = 4,
  testedAt = 5,
  workAt = 6,
  warmUpAt = 7;
// The numbers of a set: repetitions, load as typed, total load, repetitions to the limit, RPE (NaN without), marks,
// place of its session.
const setRow = 7;
const repsAt = 0,
  typedAt = 1,
  totalAt = 2,
  toFailureAt = 3,
  rpeAt = 4,
  marksAt = 5,
  inSessionAt = 6;

/** How many days a run has. */
export const daysIn = ({ days }: LiftRun): number => days.length / dayRow;
export const dayOf = ({ days }: LiftRun, index: number): Day => days[index * dayRow + dayAt]!;
export const wasWorked = ({ days }: LiftRun, index: number): boolean => days[index * dayRow + workedAt] === 1;
export const workKg = ({ days }: LiftRun, index: number): number => days[index * dayRow + workAt]!;
export const warmUpKg = ({ days }: LiftRun, index: number): number => days[index * dayRow + warmUpAt]!;
/** Place of a day's first set; that of the day after the last is where the sets end. */
export const firstSet = ({ days, sets }: LiftRun, index: number): number =>
  days[index * dayRow + setAt] ?? sets.length / setRow;
export const repsOf = ({ sets }: LiftRun, at: number): number => sets[at * setRow + repsAt]!;
export const typedKgOf = ({ sets }: LiftRun, at: number): number => sets[at * setRow + typedAt]!;
export const totalKgOf = ({ sets }: LiftRun, at: number): number => sets[at * setRow + totalAt]!;
export const repsToFailureOf = ({ sets }: LiftRun, at: number): number => sets[at * setRow + toFailureAt]!;
/** Effort as rated; NaN without. */
export const rpeOf = ({ sets }: LiftRun, at: number): number => sets[at * setRow + rpeAt]!;
export const hasFailed = ({ sets }: LiftRun, at: number): boolean =>
  (sets[at * setRow + marksAt]! & doneSetMarks.failed) !== 0;
export const isAsManyAsPossible = ({ sets }: LiftRun, at: number): boolean =>
  (sets[at * setRow + marksAt]! & doneSetMarks.asManyAsPossible) !== 0;

/** Place of the session of a set. */
export const inSession = ({ sets }: LiftRun, at: number): number => sets[at * setRow + inSessionAt]!;

/** Place of a day's first session, as of its first set. */
const firstSession = ({ days, sessionIds }: LiftRun, index: number): number =>
  days[index * dayRow + sessionAt] ?? sessionIds.length;
/** In how many sessions of a day the lift was done. */
export const sessionCount = (run: LiftRun, index: number): number =>
  firstSession(run, index + 1) - firstSession(run, index);

/** Sessions of a day. */
export function sessionsOfDay(run: LiftRun, index: number): readonly string[] {
  return run.sessionIds.slice(firstSession(run, index), firstSession(run, index + 1));
}

/** The last session of a day with a set that is no warm-up; null without one. */
export function lastWorking({ days, sessionIds }: LiftRun, index: number): string | null {
  return sessionIds[days[index * dayRow + lastWorkingAt]!] ?? null;
}

/** The days of a run. */
export function daysOfRun(run: LiftRun): Day[] {
  return Array.from({ length: daysIn(run) }, (_, index) => dayOf(run, index));
}

/** The heaviest single made in sessions of testing on each day that has one, quoted as the lift is loaded. */
export function testsIn(run: LiftRun): { exerciseId: string; day: Day; kg: number }[] {
  const tests = [];
  for (let at = 0; at < run.days.length; at += dayRow)
    if (!Number.isNaN(run.days[at + testedAt]))
      tests.push({ exerciseId: run.exercise.id, day: run.days[at + dayAt]!, kg: run.days[at + testedAt]! });
  return tests;
}

/** A set as a record, for those who look at a few. */
export function frontSet(run: LiftRun, index: number, at: number): FrontSet {
  const { exercise, sessionIds, sets } = run;
  const rpe = rpeOf(run, at);
  return {
    exercise,
    sessionId: sessionIds[sets[at * setRow + inSessionAt]!]!,
    day: dayOf(run, index),
    reps: repsOf(run, at),
    typedKg: typedKgOf(run, at),
    rpe: Number.isNaN(rpe) ? null : rpe,
    failed: hasFailed(run, at),
    asManyAsPossible: isAsManyAsPossible(run, at),
    totalKg: totalKgOf(run, at),
    repsToFailure: repsToFailureOf(run, at),
  };
}

/** A lift whose run is being written, with what is read of its exercise for every set, and its row of the day. */
interface Begun {
  exercise: Exercise;
  timed: boolean;
  sides: number;
  sessionIds: string[];
  days: number[];
  sets: number[];
  day: Day;
  at: number;
  from: number;
  bodyKg: number | null;
}

/**
 * What was done of each lift on some days, in the order in which the lifts were first done. Every set of every session
 * passes here when all is computed afresh.
 */
export function liftsDone(
  days: Iterable<Day>,
  sessionsOn: (day: Day) => readonly Session[],
  exercises: ReadonlyMap<string, Exercise>,
  bodyWeightOn: BodyWeightOn,
): Map<string, LiftRun> {
  const begun = new Map<string, Begun>();
  for (const day of days)
    for (const session of sessionsOn(day)) takeSession(begun, day, session, exercises, bodyWeightOn);
  const runs = new Map<string, LiftRun>();
  for (const [id, { exercise, sessionIds, days, sets }] of begun) runs.set(id, { exercise, sessionIds, days, sets });
  return runs;
}

function takeSession(
  begun: Map<string, Begun>,
  day: Day,
  session: Session,
  exercises: ReadonlyMap<string, Exercise>,
  bodyWeightOn: BodyWeightOn,
): void {
  const { exerciseIds, rows } = doneSets(session);
  const test = session.test === true;
  let lift: Begun | null = null;
  let item = -1;
  let next = 0;
  for (let row = 0; row < rows.length; row = next) {
    next = row + doneSetRow;
    while (next < rows.length && (rows[next + 4]! & doneSetMarks.part) !== 0) next += doneSetRow;
    if (rows[row] !== item) {
      item = rows[row]!;
      lift = begin(begun, exercises.get(exerciseIds[item]!), day, session.id, bodyWeightOn);
    }
    if (lift === null) continue;
    const { exercise, timed, days, at } = lift;
    const reps = rows[row + 1]!;
    const typedKg = rows[row + 2]!;
    const marks = rows[row + 4]!;
    const warmUp = (marks & doneSetMarks.warmUp) !== 0;
    const place = lift.sessionIds.length - 1;
    if (reps > 0 || timed) days[at + workedAt] = 1;
    if (!warmUp) days[at + lastWorkingAt] = place;
    if (reps < 1 || timed) continue;
    if (
      test &&
      !warmUp &&
      reps === 1 &&
      (marks & doneSetMarks.failed) === 0 &&
      !(quotedKg(exercise, typedKg) <= days[at + testedAt]!)
    )
      days[at + testedAt] = quotedKg(exercise, typedKg);
    const totalKg = totalWith(exercise, typedKg, lift.bodyKg);
    if (totalKg === null) {
      // What was added is known without the body it was added to.
      if (!warmUp)
        putOnFront(lift.sets, lift.from, reps, typedKg, quotedKg(exercise, typedKg), rows[row + 3]!, marks, place, 0);
      continue;
    }
    let load = reps * totalKg;
    for (let part = row + doneSetRow; part < next; part += doneSetRow)
      load += rows[part + 1]! * (totalWith(exercise, rows[part + 2]!, lift.bodyKg) ?? 0);
    days[at + (warmUp ? warmUpAt : workAt)]! += load * lift.sides;
    if (!warmUp)
      putOnFront(
        lift.sets,
        lift.from,
        reps,
        typedKg,
        totalKg,
        rows[row + 3]!,
        marks,
        place,
        eligibleReps(reps, Number.isNaN(rows[row + 3]!) ? null : rows[row + 3]!),
      );
  }
}

/** The lift with its row of the day and its place for the session, begun where there is none yet. */
function begin(
  begun: Map<string, Begun>,
  exercise: Exercise | undefined,
  day: Day,
  sessionId: string,
  bodyWeightOn: BodyWeightOn,
): Begun | null {
  if (exercise === undefined) return null;
  let lift = begun.get(exercise.id);
  if (lift === undefined)
    begun.set(
      exercise.id,
      (lift = {
        exercise,
        timed: isTimed(exercise),
        sides: exercise.perSide ? 2 : 1,
        sessionIds: [],
        days: [],
        sets: [],
        day: NaN,
        at: 0,
        from: 0,
        bodyKg: null,
      }),
    );
  const { sessionIds, days, sets } = lift;
  if (lift.day !== day) {
    lift.day = day;
    lift.at = days.length;
    lift.bodyKg = bodyShare(exercise) === null ? null : bodyWeightOn(day);
    days.push(day, sets.length / setRow, sessionIds.length, 0, -1, NaN, 0, 0);
    sessionIds.push(sessionId);
    lift.from = sets.length;
  } else if (sessionIds[sessionIds.length - 1] !== sessionId) {
    sessionIds.push(sessionId);
    lift.from = sets.length;
  }
  return lift;
}

/**
 * Puts a set on the front of its session, which begins at `from`, unless one there matches it, and takes off those that
 * it matches. One that gives the same estimate stays, as the earlier of the two.
 */
function putOnFront(
  sets: number[],
  from: number,
  reps: number,
  typedKg: number,
  totalKg: number,
  rpe: number,
  marks: number,
  session: number,
  repsToFailure: number,
): void {
  for (let at = from; at < sets.length; at += setRow)
    if (sets[at + totalAt]! >= totalKg && sets[at + repsAt]! >= reps && sets[at + toFailureAt]! >= repsToFailure)
      return;
  let left = from;
  for (let at = from; at < sets.length; at += setRow) {
    const same = totalKg === sets[at + totalAt]! && repsToFailure === sets[at + toFailureAt]! && repsToFailure > 0;
    if (
      !same &&
      !(totalKg < sets[at + totalAt]! || reps < sets[at + repsAt]! || repsToFailure < sets[at + toFailureAt]!)
    )
      continue;
    if (left < at) for (let number = 0; number < setRow; number++) sets[left + number] = sets[at + number]!;
    left += setRow;
  }
  if (left < sets.length) sets.length = left;
  sets.push(reps, typedKg, totalKg, repsToFailure, rpe, marks, session);
}
