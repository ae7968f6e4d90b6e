import { dateOf, type Day, mustDay } from "../base/calendar/day";
import { printDay } from "../base/calendar/print";
import { printNumber } from "../base/units/number";
import type { AsOf } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import type { Maximum } from "../log/kinds/maxima";
import type { Session } from "../log/kinds/sessions";
import { setsIn } from "../sessions/sets";
import { sessionsOf } from "../sessions/slice";
import { describeSets, describeWarmUps, supersetOf } from "./describe";
import { estimateMaximum, factorOf, type FormulaChoice, formulaNames, formulas } from "./e1rm";
import { liftingOf } from "./lifting";
import { dayOf, daysIn, sessionsOfDay } from "./liftRun";
import { daysBack, hasMaximum, type LiftMaximum, maximaOf } from "./maximum";
import { curveFactor, estimateSpread, type RepCurve } from "./repCurve";
import { bodyShare, isTimed } from "./sets";
import { strengthOf } from "./slice";
import { makesRecord, repRecordsUpTo } from "./strengthRecords";
import { loadForEffort, type Suggestion } from "./suggest";
import { workOf } from "./volume";

export interface MaximumFigure {
  e1rmKg: number;
  date: string;
  kg: number;
  reps: number;
  rpe: number | null;
  rough: boolean;
}

export interface LiftRow {
  exercise: Exercise;
  best: MaximumFigure | null;
  latest: MaximumFigure | null;
  lastDone: string | null;
  sessions: number;
  added: boolean;
  /**
   * The highest estimate as a multiple of that day's body weight, as a total load; null when one of them is unknown.
   */
  ratio: number | null;
  /** The latest as a share of the latest of the lift held against, as total loads; null when one of them is unknown. */
  against: number | null;
  /** The latest against what it was about twelve weeks before, kilograms; null when there was none. */
  changeKg: number | null;
}

/** An 80 % interval, kilograms. */
export interface Interval {
  low80: number;
  high80: number;
}

/** One time a lift was done. */
export interface LiftTime {
  sessionId: string;
  date: string;
  title: string;
  text: string;
  warmUps: string;
  superset: string | null;
  note: string | null;
  e1rmKg: number | null;
  volumeLoadKg: number;
  numberOfLifts: number;
  isBest: boolean;
}

/** The highest estimate of a day on which a lift was done, with its 80 % interval. */
export interface LiftPoint extends Interval {
  date: string;
  e1rmKg: number;
  kg: number;
  reps: number;
  rpe: number | null;
  record: boolean;
}

/**
 * A row of the repetition table: what the curve says today, its interval, the share of the maximum, and the heaviest
 * load done for at least as many.
 */
export interface RepRow {
  reps: number;
  kg: number | null;
  low80: number | null;
  high80: number | null;
  share: number;
  done: { kg: number; reps: number; date: string } | null;
}

export interface LiftsView {
  lifts: LiftRow[];
  formula: FormulaChoice;
}

/** Everything of one lift. */
export interface LiftView {
  exercise: Exercise;
  parent: { name: string; ratio: number } | null;
  added: boolean;
  /** The latest times it was done, newest first, and how many there are in all. */
  times: LiftTime[];
  timesInAll: number;
  /** Its estimated maximum over the whole log, oldest first, thinned to what a chart can show. */
  course: LiftPoint[];
  tests: { id: string | null; date: string; kg: number; maximum: Maximum | null }[];
  inForceKg: number | null;
  best: (MaximumFigure & Interval) | null;
  latest: (MaximumFigure & Interval) | null;
  /** What each way would say of the best set. */
  byFormula: { name: FormulaChoice; title: string; kg: number }[];
  curve: RepCurve;
  strength: StrengthFigure | { reason: string };
  table: RepRow[];
  bestVolume: { date: string; kg: number } | null;
}

/** How strong the lift is now by its own curve, quoted as it is loaded, and what that stands on. */
export interface StrengthFigure {
  kg: number;
  date: string;
  standsOn: "estimate" | "test";
  recent: boolean;
}

/** At most so many points are drawn; more could not be told apart on a screen. */
const pointsAtMost = 300;
/** The latest estimate is held against the one of about so many days before. */
const changeDays = 84;

