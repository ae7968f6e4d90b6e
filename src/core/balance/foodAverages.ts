import { type Day, weekdayOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { dayKind, dayKindsOf } from "../energy/expenditure";
import { energyOf } from "../energy/slice";
import { addUp, type FullNutrients, scale } from "../nutrition/energy";
import { eatenOn } from "../nutrition/foodDay";
import { mealLines } from "../nutrition/mealGroups";
import { mealNames } from "../nutrition/mealNames";
import { measuredOf } from "./measured";

/** A mean of whole days. */
export interface FoodMean {
  name: string;
  days: number;
  nutrients: FullNutrients;
}

export interface FoodAverages {
  /** The last seven and the last 28 days before the one asked about. */
  spans: FoodMean[];
  /** Of the last twelve weeks: by weekday (1 Monday), and by kind of day. */
  weekdays: FoodMean[];
  kinds: FoodMean[];
  /** Of the last 28 days: protein at each meal, grams a day, and its share. */
  protein: { meal: string; grams: number; share: number }[];
  /** Days of the last 28 that are not whole and so in no mean. */
  left: number;
}

const reach = 84;

/** What is eaten on average; days that are not whole are in none of it, as they are in no measured expenditure. */
export function foodAverages(asOf: AsOf): FoodAverages {
  const isWhole = (day: Day) => "kcal" in measuredOf(asOf).wholeOn(day);
  const back = (days: number) =>
    Array.from({ length: days }, (_, index) => asOf.on - days + index).filter((day) => isWhole(day));
  const mean = (name: string, days: readonly Day[]): FoodMean[] =>
    days.length === 0
      ? []
      : [
          {
            name,
            days: days.length,
            nutrients: scale(addUp(days.map((day) => eatenOn(asOf)(day).eaten)), 1 / days.length),
          },
        ];
  const [month, quarter] = [back(28), back(reach)];
  const byMeal = new Map<string, number>(mealNames(asOf.settings).map((name) => [name, 0]));
  for (const day of month)
    for (const { meal, nutrients } of mealLines(asOf, day)) {
      if (meal.status === "planned" || nutrients === null) continue;
      const name = meal.meal ?? "food";
      byMeal.set(name, (byMeal.get(name) ?? 0) + nutrients.protein);
    }
  const protein = [...byMeal.values()].reduce((sum, grams) => sum + grams, 0);
  return {
    spans: [...mean("7 days", back(7)), ...mean("28 days", month)],
    weekdays: [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) =>
      mean(
        String(weekday),
        quarter.filter((day) => weekdayOf(day) === weekday),
      ),
    ),
    kinds: dayKindsOf(energyOf(asOf).settingsOn(asOf.on)).flatMap((kind) =>
      mean(
        `${kind} day`,
        quarter.filter((day) => dayKind(asOf, day) === kind),
      ),
    ),
    protein:
      protein === 0
        ? []
        : [...byMeal]
            .filter(([, grams]) => grams > 0)
            .map(([meal, grams]) => ({ meal, grams: grams / month.length, share: grams / protein })),
    left: 28 - month.length,
  };
}
