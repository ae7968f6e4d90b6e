import * as z from "zod";
import { dayOf, entryDayOf, outsideYears } from "../calendar/day";

/**
 * An object that may hold keys this version does not know. Checking passes over them; they are kept because whoever reads a record
 * keeps the record itself, not the checked copy (which would lose them), and so nothing is spent on copying them.
 */
const open = z.object as typeof z.looseObject;

const id = z.string().min(1).max(200);
const text = z.string().max(20_000);
const name = z.string().trim().min(1, "a name is needed").max(200);
const date = z
  .string()
  .refine((value) => dayOf(value) !== null, { error: "not a civil date written YYYY-MM-DD", abort: true })
  .refine((value) => entryDayOf(value) !== null, outsideYears);
const time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "not a time of day written HH:MM");
const amount = (max: number) => z.number().min(0).max(max);
const bodyKg = z.number().min(1).max(1000);
const effort = z.number().min(0).max(10);

/** Common to every record: who it is, how often it was written, and when last (a hybrid logical clock stamp). */
const shared = { id, revision: z.number().int().min(0).nullish(), changed: z.string().max(100).nullish() };
const owned = { ...shared, personId: id };

/** What changes a figure, per person. Everything here has a default, so an absent field is not an error. */
export const settingsSchema = open({
  /** `personal` is each lift's own relation of repetitions to load. */
  e1rmFormula: z
    .enum(["mean", "epley", "brzycki", "lombardi", "oConner", "mayhew", "wathan", "lander", "personal"])
    .nullish(),
  countWarmUps: z.boolean().nullish(),
  /** The bar, kilograms, where an exercise does not name its own. */
  barKg: z.number().min(0).max(100).nullish(),
  /** Plates at hand: how many there are of each weight, both sides together. */
  plates: z
    .array(open({ kg: z.number().positive().max(100), count: z.number().int().min(0).max(100) }))
    .max(40)
    .nullish(),
  /** Rest between sets when a set does not say, seconds. */
  restSeconds: z.number().min(0).max(7200).nullish(),
  /** The meals of a day in their order; breakfast, lunch, dinner and snack without them. */
  meals: z
    .array(open({ name, hour: z.number().min(0).max(24).nullish() }))
    .max(12)
    .nullish(),
  /** The lifts whose best attempts of a meet make its total. */
  totalLifts: z.array(id).max(20).nullish(),
});

export const personSchema = open({
  ...shared,
  name,
  sex: z.enum(["female", "male", "unspecified"]).nullish(),
  birthDate: date.nullish(),
  heightCm: z.number().min(50).max(280).nullish(),
  units: open({ mass: z.enum(["kg", "lb"]), distance: z.enum(["km", "mi"]), energy: z.enum(["kcal", "kJ"]) })
    .partial()
    .nullish(),
  weekStart: z.number().int().min(1).max(7).nullish(),
  settings: settingsSchema.nullish(),
});

export const weighInSchema = open({
  ...owned,
  date,
  time: time.nullish(),
  kg: bodyKg,
  primary: z.boolean().nullish(),
  note: text.nullish(),
});

export const dayNoteSchema = open({
  ...owned,
  date,
  text: text.nullish(),
  activity: z.enum(["training", "rest"]).nullish(),
  foodComplete: z.boolean().nullish(),
  /** Marks a change (a start of creatine, a diet break): the level of the weight may jump on this day. */
  levelMayJump: z.boolean().nullish(),
});

export const exerciseSchema = open({
  ...shared,
  name,
  /** Short and other names under which it is written. */
  aliases: z.array(name).max(50).nullish(),
  group: text.nullish(),
  mechanics: z.enum(["compound", "isolation"]).nullish(),
  measure: z.enum(["load-reps", "bodyweight-reps", "assisted-reps", "duration", "distance"]).nullish(),
  bodyShare: z.number().min(0).max(1.5).nullish(),
  perSide: z.boolean().nullish(),
  equipment: text.nullish(),
  direct: z.array(text).max(50).nullish(),
  indirect: z.array(text).max(50).nullish(),
  incrementKg: z.number().positive().max(100).nullish(),
  /** The bar or handle this exercise is done with, kilograms. */
  barKg: z.number().min(0).max(100).nullish(),
  /** How a machine is set for the trainee: seat, pad, pin. */
  setting: text.nullish(),
  cues: text.nullish(),
  maximumFrom: open({ exerciseId: id, ratio: z.number().positive().max(5) }).nullish(),
  links: z.array(text).max(50).nullish(),
  note: text.nullish(),
});

