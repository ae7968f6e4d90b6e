import type { Recipe } from "../log/kinds/recipes";
import type { MealGroup } from "./mealGroups";

/**
 * A meal of a day as a recipe of one portion, to be eaten again as a set; null where something in it is no food by its weight.
 * @param taken names that recipes and foods have, in small letters; another is found
 */
export function keptMeal(
  { lines }: Pick<MealGroup, "lines">,
  called: string,
  taken: ReadonlySet<string>,
  id: string,
): Recipe | null {
  const ingredients = lines.flatMap(({ meal: { foodId, grams } }) =>
    foodId == null || grams == null ? [] : [{ foodId, grams }],
  );
  if (ingredients.length === 0 || ingredients.length < lines.length) return null;
  let name = called;
  for (let copy = 2; taken.has(name.toLowerCase()); copy++) name = `${called}, ${copy}`;
  return { id, name, portions: 1, ingredients };
}
