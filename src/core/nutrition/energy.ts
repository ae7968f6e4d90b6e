import type { Food, Nutrients } from "../log/kinds/foods";
import type { Meal } from "../log/kinds/meals";
import type { Recipe } from "../log/kinds/recipes";

/**
 * Absolute nutrients with none left open; carbohydrate is total carbohydrate, fibre, sugars and polyols being parts of
 * it.
 */
export type FullNutrients = {
  kcal: number;
  protein: number;
  fat: number;
  carbohydrate: number;
  fibre: number;
  sugars: number;
  polyols: number;
  alcohol: number;
};

export const noNutrients: FullNutrients = {
  kcal: 0,
  protein: 0,
  fat: 0,
  carbohydrate: 0,
  fibre: 0,
  sugars: 0,
  polyols: 0,
  alcohol: 0,
};
const names = Object.keys(noNutrients) as (keyof FullNutrients)[];

/**
 * Energy of food from its nutrients, in kilocalories: 4 × available carbohydrate (total less fibre and polyols), 2 ×
 * fibre,
 * 2.4 × polyols, 4 × protein, 9 × fat, 7 × alcohol; grams in. Source: Regulation (EU) 1169/2011, Annex XIV.
 */
export function energyFromNutrients({
  protein = 0,
  fat = 0,
  carbohydrate = 0,
  fibre = 0,
  polyols = 0,
  alcohol = 0,
}: Partial<FullNutrients>): number {
  return (
    4 * Math.max(0, carbohydrate - fibre - polyols) + 2 * fibre + 2.4 * polyols + 4 * protein + 9 * fat + 7 * alcohol
  );
}

/**
 * The same in kilojoules with the Regulation's own kilojoule factors (17, 8, 10, 17, 37, 29), which are not 4.184 times
 * the others.
 */
export function kilojoulesFromNutrients({
  protein = 0,
  fat = 0,
  carbohydrate = 0,
  fibre = 0,
  polyols = 0,
  alcohol = 0,
}: Partial<FullNutrients>): number {
  return (
    17 * Math.max(0, carbohydrate - fibre - polyols) + 8 * fibre + 10 * polyols + 17 * protein + 37 * fat + 29 * alcohol
  );
}

/** Nutrients with gaps read as zero and a missing energy computed. */
export function complete(nutrients: Nutrients): FullNutrients {
  const full: FullNutrients = { ...noNutrients };
  for (const name of names) full[name] = nutrients[name] ?? 0;
  full.kcal = nutrients.kcal ?? energyFromNutrients(full);
  return full;
}

/** Whether nutrients say anything of energy: stated, or to be computed from one of them at least. */
export function statesEnergy({ kcal, protein, fat, carbohydrate, alcohol }: Nutrients): boolean {
  return [kcal, protein, fat, carbohydrate, alcohol].some((value) => value != null);
}

/** A food's nutrients per 100 g with total carbohydrate, whichever basis its label has. */
export function per100g(food: Food): FullNutrients {
  const label = food.per100g;
  const hidden = food.carbohydrateBasis === "available" ? (label.fibre ?? 0) : 0;
  return complete({ ...label, carbohydrate: (label.carbohydrate ?? 0) + hidden });
}

export function scale(nutrients: FullNutrients, by: number): FullNutrients {
  const scaled: FullNutrients = { ...noNutrients };
  for (const name of names) scaled[name] = nutrients[name] * by;
  return scaled;
}

export function addUp(list: readonly FullNutrients[]): FullNutrients {
  const sum: FullNutrients = { ...noNutrients };
  for (const one of list) for (const name of names) sum[name] += one[name];
  return sum;
}

/** Nutrients of one portion of a recipe, its ingredients' raw nutrients shared evenly. */
export function perPortion(recipe: Recipe, foods: ReadonlyMap<string, Food>): FullNutrients {
  const parts = recipe.ingredients.flatMap(({ foodId, grams }) => {
    const food = foods.get(foodId);
    return food === undefined ? [] : [scale(per100g(food), grams / 100)];
  });
  return scale(addUp(parts), 1 / (recipe.portions ?? 1));
}

/** The foods that a meal is made of, by weight: its own, else the ingredients of so much of its recipe. */
export function foodsIn(
  { foodId, recipeId, grams, portions, swaps }: Meal,
  recipes: ReadonlyMap<string, Recipe>,
): { foodId: string; grams: number }[] {
  if (foodId != null && grams != null) return [{ foodId, grams }];
  const recipe = recipes.get(recipeId ?? "");
  if (recipe === undefined) return [];
  return swappedIn(recipe, swaps).ingredients.map((part) => ({
    foodId: part.foodId,
    grams: (part.grams * (portions ?? 1)) / (recipe.portions ?? 1),
  }));
}

/** What a portion of a recipe weighs cooked, grams; null where its cooked weight is not written. */
export function gramsOfPortion({ cookedGrams, portions }: Recipe): number | null {
  return cookedGrams == null ? null : cookedGrams / (portions ?? 1);
}

