import type { Day } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import type { AsOf } from "../log/asOf";
import type { Meal } from "../log/kinds/meals";
import { addUp, type FullNutrients, mealNutrients } from "./energy";
import { type GuideStanding, guideStandings } from "./guides";
import { mealNames } from "./mealNames";
import { nutritionOf } from "./slice";

/** One line of a meal. */
export interface MealLine {
  meal: Meal;
  name: string;
  grams: number | null;
  portions: number | null;
  nutrients: FullNutrients | null;
  reason: string | null;
}

/** The lines of one meal, with their energy together, and how that stands to what the trainee wants of the meal. */
export interface MealGroup {
  name: string;
  lines: MealLine[];
  kcal: number;
  planned: MealLine[];
  guides: GuideStanding[];
}

export function mealLines(asOf: AsOf, day: Day): MealLine[] {
  const foods = nutritionOf(asOf).foods();
  const recipes = nutritionOf(asOf).recipes();
  return nutritionOf(asOf)
    .mealsOn(day)
    .map((meal) => {
      const result = mealNutrients(meal, foods, recipes);
      const name =
        meal.name ||
        (meal.foodId && foods.get(meal.foodId)?.name) ||
        (meal.recipeId && recipes.get(meal.recipeId)?.name) ||
        "food";
      const swaps = (meal.swaps ?? []).map(
        ({ foodId, byFoodId }) => `${foods.get(byFoodId)?.name ?? byFoodId} for ${foods.get(foodId)?.name ?? foodId}`,
      );
      return {
        meal,
        name: [name, ...swaps].join(", "),
        grams: meal.grams ?? null,
        portions: meal.portions ?? null,
        nutrients: "nutrients" in result ? result.nutrients : null,
        reason: "reason" in result ? result.reason : null,
      };
    });
}

/** The day's meals: in the order of the trainee's names of them, then any others in alphabetical order. */
export function mealGroups(asOf: AsOf, day: Day): MealGroup[] {
  const mealOrder = mealNames(asOf.settings);
  const rank = (name: string) => {
    const index = mealOrder.indexOf(name);
    return index < 0 ? mealOrder.length : index;
  };
  return [...groupBy(mealLines(asOf, day), ({ meal }) => meal.meal || "food")]
    .sort(([a], [b]) => rank(a) - rank(b) || (a < b ? -1 : 1))
    .map(([name, lines]) => ({
      name,
      lines,
      kcal: lines.reduce((sum, { nutrients }) => sum + (nutrients?.kcal ?? 0), 0),
      guides: guideStandings(
        asOf.settings.meals?.find((meal) => meal.name === name)?.guides ?? {},
        addUp(lines.flatMap(({ nutrients }) => nutrients ?? [])),
      ),
      planned: lines.filter(({ meal }) => meal.status === "planned"),
    }));
}
