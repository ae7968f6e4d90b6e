import { kinds, recordKinds } from "./kinds/all";
import type { Log } from "./log";
import type { AnyRecord, ChangeStep, RecordKind } from "./records";

interface Reference {
  path: string;
  kind: RecordKind;
  id: string;
}

/** Where the records of each kind point, each path in its steps: an import asks this of every record. */
const pointers = Object.fromEntries(
  recordKinds.map((kind) => {
    const { belongsTo, refersTo } = kinds[kind];
    const declared = Object.entries(refersTo).map(([path, target]) => ({ path: path.split("."), target }));
    return [kind, [...(belongsTo === "household" ? [] : [{ path: ["personId"], target: "people" }]), ...declared]];
  }),
) as Record<RecordKind, { path: string[]; target: RecordKind }[]>;

/** The person to whom a record belongs; an empty text for what the household shares. */
export function ownerOf(record: AnyRecord): string {
  return (record as { personId?: string }).personId ?? "";
}

/** Every place in a record that points to another record, with its path inside the record. */
export function referencesOf(kind: RecordKind, record: AnyRecord): Reference[] {
  return pointers[kind].flatMap(({ path, target }) =>
    valuesAt(record, path).flatMap(({ at, value }) =>
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
