import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { FieldPatch } from "@/core/log/patch";
import type { AnyRecord, RecordKind, Tombstone } from "@/core/log/records";
import { StoreProblem, problemOf } from "./problems";

/** A record as it lies in the database. The layout is private to this room and never visible in the archive. */
export interface Row { kind: RecordKind; id: string; record: AnyRecord }

/** What one commit did, for readers that follow: rows written and removed, or that everything was replaced. */
export type JournalEntry = { sequence: number; puts: Row[]; removed: Tombstone[]; replaced?: boolean };

/** The whole of a log as it is set aside when another replaces it. */
export interface Snapshot { rows: Row[]; removed: Tombstone[]; extra: Record<string, unknown> }

/** What it takes to undo a commit. */
export type HistoryEntry = { sequence: number; label: string } & ({ patches: { kind: RecordKind; id: string; fields: FieldPatch[] }[] } | { before: Snapshot });

/** Where the log stands: last sequence number, last stamp, this database's name in stamps, and the stacks of undo and redo. */
export interface Standing { sequence: number; stamp: string; node: string; undo: number[]; redo: number[]; extra: Record<string, unknown> }

export interface LogDatabase extends DBSchema {
  records: { key: [string, string]; value: Row; indexes: { day: [string, string, string] } };
  removed: { key: [string, string]; value: Tombstone };
  journal: { key: number; value: JournalEntry };
  history: { key: number; value: HistoryEntry };
  meta: { key: string; value: Standing };
}

const version = 1;

/** The log that is kept for real, and the demo household; each is a database of its own. */
export type LogName = "own" | "demo";

/**
 * Opens the database of a log, creating it when there is none.
 * @param onOutdated called when another tab needs a newer layout and this connection was closed for it
 * @throws StoreProblem when the browser gives no storage, another tab blocks the upgrade, or the layout is newer than ours
 */
export async function openDatabase(name: LogName, onOutdated: () => void = () => {}): Promise<IDBPDatabase<LogDatabase>> {
  if (typeof indexedDB === "undefined") throw new StoreProblem("unavailable");
  let refuse: (problem: StoreProblem) => void = () => {};
  const blocked = new Promise<never>((_, reject) => { refuse = reject; });
  const opening = openDB<LogDatabase>(`oat-column-${name}`, version, {
    upgrade(database) {
      const records = database.createObjectStore("records", { keyPath: ["kind", "id"] });
      records.createIndex("day", ["kind", "record.personId", "record.date"]);
      database.createObjectStore("removed", { keyPath: ["kind", "id"] });
      database.createObjectStore("journal", { keyPath: "sequence" });
      database.createObjectStore("history", { keyPath: "sequence" });
      database.createObjectStore("meta");
    },
    blocked: () => refuse(new StoreProblem("blocked")),
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      onOutdated();
    },
  });
  try {
    return await Promise.race([opening, blocked]);
  } catch (error) {
    throw problemOf(error);
  }
}
