import * as z from "zod";
import { shortest, tallest } from "../../base/units/length";
import { barKg, date, energyKcal, grams, id, name, open, plateCount, plateKg, restSeconds, shared } from "./fields";
import { byName, householdKind } from "./kind";

/** How a maximum is estimated; `personal` is each lift's own relation of repetitions to load. */
export const e1rmFormula = z.enum([
  "mean",
  "epley",
  "brzycki",
  "lombardi",
  "oConner",
  "mayhew",
  "wathan",
  "lander",
  "personal",
]);

/** What a meal is to hold: from, to, or between both. */
const guide = (amount: typeof grams) => open({ from: amount.nullish(), to: amount.nullish() }).nullish();
const guides = open({
  kcal: guide(energyKcal),
  protein: guide(grams),
  fat: guide(grams),
  carbohydrate: guide(grams),
  fibre: guide(grams),
});

/** What changes a figure, per person. Everything here has a default, so an absent field is not an error. */
const settings = open({
  e1rmFormula: e1rmFormula.nullish(),
  countWarmUps: z.boolean().nullish(),
  /** The bar, kilograms, where an exercise does not name its own. */
  barKg: barKg.nullish(),
  /** Plates at hand: how many there are of each weight, both sides together. */
  plates: z
    .array(open({ kg: plateKg, count: plateCount }))
    .max(40)
    .nullish(),
  /** Rest between sets when a set does not say, seconds. */
  restSeconds: restSeconds.nullish(),
  /** The meals of a day in their order; breakfast, lunch, dinner and snack without them. */
  meals: z
    .array(open({ name, hour: z.number().min(0).max(24).nullish(), guides: guides.nullish() }))
    .max(12)
    .nullish(),
  /** What the trainee's glass holds, millilitres. */
  glassMl: z.number().min(20).max(2000).nullish(),
  /** The lifts whose best attempts of a meet make its total. */
  totalLifts: z.array(id).max(20).nullish(),
});

const schema = open({
  ...shared,
  name,
  sex: z.enum(["female", "male", "unspecified"]).nullish(),
  birthDate: date.nullish(),
  heightCm: z.number().min(shortest).max(tallest).nullish(),
  units: open({ mass: z.enum(["kg", "lb"]), distance: z.enum(["km", "mi"]), energy: z.enum(["kcal", "kJ"]) })
    .partial()
    .nullish(),
  weekStart: z.number().int().min(1).max(7).nullish(),
  settings: settings.nullish(),
});

export type Person = z.infer<typeof schema>;
export type Settings = z.infer<typeof settings>;
export type MealGuides = z.infer<typeof guides>;

export const people = householdKind({
  schema,
  names: { one: "person", several: "people" },
  refersTo: {},
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: (id, name) => ({ id, name }),
});

/** Sex as the equations know it. */
export type Sex = "female" | "male" | "unspecified";
