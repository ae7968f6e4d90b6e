import type { Day } from "../base/calendar/day";
import { printNumber } from "../base/units/number";
import type { AsOf } from "../log/asOf";
import type { nutritionColumns } from "./columns";
import { eatenOn, isKnown } from "./foodDay";
import { nutritionOf } from "./slice";

/** What a day's cells of the columns of food say, in the trainee's units; empty where there is nothing. */
export function nutritionCells(asOf: AsOf, day: Day): Record<(typeof nutritionColumns)[number]["id"], string> {
  const eaten = nutritionOf(asOf)
    .mealsOn(day)
    .some(({ status }) => status !== "planned");
  const food = day <= asOf.on && eaten ? eatenOn(asOf)(day) : null;
  const water = nutritionOf(asOf).waterOn(day);
  return {
    energy: food === null ? "" : `${isKnown(food) ? "" : "≥ "}${asOf.printer.energyNumber(food.eaten.kcal)}`,
    protein: food === null ? "" : printNumber(food.eaten.protein, 0),
    water: water > 0 ? printNumber(water, 0) : "",
  };
}
