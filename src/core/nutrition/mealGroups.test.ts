import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { energyFromNutrients, kilojoulesFromNutrients } from "./energy";
import { mealGroups } from "./mealGroups";

describe("a day's meals", () => {
  const meal = (name: string, kcal: number, more: object = {}) => ({
    date: "2026-06-10",
    meal: name,
    status: "eaten",
    name: "rice",
    nutrients: { kcal },
    ...more,
  });
  const asOf = smallAsOf("2026-06-10", {
    people: [{ id: "p", name: "Ana", settings: { meals: [{ name: "supper" }, { name: "breakfast" }] } }],
    foods: [{ id: "oats", name: "Oats", per100g: { kcal: 380 } }],
    meals: [
      meal("breakfast", 300),
      meal("tea", 50),
      meal("supper", 400),
      meal("breakfast", 100, { status: "planned" }),
      { date: "2026-06-10", meal: "afternoon", status: "eaten", foodId: "oats", grams: 50 },
      { date: "2026-06-10", status: "eaten", name: "a biscuit" },
    ],
  });
  const groups = mealGroups(asOf, asOf.on);
  it("stand in the trainee's own order, then any others by name", () => {
    expect(groups.map(({ name }) => name)).toEqual(["supper", "breakfast", "afternoon", "food", "tea"]);
  });
  it("sum their energy, planned lines apart, and name a food by itself", () => {
    expect(groups.map(({ kcal }) => kcal)).toEqual([400, 400, 190, 0, 50]);
    expect(groups[1]!.planned).toHaveLength(1);
    expect(groups[2]!.lines[0]).toMatchObject({ name: "Oats", grams: 50 });
    expect(groups[3]!.lines[0]).toMatchObject({ nutrients: null, reason: expect.any(String) as string });
  });
});

describe("energy from nutrients", () => {
  // By hand with the Regulation's factors: a label whose fibre is more than its carbohydrate has none that is
  // available.
  it("counts no available carbohydrate below none", () => {
    expect(energyFromNutrients({ carbohydrate: 3, fibre: 10 })).toBe(20);
    expect(kilojoulesFromNutrients({ carbohydrate: 3, fibre: 10 })).toBe(80);
    expect(energyFromNutrients({ carbohydrate: 10, fibre: 3, polyols: 2 })).toBeCloseTo(4 * 5 + 2 * 3 + 2.4 * 2, 12);
  });
});
