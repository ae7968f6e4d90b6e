import { sameJson } from "./canonical";
import { diff, type FieldPatch, isIdList, isOrder, isPlain, keysOf, own, reorder, type Step } from "./patch";

/** A field on which two tabs or devices do not agree, and whose value stands. */
export interface Clash {
  path: readonly Step[];
  theirs: unknown;
  ours: unknown;
  kept: "ours" | "theirs";
}

/** What two tabs or devices made of one value, and where they did not agree. */
export interface Joined {
  value: unknown;
  clashes: Clash[];
}

interface Joining {
  clashes: Clash[];
  kept: Clash["kept"];
}

/**
 * Joins what two tabs or devices made of one value. What only one of them changed is taken from that one; objects are
 * joined key by key and lists with ids element by element, also those that neither had before. What one removed while
 * the other changed it stays as it was changed, whoever removed it.
 * @param base the value as I saw it when I began; undefined when there was none
 * @param mine what I made of it
 * @param theirs how it stands now
 * @param kept whose value stands where both changed one field to different values
 */
export function threeWay(base: unknown, mine: unknown, theirs: unknown, kept: Clash["kept"] = "ours"): Joined {
  const joining: Joining = { clashes: [], kept };
  return { value: join(base, mine, theirs, [], joining), clashes: joining.clashes };
}

/**
 * `value` with the patches applied, to take a change back or to do it again: whatever another tab or device has changed
 * since is left as it
 * stands, and comes back among the clashes.
 */
export function applyPatches(value: unknown, patches: readonly FieldPatch[]): Joined {
  const joining: Joining = { clashes: [], kept: "theirs" };
  const orderLast = [
    ...patches.filter(({ path }) => !isOrder(path.at(-1))),
    ...patches.filter(({ path }) => isOrder(path.at(-1))),
  ];
  const result = orderLast.reduce((current, patch) => applyAt(current, patch.path, patch, joining), value);
  return { value: result, clashes: joining.clashes };
}

function join(base: unknown, mine: unknown, theirs: unknown, path: readonly Step[], joining: Joining): unknown {
  if (same(mine, theirs, path) || same(theirs, base, path)) return mine;
  if (same(mine, base, path)) return theirs;
  if (isPlain(mine) && isPlain(theirs)) return joinObjects(isPlain(base) ? base : {}, mine, theirs, path, joining);
  if (isIdList(mine) && isIdList(theirs)) return joinLists(isIdList(base) ? base : [], mine, theirs, path, joining);
  const kept = mine === undefined ? "theirs" : theirs === undefined ? "ours" : joining.kept;
  joining.clashes.push({ path, theirs, ours: mine, kept });
  return kept === "theirs" ? theirs : mine;
}

/** Whether two values are equal; two records also if they differ in revision and stamp alone. */
function same(a: unknown, b: unknown, path: readonly Step[]): boolean {
  return path.length === 0 && isPlain(a) && isPlain(b) ? diff(a, b).length === 0 : sameJson(a, b);
}

function joinObjects(
  base: Record<string, unknown>,
  mine: Record<string, unknown>,
  theirs: Record<string, unknown>,
  path: readonly Step[],
  joining: Joining,
): unknown {
  // Revision and stamp of a record are the store's business: those of the record as it stands stay.
  const joined = new Map<string, unknown>(path.length === 0 ? Object.entries(theirs) : []);
  for (const key of keysOf(path, theirs, mine))
    joined.set(key, join(own(base, key), own(mine, key), own(theirs, key), [...path, key], joining));
  return Object.fromEntries([...joined].filter(([, value]) => value !== undefined));
}

type Elements = readonly { id: string }[];

function joinLists(base: Elements, mine: Elements, theirs: Elements, path: readonly Step[], joining: Joining): unknown {
  const [old, my, their] = [byId(base), byId(mine), byId(theirs)];
  const joined = new Map<string, unknown>();
  for (const id of new Set([...their.keys(), ...my.keys()]))
    joined.set(id, join(old.get(id), my.get(id), their.get(id), [...path, { element: id }], joining));
  const moved = !sameJson(idsOf(base), idsOf(mine));
  return placed(idsOf(moved ? mine : theirs), idsOf(moved ? theirs : mine)).flatMap((id) => joined.get(id) ?? []);
}

/** All ids of two orders: those of the first in its order, each that only the second has behind the one it follows. */
export function placed(first: readonly string[], second: readonly string[]): string[] {
  const ids = [...first];
  const known = new Set(ids);
  let at = 0;
  for (const id of second) {
    if (known.has(id)) at = ids.indexOf(id) + 1;
    else ids.splice(at++, 0, id);
  }
  return ids;
}

function byId(list: Elements): Map<string, { id: string }> {
  return new Map(list.map((element) => [element.id, element]));
}

function idsOf(list: Elements): string[] {
  return list.map(({ id }) => id);
}

function applyAt(value: unknown, [step, ...rest]: readonly Step[], patch: FieldPatch, joining: Joining): unknown {
  if (step === undefined) return applyHere(value, patch, joining);
  if (typeof step === "object") {
    if ("order" in step) return isIdList(value) ? reorder(value, patch.after as string[]) : value;
    return applyToElement(isIdList(value) ? value : [], step.element, rest, patch, joining);
  }
  // What another tab or device has removed stays removed.
  if (!isPlain(value)) return value;
  const entries = Object.entries(value);
  const inner = applyAt(own(value, step), rest, patch, joining);
  const kept = entries.map(([key, old]) => [key, key === step ? inner : old] as const);
  if (!entries.some(([key]) => key === step)) kept.push([step, inner]);
  return Object.fromEntries(kept.filter(([, entry]) => entry !== undefined));
}

function applyHere(value: unknown, { path, before, after }: FieldPatch, joining: Joining): unknown {
  // An object without an id that goes leaves behind what another tab or device has put into it.
  if (after === undefined && isPlain(before) && isPlain(value) && before.id === undefined) {
    const left = join(before, {}, value, path, joining);
    return isPlain(left) && Object.keys(left).length === 0 ? undefined : left;
  }
  return join(before, after, value, path, joining);
}

function applyToElement(
  list: Elements,
  id: string,
  rest: readonly Step[],
  patch: FieldPatch,
  joining: Joining,
): unknown[] {
  const index = list.findIndex((element) => element.id === id);
  // What another tab or device has removed stays removed.
  if (index < 0 && rest.length > 0) return [...list];
  const changed = applyAt(list[index], rest, patch, joining);
  if (index < 0) return changed === undefined ? [...list] : [...list, changed];
  return changed === undefined ? list.toSpliced(index, 1) : list.with(index, changed as { id: string });
}
