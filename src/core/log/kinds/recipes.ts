import * as z from "zod";
import { amount, grams, id, name, open, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

const schema = open({
  ...shared,
  name,
  portions: z.number().positive().max(1000).nullish(),
  /** What all of it weighs once it is cooked; with it an amount may be written in grams. */
  cookedGrams: grams.positive().nullish(),
  /** `text` is the line as it was written. */
  ingredients: z.array(open({ foodId: id, grams, text: text.nullish() })).max(500),
  steps: z.union([text, z.array(text)]).nullish(),
  source: text.nullish(),
  minutes: amount(100_000).nullish(),
  tags: z.array(name).max(50).nullish(),
  photoId: id.nullish(),
  /** Put away: no longer offered, and kept for what was eaten of it. */
  hidden: z.boolean().nullish(),
});

export type Recipe = z.infer<typeof schema>;

export const recipes = householdKind({
  schema,
  names: { one: "recipe", several: "recipes" },
  refersTo: { "ingredients[].foodId": "foods" },
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: (id, name) => ({ id, name, ingredients: [] }),
});
