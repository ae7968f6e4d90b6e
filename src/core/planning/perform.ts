import type { Item, Session, TrainingSet } from "../log/records";

type Done = NonNullable<TrainingSet["done"]>;

/** The session with these sets performed: planned sets of the exercise that are still open are filled first, the rest is added. */
export function withSets(session: Session, exerciseId: string, performed: readonly { done: Done; warmUp: boolean }[], newId: () => string): Session {
  const items = session.items ?? [];
  const held = items.find((item) => item.exerciseId === exerciseId);
  const item: Item = held ?? { id: newId(), exerciseId, sets: [] };
  const waiting = [...performed];
  const filled = item.sets.map((set): TrainingSet => {
    const next = waiting.findIndex(({ warmUp }) => warmUp === (set.warmUp ?? false));
    return set.done || next < 0 ? set : { ...set, done: waiting.splice(next, 1)[0]!.done };
  });
  const added = waiting.map(({ done, warmUp }): TrainingSet => ({ id: newId(), ...(warmUp ? { warmUp } : {}), done }));
  const changed = { ...item, sets: [...filled, ...added] };
  return withStatus({ ...session, items: held ? items.map((one) => (one === held ? changed : one)) : [...items, changed] });
}

/** The session with the status that its sets tell: done when no planned working set is open, partly when some are, as it was when none is done. */
export function withStatus(session: Session): Session {
  const sets = (session.items ?? []).flatMap((item) => item.sets);
  if (!sets.some(({ done }) => done)) return session.status === "done" || session.status === "partly" ? { ...session, status: "planned" } : session;
  return { ...session, status: sets.some(({ planned, done, warmUp }) => planned && !done && !warmUp) ? "partly" : "done" };
}

/** The session with one set of it changed. A set left with neither plan nor performance is gone, and so is an exercise left without sets. */
export function withSet(session: Session, itemId: string, setId: string, change: (set: TrainingSet) => TrainingSet): Session {
  const changed = (sets: readonly TrainingSet[]) => sets.flatMap((set) => { const next = set.id === setId ? change(set) : set; return next.planned || next.done || set.id !== setId ? [next] : []; });
  const items = (session.items ?? []).flatMap((item): Item[] => { const next = item.id === itemId ? { ...item, sets: changed(item.sets) } : item; return next.sets.length === 0 ? [] : [next]; });
  return withStatus({ ...session, items });
}

/** A set with what was done in it, or, given nothing, open again. */
export function performedAs(set: TrainingSet, done: Done | null): TrainingSet {
  if (done !== null) return { ...set, done };
  return Object.fromEntries(Object.entries(set).filter(([key]) => key !== "done")) as TrainingSet;
}

/** What a planned set is when it is done exactly as planned. */
export function asPlanned(set: TrainingSet): Done {
  const { reps, kg, rpe, seconds, metres } = set.planned ?? {};
  return Object.fromEntries(Object.entries({ reps, kg, rpe, seconds, metres }).filter(([, value]) => value != null)) as Done;
}

/** The session with every open set, and the planned distance, done as planned. */
export function confirmed(session: Session): Session {
  const items = (session.items ?? []).map((item) => ({ ...item, sets: item.sets.map((set) => (set.done || !set.planned ? set : { ...set, done: asPlanned(set) })) }));
  const distance = session.distance?.planned && !session.distance.done ? { ...session.distance, done: { ...session.distance.planned } } : session.distance;
  return {
    ...session, status: "done", ...(session.items ? { items } : {}), ...(distance ? { distance } : {}),
    ...(session.minutes == null && session.planned?.minutes != null ? { minutes: session.planned.minutes } : {}), ...(session.effort == null && session.planned?.effort != null ? { effort: session.planned.effort } : {}),
  };
}