/** Lifts with their maxima, the most often done first, each held against one of them. */
export function liftsView(asOf: AsOf, againstId: string | null = null): LiftsView {
  const total = (exerciseId: string) => {
    const latest = strengthOf(asOf).liftOf(exerciseId)?.latest;
    return latest ? latest.e1rmKg + liftingOf(asOf).bodyPart(latest.set.exercise, latest.set.day) : null;
  };
  const against = againstId === null ? null : total(againstId);
  const lifts = strengthOf(asOf)
    .lifts()
    .map(({ exerciseId, best, latest, lastDone, sessions }): LiftRow => {
      const exercise = strengthOf(asOf).exercises().get(exerciseId)!;
      return {
        exercise,
        best: maximumFigure(best),
        latest: maximumFigure(latest),
        lastDone: lastDone === null ? null : dateOf(lastDone),
        sessions,
        added: bodyShare(exercise) !== null,
        ratio: liftingOf(asOf).bestRatio(exerciseId)?.ratio ?? null,
        against: against === null ? null : shareOf(total(exerciseId), against),
        changeKg: changeOf(asOf, exerciseId, latest),
      };
    });
  lifts.sort((a, b) => b.sessions - a.sessions || (b.best?.e1rmKg ?? 0) - (a.best?.e1rmKg ?? 0));
  return { lifts, formula: strengthOf(asOf).formula() };
}

function shareOf(part: number | null, whole: number): number | null {
  return part === null ? null : part / whole;
}

function changeOf(asOf: AsOf, exerciseId: string, latest: LiftMaximum | null): number | null {
  if (latest === null) return null;
  for (const { part, index } of daysBack(strengthOf(asOf).courseOf(exerciseId)))
    if (hasMaximum(part, index) && dayOf(part.run, index) <= latest.set.day - changeDays)
      return latest.e1rmKg - part.e1rmKg[index]!;
  return null;
}

export function maximumFigure(maximum: LiftMaximum | null): MaximumFigure | null {
  return maximum === null
    ? null
    : {
        e1rmKg: maximum.e1rmKg,
        date: dateOf(maximum.set.day),
        kg: maximum.set.typedKg,
        reps: maximum.set.reps,
        rpe: maximum.set.rpe,
        rough: !makesRecord(maximum),
      };
}

function withInterval(asOf: AsOf, maximum: LiftMaximum | null): (MaximumFigure & Interval) | null {
  return maximum && { ...maximumFigure(maximum)!, ...interval(asOf, maximum) };
}

/** The 80 % interval of an estimate, worked out on the total load and quoted as the lift is. */
function interval(asOf: AsOf, { e1rmKg, set: { exercise, day, rpe, repsToFailure } }: LiftMaximum): Interval {
  const body = liftingOf(asOf).bodyPart(exercise, day);
  const spread = estimateSpread(strengthOf(asOf).curveOf(exercise.id), repsToFailure, rpe);
  return { low80: (e1rmKg + body) / spread - body, high80: (e1rmKg + body) * spread - body };
}

