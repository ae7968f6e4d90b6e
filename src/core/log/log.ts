import { byId } from "./canonical";
import { doneSets } from "./doneSets";
import { LogIndex } from "./logIndex";
import { recordKinds, type AnyRecord, type Person, type RecordKind, type RecordOf, type Session, type Tombstone } from "./records";

/** The in-memory set of records of one household: what every figure is computed from. Written by `putRecord` and `removeRecord` alone. */
export interface Log {
  readonly records: { readonly [K in RecordKind]: ReadonlyMap<string, RecordOf<K>> };
  readonly removed: ReadonlyMap<string, Tombstone>;
  /** Top-level keys of an archive that this version does not know; given back on export. */
  readonly extra: Record<string, unknown>;
  /** The same records by person and day, and when each part last changed. */
  readonly index: LogIndex;
}

/** A log in which nothing is written yet. */
export function emptyLog(extra: Record<string, unknown> = {}): Log {
  const records = Object.fromEntries(recordKinds.map((kind) => [kind, new Map<string, AnyRecord>()])) as unknown as Log["records"];
  return { records, removed: new Map(), extra, index: new LogIndex(records) };
}

/** Key of a tombstone: an id is unique only within its kind. */
export function tombstoneKey(kind: string, id: string): string {
  return `${kind}/${id}`;
}

/** How many records a log holds. */
export function sizeOf({ records }: Pick<Log, "records">): number {
  return recordKinds.reduce((sum, kind) => sum + records[kind].size, 0);
}

/** Writes one record into the log, replacing the one of the same id. */
export function putRecord(log: Log, kind: RecordKind, record: AnyRecord): void {
  const records = log.records[kind] as Map<string, AnyRecord>;
  const before = records.get(record.id);
  records.set(record.id, record);
  if (log.removed.size > 0) (log.removed as Map<string, Tombstone>).delete(tombstoneKey(kind, record.id));
  log.index.changed(kind, before, record);
}

/** Writes records into a log of which nothing was read yet; `keep` names those of the kind that stand already and stay as they are. */
export function fillRecords(log: Log, kind: RecordKind, records: readonly AnyRecord[], keep: ReadonlySet<string> | null): void {
  const held = log.records[kind] as Map<string, AnyRecord>;
  const fresh = keep === null ? records : records.filter(({ id }) => !keep.has(id));
  log.index.fill(kind, fresh);
  for (const record of fresh) held.set(record.id, record);
  if (kind === "sessions") for (const record of fresh) doneSets(record as Session);
}

/** Takes one record out of the log and leaves its tombstone. */
export function removeRecord(log: Log, tombstone: Tombstone): void {
  const records = log.records[tombstone.kind as RecordKind] as Map<string, AnyRecord> | undefined;
  const before = records?.get(tombstone.id);
  (log.removed as Map<string, Tombstone>).set(tombstoneKey(tombstone.kind, tombstone.id), tombstone);
  if (before === undefined) return;
  records!.delete(tombstone.id);
  log.index.changed(tombstone.kind as RecordKind, before, undefined);
}

/** The household in a fixed order; empty before the first run is done. */
export function peopleOf(log: Log): Person[] {
  return [...log.index.all("people").values()].sort(byId);
}
