import type { Day } from "../base/calendar/day";
import { dayKindsOf } from "../energy/expenditure";
import { energyOf } from "../energy/slice";
import type { AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";
import type { FoodDay } from "./foodDay";
import { foodDay, foodDays } from "./foodDay";
import type { MealGroup } from "./mealGroups";
import { mealGroups } from "./mealGroups";
import { type OtherEaten, othersOn } from "./others";
import { type NutrientStands, standings } from "./standing";

export interface FoodView {
  food: FoodDay;
  meals: MealGroup[];
  week: FoodDay[];
  /** How the day stands to its targets in grams. */
  standings: NutrientStands[];
  /** What else was eaten that foods state: caffeine, iron. */
  others: OtherEaten[];
  /** The kinds of day there are, and which was said of this one; null where it goes by its turn. */
  kinds: string[];
  kindSaid: string | null;
}

/** A day's food by line, and the days of the last week that have some. */
export function foodView(asOf: AsOf, day: Day): FoodView {
  const food = foodDay(asOf, day);
  const note = notesOf(asOf).noteOn(day);
  const kinds = dayKindsOf(energyOf(asOf).settingsOn(day));
  const said = note?.dayKind ?? note?.activity ?? null;
  return {
    food,
    meals: mealGroups(asOf, day),
    week: foodDays(asOf, asOf.on - 6),
    standings: "reason" in food.target ? [] : standings(food.eaten, food.target.asked),
    others: othersOn(asOf, day),
    kinds,
    kindSaid: said !== null && kinds.includes(said) ? said : null,
  };
}
