import { byId } from "./canonical";
import { recordKinds, type AnyRecord, type Person, type RecordKind, type RecordOf, type Tombstone } from "./records";

/** The in-memory set of records of one household: what every figure is computed from. */
export interface Log {
  readonly records: { readonly [K in RecordKind]: Map<string, RecordOf<K>> };
  readonly removed: Map<string, Tombstone>;
  /** Top-level keys of an archive that this version does not know; given back on export. */
  readonly extra: Record<string, unknown>;
}

/** A log in which nothing is written yet. */
export function emptyLog(extra: Record<string, unknown> = {}): Log {
  const records = Object.fromEntries(recordKinds.map((kind) => [kind, new Map<string, AnyRecord>()]));
  return { records: records as unknown as Log["records"], removed: new Map(), extra };
}

/** Key of a tombstone: an id is unique only within its kind. */
export function tombstoneKey(kind: string, id: string): string {
  return `${kind}/${id}`;
}

/** Writes one record into the log, replacing the one of the same id. */
export function putRecord(log: Log, kind: RecordKind, record: AnyRecord): void {
  (log.records[kind] as Map<string, AnyRecord>).set(record.id, record);
  log.removed.delete(tombstoneKey(kind, record.id));
}

/** Takes one record out of the log and leaves its tombstone. */
export function removeRecord(log: Log, tombstone: Tombstone): void {
  (log.records[tombstone.kind as RecordKind] as Map<string, AnyRecord> | undefined)?.delete(tombstone.id);
  log.removed.set(tombstoneKey(tombstone.kind, tombstone.id), tombstone);
}

/** The household in a fixed order; empty before the first run is done. */
export function peopleOf(log: Log): Person[] {
  return [...log.records.people.values()].sort(byId);
}

/** All records of a kind that belong to a person, in no promised order. */
export function ofPerson<K extends "weighIns" | "dayNotes" | "maxima" | "sessions" | "readings" | "meals" | "water" | "goals" | "energySettings" | "photos">(log: Log, kind: K, personId: string): RecordOf<K>[] {
  return [...log.records[kind].values()].filter((record) => record.personId === personId);
}
