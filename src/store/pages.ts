import { groupBy } from "@/core/calendar/groupBy";
import { fillRecords, removeRecord, type Log } from "@/core/log/log";
import { recordKinds, type AnyRecord, type RecordKind, type Tombstone } from "@/core/log/records";
import { datedKinds } from "@/core/log/logIndex";

/** The version of the records' schema in pages written now. */
const schema = 1;

/**
 * One stored page: the records of one kind and month as JSON text, which is read back twice as fast as rows. Kinds without a date
 * have one page, of the month "". Removals have one page of the kind "removed".
 */
export interface Page { generation: number; kind: string; month: string; schema: number; text: string }

/** A whole log laid out in pages, ready to be written. */
export interface LaidOut { pages: { kind: string; month: string; text: string }[]; extra: Record<string, unknown> }

/** The month of the page in which a record of a date lies. */
export function monthOfDate(kind: RecordKind, date: string): string {
  return kind in datedKinds ? date.slice(0, 7) : "";
}

/** The month of the page in which a record lies. */
export function monthOf(kind: RecordKind, record: AnyRecord): string {
  return monthOfDate(kind, (record as { date?: string }).date ?? "");
}

/** Lays a log out in pages. */
export function layOut(log: Log): LaidOut {
  const pages = recordKinds.flatMap((kind) => [...groupBy(log.records[kind].values() as Iterable<AnyRecord>, (record) => monthOf(kind, record))].map(([month, records]) => ({ kind: kind as string, month, text: JSON.stringify(records) })));
  if (log.removed.size > 0) pages.push({ kind: "removed", month: "", text: JSON.stringify([...log.removed.values()]) });
  return { pages, extra: log.extra };
}

/** A page as it is stored. */
export function stored(generation: number, { kind, month, text }: LaidOut["pages"][number]): Page {
  return { generation, kind, month, schema, text };
}

/** The records of a page. */
export function recordsOf(page: Page | undefined): AnyRecord[] {
  return page === undefined ? [] : (JSON.parse(page.text) as AnyRecord[]);
}

/** Ids by kind of what the journal has written or removed since the pages were written. */
export type Newer = ReadonlyMap<string, ReadonlySet<string>>;

/** Reads a page into a log of which nothing was read yet. What is newer stands there already and is never overwritten by the page. */
export function readPage(log: Log, page: Page, newer: Newer): void {
  if (page.kind === "removed") {
    for (const tombstone of JSON.parse(page.text) as Tombstone[]) if (!newer.get(tombstone.kind)?.has(tombstone.id)) removeRecord(log, tombstone);
  } else fillRecords(log, page.kind as RecordKind, recordsOf(page), newer.get(page.kind) ?? null);
}
