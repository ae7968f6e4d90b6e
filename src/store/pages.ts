import { groupBy } from "@/core/base/calendar/groupBy";
import { isDated, recordKinds } from "@/core/log/kinds/all";
import { currentVersion, migrateRecords } from "@/core/log/migrations";
import { fillRecords, type Log, removeRecord, setAside } from "@/core/log/log";
import type { AnyRecord, RecordKind, Tombstone } from "@/core/log/records";

/**
 * One stored page: the records of one kind and month as JSON text, of the archive's version `schema`, which is read
 * back twice as fast as rows. Kinds without a date have one page, of the month "". Removals have one page of the kind
 * "removed".
 */
export interface Page {
  generation: number;
  kind: string;
  month: string;
  schema: number;
  text: string;
}

/** A whole log laid out in pages, ready to be written. */
export interface LaidOut {
  pages: { kind: string; month: string; text: string }[];
  extra: Record<string, unknown>;
}

/** The month of the page in which a record of a date lies. */
export function monthOfDate(kind: RecordKind, date: string): string {
  return isDated(kind) ? date.slice(0, 7) : "";
}

/** The month of the page in which a record lies. */
export function monthOf(kind: RecordKind, record: AnyRecord): string {
  return monthIn(kind, record);
}

function monthIn(kind: string, record: unknown): string {
  const date = (record as { date?: unknown } | null)?.date;
  return isDated(kind) && typeof date === "string" ? date.slice(0, 7) : "";
}

/** Lays a log out in pages. What cannot be read as a record lies among those of its kind as it did. */
export function layOut(log: Log): LaidOut {
  const lists: [string, Iterable<unknown>][] = [
    ...recordKinds.map((kind) => [kind, log.records[kind].values()] as [string, Iterable<unknown>]),
    ["removed", log.removed.values()],
  ];
  const pages = lists.flatMap(([kind, records]) => {
    const unread = log.unread.filter((one) => one.kind === kind).map(({ record }) => record);
    return [...groupBy([...records, ...unread], (record) => monthIn(kind, record))].map(([month, some]) => ({
      kind,
      month,
      text: JSON.stringify(some),
    }));
  });
  return { pages, extra: log.extra };
}

/** A page as it is stored. */
export function stored(generation: number, { kind, month, text }: LaidOut["pages"][number]): Page {
  return { generation, kind, month, schema: currentVersion, text };
}

/**
 * The records of a page as they are written now. One that cannot be read, or that a newer version wrote, gives its
 * text, which is no record: it is set aside like anything else that is none, and nothing is lost.
 */
export function recordsOf(page: Pick<Page, "kind" | "schema" | "text"> | undefined): AnyRecord[] {
  if (page === undefined) return [];
  try {
    const records: unknown = JSON.parse(page.text);
    if (Array.isArray(records)) return migrateRecords(page.kind, records, page.schema) as AnyRecord[];
  } catch {
    // Its text is kept, below.
  }
  return [page.text as unknown as AnyRecord];
}

/** Whether something that lies in a page is a record with an id, by which it can be found and replaced. */
export function hasId(record: AnyRecord | Tombstone): boolean {
  return typeof record === "object" && record !== null && typeof record.id === "string";
}

/** Ids by kind of what the journal has written or removed since the pages were written. */
export type Newer = ReadonlyMap<string, ReadonlySet<string>>;

/**
 * Reads a page into a log of which nothing was read yet. What is newer stands there already and is never overwritten by
 * the page.
 */
export function readPage(log: Log, page: Page, newer: Newer): void {
  const records = recordsOf(page);
  if (page.kind !== "removed") return fillRecords(log, page.kind as RecordKind, records, newer.get(page.kind) ?? null);
  for (const tombstone of records as unknown as Tombstone[]) {
    if (!hasId(tombstone)) setAside(log, { kind: "removed", record: tombstone, why: "it is no removal" });
    else if (!newer.get(tombstone.kind)?.has(tombstone.id)) removeRecord(log, tombstone);
  }
}
