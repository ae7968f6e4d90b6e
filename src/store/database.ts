import type { FieldPatch } from "@/core/log/patch";
import type { AnyRecord, RecordKind, Tombstone } from "@/core/log/records";
import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB } from "idb";
import type { Page } from "./pages";
import { type ProblemKind, problemOf, StoreProblem } from "./problems";
import { bringUp, hasStores, layout, makeStores } from "./upgrades/bringUp";

/** A record as the journal notes it. `was` is the month of the page it lay in when that is another than its own. */
export interface Row {
  kind: RecordKind;
  id: string;
  record: AnyRecord;
  was?: string;
}

/** A removal as the journal notes it, with the month of the page the record lay in. */
export interface Removal {
  tombstone: Tombstone;
  month: string;
}

/** What one commit did, for readers that follow: rows written and removed, or that everything was replaced. */
export type JournalEntry = { sequence: number; puts: Row[]; removed: Removal[]; replaced?: boolean };

/** What changed in one record, and the dates it bore before and after, by which its page is found. */
export interface RecordPatch {
  kind: RecordKind;
  id: string;
  dates?: string[];
  fields: FieldPatch[];
}

/** What it takes to undo a commit: patches, or the generation of pages that another one replaced. */
export type HistoryEntry = {
  sequence: number;
  label: string;
  /**
   * The people whose records it changed; none for what belongs to the household, absent in entries of before this was
   * kept.
   */
  of?: string[];
} & ({ patches: RecordPatch[] } | { generation: number; extra: Record<string, unknown> });

/** Where the log stands. Kept in one record, read and written in every transaction that changes the log. */
export interface LogHead {
  sequence: number;
  /** Last stamp given, and this database's name in stamps. */
  stamp: string;
  node: string;
  undo: number[];
  redo: number[];
  extra: Record<string, unknown>;
  /**
   * The generation of pages in force; a log that is replaced keeps its own until the replacement can no longer be
   * undone.
   */
  generation: number;
  /** Everything up to this sequence number is in the pages; what is later lies in the journal. */
  folded: number;
}

/** An answer as it was last computed, with what it holds for. */
export interface SavedAnswer {
  key: string;
  sequence: number;
  core: string;
  answer: unknown;
}

/**
 * A photograph's bytes. `file` is its name in an archive, made from its content, so that equal pictures are kept once
 * and none is ever overwritten by another.
 */
export interface StoredPhoto {
  file: string;
  bytes: Uint8Array<ArrayBuffer>;
}

/** The folder outside of the browser in which a backup file is kept up to date, and how far that file goes. */
export interface BackupPlace {
  folder: FileSystemDirectoryHandle;
  file: string;
  writtenAt: string | null;
  sequence: number;
}

/** The layout of the browser's database. It is private to this room and never visible in the archive. */
export interface LogDatabase extends DBSchema {
  pages: { key: [number, string, string]; value: Page };
  journal: { key: number; value: JournalEntry };
  history: { key: number; value: HistoryEntry };
  /** `standing`, and by itself the number of the layout. */
  meta: { key: "standing"; value: LogHead };
  saved: { key: string; value: SavedAnswer };
  photos: { key: string; value: StoredPhoto };
  places: { key: "backup"; value: BackupPlace };
}

export type StoreName = "pages" | "journal" | "history" | "meta" | "photos";
/** What every transaction that changes the log takes part in. */
export const written: StoreName[] = ["pages", "journal", "history", "meta", "photos"];
export type WriteTransaction = IDBPTransaction<LogDatabase, StoreName[], "readwrite">;

/**
 * The log that is kept for real, the demo household, and a generated one of many years; each is a database of its own.
 */
export const logNames = ["own", "demo", "generated"] as const;
export type LogName = (typeof logNames)[number];

/**
 * Why an open database was closed from outside: another tab needs a newer layout, somebody deleted it, or the browser
 * gave it up.
 */
export type ClosedBy = Extract<ProblemKind, "outdated" | "cleared" | "closed">;

/**
 * Opens the database of a log, creating it when there is none, and brings it up to the layout written now.
 * @param onClosed told why, when this connection was closed from outside
 * @throws StoreProblem when the browser gives no storage, another tab blocks the upgrade, or the layout is newer than
 *   ours
 */
export async function openDatabase(
  name: LogName,
  onClosed: (by: ClosedBy) => void = () => {},
): Promise<IDBPDatabase<LogDatabase>> {
  if (typeof indexedDB === "undefined") throw new StoreProblem("unavailable");
  try {
    let database = await openStores(name, layout, onClosed);
    if (!hasStores(database)) {
      const { version } = database;
      database.close();
      database = await openStores(name, version + 1, onClosed);
    }
    if (await bringUp(database)) return database as unknown as IDBPDatabase<LogDatabase>;
    database.close();
    throw new StoreProblem("newer");
  } catch (error) {
    throw problemOf(error);
  }
}

/**
 * Opens a database with its stores made. The version counts how often they were; what layout its contents have is
 * marked in them.
 */
async function openStores(
  name: LogName,
  version: number | undefined,
  onClosed: (by: ClosedBy) => void,
): Promise<IDBPDatabase<unknown>> {
  let refuse: (problem: StoreProblem) => void = () => {};
  const blocked = new Promise<never>((_, reject) => {
    refuse = reject;
  });
  const opening = openDB<unknown>(databaseName(name), version, {
    upgrade: makeStores,
    blocked: () => refuse(new StoreProblem("blocked")),
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      onClosed(event.newVersion === null ? "cleared" : "outdated");
    },
    terminated: () => onClosed("closed"),
  });
  try {
    return await Promise.race([opening, blocked]);
  } catch (error) {
    if (version !== undefined && error instanceof DOMException && error.name === "VersionError")
      return openStores(name, undefined, onClosed);
    throw error;
  }
}

/** The name of a log's database. */
export function databaseName(name: LogName): string {
  return `oat-column-${name}`;
}

/** Where a log stands that was perhaps never written to. */
export function headOf(kept: LogHead | undefined, node = ""): LogHead {
  return (
    kept ?? { sequence: 0, stamp: "", node: node.slice(-8), undo: [], redo: [], extra: {}, generation: 0, folded: 0 }
  );
}
