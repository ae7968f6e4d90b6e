import type { Routine } from "../log/kinds/routines";
import type { Session } from "../log/kinds/sessions";
import { sameJson } from "../log/canonical";
import { type FirstPlan, planOf } from "../sessions/firstPlan";
import { expected, plannedOn, withIds } from "./plannedOn";

/** A set or an exercise as it is asked for, with whatever else it bears. */
type Asking = Asked["sets"][number];
type Asked = NonNullable<FirstPlan["planned"]["items"]>[number];
type Planned = Asking["planned"];
interface AskedItem {
  exerciseId: string;
  sets: Asking[];
}
/** To what a load of an exercise can be set. */
export type Loadable = (kg: number, exerciseId: string) => number;

/** Whether a routine asks for something else than before; a note on it is no change of what is planned. */
export function plansOtherwise(before: Routine, after: Routine): boolean {
  return !sameJson(asSession(before), asSession(after));
}

const asSession = (routine: Routine) => plannedOn({ ...routine, title: routine.name }, undefined, () => "");

/**
 * A planned session as it follows a change of the routine it was made of: what changed there changes here where it
 * stood as there; what had been added to a load or a number stays added, what had been eased keeps its share, and what
 * was changed by hand stays.
 */
export function following(
  session: Session,
  before: Routine,
  after: Routine,
  loadable: Loadable,
  newId: () => string,
): Session {
  const [was, now] = [asSession(before), asSession(after)];
  const first = session.first ?? planOf(session);
  /** A field that stood as in the routine and changed there, as it is there now; else as it stands. */
  const followed = <T>(held: T, old: T, next: T): T => (!sameJson(old, next) && sameJson(held, old) ? next : held);
  const { planned: _planned, items: _items, distance: _distance, ...kept } = session;
  const fields = <F extends "title" | "instructor" | "links" | "steps">(field: F) => {
    const value = followed<unknown>(session[field], was[field], now[field]);
    return value == null ? {} : ({ [field]: value } as Pick<Session, F>);
  };
  for (const field of ["title", "instructor", "links", "steps"] as const) delete kept[field];
  const of = (field: "minutes" | "effort") =>
    followed(session.planned?.[field] ?? null, was.planned?.[field] ?? null, now.planned?.[field] ?? null);
  const covered = (field: "metres" | "seconds") =>
    followed(
      session.distance?.planned?.[field] ?? null,
      was.distance?.planned?.[field] ?? null,
      now.distance?.planned?.[field] ?? null,
    );
  const distance = {
    ...without(session.distance ?? {}, "planned", "purpose"),
    ...present("planned", emptied({ metres: covered("metres"), seconds: covered("seconds") })),
    ...present(
      "purpose",
      followed(session.distance?.purpose ?? null, was.distance?.purpose ?? null, now.distance?.purpose ?? null),
    ),
  };
  const hand = first.planned.items ?? [];
  const items = itemsFollowing(session.items ?? [], was.items ?? [], now.items ?? [], {
    loadable,
    byHand: hand,
    make: (item) => withIds(item as NonNullable<Routine["items"]>[number], newId),
    makeSet: (set) => ({ ...set, id: newId() }),
  });
  const laid = () =>
    itemsFollowing(hand, was.items ?? [], now.items ?? [], {
      loadable,
      byHand: hand,
      make: ({ exerciseId, sets }) => ({ exerciseId, sets: sets.map(({ warmUp, planned }) => ({ warmUp, planned })) }),
      makeSet: (set) => set,
    });
  const next: Session = {
    ...kept,
    kind: followed(session.kind, was.kind, now.kind),
    ...fields("title"),
    ...fields("instructor"),
    ...fields("links"),
    ...fields("steps"),
    ...expected({ minutes: of("minutes"), effort: of("effort") }),
    ...(Object.keys(distance).length === 0 ? {} : { distance }),
    ...(session.items == null && items.length === 0 ? {} : { items }),
  };
  // What the routine says is the plan from which a change by hand is told.
  const plan = planOf(next);
  if (sameJson(plan, planOf(session))) return next;
  if (session.first == null) return { ...next, first: plan };
  const asked = laid();
  return {
    ...next,
    first: { ...first, planned: { ...first.planned, ...(asked.length === 0 ? {} : { items: asked }) } },
  };
}

const present = (key: string, value: unknown) => (value == null ? {} : { [key]: value });

/** A distance and time without what is not known; null where neither is. */
function emptied(covered: { metres: number | null; seconds: number | null }) {
  const known = Object.entries(covered).filter(([, value]) => value !== null);
  return known.length === 0 ? null : Object.fromEntries(known);
}

function without<T extends object, K extends keyof T>(value: T, ...keys: readonly K[]): Omit<T, K> {
  const kept = { ...value };
  for (const key of keys) delete kept[key];
  return kept;
}

