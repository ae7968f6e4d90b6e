import * as z from "zod";
import { name, nutrients, open, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

const schema = open({
  ...shared,
  name,
  gtin: text.nullish(),
  carbohydrateBasis: z.enum(["total", "available"]).nullish(),
  per100g: nutrients,
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
