import * as z from "zod";
import { amount, name, nutrients, open, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

const schema = open({
  ...shared,
  name,
  gtin: text.nullish(),
  carbohydrateBasis: z.enum(["total", "available"]).nullish(),
  per100g: nutrients,
  /** What a label of 100 ml states, beside what that comes to per 100 g. */
  per100ml: nutrients.nullish(),
  /** What a millilitre weighs; without it an amount in millilitres is taken for water's. */
  gramsPerMl: z.number().min(0.1).max(5).nullish(),
  /** What else it states, in milligrams per 100 g: caffeine, iron, whatever the trainee counts. */
  others: z
    .array(open({ name, mg: amount(100_000) }))
    .max(40)
    .nullish(),
  /** Where its values are from: a label, a table with its code. */
  source: text.nullish(),
  favourite: z.boolean().nullish(),
  /** Put away: no longer offered, still read by what was eaten of it. */
  hidden: z.boolean().nullish(),
  portions: z
    .array(open({ name, grams: z.number().positive().max(100_000) }))
    .max(100)
    .nullish(),
});

export type Food = z.infer<typeof schema>;
export type Nutrients = z.infer<typeof nutrients>;

export const foods = householdKind({
  schema,
  names: { one: "food", several: "foods" },
  refersTo: {},
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: (id, name) => ({ id, name, per100g: {} }),
});
