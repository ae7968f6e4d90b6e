import type { Food } from "../log/kinds/foods";

type Row = [
  id: string,
  name: string,
  protein: number,
  fat: number,
  carbohydrate: number,
  fibre: number,
  sugars: number,
  portion?: [name: string, grams: number],
  alcohol?: number,
];

/**
 * Typical values per 100 g as eaten or as named, total carbohydrate including fibre: from memory, to be replaced from a
 * label.
 */
const rows: Row[] = [
  ["oats", "Oats", 13.5, 7, 68.7, 10, 1, ["cup", 80]],
  ["skyr", "Skyr", 11, 0.2, 4, 0, 4, ["pot", 150]],
  ["milk", "Milk, 1.5 %", 3.4, 1.5, 4.9, 0, 4.9, ["glass", 200]],
  ["eggs", "Eggs", 12.4, 9.9, 0.7, 0, 0.4, ["egg", 58]],
  ["berries", "Berries, mixed", 1, 0.4, 12, 4.5, 7],
  ["banana", "Banana", 1.1, 0.3, 22.8, 2.6, 12.2, ["banana", 120]],
  ["apple", "Apple", 0.3, 0.2, 13.8, 2.4, 10.4, ["apple", 160]],
  ["rye-bread", "Rye bread", 6.5, 1.5, 46, 8, 4, ["slice", 45]],
  ["wheat-bread", "Wheat bread", 9, 3, 49, 5, 3.5, ["slice", 38]],
  ["butter", "Butter", 0.7, 82, 0.6, 0, 0.6],
  ["cheese", "Cheese, hard", 26, 28, 0.5, 0, 0.1, ["slice", 25]],
  ["cottage-cheese", "Cottage cheese", 12, 4.5, 3, 0, 3],
  ["lentils", "Lentils, dry", 24.6, 1.5, 60, 17, 2],
  ["rice", "Rice, dry", 7.5, 0.8, 79, 1.3, 0.2],
  ["pasta", "Pasta, dry", 12.5, 1.6, 72, 3.5, 2.8],
  ["potatoes", "Potatoes", 2, 0.1, 17, 2.1, 0.9],
  ["salmon", "Salmon", 20, 13.5, 0, 0, 0, ["fillet", 140]],
  ["chicken", "Chicken breast", 23, 1.8, 0, 0, 0, ["breast", 160]],
  ["beef", "Beef mince, 10 %", 20.5, 10, 0, 0, 0],
  ["tofu", "Tofu", 13, 7.5, 2.5, 1, 0.6],
  ["greens", "Greens, mixed", 2.4, 0.3, 5, 2.5, 2],
  ["tomatoes", "Tomatoes", 0.9, 0.2, 3.9, 1.2, 2.6],
  ["carrots", "Carrots", 0.8, 0.2, 9.6, 2.8, 4.7],
  ["onions", "Onions", 1.1, 0.1, 9.3, 1.7, 4.2],
  ["olive-oil", "Olive oil", 0, 100, 0, 0, 0, ["spoon", 10]],
  ["almonds", "Almonds", 21, 50, 21.6, 12.5, 4.4, ["handful", 25]],
  ["peanut-butter", "Peanut butter", 25, 50, 20, 6, 6, ["spoon", 16]],
  ["honey", "Honey", 0.3, 0, 82, 0.2, 82, ["spoon", 10]],
  ["dark-chocolate", "Dark chocolate", 8, 43, 45, 11, 24, ["piece", 8]],
  ["beer", "Beer", 0.5, 0, 3.6, 0, 0.2, ["bottle", 330], 3.9],
];

/** The foods a new log begins with; energy is computed from the nutrients. */
export const starterFoods: Food[] = rows.map(
  ([id, name, protein, fat, carbohydrate, fibre, sugars, portion, alcohol]) => ({
    id,
    name,
    carbohydrateBasis: "total",
    per100g: { protein, fat, carbohydrate, fibre, sugars, ...(alcohol ? { alcohol } : {}) },
    ...(portion ? { portions: [{ name: portion[0], grams: portion[1] }] } : {}),
  }),
);
