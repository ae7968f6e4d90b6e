import type { OnProgress } from "@/core/base/chunked";
import { equal } from "@/core/base/memo";
import { sameJson } from "@/core/log/canonical";
import { recordKinds } from "@/core/log/kinds/all";
import { type Log, sizeOf } from "@/core/log/log";
import type { AnyRecord, RecordKind } from "@/core/log/records";
import type { IDBPDatabase } from "idb";
import { headOf, type LogDatabase } from "./database";
import { hasId, monthOf, recordsOf } from "./pages";
import { ofGeneration, readLog } from "./reader";

/** Something wrong in how the log lies in the browser. All of it is mended by laying the log out anew. */
export interface LayoutFinding {
  place: string;
  message: string;
}

/** So many pages, and so many records, are checked in a step. */
const [pagesAtOnce, recordsAtOnce] = [24, 20_000];

/**
 * Checks the pages against themselves and against the journal, and a log in memory, which must not change meanwhile,
 * against a fresh reading of both.
 */
export async function checkLayout(
  database: IDBPDatabase<LogDatabase>,
  log: Log,
  sequenceInMemory: number,
  onProgress: OnProgress = async () => {},
): Promise<LayoutFinding[]> {
  const findings: LayoutFinding[] = [];
  const transaction = database.transaction(["pages", "journal", "meta"]);
  const { generation, folded, sequence } = headOf(await transaction.objectStore("meta").get("standing"));
  const [pages, entries] = await Promise.all([
    transaction.objectStore("pages").getAll(ofGeneration(generation)),
    transaction.objectStore("journal").getAll(IDBKeyRange.lowerBound(folded, true)),
  ]);
  entries.forEach((entry, index) => {
    if (entry.sequence !== folded + index + 1)
      findings.push({
        place: `journal ${entry.sequence}`,
        message: `a commit is missing before it: the pages end at ${folded}`,
      });
  });
  if (folded + entries.length < sequence)
    findings.push({
      place: "journal",
      message: `it ends at ${folded + entries.length}, but ${sequence} commits were made`,
    });
  const seen = new Map<string, string>();
  for (const [index, page] of pages.entries()) {
    if (index % pagesAtOnce === 0) await onProgress(0.3 * (index / pages.length));
    const name = `${page.kind} ${page.month}`.trim();
    const records = recordsOf(page);
    if (page.kind === "removed") continue;
    for (const record of records) {
      // What is no record is told of by the check of the log itself.
      if (!hasId(record)) continue;
      const key = `${page.kind} ${record.id}`;
      const other = seen.get(key);
      if (other !== undefined)
        findings.push({
          place: `page ${name}, ${record.id}`,
          message: `it lies in the page of ${other || "no month"} as well`,
        });
      seen.set(key, page.month);
      if (monthOf(page.kind as RecordKind, record) !== page.month)
        findings.push({
          place: `page ${name}, ${record.id}`,
          message: `it belongs to the page of ${monthOf(page.kind as RecordKind, record)}`,
        });
    }
  }
  await onProgress(0.3);
  const fresh = await readLog(database);
  if (fresh.sequence !== sequenceInMemory) return findings;
  let compared = 0;
  const inAll = sizeOf(log);
  for (const kind of recordKinds) {
    const [held, read] = [
      log.records[kind] as ReadonlyMap<string, AnyRecord>,
      fresh.log.records[kind] as ReadonlyMap<string, AnyRecord>,
    ];
    for (const id of new Set([...held.keys(), ...read.keys()])) {
      if (compared++ % recordsAtOnce === 0) await onProgress(Math.min(1, 0.7 + 0.3 * (compared / inAll)));
      if (!equal(held.get(id), read.get(id)) && !sameJson(held.get(id), read.get(id)))
        findings.push({
          place: `${kind} ${id}`,
          message: "what is shown differs from what is stored; reload this tab",
        });
    }
  }
  return findings;
}
