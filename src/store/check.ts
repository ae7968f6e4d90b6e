import type { IDBPDatabase } from "idb";
import { sameJson } from "@/core/log/canonical";
import type { Log } from "@/core/log/log";
import { equal } from "@/core/memo";
import { recordKinds, type AnyRecord, type RecordKind } from "@/core/log/records";
import { standingOf, type LogDatabase } from "./database";
import { monthOf, recordsOf } from "./pages";
import { ofGeneration, readLog } from "./reader";

/** Something wrong in how the log lies in the browser. All of it is mended by laying the log out anew. */
export interface LayoutFinding { place: string; message: string }

/** Checks the pages against themselves and against the journal, and a log in memory against a fresh reading of both. */
export async function checkLayout(database: IDBPDatabase<LogDatabase>, log: Log, sequenceInMemory: number): Promise<LayoutFinding[]> {
  const findings: LayoutFinding[] = [];
  const transaction = database.transaction(["pages", "journal", "meta"]);
  const { generation, folded, sequence } = standingOf(await transaction.objectStore("meta").get("standing"));
  const [pages, entries] = await Promise.all([transaction.objectStore("pages").getAll(ofGeneration(generation)), transaction.objectStore("journal").getAll(IDBKeyRange.lowerBound(folded, true))]);
  entries.forEach((entry, index) => {
    if (entry.sequence !== folded + index + 1) findings.push({ place: `journal ${entry.sequence}`, message: `a commit is missing before it: the pages end at ${folded}` });
  });
  if (folded + entries.length < sequence) findings.push({ place: "journal", message: `it ends at ${folded + entries.length}, but ${sequence} commits were made` });
  const seen = new Map<string, string>();
  for (const page of pages) {
    const name = `${page.kind} ${page.month}`.trim();
    let records: AnyRecord[];
    try {
      records = recordsOf(page);
    } catch {
      findings.push({ place: `page ${name}`, message: "it cannot be read" });
      continue;
    }
    if (page.kind === "removed") continue;
    for (const record of records) {
      const key = `${page.kind} ${record.id}`;
      const other = seen.get(key);
      if (other !== undefined) findings.push({ place: `page ${name}, ${record.id}`, message: `it lies in the page of ${other || "no month"} as well` });
      seen.set(key, page.month);
      if (monthOf(page.kind as RecordKind, record) !== page.month) findings.push({ place: `page ${name}, ${record.id}`, message: `it belongs to the page of ${monthOf(page.kind as RecordKind, record)}` });
    }
  }
  if (findings.some(({ message }) => message === "it cannot be read")) return findings;
  const fresh = await readLog(database);
  if (fresh.sequence !== sequenceInMemory) return findings;
  for (const kind of recordKinds) {
    const [held, read] = [log.records[kind] as ReadonlyMap<string, AnyRecord>, fresh.log.records[kind] as ReadonlyMap<string, AnyRecord>];
    for (const id of new Set([...held.keys(), ...read.keys()])) {
      if (!equal(held.get(id), read.get(id)) && !sameJson(held.get(id), read.get(id))) findings.push({ place: `${kind} ${id}`, message: "what is shown differs from what is stored; reload this tab" });
    }
  }
  return findings;
}
