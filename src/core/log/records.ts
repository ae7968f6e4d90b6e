import type { z } from "zod";
import type { recordSchemas, setSchema, itemSchema, nutrientsSchema, settingsSchema, tombstoneSchema } from "./schema";

/** A kind of record is the name of its collection in the archive. */
export type RecordKind = keyof typeof recordSchemas;
export type RecordOf<K extends RecordKind> = z.infer<(typeof recordSchemas)[K]>;
export type AnyRecord = RecordOf<RecordKind>;

export type Person = RecordOf<"people">;
export type WeighIn = RecordOf<"weighIns">;
export type DayNote = RecordOf<"dayNotes">;
export type Exercise = RecordOf<"exercises">;
export type Maximum = RecordOf<"maxima">;
export type Session = RecordOf<"sessions">;
export type Block = RecordOf<"blocks">;
export type Food = RecordOf<"foods">;
export type Recipe = RecordOf<"recipes">;
export type Meal = RecordOf<"meals">;
export type Goal = RecordOf<"goals">;
export type EnergySettings = RecordOf<"energySettings">;
export type Item = z.infer<typeof itemSchema>;
export type TrainingSet = z.infer<typeof setSchema>;
export type Nutrients = z.infer<typeof nutrientsSchema>;
export type Settings = z.infer<typeof settingsSchema>;
export type Tombstone = z.infer<typeof tombstoneSchema>;

/** Names of all kinds, in archive order. Written out so that a view can use them without loading the schemas. */
export const recordKinds = [
  "people",
  "weighIns",
  "dayNotes",
  "exercises",
  "maxima",
  "kinds",
  "sessions",
  "blocks",
  "measures",
  "readings",
  "foods",
  "recipes",
  "meals",
  "water",
  "goals",
  "energySettings",
  "photos",
] as const satisfies readonly RecordKind[];

/**
 * One step of a change: write a record, or remove one. `base` is the record as the writer saw it (absent when new): only what
 * differs from it is written, so that what another hand changed meanwhile stays. The date of a removal is where the record is looked for
 * first.
 */
export type ChangeStep =
  | { [K in RecordKind]: { kind: K; put: RecordOf<K>; base?: RecordOf<K> } }[RecordKind]
  | { remove: { kind: RecordKind; id: string; date?: string } };

/** What a view hands to the store: all of it is written, or none. */
export type Change = ChangeStep[];

/** A put, typed by its kind. */
export function put<K extends RecordKind>(kind: K, record: RecordOf<K>, base?: RecordOf<K>): ChangeStep {
  return { kind, put: record, ...(base ? { base } : {}) } as ChangeStep;
}
