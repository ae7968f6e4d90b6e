import { groupBy } from "@/core/base/calendar/groupBy";
import { emptyLog, type Log, putRecord, removeRecord } from "@/core/log/log";
import type { IDBPDatabase } from "idb";
import { type JournalEntry, type LogDatabase, headOf } from "./database";
import { type Page, readPage } from "./pages";
import { StoreProblem } from "./problems";

/** Told how much of a long task is done, from 0 to 1; answers whether to go on. */
export type Progress = (share: number) => boolean;

/**
 * Months read at once: what was read becomes garbage before much more has come, so that reading needs little more room
 * than the log itself.
 */
const monthsAtOnce = 12;

/** So many are asked for before the first of them has come: while one is taken up the next is fetched. */
const inFlight = 3;

/**
 * The whole log as it lies in the database, with the sequence number it stands at: first what the journal has not yet
 * given to the pages, then the pages, the newest months first.
 * @throws StoreProblem of kind "stopped" when told not to go on
 */
export async function readLog(
  database: IDBPDatabase<LogDatabase>,
  progress: Progress = () => true,
): Promise<{ log: Log; sequence: number }> {
  const transaction = database.transaction(["pages", "journal", "meta"]);
  const pages = transaction.objectStore("pages");
  const { extra, sequence, generation, folded } = headOf(await transaction.objectStore("meta").get("standing"));
  const [keys, entries] = await Promise.all([
    pages.getAllKeys(ofGeneration(generation)),
    transaction.objectStore("journal").getAll(IDBKeyRange.lowerBound(folded, true)),
  ]);
  const log = emptyLog(extra);
  const newer = new Map<string, Set<string>>();
  for (const entry of entries) {
    follow(log, entry);
    for (const { kind, id } of [...entry.puts, ...entry.removed.map(({ tombstone }) => tombstone)])
      newer.set(kind, (newer.get(kind) ?? new Set()).add(id));
  }
  const ranges = rangesOf(generation, keys);
  const coming: Promise<Page[]>[] = [];
  for (let index = 0; index < ranges.length; index++) {
    for (const range of ranges.slice(index + coming.length, index + inFlight)) coming.push(pages.getAll(range));
    const read = await coming.shift()!;
    for (const page of read.reverse()) readPage(log, page, newer);
    if (!progress((index + 1) / ranges.length)) throw new StoreProblem("stopped");
  }
  return { log, sequence };
}

/**
 * Ranges of keys that together hold every page, some months of one kind at a time, those with the newest months first.
 */
function rangesOf(generation: number, keys: readonly [number, string, string][]): IDBKeyRange[] {
  const months = groupBy(keys, ([, kind]) => kind);
  const ranges = [...months].flatMap(([kind, some]) => {
    const all = some.map(([, , month]) => month);
    return Array.from({ length: Math.ceil(all.length / monthsAtOnce) }, (_, index) => {
      const [from, to] = [
        all[Math.max(0, all.length - (index + 1) * monthsAtOnce)]!,
        all[all.length - 1 - index * monthsAtOnce]!,
      ];
      return { newest: to, range: IDBKeyRange.bound([generation, kind, from], [generation, kind, to]) };
    });
  });
  return ranges.sort((a, b) => (a.newest < b.newest ? 1 : a.newest > b.newest ? -1 : 0)).map(({ range }) => range);
}

/** Keys of the pages of one generation, of one kind when that is given. */
export function ofGeneration(generation: number, kind?: string): IDBKeyRange {
  return kind === undefined
    ? IDBKeyRange.bound([generation], [generation, []])
    : IDBKeyRange.bound([generation, kind], [generation, kind, []]);
}

/** Does in a log in memory what a commit did. */
export function follow(log: Log, { puts, removed }: JournalEntry): void {
  for (const { kind, record } of puts) putRecord(log, kind, record);
  for (const { tombstone } of removed) removeRecord(log, tombstone);
}

/**
 * Brings a log in memory up to date from the journal.
 * @returns the sequence number reached, or null when the journal no longer reaches back far enough and all must be read
 *   again
 */
export async function catchUp(database: IDBPDatabase<LogDatabase>, log: Log, after: number): Promise<number | null> {
  const entries = await database.getAll("journal", IDBKeyRange.lowerBound(after, true));
  let reached = after;
  for (const entry of entries) {
    if (entry.replaced || entry.sequence !== reached + 1) return null;
    reached = entry.sequence;
  }
  for (const entry of entries) follow(log, entry);
  if (entries.length === 0 && headOf(await database.get("meta", "standing")).sequence !== after) return null;
  return reached;
}
