import { type ChunkedTask, runToEnd } from "../base/chunked";
import { doubledId, withOwnIds } from "./idLists";
import { kinds, recordKinds } from "./kinds/all";
import { type Log, sizeOf } from "./log";
import { type AnyRecord, type Change, put, type RecordKind } from "./records";
import { ownerOf, referencesOf } from "./references";

/**
 * Something wrong in a log: where, what, and a change that repairs it when there is one. A repair never removes what
 * was written.
 */
export interface Finding {
  place: string;
  message: string;
  repair: Change | null;
}

/**
 * Checks every record of a log: that it is sound, that what it points to is there, that no id inside it is used twice.
 */
export function checkLog(log: Log): Finding[] {
  return runToEnd(checkingLog(log));
}

/** So many records are checked in a step. */
const recordsAtOnce = 2000;

/** The same in steps. */
export function* checkingLog(log: Log): ChunkedTask<Finding[]> {
  const findings: Finding[] = [];
  const inAll = sizeOf(log);
  let checked = 0;
  for (const { kind, record, why } of log.unread)
    findings.push({
      place: `${kind} ${idOf(record)}`,
      message: `${why}; it is kept aside and no figure counts it`,
      repair: null,
    });
  const missing = new Map<string, { kind: RecordKind; id: string; personId: string; places: string[] }>();
  for (const kind of recordKinds) {
    for (const record of log.records[kind].values() as Iterable<AnyRecord>) {
      if (checked++ % recordsAtOnce === 0) yield checked / inAll;
      const place = `${kind} ${record.id}`;
      const result = kinds[kind].schema.safeParse(record);
      if (!result.success) {
        const issue = result.error.issues[0]!;
        findings.push({ place: `${place}, ${issue.path.join(".")}`, message: issue.message, repair: null });
        continue;
      }
      for (const { path, kind: target, id } of referencesOf(kind, record)) {
        if (log.records[target].has(id)) continue;
        const key = `${target} ${id}`;
        const held = missing.get(key) ?? { kind: target, id, personId: ownerOf(record), places: [] };
        missing.set(key, held);
        held.places.push(`${place}, ${path}`);
      }
      findings.push(...doubledIds(kind, record));
    }
  }
  for (const { kind, id, personId, places } of missing.values()) {
    const also = places.length > 1 ? `, and ${places.length - 1} other${places.length > 2 ? "s" : ""}` : "";
    findings.push({
      place: places[0]!,
      message: `it points to "${id}", which is not among the ${kind}${also}; repair: a stand-in of that id`,
      repair: standIn(kind, id, personId),
    });
  }
  return findings;
}

/** A record that stands where one is missing, so that what points to it is kept and counted. */
function standIn(kind: RecordKind, id: string, personId: string): Change | null {
  const made = kinds[kind].standIn?.(id, `Unknown (${id.slice(0, 40)})`, personId) ?? null;
  return made === null ? null : [put(kind, made as never)];
}

function idOf(record: unknown): string {
  const id = (record as { id?: unknown } | null | undefined)?.id;
  return typeof id === "string" ? id : "without an id";
}

/** Elements of a record's lists that bear the same id; an edit would reach only one of them. */
function doubledIds(kind: RecordKind, record: AnyRecord): Finding[] {
  const doubled = doubledId(kind, record);
  return doubled === null
    ? []
    : [
        {
          place: `${kind} ${record.id}, ${doubled.path.split("[")[0]}`,
          message: `the id "${doubled.id}" is used twice; repair: the second one gets another`,
          repair: [put(kind, withOwnIds(kind, record) as never, record as never)],
        },
      ];
}
