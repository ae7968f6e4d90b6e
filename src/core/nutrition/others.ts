import type { Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { foodsIn } from "./energy";
import { nutritionOf } from "./slice";

/** Something else that foods state, and how much of it was eaten. */
export interface OtherEaten {
  name: string;
  mg: number;
}

/**
 * What else was eaten on a day, milligrams by name, of foods that state it, in recipes too; from what the foods state now. A
 * food that states none of it counts for nothing, so it is at least so much.
 */
export function othersOn(asOf: AsOf, day: Day): OtherEaten[] {
  const nutrition = nutritionOf(asOf);
  const [foods, recipes] = [nutrition.foods(), nutrition.recipes()];
  const found = new Map<string, OtherEaten>();
  for (const meal of nutrition.mealsOn(day)) {
    if (meal.status === "planned") continue;
    for (const { foodId, grams } of foodsIn(meal, recipes))
      for (const { name, mg } of foods.get(foodId)?.others ?? []) {
        const key = name.toLowerCase();
        const held = found.get(key);
        found.set(key, { name: held?.name ?? name, mg: (held?.mg ?? 0) + (mg * grams) / 100 });
      }
  }
  return [...found.values()];
}
