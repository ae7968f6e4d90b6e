import type { z } from "zod";
import type { kinds, RecordKind, tombstoneSchema } from "./kinds/all";

// Types alone and `put`: a view that writes records need not load the schemas that check them.

export type { RecordKind };
export type RecordOf<K extends RecordKind> = z.infer<(typeof kinds)[K]["schema"]>;
export type AnyRecord = RecordOf<RecordKind>;
/** Kinds whose records belong to a person. */
export type OwnedKind = {
  [K in RecordKind]: (typeof kinds)[K]["belongsTo"] extends "household" ? never : K;
}[RecordKind];
export type Tombstone = z.infer<typeof tombstoneSchema>;

/**
 * One step of a change: write a record, or remove one. `base` is the record as the writer saw it (absent when new):
 * only what differs from it is written, so that what another tab or device changed meanwhile stays. The date of a
 * removal is where the record is looked for first. What is `merged` from another copy, or removed by its `tombstone`, is
 * no word of our own: it keeps its stamps.
 */
export type ChangeStep =
  | { [K in RecordKind]: { kind: K; put: RecordOf<K>; base?: RecordOf<K>; merged?: true } }[RecordKind]
  | { remove: { kind: RecordKind; id: string; date?: string }; tombstone?: Tombstone };

/** What a view hands to the store: all of it is written, or none. */
export type Change = ChangeStep[];

/** A put of what two copies of the log make together. */
export function putMerged(kind: RecordKind, record: AnyRecord, base?: AnyRecord): ChangeStep {
  return { kind, put: record, ...(base ? { base } : {}), merged: true } as ChangeStep;
}

/** A put, typed by its kind. */
export function put<K extends RecordKind>(kind: K, record: RecordOf<K>, base?: RecordOf<K>): ChangeStep {
  return { kind, put: record, ...(base ? { base } : {}) } as ChangeStep;
}
