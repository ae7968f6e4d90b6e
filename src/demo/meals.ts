import { dateOf, type Day } from "@/core/base/calendar/day";
import type { Food } from "@/core/log/kinds/foods";
import type { Meal } from "@/core/log/kinds/meals";
import type { Recipe } from "@/core/log/kinds/recipes";
import { energyFromNutrients, type FullNutrients, per100g, perPortion, scale } from "@/core/nutrition/energy";
import { starterFoods } from "@/core/nutrition/starterFoods";
import type { Random } from "./random";

export const foodsById: ReadonlyMap<string, Food> = new Map(starterFoods.map((food) => [food.id, food]));

export const lentilSoup: Recipe = {
  id: "lentil-soup",
  name: "Lentil soup",
  portions: 4,
  minutes: 40,
  steps: "Soften onions and carrots in the oil, add lentils and a litre and a half of water, simmer for half an hour.",
  ingredients: [
    { foodId: "lentils", grams: 320 },
    { foodId: "carrots", grams: 300 },
    { foodId: "onions", grams: 150 },
    { foodId: "olive-oil", grams: 30 },
  ],
};

export const oatBars: Recipe = {
  id: "oat-bars",
  name: "Oat bars",
  portions: 10,
  minutes: 35,
  tags: ["vegetarian"],
  steps: "Melt butter and honey, stir in oats and almonds, press into a tin, bake for 25 minutes, cut while warm.",
  ingredients: [
    { foodId: "oats", grams: 300 },
    { foodId: "butter", grams: 120 },
    { foodId: "honey", grams: 100 },
    { foodId: "almonds", grams: 75 },
  ],
};

type Dish = [food: string, grams: number][];
const breakfasts: Dish[] = [
  [
    ["oats", 70],
    ["milk", 200],
    ["berries", 100],
  ],
  [
    ["oats", 70],
    ["skyr", 150],
    ["banana", 120],
  ],
  [
    ["eggs", 116],
    ["rye-bread", 90],
    ["butter", 8],
  ],
];
const lunches: Dish[] = [
  [
    ["rye-bread", 135],
    ["cottage-cheese", 150],
    ["tomatoes", 120],
  ],
  [
    ["chicken", 140],
    ["rice", 80],
    ["greens", 150],
  ],
  [
    ["wheat-bread", 114],
    ["cheese", 50],
    ["apple", 160],
  ],
];
const dinners: Dish[] = [
  [
    ["salmon", 140],
    ["potatoes", 300],
    ["greens", 200],
  ],
  [
    ["pasta", 100],
    ["beef", 120],
    ["tomatoes", 200],
  ],
  [
    ["tofu", 180],
    ["rice", 90],
    ["carrots", 150],
    ["olive-oil", 10],
  ],
  [
    ["chicken", 160],
    ["potatoes", 280],
    ["carrots", 150],
    ["olive-oil", 10],
  ],
];
const snacks: Dish[] = [
  [
    ["almonds", 25],
    ["apple", 160],
  ],
  [
    ["skyr", 150],
    ["honey", 10],
  ],
  [
    ["banana", 120],
    ["dark-chocolate", 16],
  ],
];

/** What is eaten between meals by who needs more than plates hold, in turn by the day. */
const between: [meal: string, dish: Dish | Recipe][] = [
  ["snack", oatBars],
  [
    "snack",
    [
      ["wheat-bread", 76],
      ["cheese", 25],
    ],
  ],
  [
    "breakfast",
    [
      ["skyr", 150],
      ["honey", 15],
      ["almonds", 25],
    ],
  ],
  [
    "lunch",
    [
      ["rye-bread", 90],
      ["butter", 10],
    ],
  ],
  [
    "snack",
    [
      ["banana", 120],
      ["milk", 300],
    ],
  ],
  [
    "dinner",
    [
      ["rye-bread", 45],
      ["cheese", 50],
      ["tomatoes", 100],
    ],
  ],
];
/** So much larger than it is written is a plate at most; the rest is eaten between meals. */
const largest = 1.5;

