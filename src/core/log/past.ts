import { sameJson } from "./canonical";
import { diff, type FieldPatch, isIdList, isOrder, isPlain, type Step } from "./patch";
import type { AnyRecord, RecordKind, Tombstone } from "./records";

// What a record follows: which writing of which database made each of its fields, and what it has seen of others.
// Source: version vectors (Parker et al., Detection of Mutual Inconsistency, 1983) and last-writer-wins registers
// (Shapiro et al., Convergent and Commutative Replicated Data Types, 2011), both from memory; the properties they are
// used for are tested.

/** By the name of each database, the last of its writings that is known. */
export type Vector = Readonly<Record<string, string>>;

/** What a record follows; see its schema. */
export interface Past {
  seen?: Vector | null | undefined;
  first?: string | null | undefined;
  fields?: Readonly<Record<string, string>> | null | undefined;
  gone?: Readonly<Record<string, Vector>> | null | undefined;
}

/** What bears stamps: a record, or the removal of one. */
type Stamped = Pick<AnyRecord, "changed"> & { past?: Past | null | undefined; seen?: Vector | null | undefined };

/** The database that made a stamp. */
export const nodeOf = (stamp: string): string => stamp.split("/")[2] ?? "";

const own = (vector: Readonly<Record<string, string>> | null | undefined, key: string): string =>
  vector != null && Object.hasOwn(vector, key) ? vector[key]! : "";

