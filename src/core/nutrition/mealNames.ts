import { byWord } from "../base/byWord";
import type { Settings } from "../log/kinds/people";

/** Names of a day's meals where the trainee has none of their own, in the order of the day. */
export const usualMeals = ["breakfast", "lunch", "dinner", "snack"] as const;

/** A day's meals in their order, the trainee's own where set. */
export function mealsOf({ meals }: Settings): NonNullable<Settings["meals"]> {
  return meals == null || meals.length === 0 ? usualMeals.map((name) => ({ name })) : meals;
}

/** Their names. */
export function mealNames(settings: Settings): readonly string[] {
  return mealsOf(settings).map(({ name }) => name);
}

/** When the usual ones begin, where the trainee does not say, hours (common practice, no source). */
const usualHours: Readonly<Record<string, number>> = byWord({ breakfast: 6, lunch: 11, snack: 15, dinner: 18 });
/** A meal is the one of its hour so long before it. */
const early = 0.5;

/** The meal of an hour of the day: of those with an hour the last that has begun, before all of them the first. */
export function mealAtHour(settings: Settings, hour: number): string {
  const timed = mealsOf(settings)
    .flatMap(({ name, hour: own }) => {
      const from = own ?? usualHours[name] ?? null;
      return from === null ? [] : [{ name, from }];
    })
    .sort((a, b) => a.from - b.from);
  return (timed.findLast(({ from }) => from <= hour + early) ?? timed[0])?.name ?? mealNames(settings)[0]!;
}

/** So many meals a day has at most. */
export const mealsAtMost = 12;

/**
 * Names of meals as they are written in one field, in their order, parted by commas.
 * @returns the names, or what is wrong
 */
export function readMealNames(text: string): string[] | string {
  const names = text
    .split(/[,;\n]/)
    .map((name) => name.trim().replaceAll(/\s+/g, " "))
    .filter((name) => name !== "");
  if (names.length === 0) return "Write at least one, such as breakfast, lunch, dinner.";
  if (names.length > mealsAtMost) return `A day has at most ${mealsAtMost} meals.`;
  const twice = names.find((name, at) => names.findIndex((other) => other.toLowerCase() === name.toLowerCase()) !== at);
  if (twice !== undefined) return `${twice} is written twice.`;
  const odd = names.find((name) => !/\p{L}/u.test(name) || /:/.test(name) || name.length > 40);
  return odd === undefined ? names : `"${odd}" is no name of a meal.`;
}