/** Everything of one lift, with the latest so many times it was done. Null for an exercise that is not in the log. */
export function liftView(asOf: AsOf, exerciseId: string, timesAtMost: number): LiftView | null {
  const exercise = strengthOf(asOf).exercises().get(exerciseId);
  if (exercise === undefined) return null;
  const { strengthOn, bodyPart } = partsOf(asOf, exercise);
  const whole = strengthOf(asOf).courseOf(exerciseId);
  const standing = strengthOf(asOf).liftOf(exerciseId);
  const best = standing?.best ?? null;
  const times: LiftTime[] = [];
  for (const {
    part: { run },
    index,
  } of daysBack(whole)) {
    if (times.length >= timesAtMost) break;
    times.push(
      ...[...sessionsOfDay(run, index)]
        .reverse()
        .map((id) => timeOf(asOf, exercise, sessionsOf(asOf).find(dayOf(run, index), id)!, best)),
    );
  }
  const records = new Set(
    liftingOf(asOf)
      .records(exerciseId)
      .beaten.flatMap(({ what, day }) => (what === "e1rm" ? [day] : [])),
  );
  const course = highestOfEach(maximaOf(whole), pointsAtMost).map((maximum): LiftPoint => {
    const { e1rmKg, set } = maximum;
    return {
      date: dateOf(set.day),
      e1rmKg,
      ...interval(asOf, maximum),
      kg: set.typedKg,
      reps: set.reps,
      rpe: set.rpe,
      record: records.has(set.day),
    };
  });
  let most: { day: Day; kg: number } | null = null;
  for (const { run } of whole)
    for (let index = 0; index < daysIn(run); index++) {
      const kg = strengthOf(asOf).volumeOn(run, index);
      if (kg > (most?.kg ?? 0)) most = { day: dayOf(run, index), kg };
    }
  const curve = strengthOf(asOf).curveOf(exerciseId);
  const { maximumFrom } = exercise;
  const parent = maximumFrom ? strengthOf(asOf).exercises().get(maximumFrom.exerciseId) : undefined;
  return {
    exercise,
    parent: parent ? { name: parent.name, ratio: maximumFrom!.ratio } : null,
    added: bodyShare(exercise) !== null,
    times: times.slice(0, timesAtMost),
    timesInAll: whole.reduce((sum, { run }) => sum + run.sessionIds.length, 0),
    course,
    tests: strengthOf(asOf)
      .testsOf(exerciseId)
      .map(({ day, kg, maximum }) => ({ id: maximum?.id ?? null, date: dateOf(day), kg, maximum }))
      .reverse(),
    inForceKg: strengthOf(asOf).maximumOn(exerciseId, asOf.on),
    best: withInterval(asOf, best),
    latest: withInterval(asOf, standing?.latest ?? null),
    byFormula: byFormula(asOf, best),
    curve,
    strength:
      strengthOn === null
        ? { reason: "No set or test so far tells how strong this lift is." }
        : {
            kg: strengthOn.totalKg - bodyPart,
            date: dateOf(strengthOn.day),
            standsOn: strengthOn.standsOn,
            recent: strengthOn.recent,
          },
    table: repTable(asOf, exercise),
    bestVolume: most && { date: dateOf(most.day), kg: most.kg },
  };
}

function partsOf(asOf: AsOf, exercise: Exercise) {
  const tomorrow = asOf.on + 1;
  return {
    strengthOn: liftingOf(asOf).strengthOn(exercise, tomorrow),
    bodyPart: liftingOf(asOf).bodyPart(exercise, asOf.on),
    step: liftingOf(asOf).step(exercise),
  };
}

function byFormula(asOf: AsOf, best: LiftMaximum | null): LiftView["byFormula"] {
  if (best === null) return [];
  const { set } = best;
  const body = liftingOf(asOf).bodyPart(set.exercise, set.day);
  const ways = [
    ...formulaNames.map((name) => ({
      name: name as FormulaChoice,
      title: formulas[name].title,
      factor: factorOf[name],
    })),
    { name: "mean" as const, title: "mean of the seven", factor: factorOf.mean },
    {
      name: "personal" as const,
      title: "your own curve",
      factor: curveFactor(strengthOf(asOf).curveOf(set.exercise.id)),
    },
  ];
  return ways.flatMap(({ name, title, factor }) => {
    const estimate = estimateMaximum(factor, set.totalKg, set.reps, set.rpe);
    return "kg" in estimate ? [{ name, title, kg: estimate.kg - body }] : [];
  });
}

function repTable(asOf: AsOf, exercise: Exercise): RepRow[] {
  if (isTimed(exercise)) return [];
  const { strengthOn, bodyPart } = partsOf(asOf, exercise);
  const curve = strengthOf(asOf).curveOf(exercise.id);
  const factor = curveFactor(curve);
  const records = liftingOf(asOf).records(exercise.id).standing;
  return Array.from({ length: repRecordsUpTo }, (_, index): RepRow => {
    const reps = index + 1;
    const share = 1 / factor(reps);
    const record = records.find((one) => one.reps === reps);
    const done = record ? { kg: record.set.typedKg, reps: record.set.reps, date: dateOf(record.day) } : null;
    if (strengthOn === null) return { reps, kg: null, low80: null, high80: null, share, done };
    const total = strengthOn.totalKg * share;
    const spread = estimateSpread(curve, reps, 10);
    return {
      reps,
      kg: total - bodyPart,
      low80: total / spread - bodyPart,
      high80: total * spread - bodyPart,
      share,
      done,
    };
  });
}