/** A vector that knows what any of some know. */
export function joinedVectors(...vectors: readonly (Vector | null | undefined)[]): Vector {
  const joined = new Map<string, string>();
  for (const vector of vectors)
    for (const [node, stamp] of Object.entries(vector ?? {}))
      if (stamp > (joined.get(node) ?? "")) joined.set(node, stamp);
  return Object.fromEntries([...joined].sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** Whether a writing is known to a vector. What bears no stamp is known to all. */
export function knows(vector: Vector, stamp: string): boolean {
  return stamp === "" || own(vector, nodeOf(stamp)) >= stamp;
}

/** Everything that a record, or a removal, has seen, its own writing included. */
export function vectorOf({ changed, past, seen }: Stamped): Vector {
  const last = changed ?? "";
  return joinedVectors(past?.seen, seen, last === "" ? null : { [nodeOf(last)]: last });
}

/** Whether one vector knows all that another does. */
export function covers(vector: Vector, other: Vector): boolean {
  return Object.values(other).every((stamp) => knows(vector, stamp));
}

/** Whether it is known what a record follows: it was written once, or by a version that notes it. */
export function isKnown({ revision, past }: AnyRecord & { past?: Past | null | undefined }): boolean {
  return past != null || (revision ?? 0) <= 1;
}

/** A path as it stands in `fields` and `gone`: keys and elements parted by slashes, elements in brackets. */
export function pathKey(path: readonly Step[]): string {
  return path
    .map((step) =>
      typeof step === "string"
        ? encodeURIComponent(step)
        : "element" in step
          ? `[${encodeURIComponent(step.element)}]`
          : "*",
    )
    .join("/");
}

/** A path one step longer. */
export const inside = (key: string, step: Step): string => (key === "" ? pathKey([step]) : `${key}/${pathKey([step])}`);

/** When what stands at a path was written: by the nearest of its own and the paths around it that is noted. */
export function writtenAt(record: Stamped, key: string): string {
  return notedAt(record, key) ?? record.past?.first ?? record.changed ?? "";
}

/** The same as far as it is noted; undefined where the path has stood as it is since the record was first written. */
export function notedAt({ past }: Stamped, key: string): string | undefined {
  const fields = past?.fields;
  if (fields == null) return undefined;
  for (let at = key; at !== ""; at = at.includes("/") ? at.slice(0, at.lastIndexOf("/")) : "")
    if (Object.hasOwn(fields, at)) return fields[at];
  return undefined;
}

/** When a path was noted by itself; an empty text where it was not. */
export const exactlyAt = ({ past }: Stamped, key: string): string => own(past?.fields, key);

/** What was known when something was removed as a whole at a path; undefined where it was not. */
export function goneAt({ past }: Stamped, key: string): Vector | undefined {
  const gone = past?.gone;
  return gone != null && Object.hasOwn(gone, key) ? gone[key] : undefined;
}

/** Entries of a table of paths that lie under one. */
export function under<V>(table: Readonly<Record<string, V>> | null | undefined, key: string): [string, V][] {
  return Object.entries(table ?? {}).filter(([at]) => at.startsWith(`${key}/`));
}

/**
 * What a record follows once it is written anew.
 * @param before the record as it stood
 * @param after as it is written
 * @param stamp of the writing
 * @param also what is known besides
 */
function advanced(kind: RecordKind, before: AnyRecord, after: AnyRecord, stamp: string, also?: Vector): Past {
  const held: Stamped = before;
  const fields = new Map(Object.entries(held.past?.fields ?? {}));
  const gone = new Map(Object.entries(held.past?.gone ?? {}));
  const seen = joinedVectors(vectorOf(held), also);
  for (const patch of diff(before, after)) {
    if (isInParts(kind, patch.path)) noteParts(patch, fields, stamp);
    else if (!isOrder(patch.path.at(-1)) || isReordered(patch)) note(patch, { fields, gone, seen, stamp });
  }
  const { [nodeOf(stamp)]: _mine, ...others } = seen;
  return pastOf(others, held.past?.first ?? held.changed ?? "", fields, gone);
}

/**
 * A record as it is written: with its next revision, its stamp, and what it follows.
 * @param follows the record of which it is the next revision; undefined where it is new, whatever it was made from
 * @param removed its removal, where it is brought back
 */
export function revised(
  kind: RecordKind,
  wanted: AnyRecord,
  follows: AnyRecord | undefined,
  stamp: string,
  removed?: Tombstone,
): AnyRecord {
  const { past: _past, ...content } = wanted as AnyRecord & { past?: Past };
  return {
    ...content,
    revision: follows === undefined ? 1 : Math.max(follows.revision ?? 0, wanted.revision ?? 0) + 1,
    changed: stamp,
    ...(follows === undefined ? {} : { past: advanced(kind, follows, wanted, stamp, removed && vectorOf(removed)) }),
  } as AnyRecord;
}

/**
 * The removal of a record, with all that was known of it.
 * @param merged the removal on another device that it follows
 */
export function removalOf(kind: RecordKind, record: AnyRecord, stamp: string, merged?: Tombstone): Tombstone {
  const { [nodeOf(stamp)]: _mine, ...seen } = joinedVectors(vectorOf(record), merged && vectorOf(merged));
  return { ...merged, id: record.id, kind, changed: stamp, seen };
}

/** Whether what was in a list before and after stands in another order: an element that comes or goes reorders nothing. */
function isReordered({ before, after }: FieldPatch): boolean {
  const [old, now] = [before as string[], after as string[]];
  const stays = (list: readonly string[], other: readonly string[]) => list.filter((id) => other.includes(id));
  return !sameJson(stays(old, now), stays(now, old));
}

/** A past without what says nothing. */
export function pastOf(
  seen: Vector,
  first: string,
  fields: ReadonlyMap<string, string>,
  gone: ReadonlyMap<string, Vector>,
): Past {
  const sorted = <V>(table: ReadonlyMap<string, V>) =>
    Object.fromEntries([...table].sort(([a], [b]) => (a < b ? -1 : 1)));
  return {
    ...(first === "" ? {} : { first }),
    ...(fields.size === 0 ? {} : { fields: sorted(fields) }),
    ...(gone.size === 0 ? {} : { gone: sorted(gone) }),
    ...(Object.keys(seen).length === 0 ? {} : { seen }),
  };
}

interface Notes {
  fields: Map<string, string>;
  gone: Map<string, Vector>;
  seen: Vector;
  stamp: string;
}

/** Notes one field that is written: what was noted within it no longer counts. */
function note({ path, before, after }: FieldPatch, { fields, gone, seen, stamp }: Notes): void {
  const key = pathKey(path);
  for (const table of [fields, gone])
    for (const at of table.keys()) if (at === key || at.startsWith(`${key}/`)) table.delete(at);
  // What is removed as a whole comes back where somebody changed it without knowing of that.
  if (after === undefined && isPlain(before)) gone.set(key, seen);
  else fields.set(key, stamp);
}

/** Whether a field is a text of parts that stand beside each other: the note of a day, to which two devices may add. */
export function isInParts(kind: RecordKind, path: readonly Step[]): boolean {
  return kind === "dayNotes" && path.length === 1 && path[0] === "text";
}

/** Between two parts of a text. */
const beside = " · ";
export const partsOf = (text: unknown): string[] => (typeof text === "string" && text !== "" ? text.split(beside) : []);
export const textOf = (parts: readonly string[]): string | undefined =>
  parts.length === 0 ? undefined : parts.join(beside);

/** A part of a text as it is noted: not by its words, which are gone when it is removed, but by a hash of them. */
export function partKey(key: string, part: string): string {
  // FNV-1a, 32 bits, from both ends. Source: Fowler, Noll and Vo (constants from memory; any would do).
  const hash = (letters: Iterable<string>) => {
    let sum = 0x811c9dc5;
    for (const letter of letters) sum = Math.imul(sum ^ letter.codePointAt(0)!, 0x01000193) >>> 0;
    return sum.toString(36);
  };
  return `${key}/:${hash(part)}${hash([...part].reverse())}`;
}

/** Notes which parts of a text came and which went. */
function noteParts({ path, before, after }: FieldPatch, fields: Map<string, string>, stamp: string): void {
  const [old, now] = [new Set(partsOf(before)), new Set(partsOf(after))];
  for (const part of [...old, ...now])
    if (old.has(part) !== now.has(part)) fields.set(partKey(pathKey(path), part), stamp);
}

/** Whether a value is joined part by part with another: two objects, or two lists whose elements have ids. */
export function areJoined(a: unknown, b: unknown): boolean {
  return (isPlain(a) && isPlain(b)) || (isIdList(a) && isIdList(b));
}
