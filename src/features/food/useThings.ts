"use client";

import { eatenNow } from "@/core/nutrition/mealOn";
import { foodCounted, recipeCounted, useEdibles } from "./eatenOf";

/** What can be eaten, for a choice, and what each is counted in; put away foods are not offered. @param before what stands first */
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
    countedIn: (thing: string) =>
      isRecipe(thing) ? recipeCounted(recipes.get(idOf(thing))) : foodCounted(foods.get(idOf(thing))),
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
