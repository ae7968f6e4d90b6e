import { kinds } from "./kinds/all";
import type { IdList, Wording } from "./kinds/kind";
import type { RecordKind } from "./records";

// Lists inside records whose elements have ids of their own, as each kind declares them: what must hold of them, and
// how they are mended.

type Element = Record<string, unknown>;
type Lists = Readonly<Record<string, IdList>>;

const none: Lists = {};
const listsOf = (kind: RecordKind): Lists => kinds[kind].lists?.of ?? none;
const isElement = (value: unknown): value is Element =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Whether the lists of a record are lists of objects; one that a record leaves out at its top is sound. */
export function areListsSound(kind: RecordKind, record: object): boolean {
  const { lists } = kinds[kind];
  if (lists === null) return true;
  return Object.entries(lists.of).every(([field, { inside }]) => {
    const list = (record as Element)[field];
    return list === undefined || list === null || isSoundList(list, inside);
  });
}

function isSoundList(list: unknown, inside: Lists): boolean {
  return (
    Array.isArray(list) &&
    list.every(
      (element) =>
        isElement(element) &&
        Object.entries(inside).every(([field, deeper]) => isSoundList(element[field], deeper.inside)),
    )
  );
}

/**
 * The record with an id for each element that lacks one, in the order of its lists, so that twice the same record gets
 * twice the same ids.
 */
export function withElementIds(kind: RecordKind, record: Element): Element {
  return withIdsIn(listsOf(kind), record);
}

function withIdsIn(lists: Lists, element: Element): Element {
  let result = element;
  for (const [field, { letter, inside }] of Object.entries(lists)) {
    const list = element[field];
    if (!Array.isArray(list) || haveIds(list, inside)) continue;
    const used = new Set(list.map((one) => (isElement(one) ? one.id : undefined)));
    let next = 0;
    const given = list.map((one: unknown) => {
      if (!isElement(one)) return one;
      if (typeof one.id === "string") return withIdsIn(inside, one);
      do next += 1;
      while (used.has(`${letter}${next}`));
      return withIdsIn(inside, { ...one, id: `${letter}${next}` });
    });
    result = { ...result, [field]: given };
  }
  return result;
}

function haveIds(list: readonly unknown[], inside: Lists): boolean {
  return list.every(
    (one) =>
      !isElement(one) ||
      (typeof one.id === "string" &&
        Object.entries(inside).every(([field, deeper]) => {
          const inner = one[field];
          return !Array.isArray(inner) || haveIds(inner, deeper.inside);
        })),
  );
}

/** The first id that two elements of one list share, with the path of the second; null when there is none. */
export function doubledId(kind: RecordKind, record: object): { path: string; id: string } | null {
  return doubledIn(listsOf(kind), record as Element, "");
}

function doubledIn(lists: Lists, element: Element, path: string): { path: string; id: string } | null {
  const found = Object.entries(lists).map(([field, { inside }]) => ({
    at: path === "" ? field : `${path}.${field}`,
    elements: (element[field] ?? []) as { id: string }[],
    inside,
  }));
  for (const { at, elements } of found) {
    const seen = new Set<string>();
    for (const [index, { id }] of elements.entries()) {
      if (seen.has(id)) return { path: `${at}[${index}].id`, id };
      seen.add(id);
    }
  }
  for (const { at, elements, inside } of found) {
    for (const [index, one] of elements.entries()) {
      const doubled = doubledIn(inside, one as unknown as Element, `${at}[${index}]`);
      if (doubled !== null) return doubled;
    }
  }
  return null;
}

/** The same record, the elements of each list with ids of their own; the first of several keeps its id. */
export function withOwnIds<R extends object>(kind: RecordKind, record: R): R {
  return renamedIn(listsOf(kind), record as Element) as R;
}

function renamedIn(lists: Lists, element: Element): Element {
  let result = element;
  for (const [field, { letter, inside }] of Object.entries(lists)) {
    const list = element[field];
    if (!Array.isArray(list)) continue;
    const renamed = renamedList(list as { id: string }[], letter);
    result = { ...result, [field]: renamed.map((one) => renamedIn(inside, one)) };
  }
  return result;
}

function renamedList<T extends { id: string }>(list: readonly T[], letter: string): T[] {
  const used = new Set<string>();
  const all = new Set(list.map(({ id }) => id));
  let next = 0;
  return list.map((element) => {
    let { id } = element;
    if (used.has(id))
      do id = `${letter}${(next += 1)}`;
      while (all.has(id) || used.has(id));
    used.add(id);
    return id === element.id ? element : { ...element, id };
  });
}

/**
 * What an element of a list of some record is called: `Back squat`, `set 2`. Null where no element of that list has the
 * id.
 */
export function elementName(
  kind: RecordKind,
  record: object,
  list: string,
  id: string,
  wording: Wording,
): string | null {
  return nameIn(listsOf(kind), record as Element, list, id, wording);
}

function nameIn(lists: Lists, element: Element, list: string, id: string, wording: Wording): string | null {
  for (const [field, { called, inside }] of Object.entries(lists)) {
    const elements = (element[field] ?? []) as Element[];
    const index = field === list ? elements.findIndex((one) => one.id === id) : -1;
    if (index >= 0) return called(elements[index] as never, index, wording);
    for (const one of elements) {
      const name = nameIn(inside, one, list, id, wording);
      if (name !== null) return name;
    }
  }
  return null;
}
