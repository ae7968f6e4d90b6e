import { kinds, recordKinds } from "./kinds/all";
import type { HouseholdKind } from "./kinds/kind";
import type { Log } from "./log";
import type { AnyRecord, ChangeStep, RecordKind } from "./records";

interface Reference {
  path: string;
  kind: RecordKind;
  id: string;
}

type AnyKind = Pick<HouseholdKind, "refersTo" | "cameFrom"> & { belongsTo: string };

interface Pointer {
  path: string[];
  target: RecordKind;
  /** Whether it says only where the record came from: it may lead nowhere. */
  soft: boolean;
}

/** Where the records of each kind point, each path in its steps: an import asks this of every record. */
const pointers = Object.fromEntries(
  recordKinds.map((kind): [RecordKind, Pointer[]] => {
    const { belongsTo, refersTo, cameFrom = {} }: AnyKind = kinds[kind];
    const declared = (fields: Readonly<Record<string, string>>, soft: boolean) =>
      Object.entries(fields).map(([path, target]) => ({ path: path.split("."), target: target as RecordKind, soft }));
    const owner: Pointer[] = belongsTo === "household" ? [] : [{ path: ["personId"], target: "people", soft: false }];
    return [kind, [...owner, ...declared(refersTo, false), ...declared(cameFrom, true)]];
  }),
) as Record<RecordKind, Pointer[]>;

/** The person to whom a record belongs; an empty text for what the household shares. */
export function ownerOf(record: AnyRecord): string {
  return (record as { personId?: string }).personId ?? "";
}

/**
 * Every place in a record that points to another record that must be there, with its path inside the record. What only
 * says where a record came from is none.
 */
export function referencesOf(kind: RecordKind, record: AnyRecord): Reference[] {
  return pointers[kind].flatMap(({ path, target, soft }) =>
    (soft ? [] : valuesAt(record, path)).flatMap(({ at, value }) =>
      typeof value === "string" ? [{ path: at, kind: target, id: value }] : [],
    ),
  );
}

/** What stands at a path of a record (`items[]` is every element of a list), with the path of each. */
function valuesAt(value: unknown, path: readonly string[], at = ""): { at: string; value: unknown }[] {
  const [step, ...rest] = path;
  if (step === undefined) return [{ at, value }];
  if (typeof value !== "object" || value === null) return [];
  const key = step.replace("[]", "");
  const inner = (value as Record<string, unknown>)[key];
  const place = at === "" ? key : `${at}.${key}`;
  if (key === step) return valuesAt(inner, rest, place);
  return Array.isArray(inner) ? inner.flatMap((one, index) => valuesAt(one, rest, `${place}[${index}]`)) : [];
}

/** The kind to which a field of some record points by the field's name (`exerciseId`), null where none does. */
export function kindNamedBy(field: string): RecordKind | null {
  return named.get(field) ?? null;
}
const named = new Map(
  recordKinds.flatMap((kind) => pointers[kind].map(({ path, target }): [string, RecordKind] => [path.at(-1)!, target])),
);

/** The kinds of which removing a record of a kind would strand some: those that point to it. */
export function strandedBy(kind: RecordKind): RecordKind[] {
  return recordKinds.filter((other) => pointers[other].some(({ target }) => target === kind));
}

/**
 * Every record that points to one record of a kind, as it is when it points to another instead; those that `passOver`
 * names stay out.
 */
export function repointed(
  { index }: Log,
  kind: RecordKind,
  fromId: string,
  toId: string,
  passOver: readonly string[],
): ChangeStep[] {
  return strandedBy(kind).flatMap((other) => {
    const paths = pointers[other].filter(({ target }) => target === kind).map(({ path }) => path);
    return [...(index.all(other) as ReadonlyMap<string, AnyRecord>).values()].flatMap((record) => {
      if (passOver.includes(record.id)) return [];
      const now = paths.reduce<unknown>((held, path) => replacedAt(held, path, fromId, toId), record);
      return now === record ? [] : [{ kind: other, put: now, base: record } as ChangeStep];
    });
  });
}

/** A value with every text at a path that is one id made another; itself where none is. */
function replacedAt(value: unknown, path: readonly string[], fromId: string, toId: string): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return value === fromId ? toId : value;
  if (typeof value !== "object" || value === null) return value;
  const key = step.replace("[]", "");
  const inner = (value as Record<string, unknown>)[key];
  const now =
    key === step || !Array.isArray(inner)
      ? replacedAt(inner, rest, fromId, toId)
      : inner.some((one) => replacedAt(one, rest, fromId, toId) !== one)
        ? inner.map((one) => replacedAt(one, rest, fromId, toId))
        : inner;
  return now === inner ? value : { ...value, [key]: now };
}

/** What points to a record of a kind: each record by its kind, and whether it needs the one it points to. */
export function usersOf(
  { index }: Log,
  kind: RecordKind,
  id: string,
): { kind: RecordKind; record: AnyRecord; needs: boolean }[] {
  return strandedBy(kind).flatMap((other) => {
    const own = pointers[other].filter(({ target }) => target === kind);
    return [...(index.all(other) as ReadonlyMap<string, AnyRecord>).values()].flatMap((record) => {
      const using = own.filter(({ path }) => valuesAt(record, path).some(({ value }) => value === id));
      return using.length === 0 ? [] : [{ kind: other, record, needs: using.some(({ soft }) => !soft) }];
    });
  });
}

/** A record without its soft pointers to one that goes; the same object where it has none. */
export function withoutPointers<R extends AnyRecord>(kind: RecordKind, record: R, target: RecordKind, id: string): R {
  return pointers[kind]
    .filter((one) => one.soft && one.target === target)
    .reduce<unknown>((held, { path }) => removedAt(held, path, id), record) as R;
}

/** A value without the texts at a path that are one id; itself where none is. */
function removedAt(value: unknown, [step, ...rest]: readonly string[], id: string): unknown {
  if (step === undefined || typeof value !== "object" || value === null) return value;
  const key = step.replace("[]", "");
  const inner = (value as Record<string, unknown>)[key];
  if (rest.length === 0 && key === step) {
    if (inner !== id) return value;
    const { [key]: _gone, ...others } = value as Record<string, unknown>;
    return others;
  }
  const now =
    key !== step && Array.isArray(inner) ? inner.map((one) => removedAt(one, rest, id)) : removedAt(inner, rest, id);
  const isSame = Array.isArray(now) && Array.isArray(inner) ? now.every((one, at) => one === inner[at]) : now === inner;
  return isSame ? value : { ...value, [key]: now };
}
