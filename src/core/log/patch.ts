import { sameJson } from "./canonical";

/**
 * One field that changed, by path from the record. A step into a list whose elements have ids is written `#id`, so that two hands
 * that change different sets of one session do not touch the same path. `undefined` means absent.
 */
export interface FieldPatch {
  path: string[];
  before: unknown;
  after: unknown;
}

type Plain = Record<string, unknown>;

export const isPlain = (value: unknown): value is Plain => typeof value === "object" && value !== null && !Array.isArray(value);
/** Whether a value is a list whose elements each have an id of their own; an empty list is one. */
export const isIdList = (value: unknown): value is { id: string }[] =>
  Array.isArray(value) && value.every((element) => isPlain(element) && typeof element.id === "string") && new Set(value.map((element: Plain) => element.id)).size === value.length;

const stamps = new Set(["revision", "changed"]);

/** The field patches that turn `before` into `after`. Revision and stamp are the store's business and never part of them. */
export function diff(before: unknown, after: unknown, path: string[] = []): FieldPatch[] {
  if (isPlain(before) && isPlain(after)) {
    return [...new Set([...Object.keys(before), ...Object.keys(after)])]
      .filter((key) => path.length > 0 || !stamps.has(key))
      .flatMap((key) => diff(own(before, key), own(after, key), [...path, key]));
  }
  if (isIdList(before) && isIdList(after) && before.length + after.length > 0) return diffLists(before, after, path);
  return sameJson(before, after) ? [] : [{ path, before, after }];
}

function diffLists(before: { id: string }[], after: { id: string }[], path: string[]): FieldPatch[] {
  const old = new Map(before.map((element) => [element.id, element]));
  const now = new Map(after.map((element) => [element.id, element]));
  const patches = [...new Set([...old.keys(), ...now.keys()])].flatMap((id) => diff(old.get(id), now.get(id), [...path, `#${id}`]));
  const [orderBefore, orderAfter] = [before.map((element) => element.id), after.map((element) => element.id)];
  if (!sameJson(orderBefore, orderAfter)) patches.push({ path: [...path, "#"], before: orderBefore, after: orderAfter });
  return patches;
}

/** The patches that undo these. */
export function inverse(patches: readonly FieldPatch[]): FieldPatch[] {
  return patches.map(({ path, before, after }) => ({ path, before: after, after: before }));
}

/** `value` with the patches applied; what they do not name is left as it stands, so the work of another hand survives. */
export function applyPatches(value: unknown, patches: readonly FieldPatch[]): unknown {
  const orderLast = [...patches.filter(({ path }) => path.at(-1) !== "#"), ...patches.filter(({ path }) => path.at(-1) === "#")];
  return orderLast.reduce((current, patch) => applyAt(current, patch.path, patch.after), value);
}

function applyAt(value: unknown, path: readonly string[], after: unknown): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return after;
  if (step === "#") return Array.isArray(value) ? reorder(value as { id: string }[], after as string[]) : value;
  if (step.startsWith("#")) return applyToElement(Array.isArray(value) ? (value as { id: string }[]) : [], step.slice(1), rest, after);
  const entries = isPlain(value) ? Object.entries(value) : [];
  const inner = applyAt(isPlain(value) ? own(value, step) : undefined, rest, after);
  const kept = entries.map(([key, old]) => [key, key === step ? inner : old] as const);
  if (!entries.some(([key]) => key === step)) kept.push([step, inner]);
  return Object.fromEntries(kept.filter(([, entry]) => entry !== undefined));
}

function applyToElement(list: { id: string }[], id: string, rest: readonly string[], after: unknown): unknown[] {
  const index = list.findIndex((element) => element.id === id);
  if (index < 0 && rest.length > 0) return list;
  const changed = applyAt(list[index], rest, after);
  if (index < 0) return changed === undefined ? list : [...list, changed];
  return changed === undefined ? list.toSpliced(index, 1) : list.with(index, changed as { id: string });
}

/** Elements in the wanted order; those the order does not know stay behind the one they followed. */
function reorder(list: { id: string }[], order: readonly string[]): { id: string }[] {
  const wanted = new Map(order.map((id, index) => [id, index]));
  let last = -1;
  const ranked = list.map((element, index) => {
    last = wanted.get(element.id) ?? last;
    return { element, rank: last, index };
  });
  return ranked.sort((a, b) => a.rank - b.rank || a.index - b.index).map(({ element }) => element);
}

function own(object: Plain, key: string): unknown {
  return Object.hasOwn(object, key) ? object[key] : undefined;
}
