// First of all, before any schema is built.
import "./withoutEval";

import * as z from "zod";
import { dayOf, entryDayOf, outsideYears } from "../../base/calendar/day";

// The parts of which the schemas of records are made, each with the bounds that every kind of record shares.

/**
 * An object that may hold keys this version does not know. Checking passes over them; they are kept because whoever
 * reads a record keeps the record itself, not the checked copy (which would lose them), and so nothing is spent on
 * copying them.
 */
export const open = z.object as typeof z.looseObject;

export const id = z.string().min(1).max(200);
export const text = z.string().max(20_000);
export const name = z.string().trim().min(1, "a name is needed").max(200);
export const date = z
  .string()
  .refine((value) => dayOf(value) !== null, { error: "not a civil date written YYYY-MM-DD", abort: true })
  .refine((value) => entryDayOf(value) !== null, outsideYears);
export const time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "not a time of day written HH:MM");
export const amount = (max: number) => z.number().min(0).max(max);
export const bodyKg = z.number().min(1).max(1000);
export const effort = z.number().min(0).max(10);
export const feel = z.number().min(0).max(10);
export const minutes = amount(10_000);
export const energyKcal = amount(100_000);
/** A bar or handle, kilograms. */
export const barKg = amount(100);
export const plateKg = z.number().positive().max(100);
export const plateCount = z.number().int().min(0).max(100);
/** The step in which a load is raised, kilograms. */
export const incrementKg = z.number().positive().max(100);
/** The share of the body that a movement lifts. */
export const bodyShare = amount(1.5);
/** A maximum as a share of another lift's. */
export const maximumRatio = z.number().positive().max(5);
export const maximumKg = z.number().min(-500).max(2000);
export const rateKgPerWeek = z.number().min(-20).max(20);
export const activityFactor = z.number().min(1).max(4);
/** A metabolic equivalent: the energy of an activity as a multiple of resting. */
export const met = z.number().min(1).max(25);
export const blockDays = z.number().int().min(1).max(1000);
/** Rest between sets where a set does not say, seconds. */
export const restSeconds = amount(7200);
export const portions = amount(1000);
export const waterMl = amount(100_000);

export const reps = z.number().min(0).max(10_000);
export const load = z.number().min(-500).max(5000);
export const seconds = amount(1_000_000);
export const metres = amount(10_000_000);
export const grams = amount(100_000);

/** A distance and a time, as planned or as covered. */
export const covered = open({ metres: metres.nullish(), seconds: seconds.nullish() });
/** What a planned set asks for. */
export const plannedSet = open({
  /**
   * The repetitions, or the fewest of them where `repsTo` names the most (8–12) or where they are as many as possible
   * (5 or more).
   */
  reps: reps.nullish(),
  repsTo: reps.nullish(),
  kg: load.nullish(),
  percent: amount(2).nullish(),
  rpe: effort.nullish(),
  asManyAsPossible: z.boolean().nullish(),
  seconds: seconds.nullish(),
  metres: metres.nullish(),
});
/** An exercise of a session that has no day yet: its sets are planned only. */
export const plannedItem = open({
  exerciseId: id,
  note: text.nullish(),
  superset: z.union([text, z.number()]).nullish(),
  tempo: text.nullish(),
  sets: z
    .array(open({ warmUp: z.boolean().nullish(), restSeconds: seconds.nullish(), planned: plannedSet.nullish() }))
    .max(500),
});
/** A part of a structured run, row or swim: so often a distance or a time, with a rest after each, at a target. */
export const step = open({
  times: z.number().int().min(1).max(500).nullish(),
  metres: metres.nullish(),
  seconds: seconds.nullish(),
  rest: covered.nullish(),
  target: open({ secondsPerKm: seconds.nullish(), watts: amount(5000).nullish(), effort: effort.nullish() }).nullish(),
  note: text.nullish(),
});
/** A part of a session: what is asked for, and how often it was done. */
export const sessionStep = step.extend({ done: z.number().int().min(0).max(500).nullish() });
/** A distance of a session that has no day yet. */
export const plannedDistance = open({
  planned: covered.nullish(),
  purpose: text.nullish(),
  steps: z.array(step).max(200).nullish(),
});
/** A weekday, Monday 1 to Sunday 7. */
export const weekday = z.number().int().min(1).max(7);
/** A week of a block or a cycle, counted from 1. */
export const weekNumber = z.number().int().min(1).max(200);

const stamp = z.string().max(100);
/** By the name of each database, the last of its writings that is known. */
export const vector = z.record(z.string().max(60), stamp);
/**
 * What a record follows, so that two copies of it can be told apart from one and its past. `seen`: by database, the last
 * writing it knows, besides the one in `changed`. `first`: when all was written that `fields` does not name. `fields`:
 * when each field was written since, by its path, also one that was removed. `gone`: what was removed as a whole, by its
 * path, with what was known then.
 */
export const past = open({
  seen: vector.nullish(),
  first: stamp.nullish(),
  fields: z.record(z.string().max(2000), stamp).nullish(),
  gone: z.record(z.string().max(2000), vector).nullish(),
});
/**
 * Common to every record: who it is, how often it was written, when last (a hybrid logical clock stamp), and what it
 * follows.
 */
export const shared = {
  id,
  revision: z.number().int().min(0).nullish(),
  changed: stamp.nullish(),
  past: past.nullish(),
};
export const owned = { ...shared, personId: id };

/**
 * Nutrients in grams, energy in kilocalories. Carbohydrate is total carbohydrate unless a food's basis says otherwise.
 */
export const nutrients = open({
  kcal: amount(100_000).nullish(),
  protein: grams.nullish(),
  fat: grams.nullish(),
  carbohydrate: grams.nullish(),
  fibre: grams.nullish(),
  sugars: grams.nullish(),
  polyols: grams.nullish(),
  alcohol: grams.nullish(),
});
