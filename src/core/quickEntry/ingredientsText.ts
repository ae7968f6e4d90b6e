import type { Recipe } from "../log/kinds/recipes";

/** The ingredients of a recipe as lines that would be read again. */
export function ingredientsText(recipe: Recipe, nameOf: (foodId: string) => string): string {
  return recipe.ingredients.map(({ foodId, grams, text }) => text ?? `${grams} g ${nameOf(foodId)}`).join("\n");
}
