import { isRecordKind } from "./kinds/all";
import { type Log, putRecord, removeRecord, tombstoneKey, type Unread } from "./log";
import type { AnyRecord } from "./records";

/** What mending did: records put in from the other copy, and what was taken out. */
export interface Mended {
  brought: number;
  out: readonly Unread[];
}

/**
 * Takes out of a log what cannot be read. Of the kinds that it was of, what another copy of the same log holds and this
 * one lacks is put in, so that a page that was damaged is whole again; what was written since stays as it is, and what
 * was removed stays removed.
 */
export function mend(log: Log, copy: Log | null): Mended {
  const out = (log.unread as Unread[]).splice(0);
  const kinds = new Set(out.map(({ kind }) => kind));
  let brought = 0;
  if (copy === null) return { brought, out };
  if (kinds.has("removed"))
    for (const [key, tombstone] of copy.removed)
      if (!log.removed.has(key) && !holds(log, tombstone.kind, tombstone.id)) removeRecord(log, tombstone);
  for (const kind of kinds) {
    if (!isRecordKind(kind)) continue;
    for (const record of copy.records[kind].values() as Iterable<AnyRecord>) {
      if (holds(log, kind, record.id) || log.removed.has(tombstoneKey(kind, record.id))) continue;
      putRecord(log, kind, record);
      brought += 1;
    }
  }
  return { brought, out };
}

function holds(log: Log, kind: string, id: string): boolean {
  return isRecordKind(kind) && log.records[kind].has(id);
}
