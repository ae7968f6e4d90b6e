import type { IDBPDatabase } from "idb";
import { emptyLog, putRecord, removeRecord, type Log } from "@/core/log/log";
import { standingOf, type JournalEntry, type LogDatabase } from "./database";
import { readPage, type Page } from "./pages";

/** Told how much of a long task is done, from 0 to 1; may throw to end it. */
export type Progress = (share: number) => void | Promise<void>;

const untold: Progress = () => {};

/**
 * The whole log as it lies in the database, with the sequence number it stands at: first what the journal has not yet given to the
 * pages, then the pages, the newest month first.
 */
export async function readLog(database: IDBPDatabase<LogDatabase>, progress = untold): Promise<{ log: Log; sequence: number }> {
  const transaction = database.transaction(["pages", "journal", "meta"]);
  const { extra, sequence, generation, folded } = standingOf(await transaction.objectStore("meta").get("standing"));
  const [pages, entries] = await Promise.all([transaction.objectStore("pages").getAll(ofGeneration(generation)), transaction.objectStore("journal").getAll(IDBKeyRange.lowerBound(folded, true))]);
  const log = emptyLog(extra);
  const newer = new Map<string, Set<string>>();
  for (const entry of entries) {
    follow(log, entry);
    for (const { kind, id } of [...entry.puts, ...entry.removed.map(({ tombstone }) => tombstone)]) newer.set(kind, (newer.get(kind) ?? new Set()).add(id));
  }
  const newestFirst = pages.sort((a, b) => (a.month < b.month ? 1 : a.month > b.month ? -1 : 0));
  for (const [index, page] of newestFirst.entries()) {
    readPage(log, page, newer);
    if (index % 64 === 63) await progress(index / pages.length);
  }
  return { log, sequence };
}

/** Keys of the pages of one generation, of one kind when that is given. */
export function ofGeneration(generation: number, kind?: string): IDBKeyRange {
  return kind === undefined ? IDBKeyRange.bound([generation], [generation, []]) : IDBKeyRange.bound([generation, kind], [generation, kind, []]);
}

/** The pages of the generation in force. */
export async function currentPages(database: IDBPDatabase<LogDatabase>): Promise<Page[]> {
  const { generation } = standingOf(await database.get("meta", "standing"));
  return database.getAll("pages", ofGeneration(generation));
}

/** Does in a log in memory what a commit did. */
export function follow(log: Log, { puts, removed }: JournalEntry): void {
  for (const { kind, record } of puts) putRecord(log, kind, record);
  for (const { tombstone } of removed) removeRecord(log, tombstone);
}

/**
 * Brings a log in memory up to date from the journal.
 * @returns the sequence number reached, or null when the journal no longer reaches back far enough and all must be read again
 */
export async function catchUp(database: IDBPDatabase<LogDatabase>, log: Log, after: number): Promise<number | null> {
  const entries = await database.getAll("journal", IDBKeyRange.lowerBound(after, true));
  let reached = after;
  for (const entry of entries) {
    if (entry.replaced || entry.sequence !== reached + 1) return null;
    reached = entry.sequence;
  }
  for (const entry of entries) follow(log, entry);
  if (entries.length === 0 && standingOf(await database.get("meta", "standing")).sequence !== after) return null;
  return reached;
}