/**
 * At most so many maxima, oldest first: the highest of each of as many runs of neighbours, so that none above its
 * neighbours is left out.
 */
function highestOfEach(maxima: readonly LiftMaximum[], atMost: number): LiftMaximum[] {
  const length = Math.ceil(maxima.length / atMost);
  return Array.from({ length: Math.ceil(maxima.length / Math.max(1, length)) }, (_, index) =>
    maxima.slice(index * length, (index + 1) * length).reduce((best, one) => (one.e1rmKg > best.e1rmKg ? one : best)),
  );
}

function timeOf(asOf: AsOf, exercise: Exercise, session: Session, best: LiftMaximum | null): LiftTime {
  const done = strengthOf(asOf)
    .setsOf(session)
    .filter((set) => set.exercise.id === exercise.id);
  const { volumeLoadKg, numberOfLifts } = workOf(done, strengthOf(asOf).counting());
  const run = strengthOf(asOf)
    .liftsDone([mustDay(session.date)], () => [session])
    .get(exercise.id);
  const part = run && strengthOf(asOf).withMaximum(run);
  return {
    sessionId: session.id,
    date: session.date,
    title: session.title || session.kind,
    text: describeSets(setsIn(session, exercise.id), "done", exercise, asOf.printer),
    warmUps: describeWarmUps(setsIn(session, exercise.id), "done", exercise, asOf.printer),
    superset: supersetOf((session.items ?? []).find((item) => item.exerciseId === exercise.id)),
    note:
      [...(session.items ?? []).filter((item) => item.exerciseId === exercise.id).map(({ note }) => note), session.note]
        .filter(Boolean)
        .join("; ") || null,
    e1rmKg: part && hasMaximum(part, 0) ? part.e1rmKg[0]! : null,
    volumeLoadKg,
    numberOfLifts,
    isBest: best?.set.sessionId === session.id,
  };
}

export interface SuggestAsk {
  exerciseId: string;
  reps: number;
  rpe: number;
}

/** A load for so many repetitions at an effort, with the reason. */
export interface SuggestView extends Suggestion {
  because: string;
}

/** "For 6 reps at RPE 8 today": a load from how strong the lift is now and its own curve. */
export function suggestView(
  asOf: AsOf,
  { exerciseId, reps, rpe }: SuggestAsk,
): SuggestView | { reason: string } | null {
  const exercise = strengthOf(asOf).exercises().get(exerciseId);
  if (exercise === undefined) return null;
  const { strengthOn, bodyPart, step } = partsOf(asOf, exercise);
  if (strengthOn === null) return { reason: "No set or test so far tells how strong this lift is." };
  const curve = strengthOf(asOf).curveOf(exerciseId);
  const load = loadForEffort(exercise, strengthOn.totalKg, reps, rpe, curveFactor(curve), bodyPart, step);
  if ("reason" in load) return { reason: `No load: ${load.reason}.` };
  const p = asOf.printer;
  const stands =
    strengthOn.standsOn === "test"
      ? "the maximum tested"
      : curve.sets > 0
        ? "the estimated maximum by the same curve"
        : "the estimated maximum";
  const share = printNumber(load.share * 100, 1);
  const because = [
    `${reps} done and ${printNumber(10 - rpe, (10 - rpe) % 1 === 0 ? 0 : 1)} left are ${printNumber(load.repsToFailure!, load.repsToFailure! % 1 === 0 ? 0 : 1)} to the limit, ${share} % of the maximum on ${curve.sets > 0 ? "your own curve" : "the curve of the seven formulas"}`,
    `${stands} of ${printDay(strengthOn.day)} is ${p.mass(load.maximumKg)}${strengthOn.recent ? ", the highest of the last four weeks" : ", the latest there is"}`,
    `${bodyPart > 0 ? `${share} % of the total, less the body's share, is` : `${share} % of it is`} ${p.mass(load.exactKg)}, to the nearest step of ${p.load(step)}`,
  ].join("; ");
  return { ...load, because };
}