export const maximumSchema = open({
  ...owned,
  exerciseId: id,
  date,
  kg: z.number().min(-500).max(2000),
  tested: z.boolean().nullish(),
});

export const kindSchema = open({ ...shared, name, mark: text.nullish(), speedUnit: text.nullish() });

const reps = z.number().min(0).max(10_000);
const load = z.number().min(-500).max(5000);
const seconds = amount(1_000_000);
const metres = amount(10_000_000);

const plannedSetSchema = open({
  /** The repetitions, or the fewest of them where `repsTo` names the most (8–12) or where they are as many as possible (5 or more). */
  reps: reps.nullish(),
  repsTo: reps.nullish(),
  kg: load.nullish(),
  percent: amount(2).nullish(),
  rpe: effort.nullish(),
  asManyAsPossible: z.boolean().nullish(),
  seconds: seconds.nullish(),
  metres: metres.nullish(),
});
const doneSetSchema = open({
  reps: reps.nullish(),
  kg: load.nullish(),
  rpe: effort.nullish(),
  failed: z.boolean().nullish(),
  seconds: seconds.nullish(),
  metres: metres.nullish(),
  /** What followed the first part without a full rest: lighter in a drop set, as heavy in a cluster. */
  parts: z
    .array(open({ reps: reps.nullish(), kg: load.nullish() }))
    .max(50)
    .nullish(),
});
export const setSchema = open({
  id,
  warmUp: z.boolean().nullish(),
  restSeconds: seconds.nullish(),
  planned: plannedSetSchema.nullish(),
  done: doneSetSchema.nullish(),
});
export const itemSchema = open({
  id,
  exerciseId: id,
  note: text.nullish(),
  superset: z.union([text, z.number()]).nullish(),
  sets: z.array(setSchema).max(500, "an exercise has at most 500 sets in one session"),
  /** How fast the parts of a repetition are, as the trainee writes it (`3-1-1`). */
  tempo: text.nullish(),
  /** Why the exercise was left out, once it was. */
  skipped: text.nullish(),
});

const coveredSchema = open({ metres: metres.nullish(), seconds: seconds.nullish() });

/** More sets than this nobody does in one session. */
const setsAtMost = 4000;

export const sessionSchema = open({
  ...owned,
  date,
  time: time.nullish(),
  kind: name,
  title: text.nullish(),
  place: text.nullish(),
  optional: z.boolean().nullish(),
  /** A meet or a day of testing: its sets are attempts, and its made ones tested maxima. */
  test: z.boolean().nullish(),
  status: z.enum(["planned", "done", "partly", "skipped", "missed"]),
  reason: text.nullish(),
  photoIds: z.array(id).max(500).nullish(),
  minutes: amount(10_000).nullish(),
  effort: effort.nullish(),
  feel: z.number().min(0).max(10).nullish(),
  note: text.nullish(),
  kcal: amount(100_000).nullish(),
  planned: open({ minutes: amount(10_000).nullish(), effort: effort.nullish() }).nullish(),
  distance: open({
    planned: coveredSchema.nullish(),
    done: coveredSchema.nullish(),
    purpose: text.nullish(),
    surface: text.nullish(),
  }).nullish(),
  /** The pieces of a session of pieces, in order; `distance.done` is their sum. */
  repeats: z
    .array(open({ metres: metres.nullish(), seconds: seconds.nullish(), restSeconds: seconds.nullish() }))
    .max(500)
    .nullish(),
  items: z
    .array(itemSchema)
    .max(500)
    .refine(
      (items) => items.reduce((sum, { sets }) => sum + sets.length, 0) <= setsAtMost,
      `a session has at most ${setsAtMost} sets`,
    )
    .nullish(),
});

/** Some weeks of training with one aim, by its first day and how many days it has: whatever two hands change of it, it ends after it begins. */
export const blockSchema = open({
  ...owned,
  name,
  startDate: date,
  days: z.number().int().min(1).max(1000),
  aim: text.nullish(),
  note: text.nullish(),
});

export const measureSchema = open({
  ...shared,
  name,
  unit: text.nullish(),
  aggregate: z.enum(["mean", "sum", "last"]).nullish(),
});
export const readingSchema = open({ ...owned, measureId: id, date, value: z.number(), method: text.nullish() });

const grams = amount(100_000);
/** Nutrients in grams, energy in kilocalories. Carbohydrate is total carbohydrate unless a food's basis says otherwise. */
export const nutrientsSchema = open({
  kcal: amount(100_000).nullish(),
  protein: grams.nullish(),
  fat: grams.nullish(),
  carbohydrate: grams.nullish(),
  fibre: grams.nullish(),
  sugars: grams.nullish(),
  polyols: grams.nullish(),
  alcohol: grams.nullish(),
});

