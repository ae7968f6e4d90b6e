import * as z from "zod";
import { activityKinds } from "./activityKinds";
import { blocks } from "./blocks";
import { cycles } from "./cycles";
import { dayNotes } from "./dayNotes";
import { energySettings } from "./energySettings";
import { exercises } from "./exercises";
import { id, open, vector } from "./fields";
import { foods } from "./foods";
import { goals } from "./goals";
import { maxima } from "./maxima";
import { meals } from "./meals";
import { measures } from "./measures";
import { people } from "./people";
import { phases } from "./phases";
import { photos } from "./photos";
import { readings } from "./readings";
import { recipes } from "./recipes";
import { routines } from "./routines";
import { sessions } from "./sessions";
import { standardWeeks } from "./standardWeeks";
import { water } from "./water";
import { weighIns } from "./weighIns";

/** Holds a registry to its own names: a kind that points to one that is not there does not compile. */
function registry<const T extends { readonly [K in keyof T]: { refersTo: Readonly<Record<string, keyof T>> } }>(
  all: T,
): T {
  return all;
}

/**
 * Every kind of record by the name of its collection, in the order in which the archive lists them. All that lists
 * kinds is derived from here.
 */
export const kinds = registry({
  people,
  weighIns,
  dayNotes,
  exercises,
  maxima,
  kinds: activityKinds,
  sessions,
  phases,
  blocks,
  routines,
  standardWeeks,
  cycles,
  measures,
  readings,
  foods,
  recipes,
  meals,
  water,
  goals,
  energySettings,
  photos,
});

export type RecordKind = keyof typeof kinds;
/** Kinds of record that belong to a person and a day. */
export type DatedKind = { [K in RecordKind]: (typeof kinds)[K]["belongsTo"] extends "day" ? K : never }[RecordKind];

/** Names of all kinds, in archive order. */
export const recordKinds = Object.keys(kinds) as RecordKind[];
const dated: ReadonlySet<string> = new Set(recordKinds.filter((kind) => kinds[kind].belongsTo === "day"));

/** What one record of a kind is called, and several. */
export type KindNames = Readonly<Record<RecordKind, { one: string; several: string }>>;
/** The same of all kinds, in archive order. */
export const kindNames = Object.fromEntries(recordKinds.map((kind) => [kind, kinds[kind].names])) as KindNames;

/** Whether a text names a kind of record; `constructor` does not. */
export function isRecordKind(kind: string): kind is RecordKind {
  return Object.hasOwn(kinds, kind);
}

/** Whether a text names a kind that belongs to a person and a day. */
export function isDated(kind: string): kind is DatedKind {
  return dated.has(kind);
}

/** A removal: what was removed, when, and what was known of it then, by database. */
export const tombstoneSchema = open({
  id,
  kind: z.string().min(1).max(40),
  changed: z.string().max(100).nullish(),
  seen: vector.nullish(),
});

type Collections = { [K in keyof typeof kinds]: z.ZodArray<(typeof kinds)[K]["schema"]> };
const collections = Object.fromEntries(
  Object.entries(kinds).map(([kind, { schema }]) => [kind, z.array(schema)]),
) as unknown as Collections;

/** The whole version-1 archive. Collections may be absent; unknown keys are kept at every depth. */
export const archiveSchema = open({
  format: z.literal("oat-column"),
  version: z.literal(1),
  exportedAt: z.string().max(100).nullish(),
  ...collections,
  removed: z.array(tombstoneSchema),
})
  .partial()
  .required({ format: true, version: true });
