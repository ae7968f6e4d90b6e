import type { Item, Session, TrainingSet } from "../log/records";
import type { RampSet } from "../strength/loading";
import { withSet, withStatus } from "./perform";

/** The session with one item changed. */
function withItem(session: Session, itemId: string, change: (item: Item) => Item): Session {
  return withStatus({ ...session, items: (session.items ?? []).map((item) => (item.id === itemId ? change(item) : item)) });
}

/** One set more of an exercise, planned like its last working one. */
export function withMoreSets(session: Session, itemId: string, newId: () => string): Session {
  return withItem(session, itemId, (item) => {
    const last = item.sets.findLast(({ warmUp }) => !warmUp);
    return { ...item, sets: [...item.sets, { id: newId(), ...(last?.restSeconds == null ? {} : { restSeconds: last.restSeconds }), planned: last?.planned ?? {} }] };
  });
}

/** An open set dropped; an exercise left without sets goes. */
export function withoutOpenSet(session: Session, itemId: string, setId: string): Session {
  return withSet(session, itemId, setId, ({ planned: _planned, ...set }) => set);
}

/** A further part of a done set. */
export function withDropPart(session: Session, itemId: string, setId: string, part: { reps: number; kg: number }): Session {
  return withSet(session, itemId, setId, (set) => (set.done ? { ...set, done: { ...set.done, parts: [...(set.done.parts ?? []), part] } } : set));
}

/** Warm-up sets before the others of an exercise. */
export function withRamp(session: Session, itemId: string, ramp: readonly RampSet[], newId: () => string): Session {
  return withItem(session, itemId, (item) => ({ ...item, sets: [...ramp.map((planned): TrainingSet => ({ id: newId(), warmUp: true, restSeconds: 60, planned: { ...planned } })), ...item.sets] }));
}

/**
 * Another exercise in the place of one. What was already done of the first stays as it is; its open sets become the other's, without their
 * loads, since those were the first one's.
 */
export function withSwapped(session: Session, itemId: string, exerciseId: string, newId: () => string): Session {
  const items = (session.items ?? []).flatMap((item): Item[] => {
    if (item.id !== itemId) return [item];
    const open = item.sets.filter(({ done }) => !done).map((set): TrainingSet => { const { kg: _kg, percent: _percent, ...planned } = set.planned ?? {}; return { ...set, planned }; });
    const done = item.sets.filter((set) => set.done);
    return done.length === 0 ? [{ ...item, exerciseId, sets: open }] : [{ ...item, sets: done }, { id: newId(), exerciseId, ...(item.superset == null ? {} : { superset: item.superset }), sets: open }];
  });
  return withStatus({ ...session, items });
}

/** Another exercise at the end, with one open set. */
export function withExercise(session: Session, exerciseId: string, newId: () => string): Session {
  return withStatus({ ...session, items: [...(session.items ?? []), { id: newId(), exerciseId, sets: [{ id: newId(), planned: {} }] }] });
}

/** An exercise left out, with the reason ("" when none is given); what was done of it stays. */
export function withSkipped(session: Session, itemId: string, reason: string): Session {
  return withItem(session, itemId, (item) => ({ ...item, skipped: reason }));
}

/** The exercises of a session as they were done, to be done the same again; a missed attempt asks for its load alone. */
export function repeated(session: Session): Item[] {
  return (session.items ?? []).flatMap((item): Item[] => {
    const sets = item.sets.flatMap(({ id, done, warmUp, restSeconds }): TrainingSet[] => {
      if (!done) return [];
      const { reps, kg, seconds, metres } = done;
      return [{ id, ...(warmUp ? { warmUp } : {}), ...(restSeconds == null ? {} : { restSeconds }), planned: Object.fromEntries(Object.entries({ reps: reps === 0 ? null : reps, kg, seconds, metres }).filter(([, value]) => value != null)) }];
    });
    return sets.length === 0 ? [] : [{ id: item.id, exerciseId: item.exerciseId, ...(item.superset == null ? {} : { superset: item.superset }), ...(item.tempo == null ? {} : { tempo: item.tempo }), sets }];
  });
}
