import { type Day, dateOf } from "../base/calendar/day";
import { compare } from "../base/text";
import type { AsOf } from "../log/asOf";
import type { Meal } from "../log/kinds/meals";
import { type Change, put } from "../log/records";
import { mealNutrients } from "./energy";
import { mealNames } from "./mealNames";
import { eatenNow, mealAgain } from "./mealOn";
import { nutritionOf } from "./slice";

/** Something often eaten at a meal, with the amount of the last time. */
export interface Usual {
  meal: string;
  name: string;
  foodId: string | null;
  recipeId: string | null;
  grams: number | null;
  portions: number | null;
  kcal: number | null;
}

/** What was eaten at a meal over so many days is offered again; at most so many things of a meal. */
const [lookedBack, offeredAtMost] = [42, 6];

const keyOf = ({ meal, foodId, recipeId }: Meal) => `${meal ?? ""} ${foodId ?? recipeId ?? ""}`;

/** What is usual at each meal: of the last six weeks, the oftenest first, without what stands on the day already. */
export function usualsOn(asOf: AsOf, day: Day): { meal: string; usuals: Usual[] }[] {
  return usualBut(asOf, day, new Set(nutritionOf(asOf).mealsOn(day).map(keyOf)));
}

/** The same with all that is usual before a day, of each meal together. */
export function usualBefore(asOf: AsOf, day: Day): Usual[] {
  return usualBut(asOf, day, new Set()).flatMap(({ usuals }) => usuals);
}

function usualBut(asOf: AsOf, day: Day, here: ReadonlySet<string>): { meal: string; usuals: Usual[] }[] {
  const nutrition = nutritionOf(asOf);
  const [foods, recipes] = [nutrition.foods(), nutrition.recipes()];
  const found = new Map<string, { last: Meal; count: number }>();
  for (let back = lookedBack; back >= 1; back--)
    for (const meal of nutrition.mealsOn(day - back)) {
      if (meal.status === "planned" || (meal.foodId == null && meal.recipeId == null)) continue;
      const held = found.get(keyOf(meal));
      found.set(keyOf(meal), { last: meal, count: (held?.count ?? 0) + 1 });
    }
  return mealNames(asOf.settings).map((meal) => ({
    meal,
    usuals: [...found]
      .filter(([key, { last }]) => last.meal === meal && !here.has(key))
      .map(([, one]) => one)
      .filter(({ last: { foodId, recipeId } }) =>
        foodId
          ? foods.has(foodId) && foods.get(foodId)!.hidden !== true
          : recipes.has(recipeId!) && recipes.get(recipeId!)!.hidden !== true,
      )
      .sort((a, b) => b.count - a.count || compare(a.last.id, b.last.id))
      .slice(0, offeredAtMost)
      .map(({ last }): Usual => {
        const nutrients = mealNutrients(last, foods, recipes);
        return {
          meal,
          name: foods.get(last.foodId ?? "")?.name ?? recipes.get(last.recipeId ?? "")?.name ?? "food",
          foodId: last.foodId ?? null,
          recipeId: last.recipeId ?? null,
          grams: last.grams ?? null,
          portions: last.portions ?? (last.recipeId != null ? 1 : null),
          kcal: "reason" in nutrients ? null : nutrients.nutrients.kcal,
        };
      }),
  }));
}

/** Which meals are copied, and where to: all of a day or one of its meals, to one day or to several in a row. */
export interface CopyAsk {
  from: Day;
  to: Day;
  meal: string | null;
  days: number;
}

/**
 * Meals of a day on other days: eaten where the day has come, planned where it has not. Their nutrients are those of the foods
 * as they are now, where there is one; what stands on a day already stays.
 */
export function mealsCopied(asOf: AsOf, { from, to, meal, days }: CopyAsk, newId: () => string): Change {
  const nutrition = nutritionOf(asOf);
  const [foods, recipes] = [nutrition.foods(), nutrition.recipes()];
  const source = nutrition.mealsOn(from).filter((one) => meal === null || one.meal === meal);
  const change: Change = [];
  for (let day = to; day < to + days; day++)
    for (const one of source) {
      const fresh = eatenNow(one, foods, recipes) ?? {};
      change.push(put("meals", { ...mealAgain(one, { id: newId(), date: dateOf(day) }, dateOf(asOf.on)), ...fresh }));
    }
  return change;
}

/** The meals of seven days from one on, each on the day that lies as far behind another. */
export function weekCopied(asOf: AsOf, from: Day, to: Day, newId: () => string): Change {
  return Array.from({ length: 7 }, (_, at) =>
    mealsCopied(asOf, { from: from + at, to: to + at, meal: null, days: 1 }, newId),
  ).flat();
}
