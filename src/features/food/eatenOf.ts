"use client";

import { printNumber } from "@/core/base/units/number";
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

/** What so much of a food or a recipe writes down; null where it is no longer there. */
export function useEatenOf() {
  const { foods, recipes } = useEdibles();
  return (amount: Amount) => eatenNow(amount, foods, recipes);
}

/** `80 g`, `1.5 ×`; nothing where neither is written. */
export function amountOf({ grams, portions }: Pick<Usual, "grams" | "portions">): string {
  if (grams !== null) return `${printNumber(grams, 0)} g`;
  return portions === null ? "" : `${printNumber(portions, portions % 1 === 0 ? 0 : 1)} ×`;
}