/**
 * A day's meals near a wanted energy: dishes drawn at random, scaled together to amounts as they are eaten, and what is eaten
 * between them.
 */
export function dayMeals(
  random: Random,
  personId: string,
  day: Day,
  wantedKcal: number,
  statusOf: (meal: string) => "planned" | "eaten",
): Meal[] {
  const soup = random.chance(0.3);
  const dishes: [string, Dish][] = [
    ["breakfast", random.pick(breakfasts)],
    ...(soup ? [] : [["lunch", random.pick(lunches)] as [string, Dish]]),
    ["dinner", random.pick(dinners)],
    ["snack", random.pick(snacks)],
  ];
  const cooked: [string, Recipe][] = soup ? [["lunch", lentilSoup]] : [];
  const fixed = soup ? perPortion(lentilSoup, foodsById).kcal : 0;
  const plain = dishes.flatMap(([, dish]) => dish).reduce((sum, [food, grams]) => sum + energyOf(food, grams), 0);
  const factor = Math.min(largest, Math.max(0.5, (wantedKcal - fixed) / plain));
  let left = wantedKcal - fixed - factor * plain;
  for (let turn = 0; turn < between.length && left > 150; turn++) {
    const [meal, dish] = between[(day + turn) % between.length]!;
    if ("ingredients" in dish) {
      left -= perPortion(dish, foodsById).kcal;
      cooked.push([meal, dish]);
      continue;
    }
    const kcal = dish.reduce((sum, [food, grams]) => sum + energyOf(food, grams), 0);
    const share = Math.min(1, left / kcal);
    left -= share * kcal;
    dishes.push([meal, dish.map(([food, grams]) => [food, (share * grams) / factor])]);
  }
  const id = (index: number) => `${personId}-meal-${dateOf(day)}-${String(index).padStart(2, "0")}`;
  const base = (meal: string, index: number) => ({
    id: id(index),
    personId,
    date: dateOf(day),
    meal,
    status: statusOf(meal),
  });
  // What is eaten twice at a meal is written once.
  const wanted = new Map<string, number>();
  for (const [meal, dish] of dishes)
    for (const [food, grams] of dish)
      wanted.set(`${meal}|${food}`, (wanted.get(`${meal}|${food}`) ?? 0) + grams * factor);
  const meals = [...wanted].map(([of, grams]) => {
    const [meal, food] = of.split("|") as [string, string];
    return { meal, food, grams: asEaten(food, grams) };
  });
  const written = meals.map(({ meal, food, grams }, index): Meal => ({
    ...base(meal, index),
    foodId: food,
    grams,
    nutrients: snapshot(scale(per100g(foodsById.get(food)!), grams / 100)),
  }));
  for (const [meal, recipe] of cooked)
    written.push({
      ...base(meal, written.length),
      recipeId: recipe.id,
      portions: 1,
      nutrients: snapshot(perPortion(recipe, foodsById)),
    });
  return written;
}

export function energyOfMeals(meals: readonly Meal[]): number {
  return meals.reduce((sum, meal) => sum + (meal.nutrients?.kcal ?? 0), 0);
}

function energyOf(food: string, grams: number): number {
  return energyFromNutrients(scale(per100g(foodsById.get(food)!), grams / 100));
}

/** What is eaten by the piece or by the slice. */
const byPiece = new Set(["eggs", "rye-bread", "wheat-bread", "cheese", "apple", "banana", "dark-chocolate"]);

/** An amount as a person eats and weighs it: by the piece, else to 10 g, small ones to 5 g. */
function asEaten(food: string, grams: number): number {
  const piece = byPiece.has(food) ? foodsById.get(food)!.portions![0]!.grams : null;
  if (piece !== null) return Math.max(1, Math.round(grams / piece)) * piece;
  return grams < 30 ? Math.max(5, Math.round(grams / 5) * 5) : Math.round(grams / 10) * 10;
}

function snapshot(nutrients: FullNutrients): FullNutrients {
  return Object.fromEntries(
    Object.entries(nutrients).map(([name, value]) => [name, Math.round(value * 100) / 100]),
  ) as unknown as FullNutrients;
}
