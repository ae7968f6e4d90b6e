import { dateOf, mustDay } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import type { Item, Session, TrainingSet } from "../log/kinds/sessions";
import { stepsOf } from "../sessions/order";
import { hasPlan } from "../sessions/planned";
import { setsIn } from "../sessions/sets";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { describeSets, supersetOf } from "../strength/describe";
import { liftingOf } from "../strength/lifting";
import { maximumFigure, type MaximumFigure } from "../strength/liftsView";
import { barOf, type PlateStock, type RampSet, usualPlates, warmUpRamp } from "../strength/loading";
import { liftStanding } from "../strength/maximum";
import { strengthOf } from "../strength/slice";
import { type Beaten, liftRecords } from "../strength/strengthRecords";
import type { Target } from "../strength/suggest";
import { repeated } from "./change";
import { lastLifted, lastTime, type LastTime } from "./sessionCard";

/** What a set is proposed to be done with: as planned, else as the set before it in this session, else as last time. */
export interface Proposal {
  reps: number | null;
  kg: number | null;
  seconds: number | null;
  metres: number | null;
  from: "plan" | "percent" | "effort" | "set before" | "last time" | "nothing";
  reason: string | null;
}

export interface TrainingStep {
  itemId: string;
  setId: string;
  proposal: Proposal;
}

export interface TrainingItem {
  id: string;
  exercise: Exercise;
  sets: TrainingSet[];
  note: string | null;
  tempo: string | null;
  skipped: string | null;
  /** The mark that the exercises of a superset share. */
  superset: string | null;
  planned: string;
  last: (LastTime & { sets: TrainingSet[] }) | null;
  /**
   * The best estimate before this day, and the heaviest load for at least so many repetitions so far, what was just
   * done included.
   */
  best: MaximumFigure | null;
  repRecords: { reps: number; kg: number; date: string }[];
  barKg: number | null;
  stepKg: number;
  /**
   * Warm-up sets towards the first working load; empty when the exercise has some, needs none or its load is not known.
   */
  ramp: RampSet[];
}

export interface TrainingView {
  session: Session;
  title: string;
  items: TrainingItem[];
  /** Sets in the order of doing. */
  steps: TrainingStep[];
  plates: PlateStock[];
  restSeconds: number;
  /** For a session without exercises: the latest one before it, to be done the same. */
  again: { date: string; title: string; items: Item[] } | null;
  /** Records that this day has beaten, by exercise. */
  beaten: (Beaten & { name: string })[];
}

/** Rest when neither the set nor the settings say (common practice, no source). */
const usualRestSeconds = 120;

