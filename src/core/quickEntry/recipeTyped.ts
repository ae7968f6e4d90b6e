import { counted } from "../base/units/number";
import type { AsOf } from "../log/asOf";
import type { Recipe } from "../log/kinds/recipes";
import { entryContext } from "./entryView";
import { readEntry } from "./read";

type Ingredients = Recipe["ingredients"];

/**
 * The ingredients of a recipe as they are typed, a line each, read as the quick-entry line reads foods: `320 g lentils`,
 * `2 eggs`.
 * @returns the ingredients, or what is wrong with a line
 */
export function recipeTyped(
  asOf: AsOf,
  { ingredients }: { ingredients: string },
  newId: () => string,
): { ingredients: Ingredients } | { why: string } {
  const context = { ...entryContext(asOf, asOf.on, null, newId), recipes: [] };
  const lines = ingredients.split("\n").map((line) => line.trim());
  const read: Ingredients = [];
  for (const [index, line] of lines.entries()) {
    if (line === "") continue;
    const say = (why: string) => ({ why: `Line ${index + 1}, “${line}”: ${why}` });
    const { change, problems, written } = readEntry(`snack: ${line}`, context);
    if (problems.length > 0) return say(problems[0]!.message);
    const meals = (change ?? []).flatMap((step) => ("put" in step && step.kind === "meals" ? [step.put] : []));
    const [meal] = meals;
    if (meal?.foodId == null || meal.grams == null || meals.length !== 1 || written.sessions.length > 0)
      return say(
        meals.length > 1
          ? `${counted(meals.length, "food")} stand in it: write each on a line of its own.`
          : "it is no food with an amount.",
      );
    read.push({ foodId: meal.foodId, grams: meal.grams, text: line });
  }
  return read.length === 0 ? { why: "Write at least one, such as 320 g lentils." } : { ingredients: read };
}
