import { entryDayOf, outsideYears } from "../base/calendar/day";
import { byId } from "./canonical";
import { areListsSound } from "./idLists";
import { isDated, isRecordKind, kinds, recordKinds } from "./kinds/all";
import type { Person } from "./kinds/people";
import { LogIndex } from "./logIndex";
import type { AnyRecord, RecordKind, RecordOf, Tombstone } from "./records";

/**
 * The in-memory set of records of one household: what every figure is computed from. Written by `putRecord` and
 * `removeRecord` alone.
 */
export interface Log {
  readonly records: { readonly [K in RecordKind]: ReadonlyMap<string, RecordOf<K>> };
  readonly removed: ReadonlyMap<string, Tombstone>;
  /** Top-level keys of an archive that this version does not know; given back on export. */
  readonly extra: Record<string, unknown>;
  /**
   * What lies among the records and cannot be read as one. No figure knows of it; it is kept, told of, and given out
   * with the archive.
   */
  readonly unread: readonly Unread[];
  /** The same records by person and day, and when each part last changed. */
  readonly index: LogIndex;
}

/** Something that lies where a record of a kind should be, and why it cannot be read. */
export interface Unread {
  kind: string;
  record: unknown;
  why: string;
}

/** A log in which nothing is written yet. */
export function emptyLog(extra: Record<string, unknown> = {}): Log {
  const records = Object.fromEntries(
    recordKinds.map((kind) => [kind, new Map<string, AnyRecord>()]),
  ) as unknown as Log["records"];
  return { records, removed: new Map(), extra, unread: [], index: new LogIndex(records) };
}

/** Key of a tombstone: an id is unique only within its kind. */
export function tombstoneKey(kind: string, id: string): string {
  return `${kind}/${id}`;
}

/** How many records a log holds. */
export function sizeOf({ records }: Pick<Log, "records">): number {
  return recordKinds.reduce((sum, kind) => sum + records[kind].size, 0);
}

/**
 * Why something cannot stand in a log as a record of a kind, or null when it can. Only what every reader of a log rests
 * on is looked at: that it is a record with an id, and belongs to a day on which there can be an entry. Whether it is
 * sound in all its parts is the schema's question.
 */
export function whyUnread(kind: RecordKind, record: unknown): string | null {
  if (typeof record === "string") return "the page in which it lay cannot be read";
  if (typeof record !== "object" || record === null || Array.isArray(record)) return "it is no record";
  const { id, date, personId } = record as { id?: unknown; date?: unknown; personId?: unknown };
  if (typeof id !== "string" || id === "") return "it has no id";
  if (isDated(kind)) {
    if (typeof personId !== "string") return "it belongs to nobody";
    if (typeof date !== "string" || entryDayOf(date) === null)
      return `its date is "${String(date).slice(0, 40)}", and ${outsideYears}`;
  }
  return areListsSound(kind, record) ? null : `its ${kinds[kind].lists!.what} are no lists`;
}

/** Writes one record into the log, replacing the one of the same id. What cannot stand there is set aside. */
export function putRecord(log: Log, kind: RecordKind, record: AnyRecord): void {
  if (log.unread.length > 0) forgetUnread(log, kind, record?.id);
  const why = whyUnread(kind, record);
  if (why !== null) return setAside(log, { kind, record, why });
  const records = log.records[kind] as Map<string, AnyRecord>;
  const before = records.get(record.id);
  records.set(record.id, record);
  if (log.removed.size > 0) (log.removed as Map<string, Tombstone>).delete(tombstoneKey(kind, record.id));
  log.index.changed(kind, before, record);
}

/**
 * Writes records into a log of which nothing was read yet; `keep` names those of the kind that stand already and stay
 * as they are.
 */
export function fillRecords(
  log: Log,
  kind: RecordKind,
  records: readonly AnyRecord[],
  keep: ReadonlySet<string> | null,
): void {
  const held = log.records[kind] as Map<string, AnyRecord>;
  const fresh = keep === null ? records : records.filter((record) => !keep.has(record?.id));
  const sound = fresh.filter((record) => {
    const why = whyUnread(kind, record);
    if (why !== null) setAside(log, { kind, record, why });
    return why === null;
  });
  log.index.fill(kind, sound);
  for (const record of sound) held.set(record.id, record);
  const known = kinds[kind];
  if (known.belongsTo === "day" && known.readAhead !== null)
    for (const record of sound) known.readAhead(record as never);
}

/** Takes one record out of the log and leaves its tombstone. */
export function removeRecord(log: Log, tombstone: Tombstone): void {
  const kind = tombstone.kind as RecordKind;
  const records = isRecordKind(kind) ? (log.records[kind] as Map<string, AnyRecord>) : undefined;
  const before = records?.get(tombstone.id);
  (log.removed as Map<string, Tombstone>).set(tombstoneKey(tombstone.kind, tombstone.id), tombstone);
  if (log.unread.length > 0) forgetUnread(log, kind, tombstone.id);
  if (before === undefined) return;
  records!.delete(tombstone.id);
  log.index.changed(kind, before, undefined);
}

/** Sets something aside that cannot be read as a record of a kind. */
export function setAside(log: Log, unread: Unread): void {
  const id = (unread.record as { id?: unknown } | null | undefined)?.id;
  if (typeof id === "string" && isRecordKind(unread.kind)) removeFrom(log, unread.kind, id);
  (log.unread as Unread[]).push(unread);
}

/** A record that was written anew in a way that cannot be read no longer stands as it was. */
function removeFrom(log: Log, kind: RecordKind, id: string): void {
  const records = log.records[kind] as Map<string, AnyRecord>;
  const before = records.get(id);
  if (before === undefined) return;
  records.delete(id);
  log.index.changed(kind, before, undefined);
}

function forgetUnread(log: Log, kind: RecordKind, id: string | undefined): void {
  if (id === undefined) return;
  const unread = log.unread as Unread[];
  const index = unread.findIndex((one) => one.kind === kind && (one.record as { id?: unknown } | null)?.id === id);
  if (index < 0) return;
  unread.splice(index, 1);
  log.index.changed(kind, undefined, undefined);
}

/** The household in a fixed order; empty before the first run is done. */
export function peopleOf(log: Log): Person[] {
  return [...log.index.all("people").values()].sort(byId);
}
