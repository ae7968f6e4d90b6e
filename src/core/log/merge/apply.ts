import { type Log, putRecord, removeRecord } from "../log";
import { removalOf } from "../past";
import type { RecordKind, Tombstone } from "../records";
import type { Difference } from "./merge";

/** Writes into a log what merging proposes when nothing is ticked or unticked by hand. */
export function applyMerge(log: Log, differences: readonly Difference[]): void {
  for (const { steps, otherwise, proposed } of differences) {
    for (const step of proposed ? steps : otherwise) {
      if ("put" in step) putRecord(log, step.kind, step.put);
      else removeRecord(log, step.tombstone ?? goneIn(log, step.remove));
    }
  }
}

/** The removal of a record that gives way to another of its day: it says no more than that what was known of it is gone. */
function goneIn(log: Log, { kind, id }: { kind: RecordKind; id: string }): Tombstone {
  const held = log.records[kind].get(id);
  return held === undefined ? { kind, id } : removalOf(kind, held, held.changed ?? "");
}
