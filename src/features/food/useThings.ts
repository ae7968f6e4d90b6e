"use client";

import type { Food } from "@/core/log/kinds/foods";
import { eatenNow } from "@/core/nutrition/mealOn";
import { useEdibles } from "./eatenOf";

/** What can be eaten, for a choice, and the portions of each; put away foods are not offered. @param before what stands first */
export function useThings(before: "foods" | "recipes") {
  const { foods, recipes } = useEdibles();
  const offered = {
    foods: [...foods.values()]
      .filter(({ hidden }) => hidden !== true)
      .map(({ id, name }) => ({ value: `food ${id}`, label: name })),
    recipes: [...recipes.values()].map(({ id, name }) => ({ value: `recipe ${id}`, label: `${name} (recipe)` })),
  };
  const idOf = (thing: string) => thing.slice(thing.indexOf(" ") + 1);
  return {
    options: before === "foods" ? [...offered.foods, ...offered.recipes] : [...offered.recipes, ...offered.foods],
    portionsOf: (thing: string): Food["portions"] => (isRecipe(thing) ? null : foods.get(idOf(thing))?.portions),
    /** So much of what was chosen; null where it is no longer there. */
    eatenOf: (thing: string, amount: number) =>
      eatenNow(
        isRecipe(thing) ? { recipeId: idOf(thing), portions: amount } : { foodId: idOf(thing), grams: amount },
        foods,
        recipes,
      ),
  };
}

/** Whether a recipe was chosen: it is counted in portions. */
export function isRecipe(thing: string): boolean {
  return thing.startsWith("recipe ");
}
