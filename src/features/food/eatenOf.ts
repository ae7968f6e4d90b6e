"use client";

import { printNumber, printPlain } from "@/core/base/units/number";
import type { Food } from "@/core/log/kinds/foods";
import type { Recipe } from "@/core/log/kinds/recipes";
import { gramsOfPortion } from "@/core/nutrition/energy";
import type { Counted } from "@/core/nutrition/forms";
import { type Amount, eatenNow } from "@/core/nutrition/mealOn";
import type { Usual } from "@/core/nutrition/usuals";
import { useHousehold } from "@/ui/log/useFigure";

/** The household's foods and recipes by their ids. */
export function useEdibles() {
  const library = useHousehold("library");
  return {
    foods: new Map((library?.foods ?? []).map((food) => [food.id, food])),
    recipes: new Map((library?.recipes ?? []).map((recipe) => [recipe.id, recipe])),
  };
}

/** What an amount of a food is counted in: its portions too, and millilitres where it says what one weighs. */
export function foodCounted(food: Food | undefined): Counted & { of: "food" } {
  const ml = food?.gramsPerMl == null ? [] : [{ name: "ml", grams: food.gramsPerMl }];
  return { of: "food", portions: [...(food?.portions ?? []), ...ml] };
}

/** What an amount of a recipe is counted in: grams too, where it was weighed. */
export function recipeCounted(recipe: Recipe | undefined): Counted & { of: "recipe" } {
  return { of: "recipe", gramsOfPortion: recipe === undefined ? null : gramsOfPortion(recipe) };
}

/** What so much of a food or a recipe writes down; null where it is no longer there. */
export function useEatenOf() {
  const { foods, recipes } = useEdibles();
  return (amount: Amount) => eatenNow(amount, foods, recipes);
}

/** `80 g`, `1.5 ×`; nothing where neither is written. */
export function amountOf({ grams, portions }: Pick<Usual, "grams" | "portions">): string {
  if (grams !== null) return `${printNumber(grams, 0)} g`;
  return portions === null ? "" : `${printPlain(portions, 2)} ×`;
}