export const foodSchema = open({
  ...shared,
  name,
  gtin: text.nullish(),
  carbohydrateBasis: z.enum(["total", "available"]).nullish(),
  per100g: nutrientsSchema,
  portions: z
    .array(open({ name, grams: z.number().positive().max(100_000) }))
    .max(100)
    .nullish(),
});

export const recipeSchema = open({
  ...shared,
  name,
  portions: z.number().positive().max(1000).nullish(),
  ingredients: z.array(open({ foodId: id, grams })).max(500),
  steps: z.union([text, z.array(text)]).nullish(),
  source: text.nullish(),
  minutes: amount(100_000).nullish(),
  photoId: id.nullish(),
});

export const mealSchema = open({
  ...owned,
  date,
  meal: text.nullish(),
  status: z.enum(["planned", "eaten"]).nullish(),
  foodId: id.nullish(),
  recipeId: id.nullish(),
  name: text.nullish(),
  grams: grams.nullish(),
  portions: amount(1000).nullish(),
  nutrients: nutrientsSchema.nullish(),
});

export const waterSchema = open({ ...owned, date, ml: amount(100_000) });

export const goalSchema = open({
  ...owned,
  /** `weight`, which is meant where it is absent, or a measure by its id. */ of: name.nullish(),
  startDate: date,
  startKg: bodyKg.nullish(),
  targetKg: bodyKg.nullish(),
  /** For a goal `of` a measure (by its id): start and target in the measure's unit. */
  startValue: z.number().nullish(),
  targetValue: z.number().nullish(),
  /** A limit on a date, such as a weight class: the scale must show the target or less (more, when gaining) on that one morning. */
  limit: z.boolean().nullish(),
  /** Own milestones on the way, kilograms; every 5 kg (10 lb) without them. */
  milestonesKg: z.array(bodyKg).max(50).nullish(),
  by: z.union([open({ rateKgPerWeek: z.number().min(-20).max(20) }), open({ date })]),
  why: text.nullish(),
});

const dayTargetSchema = open({
  kcal: amount(100_000).nullish(),
  protein: grams.nullish(),
  fat: grams.nullish(),
  carbohydrate: grams.nullish(),
});
export const energySettingsSchema = open({
  ...owned,
  from: date,
  equation: z.enum(["mifflinStJeor", "rozaShizgal", "katchMcArdle", "cunningham"]).nullish(),
  activityFactor: z.number().min(1).max(4).nullish(),
  /** Whether the activity factor already holds the training sessions. When false, each session's net credit is added to its day. */
  sessionsInFactor: z.boolean().nullish(),
  targets: open({ training: dayTargetSchema.nullish(), rest: dayTargetSchema.nullish() }).nullish(),
});

export const photoSchema = open({ ...owned, date, file: text });

/** One schema a kind of record, in the order in which the archive lists them. */
export const recordSchemas = {
  people: personSchema,
  weighIns: weighInSchema,
  dayNotes: dayNoteSchema,
  exercises: exerciseSchema,
  maxima: maximumSchema,
  kinds: kindSchema,
  sessions: sessionSchema,
  blocks: blockSchema,
  measures: measureSchema,
  readings: readingSchema,
  foods: foodSchema,
  recipes: recipeSchema,
  meals: mealSchema,
  water: waterSchema,
  goals: goalSchema,
  energySettings: energySettingsSchema,
  photos: photoSchema,
} as const;

export const tombstoneSchema = open({ id, kind: z.string().min(1).max(40), changed: z.string().max(100).nullish() });

/** The whole version-1 archive. Collections may be absent; unknown keys are kept at every depth. */
export const archiveSchema = open({
  format: z.literal("oat-column"),
  version: z.literal(1),
  exportedAt: z.string().max(100).nullish(),
  people: z.array(personSchema),
  weighIns: z.array(weighInSchema),
  dayNotes: z.array(dayNoteSchema),
  exercises: z.array(exerciseSchema),
  maxima: z.array(maximumSchema),
  kinds: z.array(kindSchema),
  sessions: z.array(sessionSchema),
  blocks: z.array(blockSchema),
  measures: z.array(measureSchema),
  readings: z.array(readingSchema),
  foods: z.array(foodSchema),
  recipes: z.array(recipeSchema),
  meals: z.array(mealSchema),
  water: z.array(waterSchema),
  goals: z.array(goalSchema),
  energySettings: z.array(energySettingsSchema),
  photos: z.array(photoSchema),
  removed: z.array(tombstoneSchema),
})
  .partial()
  .required({ format: true, version: true });
