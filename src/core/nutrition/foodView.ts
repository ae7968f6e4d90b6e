import type { Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { FoodDay } from "./foodDay";
import { foodDay, foodDays } from "./foodDay";
import type { MealGroup } from "./mealGroups";
import { mealGroups } from "./mealGroups";

export interface FoodView {
  food: FoodDay;
  meals: MealGroup[];
  week: FoodDay[];
}

/** A day's food by line, and the days of the last week that have some. */
export function foodView(asOf: AsOf, day: Day): FoodView {
  return { food: foodDay(asOf, day), meals: mealGroups(asOf, day), week: foodDays(asOf, asOf.on - 6) };
}
