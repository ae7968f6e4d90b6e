import { type Day, dateOf, weekStartOf } from "../base/calendar/day";
import { compare } from "../base/text";
import type { AsOf } from "../log/asOf";
import type { DayNote } from "../log/kinds/dayNotes";
import type { Food } from "../log/kinds/foods";
import { notesOf } from "../log/notes";
import type { Meal } from "../log/kinds/meals";
import { sameName } from "../entry/names";
import { foodsIn } from "./energy";
import { type FoodDay, foodDay } from "./foodDay";
import { type MealLine, mealLines } from "./mealGroups";
import { mealNames } from "./mealNames";
import { nutritionOf } from "./slice";
import { type Usual, usualBefore } from "./usuals";

/** A day of the week of meals. */
export interface MealDay {
  date: string;
  /** Its meals, in the order of the names of the week. */
  meals: MealLine[][];
  /** Eaten and planned together. */
  kcal: number;
  protein: number;
  target: FoodDay["target"];
}

/** A food to be bought. */
export interface ToBuy {
  foodId: string;
  name: string;
  grams: number;
  /** The same in pieces, where the food is counted by its own name: 6 eggs. */
  pieces: number | null;
  isAtHome: boolean;
}

export interface MealWeek {
  names: string[];
  days: MealDay[];
  /** What can be put on a day: recipes, favourites and what is usual, each with the amount of the last time. */
  offered: Usual[];
  /** The note of the first day, in which it is kept what of that is at home. */
  note: DayNote | null;
  /** What the planned meals of the week need, from today on. */
  shopping: ToBuy[];
}

/** Foods and recipes of the tray, at most. */
const offeredAtMost = 16;

/** The week of a day by its meals, its days against their targets, and what is to be bought for what is planned in it. */
export function mealWeek(asOf: AsOf, day: Day): MealWeek {
  const today = asOf.on;
  const start = weekStartOf(day, asOf.weekStart);
  const days = Array.from({ length: 7 }, (_, index) => start + index);
  const lines = days.map((one) => mealLines(asOf, one));
  const note = notesOf(asOf).noteOn(start);
  const own = mealNames(asOf.settings);
  const others = lines.flat().flatMap(({ meal }) => (own.includes(nameOf(meal)) ? [] : [nameOf(meal)]));
  const names = [...own, ...[...new Set(others)].sort(compare)];
  return {
    names,
    days: days.map((one, index) => {
      const { eaten, planned, target } = foodDay(asOf, one);
      return {
        date: dateOf(one),
        meals: names.map((name) => lines[index]!.filter(({ meal }) => nameOf(meal) === name)),
        kcal: eaten.kcal + planned.kcal,
        protein: eaten.protein + planned.protein,
        target,
      };
    }),
    offered: offeredTo(asOf, today),
    note,
    shopping: shoppingFor(asOf, start, today, new Set((note?.atHome ?? []).map(({ foodId }) => foodId))),
  };
}

const nameOf = ({ meal }: Meal) => meal || "food";

function offeredTo(asOf: AsOf, today: Day): Usual[] {
  const nutrition = nutritionOf(asOf);
  const [foods, recipes] = [nutrition.foods(), nutrition.recipes()];
  const usual = usualBefore(asOf, today + 1);
  const of = (id: string) => usual.find(({ foodId, recipeId }) => foodId === id || recipeId === id);
  const none = { meal: "", foodId: null, recipeId: null, grams: null, portions: null, kcal: null };
  const all = [
    ...[...recipes.values()]
      .filter(({ hidden }) => hidden !== true)
      .map(({ id, name }): Usual => of(id) ?? { ...none, name, recipeId: id, portions: 1 }),
    ...[...foods.values()]
      .filter(({ favourite, hidden }) => favourite === true && hidden !== true)
      .map(
        ({ id, name, portions }): Usual => of(id) ?? { ...none, name, foodId: id, grams: portions?.[0]?.grams ?? 100 },
      ),
    ...usual,
  ];
  const seen = new Set<string>();
  return all
    .filter(({ foodId, recipeId }) => {
      const id = (foodId ?? recipeId)!;
      if (seen.has(id)) return false;
      seen.add(id);
      return true;
    })
    .slice(0, offeredAtMost);
}

/** What the meals that are planned in a week, from today on, are made of: recipes by their ingredients. */
function shoppingFor(asOf: AsOf, start: Day, today: Day, atHome: ReadonlySet<string>): ToBuy[] {
  const nutrition = nutritionOf(asOf);
  const [foods, recipes] = [nutrition.foods(), nutrition.recipes()];
  const needed = new Map<string, number>();
  const need = (id: string, grams: number) => needed.set(id, (needed.get(id) ?? 0) + grams);
  for (let day = Math.max(start, today); day < start + 7; day++)
    for (const meal of nutrition.mealsOn(day))
      if (meal.status === "planned") for (const { foodId, grams } of foodsIn(meal, recipes)) need(foodId, grams);
  return [...needed]
    .flatMap(([foodId, grams]): ToBuy[] => {
      const food = foods.get(foodId);
      if (food === undefined) return [];
      return [{ foodId, name: food.name, grams, pieces: piecesOf(food, grams), isAtHome: atHome.has(foodId) }];
    })
    .sort((a, b) => compare(a.name.toLowerCase(), b.name.toLowerCase()));
}

/** Whole pieces of a food that is counted by its own name. */
function piecesOf({ name, portions }: Food, grams: number): number | null {
  const piece = portions?.find((one) => sameName(one.name, name));
  return piece === undefined ? null : Math.ceil(grams / piece.grams - 1e-9);
}
