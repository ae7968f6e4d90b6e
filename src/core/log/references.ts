import { kinds, recordKinds } from "./kinds/all";
import type { Log } from "./log";
import type { AnyRecord, ChangeStep, RecordKind } from "./records";

interface Reference {
  path: string;
  kind: RecordKind;
  id: string;
}

/** Every place in a record that points to another record, with its path inside the record. */
export function referencesOf(kind: RecordKind, record: AnyRecord): Reference[] {
  const { belongsTo, refersTo } = kinds[kind];
  const owner: [string, RecordKind][] = belongsTo === "household" ? [] : [["personId", "people"]];
  return [...owner, ...(Object.entries(refersTo) as [string, RecordKind][])].flatMap(([path, target]) =>
    valuesAt(record, path.split(".")).flatMap(({ at, value }) =>
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
const named = new Map<string, RecordKind>([
  ["personId", "people"],
  ...recordKinds.flatMap((kind) =>
    (Object.entries(kinds[kind].refersTo) as [string, RecordKind][]).map(([path, target]): [string, RecordKind] => [
      path.split(".").at(-1)!,
      target,
    ]),
  ),
]);

/** The kinds of which removing a record of a kind would strand some: those that point to it. */
export function strandedBy(kind: RecordKind): RecordKind[] {
  return recordKinds.filter((other) => kindsReferredTo(other).includes(kind));
}

function kindsReferredTo(kind: RecordKind): RecordKind[] {
  const { belongsTo, refersTo } = kinds[kind];
  return [...(belongsTo === "household" ? [] : ["people" as const]), ...(Object.values(refersTo) as RecordKind[])];
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
    const paths = (Object.entries(kinds[other].refersTo) as [string, RecordKind][]).flatMap(([path, target]) =>
      target === kind ? [path.split(".")] : [],
    );
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
