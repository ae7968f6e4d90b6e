import { dateOf, mustDay } from "../base/calendar/day";
import type { Food, Nutrients } from "../log/kinds/foods";
import type { Meal } from "../log/kinds/meals";
import type { Recipe } from "../log/kinds/recipes";
import { type Change, put } from "../log/records";
import { ofFood, ofRecipe } from "./energy";

/** What is eaten: a food or a recipe, how much of it, and its nutrients; or something by its energy alone. */
export type EatenOf = ReturnType<typeof ofFood> | ReturnType<typeof ofRecipe> | { name: string; nutrients: Nutrients };

/** Which food or recipe is meant, and how much of it. */
export type Amount = Pick<Meal, "foodId" | "recipeId" | "grams" | "portions" | "swaps">;

/** So much of a food or a recipe as it is now; null where it is no longer there, or no amount is known. */
export function eatenNow(
  { foodId, recipeId, grams, portions, swaps }: Amount,
  foods: ReadonlyMap<string, Food>,
  recipes: ReadonlyMap<string, Recipe>,
): EatenOf | null {
  const [food, recipe] = [foods.get(foodId ?? ""), recipes.get(recipeId ?? "")];
  if (food !== undefined && grams != null) return ofFood(food, grams);
  return recipe !== undefined && portions != null ? ofRecipe(recipe, portions, foods, swaps) : null;
}

const statusOn = (date: string, today: string) => (date > today ? ("planned" as const) : ("eaten" as const));

/** Something at a meal of a day: eaten where the day has come, planned where it has not. */
export function mealOn(place: Pick<Meal, "id" | "personId" | "date" | "meal">, today: string, eaten: EatenOf): Meal {
  return { ...place, status: statusOn(place.date, today), ...eaten };
}

/** The same at one meal of so many days in a row. */
export function mealOnDays(
  { date, days, ...place }: Pick<Meal, "personId" | "date" | "meal"> & { days: number },
  today: string,
  eaten: EatenOf,
  newId: () => string,
): Change {
  return daysFrom(date, days).map((date) => put("meals", mealOn({ id: newId(), date, ...place }, today, eaten)));
}

/** A meal once more, on another day. */
export function mealAgain(
  { revision: _revision, changed: _changed, ...meal }: Meal,
  { id, date }: Pick<Meal, "id" | "date">,
  today: string,
): Meal {
  return { ...meal, id, date, status: statusOn(date, today) };
}

/** So many dates in a row, from one on. */
export function daysFrom(date: string, days: number): string[] {
  return Array.from({ length: days }, (_, index) => dateOf(mustDay(date) + index));
}
