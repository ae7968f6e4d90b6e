import * as z from "zod";
import { date, grams, id, nutrients, open, owned, portions, text } from "./fields";
import { dailyKind } from "./kind";

const schema = open({
  ...owned,
  date,
  meal: text.nullish(),
  status: z.enum(["planned", "eaten"]).nullish(),
  foodId: id.nullish(),
  recipeId: id.nullish(),
  name: text.nullish(),
  grams: grams.nullish(),
  portions: portions.nullish(),
  nutrients: nutrients.nullish(),
  /** Ingredients of the recipe in whose place another food was taken this once, so many grams in all of the recipe. */
  swaps: z
    .array(open({ foodId: id, byFoodId: id, grams }))
    .max(50)
    .nullish(),
});

export type Meal = z.infer<typeof schema>;

export const meals = dailyKind({
  schema,
  names: { one: "meal", several: "meals" },
  refersTo: { foodId: "foods", "swaps[].foodId": "foods", "swaps[].byFoodId": "foods" },
  cameFrom: { recipeId: "recipes" },
  title: ({ name, foodId, recipeId, meal }, { nameOf }) =>
    name || nameOf("foods", foodId) || nameOf("recipes", recipeId) || meal || "",
  changesSayWhich: false,
  standIn: null,
  lists: null,
  tells: ({ status }) => status !== "planned",
  oneADay: null,
  readAhead: null,
});
