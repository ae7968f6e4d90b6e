import type { Item, Session, TrainingSet } from "../log/kinds/sessions";
import { askedOf } from "../sessions/firstPlan";
import { hasPlan } from "../sessions/planned";
import { withSet, withStatus } from "../sessions/sets";
import type { RampSet } from "../strength/loading";

/** The session with one item changed. */
function withItem(session: Session, itemId: string, change: (item: Item) => Item): Session {
  return withStatus({
    ...session,
    items: (session.items ?? []).map((item) => (item.id === itemId ? change(item) : item)),
  });
}

/** One set more of an exercise, planned like its last working one. */
export function withMoreSets(session: Session, itemId: string, newId: () => string): Session {
  return withItem(session, itemId, (item) => {
    const last = item.sets.findLast(({ warmUp }) => !warmUp);
    return {
      ...item,
      sets: [
        ...item.sets,
        {
          id: newId(),
          ...(last?.restSeconds == null ? {} : { restSeconds: last.restSeconds }),
          planned: last?.planned ?? {},
        },
      ],
    };
  });
}

/** An open set dropped; an exercise left without sets goes. */
export function withoutOpenSet(session: Session, itemId: string, setId: string): Session {
  return withSet(session, itemId, setId, ({ planned: _planned, ...set }) => set);
}

/**
 * The session without the open sets of which nothing was asked, as it is when training ends; an exercise left without
 * sets goes.
 */
export function withoutIdleSets(session: Session): Session {
  const items = (session.items ?? []).flatMap((item): Item[] => {
    const sets = item.sets.filter((set) => set.done || hasPlan(set));
    return sets.length === 0 ? [] : [{ ...item, sets }];
  });
  return withStatus({ ...session, items });
}

/** The session with an exercise moved up or down by one place. */
export function withMoved(session: Session, itemId: string, by: -1 | 1): Session {
  const items = [...(session.items ?? [])];
  const from = items.findIndex(({ id }) => id === itemId);
  if (from < 0 || items[from + by] === undefined) return session;
  [items[from], items[from + by]] = [items[from + by]!, items[from]!];
  return { ...session, items };
}

/** The session with an exercise joined to the one behind it as a superset, or, where they are one, parted from it. */
export function withJoined(session: Session, itemId: string): Session {
  const items = session.items ?? [];
  const at = items.findIndex(({ id }) => id === itemId);
  const [first, second] = [items[at], items[at + 1]];
  if (first === undefined || second === undefined) return session;
  const joined = first.superset != null && first.superset === second.superset;
  const taken = new Set(items.map(({ superset }) => superset));
  const free = [..."ABCDEFGHJKLMNPQRSTUVWXYZ"].filter((one) => !taken.has(one));
  const letter = first.superset ?? free[0] ?? "A";
  // Parting leaves what stands before together, and what stands behind.
  const behind = free[0] ?? "Z";
  return {
    ...session,
    items: items.map((item, index): Item => {
      if (!joined)
        return item === first || item === second || (second.superset != null && item.superset === second.superset)
          ? { ...item, superset: letter }
          : item;
      return index > at && item.superset === first.superset ? { ...item, superset: behind } : item;
    }),
  };
}

/** A further part of a done set. */
export function withDropPart(
  session: Session,
  itemId: string,
  setId: string,
  part: { reps: number; kg: number },
): Session {
  return withSet(session, itemId, setId, (set) =>
    set.done ? { ...set, done: { ...set.done, parts: [...(set.done.parts ?? []), part] } } : set,
  );
}

/** Warm-up sets before the others of an exercise. */
export function withRamp(session: Session, itemId: string, ramp: readonly RampSet[], newId: () => string): Session {
  return withItem(session, itemId, (item) => ({
    ...item,
    sets: [
      ...ramp.map((planned): TrainingSet => ({ id: newId(), warmUp: true, restSeconds: 60, planned: { ...planned } })),
      ...item.sets,
    ],
  }));
}

/**
 * Another exercise in the place of one. What was already done of the first stays as it is; its open sets become the
 * other's, without their loads, since those were the first one's. What was planned stays the plan, and is it again once
 * the first is taken back.
 */
export function withSwapped(session: Session, itemId: string, exerciseId: string, newId: () => string): Session {
  const items = (session.items ?? []).flatMap((item): Item[] => {
    if (item.id !== itemId) return [item];
    const [done, open] = [item.sets.filter((set) => set.done), item.sets.filter((set) => !set.done)];
    const { insteadOf: _, ...own } = item;
    const other: Item = {
      ...(done.length === 0 ? own : { id: newId(), ...(item.superset == null ? {} : { superset: item.superset }) }),
      exerciseId,
      sets: open.map((set): TrainingSet => {
        const { kg: _kg, percent: _percent, ...planned } = set.planned ?? {};
        return { ...set, planned };
      }),
    };
    const asked = askedOf({ ...item, sets: open });
    const next: Item = asked.exerciseId === exerciseId ? askedAgain(other, asked) : { ...other, insteadOf: asked };
    return done.length === 0 ? [next] : [{ ...item, sets: done }, next];
  });
  return withStatus({ ...session, items });
}

/** An exercise taken back, with what had been planned of it. */
function askedAgain(item: Item, { sets }: ReturnType<typeof askedOf>): Item {
  return {
    ...item,
    sets: item.sets.map((set, at) => (sets[at]?.planned == null ? set : { ...set, planned: sets[at].planned })),
  };
}

/**
 * Another exercise at the end, with one open set. A set of which nothing was asked, waiting behind done ones, is not
 * waited for any longer.
 */
export function withExercise(session: Session, exerciseId: string, newId: () => string): Session {
  const items = (session.items ?? []).map((item): Item =>
    item.sets.some(({ done }) => done) ? { ...item, sets: item.sets.filter((set) => set.done || hasPlan(set)) } : item,
  );
  return withStatus({
    ...session,
    items: [...items, { id: newId(), exerciseId, sets: [{ id: newId(), planned: {} }] }],
  });
}

/** An exercise left out, with the reason ("" when none is given); what was done of it stays. */
export function withSkipped(session: Session, itemId: string, reason: string): Session {
  return withItem(session, itemId, (item) => ({ ...item, skipped: reason }));
}

/**
 * The exercises of a session as they were done, to be done the same again; a missed attempt asks for its load alone.
 */
export function repeated(session: Session): Item[] {
  return (session.items ?? []).flatMap((item): Item[] => {
    const sets = item.sets.flatMap(({ id, done, warmUp, restSeconds }): TrainingSet[] => {
      if (!done) return [];
      const { reps, kg, seconds, metres } = done;
      return [
        {
          id,
          ...(warmUp ? { warmUp } : {}),
          ...(restSeconds == null ? {} : { restSeconds }),
          planned: Object.fromEntries(
            Object.entries({ reps: reps === 0 ? null : reps, kg, seconds, metres }).filter(
              ([, value]) => value != null,
            ),
          ),
        },
      ];
    });
    return sets.length === 0
      ? []
      : [
          {
            id: item.id,
            exerciseId: item.exerciseId,
            ...(item.superset == null ? {} : { superset: item.superset }),
            ...(item.tempo == null ? {} : { tempo: item.tempo }),
            sets,
          },
        ];
  });
}
