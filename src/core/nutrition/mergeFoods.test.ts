import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import type { Food } from "../log/kinds/foods";
import type { AnyRecord } from "../log/records";
import { mergeFoods } from "./mergeFoods";

const foods = [
  { id: "a", name: "Oats", per100g: { kcal: 370 }, portions: [{ name: "cup", grams: 80 }] },
  {
    id: "b",
    name: "Rolled oats",
    per100g: { kcal: 360 },
    gtin: "2000000000015",
    favourite: true,
    portions: [
      { name: "Cup", grams: 90 },
      { name: "spoon", grams: 10 },
    ],
  },
];
const records = {
  people: [{ id: "p", name: "Ana" }],
  foods,
  recipes: [{ id: "r", name: "Porridge", ingredients: [{ foodId: "b", grams: 50 }] }],
  meals: [
    { id: "m1", date: "2026-06-01", meal: "breakfast", foodId: "b", grams: 80, nutrients: { kcal: 288 } },
    { id: "m2", date: "2026-06-01", meal: "breakfast", foodId: "a", grams: 80, nutrients: { kcal: 296 } },
  ],
};

describe("two foods made one", () => {
  it("move meals and recipes, keep what was eaten, and take what only the other has", () => {
    const { change, meals, recipes } = mergeFoods(smallAsOf("2026-06-02", records), "a", "b")!;
    expect([meals, recipes]).toEqual([1, 1]);
    const puts = change.flatMap((step) => ("put" in step ? [step.put as AnyRecord] : []));
    expect(puts.find(({ id }) => id === "m1")).toMatchObject({ foodId: "a", nutrients: { kcal: 288 } });
    expect(puts.find(({ id }) => id === "r")).toMatchObject({ ingredients: [{ foodId: "a", grams: 50 }] });
    const kept = puts.find(({ id }) => id === "a") as Food;
    expect(kept).toMatchObject({ name: "Oats", per100g: { kcal: 370 }, gtin: "2000000000015", favourite: true });
    expect(kept.portions).toEqual([
      { name: "cup", grams: 80 },
      { name: "spoon", grams: 10 },
    ]);
    expect(change.at(-1)).toEqual({ remove: { kind: "foods", id: "b" } });
  });
  it("are none where one of them is not there, or they are the same", () => {
    const asOf = smallAsOf("2026-06-02", records);
    expect(mergeFoods(asOf, "a", "a")).toBeNull();
    expect(mergeFoods(asOf, "a", "gone")).toBeNull();
  });
});
