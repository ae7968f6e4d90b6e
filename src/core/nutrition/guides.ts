import { type EnergyUnit, fromKcal } from "../base/units/energy";
import { printTyped } from "../base/units/number";
import type { MealGuides } from "../log/kinds/people";
import type { FullNutrients } from "./energy";
import { type Standing, standingOf } from "./standing";

/** What a meal of the trainee's can be guided by. */
export const guided = ["kcal", "protein", "fat", "carbohydrate", "fibre"] as const;
export type Guided = (typeof guided)[number];

/** What of a meal's energy or a nutrient there is, beside its guide. */
export interface GuideStanding extends Standing {
  of: Guided;
  eaten: number;
  from: number | null;
  to: number | null;
}

/** How a meal stands to each of its guides, what is planned in it counted in. */
export function guideStandings(guides: MealGuides, nutrients: FullNutrients): GuideStanding[] {
  return guided.flatMap((of) => {
    const [from, to] = [guides[of]?.from ?? null, guides[of]?.to ?? null];
    if (from === null && to === null) return [];
    const meant = from === null ? "atMost" : to === null ? "atLeast" : "between";
    return [{ of, eaten: nutrients[of], from, to, ...standingOf(nutrients[of], { grams: from ?? to!, to, meant }) }];
  });
}

/** A guide as it is written: `400 to 600`, `at least 30`, `at most 20`; empty without one. */
export function printGuide(of: Guided, guides: MealGuides | null | undefined, unit: EnergyUnit): string {
  const [from, to] = [guides?.[of]?.from ?? null, guides?.[of]?.to ?? null];
  const number = (value: number) => printTyped(of === "kcal" ? fromKcal(value, unit) : value, 1);
  if (from === null) return to === null ? "" : `at most ${number(to)}`;
  return to === null ? `at least ${number(from)}` : `${number(from)} to ${number(to)}`;
}
