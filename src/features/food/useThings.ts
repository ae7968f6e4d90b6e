"use client";

import { put, type Change } from "@/core/log/records";
import { eatenNow } from "@/core/nutrition/mealOn";
import { lateCode } from "@/ui/kit/late";
import { useEffect } from "react";
import { foodCounted, recipeCounted, useEdibles } from "./eatenOf";

/** The composition table, fetched when a list of foods is opened for the first time. */
const table = lateCode(() => import("@/tables/foodSearch").then(({ foodsOfTable }) => foodsOfTable()));

const idOf = (thing: string) => thing.slice(thing.indexOf(" ") + 1);

/**
 * What can be eaten, for a choice, and what each is counted in; put away foods are not offered, those of the table that ships
 * come last and are the trainee's once they are eaten.
 * @param before what stands first
 */
export function useThings(before: "foods" | "recipes") {
  const { foods, recipes } = useEdibles();
  const ofTable = table.useCode();
  const offered = {
    foods: [...foods.values()]
      .filter(({ hidden }) => hidden !== true)
      .map(({ id, name }) => ({ value: `food ${id}`, label: name })),
    recipes: [...recipes.values()]
      .filter(({ hidden }) => hidden !== true)
      .map(({ id, name }) => ({ value: `recipe ${id}`, label: `${name} (recipe)` })),
    table: [...(ofTable?.values() ?? [])]
      .filter(({ id }) => !foods.has(id))
      .map(({ id, name }) => ({ value: `table ${id}`, label: `${name} (of the table)` })),
  };
  const tableFood = (thing: string) => (thing.startsWith("table ") ? ofTable?.get(idOf(thing)) : undefined);
  return {
    options: [
      ...(before === "foods" ? [...offered.foods, ...offered.recipes] : [...offered.recipes, ...offered.foods]),
      ...offered.table,
    ],
    onOpen: table.fetch,
    countedIn: (thing: string) =>
      isRecipe(thing) ? recipeCounted(recipes.get(idOf(thing))) : foodCounted(foods.get(idOf(thing))),
    /** So much of what was chosen; null where it is no longer there. */
    eatenOf: (thing: string, amount: number) => {
      const made = tableFood(thing);
      return eatenNow(
        isRecipe(thing) ? { recipeId: idOf(thing), portions: amount } : { foodId: idOf(thing), grams: amount },
        made === undefined ? foods : new Map([[made.id, made]]),
        recipes,
      );
    },
    /** What must be written beside it: a food of the table becomes one of the trainee's own. */
    madeOf: (thing: string): Change => {
      const made = tableFood(thing);
      return made === undefined ? [] : [put("foods", made)];
    },
  };
}

/** Fetches the table where what is chosen in a form is of it, as after a reload. */
export function useTableFor(chosen: string): void {
  const isOfTable = chosen.startsWith("table ");
  useEffect(() => {
    if (isOfTable) table.fetch();
  }, [isOfTable]);
}

/** Whether a recipe was chosen: it is counted in portions. */
export function isRecipe(thing: string): boolean {
  return thing.startsWith("recipe ");
}
