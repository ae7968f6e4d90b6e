import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { keptMeal } from "./keptMeal";
import { mealGroups } from "./mealGroups";
import { othersOn } from "./others";

const records = {
  people: [{ id: "p", name: "Ana" }],
  foods: [
    { id: "coffee", name: "Coffee", per100g: { kcal: 1 }, others: [{ name: "Caffeine", mg: 40 }] },
    {
      id: "cocoa",
      name: "Cocoa",
      per100g: { kcal: 380 },
      others: [
        { name: "caffeine", mg: 70 },
        { name: "iron", mg: 14 },
      ],
    },
  ],
  recipes: [
    {
      id: "mocha",
      name: "Mocha",
      portions: 2,
      ingredients: [
        { foodId: "coffee", grams: 300 },
        { foodId: "cocoa", grams: 20 },
      ],
    },
  ],
  meals: [
    { date: "2026-06-01", meal: "breakfast", status: "eaten", foodId: "coffee", grams: 250 },
    { date: "2026-06-01", meal: "breakfast", status: "eaten", foodId: "cocoa", grams: 10 },
    { date: "2026-06-01", meal: "snack", status: "eaten", recipeId: "mocha", portions: 1 },
    { date: "2026-06-01", meal: "snack", status: "planned", foodId: "coffee", grams: 1000 },
  ],
};
const asOf = smallAsOf("2026-06-01", records);

describe("what else foods state", () => {
  it("is added up over a day, in recipes too, what is planned left out", () => {
    // Caffeine 100 + 7 + (120 + 14) ÷ 2 = 174 mg; iron 1.4 + 2.8 ÷ 2 = 2.8 mg.
    expect(othersOn(asOf, asOf.on)).toEqual([
      { name: "Caffeine", mg: expect.closeTo(174, 9) as number },
      { name: "iron", mg: expect.closeTo(2.8, 9) as number },
    ]);
  });
});

describe("a meal kept as a recipe", () => {
  it("is its foods by weight, under a name that is free; none where something has no weight", () => {
    const [breakfast, snack] = mealGroups(asOf, asOf.on);
    expect(keptMeal(breakfast!, "Breakfast", new Set(["breakfast"]), "r")).toEqual({
      id: "r",
      name: "Breakfast, 2",
      portions: 1,
      ingredients: [
        { foodId: "coffee", grams: 250 },
        { foodId: "cocoa", grams: 10 },
      ],
    });
    expect(keptMeal(snack!, "Snack", new Set(), "r")).toBeNull();
  });
});
