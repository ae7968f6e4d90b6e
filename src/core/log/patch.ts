import { sameJson } from "./canonical";

/**
 * A step of a path: the key of an object, an element of a list whose elements have ids, or the order of such a list.
 */
export type Step = string | { readonly element: string } | { readonly order: true };

/**
 * One field that changed, by path from the record. Elements of a list are named by their ids and not by their places,
 * so that two hands that change different sets of one session do not touch the same path. `undefined` means absent.
 */
export interface FieldPatch {
  path: readonly Step[];
  before: unknown;
  after: unknown;
}

type Plain = Record<string, unknown>;

export const isPlain = (value: unknown): value is Plain =>
  typeof value === "object" && value !== null && !Array.isArray(value);
/** Whether a value is a list whose elements each have an id of their own; an empty list is one. */
export const isIdList = (value: unknown): value is { id: string }[] =>
  Array.isArray(value) &&
  value.every((element) => isPlain(element) && typeof element.id === "string") &&
  new Set(value.map((element: Plain) => element.id)).size === value.length;

/** The order of a list with ids is a field of its own. */
export const isOrder = (step: Step | undefined): boolean => typeof step === "object" && "order" in step;

/** A step as it is read in a line: a key by its name, an element by its id. */
export const stepText = (step: Step): string =>
  typeof step === "string" ? step : "element" in step ? step.element : "order";

const order: Step = { order: true };
const stamps = new Set(["revision", "changed", "past"]);

/** Keys of a record that are its own and not the store's: revision, stamp and past are never part of a change. */
export function keysOf(path: readonly Step[], ...objects: Plain[]): string[] {
  const keys = new Set(objects.flatMap((object) => Object.keys(object)));
  if (path.length === 0) for (const stamp of stamps) keys.delete(stamp);
  return [...keys];
}

/** The value of an object's own key. */
export function own(object: Plain, key: string): unknown {
  return Object.hasOwn(object, key) ? object[key] : undefined;
}

/** The field patches that turn `before` into `after`. */
export function diff(before: unknown, after: unknown, path: readonly Step[] = []): FieldPatch[] {
  if (isPlain(before) && isPlain(after))
    return keysOf(path, before, after).flatMap((key) => diff(own(before, key), own(after, key), [...path, key]));
  if (isIdList(before) && isIdList(after) && before.length + after.length > 0) return diffLists(before, after, path);
  return sameJson(before, after) ? [] : [{ path, before, after }];
}

function diffLists(before: { id: string }[], after: { id: string }[], path: readonly Step[]): FieldPatch[] {
  const old = new Map(before.map((element) => [element.id, element]));
  const now = new Map(after.map((element) => [element.id, element]));
  const patches = [...new Set([...old.keys(), ...now.keys()])].flatMap((id) =>
    diff(old.get(id), now.get(id), [...path, { element: id }]),
  );
  const [orderBefore, orderAfter] = [before.map((element) => element.id), after.map((element) => element.id)];
  if (!sameJson(orderBefore, orderAfter))
    patches.push({ path: [...path, order], before: orderBefore, after: orderAfter });
  return patches;
}

/** The patches that undo these. */
export function inverse(patches: readonly FieldPatch[]): FieldPatch[] {
  return patches.map(({ path, before, after }) => ({ path, before: after, after: before }));
}

/** Elements in the wanted order; those the order does not know stay behind the one they followed. */
export function reorder<T extends { id: string }>(list: readonly T[], wanted: readonly string[]): T[] {
  const places = new Map(wanted.map((id, index) => [id, index]));
  let last = -1;
  const ranked = list.map((element, index) => {
    last = places.get(element.id) ?? last;
    return { element, rank: last, index };
  });
  return ranked.sort((a, b) => a.rank - b.rank || a.index - b.index).map(({ element }) => element);
}
