import type { Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Food } from "../log/kinds/foods";
import { swappedIn } from "./energy";
import { nutritionOf } from "./slice";

/** Something else that foods state, and how much of it was eaten. */
export interface OtherEaten {
  name: string;
  mg: number;
}

/**
 * What else was eaten on a day, milligrams by name, of foods that state it, in recipes too; from what the foods state now. A
 * food that states none of it counts for nothing, so it is at least so much.
 */
export function othersOn(asOf: AsOf, day: Day): OtherEaten[] {
  const nutrition = nutritionOf(asOf);
  const [foods, recipes] = [nutrition.foods(), nutrition.recipes()];
  const found = new Map<string, OtherEaten>();
  const eat = (food: Food | undefined, grams: number) => {
    for (const { name, mg } of food?.others ?? []) {
      const key = name.toLowerCase();
      found.set(key, { name: found.get(key)?.name ?? name, mg: (found.get(key)?.mg ?? 0) + (mg * grams) / 100 });
    }
  };
  for (const { status, foodId, recipeId, grams, portions, swaps } of nutrition.mealsOn(day)) {
    if (status === "planned") continue;
    if (foodId != null && grams != null) eat(foods.get(foodId), grams);
    const recipe = recipes.get(recipeId ?? "");
    if (recipe === undefined) continue;
    for (const part of swappedIn(recipe, swaps).ingredients)
      eat(foods.get(part.foodId), (part.grams * (portions ?? 1)) / (recipe.portions ?? 1));
  }
  return [...found.values()];
}