/** A session as it is trained. Null when it is not in the log. */
export function trainingView(asOf: AsOf, date: string, sessionId: string): TrainingView | null {
  const day = mustDay(date);
  const session = sessionsOf(asOf).find(day, sessionId);
  if (session === null) return null;
  const printer = asOf.printer;
  const unit = printer.units.mass;
  const targets = new Map<string, Target>();
  const items = (session.items ?? []).flatMap((item): TrainingItem[] => {
    const exercise = strengthOf(asOf).exercises().get(item.exerciseId);
    if (exercise === undefined) return [];
    const last = lastTime(asOf, session, exercise.id, printer);
    for (const set of item.sets)
      targets.set(`${item.id} ${set.id}`, liftingOf(asOf).target(exercise, set.planned, day));
    const course = strengthOf(asOf).courseOf(exercise.id);
    const stepKg = liftingOf(asOf).step(exercise);
    const barKg = barOf(exercise, asOf.settings, unit);
    return [
      {
        id: item.id,
        exercise,
        sets: item.sets,
        note: item.note ?? null,
        tempo: item.tempo ?? null,
        skipped: item.skipped ?? null,
        superset: supersetOf(item),
        planned: describeSets(
          item.sets,
          "planned",
          exercise,
          printer,
          Object.fromEntries(
            item.sets.flatMap(({ id, planned }) => {
              const target = targets.get(`${item.id} ${id}`)!;
              return planned?.kg != null || "reason" in target || target.kg === null ? [] : [[id, target.kg]];
            }),
          ),
        ),
        last: last && {
          ...last,
          sets: setsIn(sessionsOf(asOf).find(mustDay(last.date), last.sessionId), exercise.id).filter(
            ({ warmUp, done }) => done && !warmUp,
          ),
        },
        best: maximumFigure(liftStanding(exercise.id, course, day)?.best ?? null),
        repRecords: liftRecords(course, strengthOf(asOf).volumeOn, day + 1).standing.map(({ reps, kg, day: on }) => ({
          reps,
          kg,
          date: dateOf(on),
        })),
        barKg,
        stepKg,
        ramp: [],
      },
    ];
  });
  const steps = stepsOf(session).flatMap(({ item, set }): TrainingStep[] => {
    const held = items.find(({ id }) => id === item.id);
    return held
      ? [{ itemId: item.id, setId: set.id, proposal: proposalOf(held, set, targets.get(`${item.id} ${set.id}`)!) }]
      : [];
  });
  for (const item of items) {
    const first = item.sets.find(({ warmUp, done }) => !warmUp && !done);
    const kg = first && steps.find(({ itemId, setId }) => itemId === item.id && setId === first.id)?.proposal.kg;
    const untouched = item.sets.every(({ warmUp, done }) => !warmUp && !done);
    if (untouched && kg != null && (item.exercise.measure ?? "load-reps") === "load-reps")
      item.ramp = warmUpRamp(kg, item.barKg ?? 0, item.stepKg);
  }
  const before = items.length > 0 ? null : lastLifted(asOf, date);
  return {
    again: before && { date: before.date, title: titleOf(before), items: repeated(before) },
    session,
    title: titleOf(session),
    items,
    steps,
    plates: asOf.settings.plates ?? usualPlates(unit),
    restSeconds: asOf.settings.restSeconds ?? usualRestSeconds,
    beaten:
      day > asOf.on
        ? []
        : items.flatMap(({ exercise }) =>
            liftingOf(asOf)
              .records(exercise.id)
              .beaten.filter((one) => one.day === day)
              .map((one) => ({ ...one, name: exercise.name })),
          ),
  };
}

function proposalOf(item: TrainingItem, set: TrainingSet, target: Target): Proposal {
  const planned = set.planned ?? {};
  const working = item.sets.filter(({ warmUp }) => !warmUp);
  const at = working.indexOf(set);
  const before = set.warmUp ? undefined : working.slice(0, at).findLast(({ done }) => done);
  const earlier = before?.done;
  const lastSet = set.warmUp ? undefined : (item.last?.sets[at] ?? item.last?.sets.at(-1))?.done;
  const amounts = amountsOf(planned, earlier, lastSet);
  // A load changed on the day is that of the next sets that were planned alike.
  if (before && earlier?.kg != null && hasPlan(set) && sameAim(before.planned, set.planned))
    return { ...amounts, kg: earlier.kg, from: "set before", reason: null };
  if (!("reason" in target) && target.kg !== null)
    return { ...amounts, kg: target.kg, from: target.from, reason: null };
  const kg = planned.percent == null && planned.rpe == null ? (planned.kg ?? earlier?.kg ?? lastSet?.kg ?? null) : null;
  if ("reason" in target) return { ...amounts, kg, from: "nothing", reason: target.reason };
  return { ...amounts, kg, from: earlier ? "set before" : lastSet ? "last time" : "nothing", reason: null };
}

type Amounts = Pick<NonNullable<TrainingSet["done"]>, "reps" | "seconds" | "metres">;

/** Repetitions, seconds and metres as planned, else as in the set before, else as last time. */
function amountsOf(...from: (Amounts | null | undefined)[]): Pick<Proposal, "reps" | "seconds" | "metres"> {
  const first = (key: keyof Amounts) => from.map((one) => one?.[key]).find((value) => value != null) ?? null;
  return { reps: first("reps"), seconds: first("seconds"), metres: first("metres") };
}

/** Whether two sets were planned with the same load, share or effort. */
function sameAim(a: TrainingSet["planned"], b: TrainingSet["planned"]): boolean {
  return (["kg", "percent", "rpe", "reps", "repsTo"] as const).every(
    (key) => (a?.[key] ?? null) === (b?.[key] ?? null),
  );
}
