import type { IngredientLine } from "@/core/nutrition/ingredientMatch";
import { ingredientLine } from "./ingredientLine";
import { type PageRecipe, readRecipePage } from "./recipePage";

/** A recipe of a page with its lines read. */
export interface ReadRecipe extends PageRecipe {
  lines: IngredientLine[];
}

/** The recipes of a page, each line of their ingredients read; or why there are none. */
export function recipesOfPage(page: string): ReadRecipe[] | { why: string } {
  const read = readRecipePage(page);
  if (!read.ok) return { why: read.problems[0]!.message };
  return read.recipes.map((recipe) => ({
    ...recipe,
    lines: recipe.ingredients.flatMap((line) => ingredientLine(line) ?? []),
  }));
}
