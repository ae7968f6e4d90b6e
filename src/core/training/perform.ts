import type { Exercise } from "../log/kinds/exercises";
import { withAllParts } from "../sessions/parts";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { hasPlan } from "../sessions/planned";
import type { Done } from "../sessions/sets";
import { lackOf } from "../strength/doubt";

/** Whether a done set was cut short: it failed, or fewer repetitions were done than planned. */
export function isShort({ planned, done }: TrainingSet): boolean {
  return done?.failed === true || (planned?.reps != null && done != null && (done.reps ?? 0) < planned.reps);
}

/**
 * A set with what was done in it, or, given nothing, open again: one that nobody planned is then to be done as it
 * comes.
 */
export function performedAs(set: TrainingSet, done: Done | null): TrainingSet {
  if (done !== null) return { ...set, done };
  return {
    ...(Object.fromEntries(Object.entries(set).filter(([key]) => key !== "done")) as TrainingSet),
    planned: set.planned ?? {},
  };
}

/**
 * Whether a plan leaves the count open: a range of repetitions, or as many as possible. How many they were is then for
 * the trainee to say.
 */
export function isOpenEnded(planned: TrainingSet["planned"]): boolean {
  return planned?.asManyAsPossible === true || (planned?.repsTo != null && planned.repsTo > (planned.reps ?? 0));
}

/**
 * What a planned set is when it is done exactly as planned, without repetitions where the plan leaves them open;
 * `workedKg` is its load where that was worked out from a percentage or an effort.
 */
export function asPlanned(set: TrainingSet, workedKg?: number): Done {
  const { reps, kg = workedKg, rpe, seconds, metres } = set.planned ?? {};
  return Object.fromEntries(
    Object.entries({ ...(isOpenEnded(set.planned) ? {} : { reps }), kg, rpe, seconds, metres }).filter(
      ([, value]) => value != null,
    ),
  ) as Done;
}

/**
 * Whether a set was done just as planned, within its range of repetitions; an effort that was not said does not part
 * them.
 */
export function isAsPlanned(set: TrainingSet, workedKg?: number): boolean {
  const { done } = set;
  if (done == null || !hasPlan(set) || done.failed || (done.parts ?? []).length > 0) return false;
  const planned = asPlanned(set, workedKg);
  const { reps = 0, repsTo, asManyAsPossible } = set.planned!;
  const counted = isOpenEnded(set.planned)
    ? (done.reps ?? -1) >= (reps ?? 0) && (asManyAsPossible === true || done.reps! <= repsTo!)
    : (planned.reps ?? null) === (done.reps ?? null);
  return (
    counted &&
    (["kg", "seconds", "metres"] as const).every((key) => (planned[key] ?? null) === (done[key] ?? null)) &&
    (done.rpe == null || done.rpe === planned.rpe)
  );
}

/**
 * The session with every open set, and the planned distance, done as planned; an exercise that was left out stays so.
 * Sets whose load or repetitions are not known stay open.
 * @param workedKg gives loads that were worked out
 */
export function confirmed(
  session: Session,
  exerciseOf: (id: string) => Exercise | undefined,
  workedKg: (itemId: string, setId: string) => number | undefined = () => undefined,
): Session {
  const items = (session.items ?? []).map((item) =>
    item.skipped == null
      ? {
          ...item,
          sets: item.sets.map((set) => {
            if (set.done || !hasPlan(set)) return set;
            const done = asPlanned(set, workedKg(item.id, set.id));
            return lackOf(exerciseOf(item.exerciseId), done) === null ? { ...set, done } : set;
          }),
        }
      : item,
  );
  const distance =
    session.distance?.planned && !session.distance.done
      ? { ...session.distance, done: { ...session.distance.planned } }
      : session.distance;
  const open = items.some(
    (item) => item.skipped == null && item.sets.some((set) => hasPlan(set) && !set.done && !set.warmUp),
  );
  const begun = items.some((item) => item.sets.some(({ done }) => done)) || distance?.done != null;
  return {
    ...withAllParts(session),
    status: open ? (begun ? "partly" : session.status) : "done",
    ...(session.items ? { items } : {}),
    ...(distance ? { distance } : {}),
    ...(session.minutes == null && session.planned?.minutes != null ? { minutes: session.planned.minutes } : {}),
    ...(session.effort == null && session.planned?.effort != null ? { effort: session.planned.effort } : {}),
  };
}