interface Making<T extends AskedItem> {
  loadable: Loadable;
  /** As it was first planned: what differs from it was changed by hand. */
  byHand: readonly AskedItem[];
  make: (item: AskedItem) => T;
  makeSet: (set: Asking) => T["sets"][number];
}

/** Exercises that follow: new ones come, those that are no longer asked for go, and those that stay follow set by set. */
function itemsFollowing<T extends AskedItem>(
  held: readonly T[],
  was: readonly AskedItem[],
  now: readonly AskedItem[],
  making: Making<T>,
): T[] {
  if (sameJson(was.map(bare), now.map(bare))) return [...held];
  const [before, after, hand] = [byPlace(was), byPlace(now), byPlace(making.byHand)];
  const mine = byPlace(held);
  const kept = [...mine].flatMap(([place, item]): T[] => {
    const [old, next] = [before.get(place), after.get(place)];
    if (old === undefined) return [item];
    return next === undefined ? [] : [itemFollowing(item, old, next, hand.get(place), making)];
  });
  const come = [...after].flatMap(([place, item]) => (before.has(place) || mine.has(place) ? [] : [making.make(item)]));
  return [...kept, ...come];
}

const bare = ({ exerciseId, sets }: AskedItem) => ({
  exerciseId,
  sets: sets.map(({ warmUp, planned }) => [warmUp ?? false, planned ?? null]),
});

/** Exercises by name and by which of that name they are. */
function byPlace<T extends AskedItem>(items: readonly T[]): Map<string, T> {
  const times = new Map<string, number>();
  return new Map(
    items.map((item) => {
      const count = (times.get(item.exerciseId) ?? 0) + 1;
      times.set(item.exerciseId, count);
      return [`${count} ${item.exerciseId}`, item];
    }),
  );
}

function itemFollowing<T extends AskedItem>(
  item: T,
  old: AskedItem,
  next: AskedItem,
  hand: AskedItem | undefined,
  { loadable, makeSet }: Making<T>,
): T {
  const of = (sets: readonly Asking[], warm: boolean) => sets.filter(({ warmUp }) => (warmUp ?? false) === warm);
  const follow = (warm: boolean): Asking[] => {
    const [mine, was, now, laid] = [item.sets, old.sets, next.sets, hand?.sets ?? []].map((sets) => of(sets, warm)) as [
      Asking[],
      Asking[],
      Asking[],
      Asking[],
    ];
    const isCountByHand = laid.length > 0 && laid.length !== mine.length;
    const wanted =
      was.length === now.length || isCountByHand
        ? mine.length
        : was.length === 0
          ? mine.length + now.length
          : now.length === 0
            ? 0
            : Math.max(1, Math.round((now.length * mine.length) / was.length));
    return Array.from({ length: wanted }, (_, at): Asking => {
      const [set, from, to] = [mine[at], was[Math.min(at, was.length - 1)], now[Math.min(at, now.length - 1)]];
      if (set === undefined)
        return makeSet(mine.at(-1) === undefined ? to! : { ...to!, planned: mine.at(-1)!.planned ?? to!.planned });
      if (from?.planned == null || to?.planned == null || set.planned == null) return set;
      const load = (kg: number) => loadable(kg, item.exerciseId);
      return { ...set, planned: plannedFollowing(set.planned, from.planned, to.planned, laid[at]?.planned, load) };
    });
  };
  return { ...item, sets: [...follow(true), ...follow(false)] };
}

/** What is asked of a set, as it follows; see `following`. */
function plannedFollowing(
  held: NonNullable<Planned>,
  was: NonNullable<Planned>,
  now: NonNullable<Planned>,
  laid: Planned | undefined,
  loadable: (kg: number) => number,
): NonNullable<Planned> {
  const next = new Map<string, unknown>(Object.entries(held));
  for (const field of ["reps", "repsTo", "kg", "percent", "rpe", "asManyAsPossible", "seconds", "metres"] as const) {
    const [mine, old, wanted] = [held[field] ?? null, was[field] ?? null, now[field] ?? null];
    if (old === wanted || (laid != null && (laid[field] ?? null) !== mine)) continue;
    if (mine === old) next.set(field, wanted);
    else if (typeof mine === "number" && typeof old === "number" && typeof wanted === "number") {
      const moved = mine >= old || old === 0 ? mine + wanted - old : (mine * wanted) / old;
      next.set(
        field,
        field === "kg"
          ? loadable(moved)
          : field === "percent"
            ? Math.round(moved * 1e6) / 1e6
            : Math.max(1, Math.round(moved)),
      );
    }
  }
  return Object.fromEntries([...next].filter(([, value]) => value != null));
}
