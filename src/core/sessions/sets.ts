import type { Item, Session, TrainingSet } from "../log/kinds/sessions";

import { hasPlan } from "./planned";

/** A set that was performed, and what else was said of it: as what it was meant, the rest behind it. */
export interface Performed {
  done: Done;
  warmUp: boolean;
  planned?: NonNullable<TrainingSet["planned"]>;
  restSeconds?: number;
}

/**
 * The session with these sets performed: planned sets of the exercise that are still open are filled first, the rest is
 * added.
 */
export function withSets(
  session: Session,
  exerciseId: string,
  performed: readonly Performed[],
  newId: () => string,
): Session {
  const items = session.items ?? [];
  const held = items.find((item) => item.exerciseId === exerciseId);
  const item: Item = held ?? { id: newId(), exerciseId, sets: [] };
  const waiting = [...performed];
  const filled = item.sets.map((set): TrainingSet => {
    const next = waiting.findIndex(({ warmUp }) => warmUp === (set.warmUp ?? false));
    if (set.done || next < 0) return set;
    const { done, restSeconds } = waiting.splice(next, 1)[0]!;
    return { ...set, ...(restSeconds === undefined ? {} : { restSeconds }), done };
  });
  const added = waiting.map(({ done, warmUp, planned, restSeconds }): TrainingSet => ({
    id: newId(),
    ...(warmUp ? { warmUp } : {}),
    ...(restSeconds === undefined ? {} : { restSeconds }),
    ...(planned ? { planned } : {}),
    done,
  }));
  const changed = { ...item, sets: [...filled, ...added] };
  return withStatus({
    ...session,
    items: held ? items.map((one) => (one === held ? changed : one)) : [...items, changed],
  });
}

/**
 * The session with the status that its sets tell: done when no planned working set is open, partly when some are, as it
 * was when none is done.
 */
export function withStatus(session: Session): Session {
  const sets = (session.items ?? []).flatMap((item) => item.sets);
  if (!sets.some(({ done }) => done))
    return session.status === "done" || session.status === "partly" ? { ...session, status: "planned" } : session;
  return { ...session, status: sets.some((set) => hasPlan(set) && !set.done && !set.warmUp) ? "partly" : "done" };
}

/**
 * The session with one set of it changed. A set left with neither plan nor performance is gone, and so is an exercise
 * left without sets.
 */
export function withSet(
  session: Session,
  itemId: string,
  setId: string,
  change: (set: TrainingSet) => TrainingSet,
): Session {
  const changed = (sets: readonly TrainingSet[]) =>
    sets.flatMap((set) => {
      const next = set.id === setId ? change(set) : set;
      return next.planned || next.done || set.id !== setId ? [next] : [];
    });
  const items = (session.items ?? []).flatMap((item): Item[] => {
    const next = item.id === itemId ? { ...item, sets: changed(item.sets) } : item;
    return next.sets.length === 0 ? [] : [next];
  });
  return withStatus({ ...session, items });
}

/** The sets of one exercise as they are written in a session. */
export function setsIn(session: Session | null, exerciseId: string): TrainingSet[] {
  return (session?.items ?? []).filter((item) => item.exerciseId === exerciseId).flatMap((item) => item.sets);
}

export type Done = NonNullable<TrainingSet["done"]>;
