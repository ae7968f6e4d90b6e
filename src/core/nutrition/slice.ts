import type { Day } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { type AsOf, Slice } from "../log/asOf";
import type { Food } from "../log/kinds/foods";
import type { Meal } from "../log/kinds/meals";
import type { Recipe } from "../log/kinds/recipes";

/** What a person eats and drinks. */
class Nutrition extends Slice {
  foods(): ReadonlyMap<string, Food> {
    return this.asOf.index.all("foods");
  }
  recipes(): ReadonlyMap<string, Recipe> {
    return this.asOf.index.all("recipes");
  }

  /** Meals of a day, in the order written. */
  mealsOn(day: Day): readonly Meal[] {
    return this.asOf.index.on("meals", this.asOf.personId, day);
  }
  mealDays(): readonly Day[] {
    return this.asOf.index.days("meals", this.asOf.personId);
  }

  /** Water drunk on a day, millilitres. */
  waterOn(day: Day): number {
    return this.asOf.index.on("water", this.asOf.personId, day).reduce((sum, { ml }) => sum + ml, 0);
  }
  waterDays(): readonly Day[] {
    return this.asOf.index.days("water", this.asOf.personId);
  }
}

export const nutritionOf = perOwner((asOf: AsOf) => new Nutrition(asOf));