/** What a meal of so many grams of a food writes down: which food, how much, and its nutrients as they are now. */
export function ofFood(food: Food, grams: number) {
  return { foodId: food.id, grams, nutrients: scale(per100g(food), grams / 100) };
}

/** The same of so many portions of a recipe, with what was taken in the place of its ingredients. */
export function ofRecipe(
  recipe: Recipe,
  portions: number,
  foods: ReadonlyMap<string, Food>,
  swaps: Meal["swaps"] = null,
) {
  return {
    recipeId: recipe.id,
    portions,
    nutrients: scale(perPortion(swappedIn(recipe, swaps), foods), portions),
    ...(swaps == null ? {} : { swaps }),
  };
}

/** A recipe with what was taken in the place of its ingredients. */
export function swappedIn(recipe: Recipe, swaps: Meal["swaps"]): Recipe {
  if (swaps == null) return recipe;
  const by = new Map(swaps.map((swap) => [swap.foodId, swap]));
  return {
    ...recipe,
    ingredients: recipe.ingredients.map((part) => {
      const swap = by.get(part.foodId);
      return swap === undefined ? part : { foodId: swap.byFoodId, grams: swap.grams };
    }),
  };
}

/**
 * A meal of another amount: in grams where it is of a food, in portions where it is of a recipe. What it was written with is
 * taken in proportion, so that a food that was changed since does not change what was eaten before.
 */
export function ofAmount(
  meal: Meal,
  amount: number,
  foods: ReadonlyMap<string, Food>,
  recipes: ReadonlyMap<string, Recipe>,
): Meal {
  const [food, recipe] = [foods.get(meal.foodId ?? ""), recipes.get(meal.recipeId ?? "")];
  const before = meal.recipeId == null ? meal.grams : meal.portions;
  const now = meal.recipeId == null ? { grams: amount } : { portions: amount };
  if (meal.nutrients && before != null && before > 0)
    return { ...meal, ...now, nutrients: scale(complete(meal.nutrients), amount / before) };
  if (food !== undefined) return { ...meal, ...ofFood(food, amount) };
  return recipe === undefined ? { ...meal, ...now } : { ...meal, ...ofRecipe(recipe, amount, foods, meal.swaps) };
}

export type MealNutrients = { nutrients: FullNutrients } | { reason: string };

/**
 * Nutrients of a meal: the snapshot it was written with, else its food by weight, else its recipe by portions. Energy
 * that is not known is not nothing: it is a reason.
 */
export function mealNutrients(
  meal: Meal,
  foods: ReadonlyMap<string, Food>,
  recipes: ReadonlyMap<string, Recipe>,
): MealNutrients {
  const food = meal.foodId ? foods.get(meal.foodId) : undefined;
  const recipe = meal.recipeId ? recipes.get(meal.recipeId) : undefined;
  const unknown =
    food !== undefined && !statesEnergy(food.per100g)
      ? `the nutrients of ${food.name} are not written`
      : recipe === undefined
        ? null
        : recipeLack(swappedIn(recipe, meal.swaps), foods);
  // A snapshot of nothing, taken of a food of which nothing was written, says no more than that.
  if (
    meal.nutrients &&
    statesEnergy(meal.nutrients) &&
    (unknown === null || names.some((name) => (meal.nutrients![name] ?? 0) > 0))
  )
    return { nutrients: complete(meal.nutrients) };
  if (unknown !== null) return { reason: unknown };
  if (food) return meal.grams == null ? { reason: `the weight of ${food.name} is missing` } : ofFood(food, meal.grams);
  if (recipe) return ofRecipe(recipe, meal.portions ?? 1, foods, meal.swaps);
  return {
    reason: meal.name ? `no nutrients are written of ${meal.name}` : "neither nutrients nor a food are written",
  };
}

/** The energy of a meal as `mealNutrients` has it, kilocalories; null where it is not known. */
export function mealKcal(
  meal: Meal,
  foods: ReadonlyMap<string, Food>,
  recipes: ReadonlyMap<string, Recipe>,
): number | null {
  // The usual case at once, for those who ask of twenty years of meals: a snapshot that states its energy.
  const stated = meal.nutrients?.kcal;
  if (stated != null && stated > 0) return stated;
  const result = mealNutrients(meal, foods, recipes);
  return "reason" in result ? null : result.nutrients.kcal;
}

/** What is missing to know the energy of a recipe; null when nothing is. */
function recipeLack({ name, ingredients }: Recipe, foods: ReadonlyMap<string, Food>): string | null {
  if (ingredients.length === 0) return `no ingredient of ${name} is written`;
  for (const { foodId } of ingredients) {
    const food = foods.get(foodId);
    if (food === undefined) return `an ingredient of ${name} is no longer among the foods`;
    if (!statesEnergy(food.per100g)) return `the nutrients of ${food.name} are not written`;
  }
  return null;
}
