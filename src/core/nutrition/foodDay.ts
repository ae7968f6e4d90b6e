import type { Day } from "../base/calendar/day";
import { memo, memoByKey, perOwner } from "../base/memo";
import { type WeekdayEffects, weekdayMeans } from "../body/weekday";
import type { Target } from "../energy/expenditure";
import { targetOn } from "../energy/expenditure";
import type { AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";
import { addUp, type FullNutrients, mealNutrients } from "./energy";
import { nutritionOf } from "./slice";

/** What was eaten on a day. */
export interface FoodDay {
  day: Day;
  /** Of what is known: where something eaten has no known energy, the least. */
  eaten: FullNutrients;
  /** Energy eaten; null where something eaten has none that is known. */
  eatenKcal: number | null;
  planned: FullNutrients;
  waterMl: number;
  /** Whether the trainee said that everything eaten is written, and all of it has a known energy. */
  complete: boolean;
  target: Target;
  remainingKcal: number | null;
  /** Meals whose nutrients cannot be known, with the reason. */
  unknown: { mealId: string; reason: string; planned: boolean }[];
  /** Why the energy eaten is not known; empty where it is. */
  unknownWhy: string;
}

/** What is written of a day's food, whatever its target. */
export const eatenOn = perOwner((asOf: AsOf) =>
  memoByKey(asOf.log.index, (day: Day) => {
    const foods = nutritionOf(asOf).foods();
    const recipes = nutritionOf(asOf).recipes();
    const read = nutritionOf(asOf)
      .mealsOn(day)
      .map((meal) => ({ meal, result: mealNutrients(meal, foods, recipes) }));
    const sumOf = (planned: boolean) =>
      addUp(
        read.flatMap(({ meal, result }) =>
          "nutrients" in result && (meal.status === "planned") === planned ? [result.nutrients] : [],
        ),
      );
    return {
      eaten: sumOf(false),
      planned: sumOf(true),
      unknown: read.flatMap(({ meal, result }) =>
        "reason" in result ? [{ mealId: meal.id, reason: result.reason, planned: meal.status === "planned" }] : [],
      ),
    };
  }),
);

/** Whether everything eaten on a day has a known energy. */
export const isKnown = ({ unknown }: Pick<FoodDay, "unknown">) => unknown.every(({ planned }) => planned);

const foodDaysOf = perOwner((asOf: AsOf) =>
  memoByKey(asOf.log.index, (day: Day): FoodDay => {
    const { eaten, planned, unknown } = eatenOn(asOf)(day);
    const target = targetOn(asOf, day);
    const eatenKcal = isKnown({ unknown }) ? eaten.kcal : null;
    return {
      day,
      eaten,
      eatenKcal,
      planned,
      waterMl: nutritionOf(asOf).waterOn(day),
      complete: eatenKcal !== null && (notesOf(asOf).noteOn(day)?.foodComplete ?? false),
      target,
      remainingKcal: "reason" in target || eatenKcal === null ? null : target.kcal - eatenKcal,
      unknown,
      unknownWhy: [...new Set(unknown.filter(({ planned: ahead }) => !ahead).map(({ reason }) => reason))].join("; "),
    };
  }),
);

export function foodDay(asOf: AsOf, day: Day): FoodDay {
  return foodDaysOf(asOf)(day);
}

/** Weekday effects on intake rest on at most so many days. */
const intakeDays = 182;

/** What each weekday does to what is eaten, over days that are written completely; or why that cannot be said. */
export const weekdayIntake = perOwner((asOf: AsOf) =>
  memo(asOf.log.index, (): WeekdayEffects | { reason: string } => {
    const days = nutritionOf(asOf)
      .mealDays()
      .filter(
        (day) =>
          day <= asOf.on &&
          day > asOf.on - intakeDays &&
          notesOf(asOf).noteOn(day)?.foodComplete === true &&
          isKnown(eatenOn(asOf)(day)),
      );
    return days.length === 0
      ? { reason: "no day's food is marked as complete" }
      : weekdayMeans(days.map((day) => ({ day, value: eatenOn(asOf)(day).eaten.kcal })));
  }),
);

/** Days up to the one asked about (and within `from` and `to`) on which something was eaten or drunk, oldest first. */
export function foodDays(asOf: AsOf, from = -Infinity, to = Infinity): FoodDay[] {
  const within = (day: Day) => day >= from && day <= to && day <= asOf.on;
  const days = new Set(nutritionOf(asOf).waterDays().filter(within));
  for (const day of nutritionOf(asOf).mealDays().filter(within))
    if (
      nutritionOf(asOf)
        .mealsOn(day)
        .some(({ status }) => status !== "planned")
    )
      days.add(day);
  return [...days].sort((a, b) => a - b).map((day) => foodDay(asOf, day));
}
