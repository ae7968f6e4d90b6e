import type { IDBPDatabase } from "idb";
import { emptyLog, putRecord, removeRecord, type Log } from "@/core/log/log";
import type { LogDatabase, Standing } from "./database";

/** Where a log stands that was perhaps never written to. */
export function standingOf(kept: Standing | undefined, node = ""): Standing {
  return kept ?? { sequence: 0, stamp: "", node: node.slice(-8), undo: [], redo: [], extra: {} };
}

/** The whole log as it lies in the database, with the sequence number it stands at. */
export async function readLog(database: IDBPDatabase<LogDatabase>): Promise<{ log: Log; sequence: number }> {
  const transaction = database.transaction(["records", "removed", "meta"]);
  const [rows, removed, kept] = await Promise.all([transaction.objectStore("records").getAll(), transaction.objectStore("removed").getAll(), transaction.objectStore("meta").get("standing")]);
  const { extra, sequence } = standingOf(kept);
  const log = emptyLog(extra);
  for (const tombstone of removed) removeRecord(log, tombstone);
  for (const { kind, record } of rows) putRecord(log, kind, record);
  return { log, sequence };
}

/**
 * Brings a log in memory up to date from the journal.
 * @returns the sequence number reached, or null when the journal no longer reaches back far enough and all must be read again
 */
export async function catchUp(database: IDBPDatabase<LogDatabase>, log: Log, after: number): Promise<number | null> {
  const entries = await database.getAll("journal", IDBKeyRange.lowerBound(after, true));
  let reached = after;
  for (const { sequence, puts, removed, replaced } of entries) {
    if (replaced || sequence !== reached + 1) return null;
    for (const { kind, record } of puts) putRecord(log, kind, record);
    for (const tombstone of removed) removeRecord(log, tombstone);
    reached = sequence;
  }
  if (entries.length === 0 && standingOf(await database.get("meta", "standing")).sequence !== after) return null;
  return reached;
}
