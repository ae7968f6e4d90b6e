import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { mustDay } from "../base/calendar/day";
import type { Meal } from "../log/kinds/meals";
import { isGtin, labelDisagrees } from "./label";
import { labelFrom } from "./labelAnswer";
import { mealsCopied, usualsOn, weekCopied } from "./usuals";

const today = "2026-06-10";
const foods = [
  { id: "oats", name: "Oats", per100g: { kcal: 370, protein: 13 } },
  { id: "egg", name: "Eggs", per100g: { kcal: 140 } },
  { id: "old", name: "Old", per100g: { kcal: 100 }, hidden: true },
];
const recipes = [{ id: "soup", name: "Soup", portions: 4, ingredients: [{ foodId: "oats", grams: 400 }] }];
const meal = (date: string, more: object) => ({ date, meal: "breakfast", status: "eaten", ...more });
const meals = [
  meal("2026-06-07", { foodId: "oats", grams: 70 }),
  meal("2026-06-08", { foodId: "oats", grams: 90 }),
  meal("2026-06-08", { foodId: "egg", grams: 116 }),
  meal("2026-06-08", { foodId: "old", grams: 50 }),
  meal("2026-06-09", { meal: "lunch", recipeId: "soup", portions: 0.5 }),
  meal("2026-06-09", { meal: "lunch", name: "Cake", nutrients: { kcal: 300 } }),
  meal("2026-06-09", { foodId: "egg", grams: 174, status: "planned" }),
];
const asOf = (more: object[] = []) => smallAsOf(today, { foods, recipes, meals: [...meals, ...more] });

describe("a week of meals again", () => {
  it("is each of its days on the same day of another", () => {
    let made = 0;
    const change = weekCopied(asOf(), mustDay("2026-06-01"), mustDay("2026-06-08"), () => `new${made++}`);
    const copied = change
      .map((step) => (step as { put: Meal }).put)
      .map(({ date, foodId, status }) => [date, foodId, status]);
    // 1 to 7 June hold one line, on the 7th: a week later it is ahead of the 10th, and planned.
    expect(copied).toEqual([["2026-06-14", "oats", "planned"]]);
  });
});

describe("what is usual at a meal", () => {
  it("is what was eaten there of late, the oftenest first, with the amount of the last time, planned and put away left out", () => {
    expect(
      usualsOn(asOf(), mustDay(today))
        .filter(({ usuals }) => usuals.length > 0)
        .map((one) => [one.meal, one.usuals.map(({ name, grams, portions, kcal }) => [name, grams, portions, kcal])]),
    ).toEqual([
      // 90 g at 370 kcal: 333; 116 g at 140: 162.4.
      [
        "breakfast",
        [
          ["Oats", 90, null, 333],
          ["Eggs", 116, null, expect.closeTo(162.4)],
        ],
      ],
      // 400 g of oats over four portions, half of one: 185.
      ["lunch", [["Soup", null, 0.5, 185]]],
    ]);
  });
  it("leaves out what stands on the day already", () => {
    const more = [meal(today, { foodId: "oats", grams: 80 })];
    expect(usualsOn(asOf(more), mustDay(today))[0]!.usuals.map(({ name }) => name)).toEqual(["Eggs"]);
  });
});

describe("meals copied", () => {
  let ids = 0;
  const copied = (ask: Partial<Parameters<typeof mealsCopied>[1]>) =>
    mealsCopied(
      asOf(),
      { from: mustDay("2026-06-08"), to: mustDay(today), meal: null, days: 1, ...ask },
      () => `new-${++ids}`,
    ).map((step) => ("put" in step ? (step.put as Meal) : null)!);
  it("are eaten where the day has come and planned where it has not, with their nutrients as they are now", () => {
    expect(copied({}).map(({ date, foodId, grams, status }) => [date, foodId, grams, status])).toEqual([
      [today, "oats", 90, "eaten"],
      [today, "egg", 116, "eaten"],
      [today, "old", 50, "eaten"],
    ]);
    expect(copied({})[0]!.nutrients!.kcal).toBeCloseTo(333);
  });
  it("may be one meal, over several days", () => {
    expect(
      copied({ from: mustDay("2026-06-09"), to: mustDay("2026-06-11"), meal: "lunch", days: 5 }).map(
        ({ date, status, portions, name }) => [date.slice(-2), status, portions ?? name],
      ),
    ).toHaveLength(10);
    expect(copied({ to: mustDay("2026-06-12") })[0]!.status).toBe("planned");
  });
});

describe("a label", () => {
  it("is told where its energy and its nutrients are further apart than rounding can put them", () => {
    const food = (kcal: number) => ({ id: "f", name: "F", per100g: { kcal, protein: 10, fat: 5, carbohydrate: 20 } });
    // 40 + 45 + 80 = 165; rounding: 4 × 0.5 + 9 × 0.05 + 4 × 0.5 + 2 × 0.05 + 7 × 0.05 + 0.5 = 5.4.
    expect(labelDisagrees(food(170))).toBeNull();
    expect(labelDisagrees(food(171))).toEqual({ statedKcal: 171, computedKcal: 165 });
    expect(labelDisagrees({ id: "f", name: "F", per100g: { kcal: 100, fat: 2 } })).toBeNull();
  });
  it("from a service is taken whole or not at all", () => {
    const label = { name: "Loaf", carbohydrateBasis: "total", per100g: { kcal: 300 } };
    expect(labelFrom(label)).toMatchObject(label);
    for (const wrong of [
      null,
      "loaf",
      { ...label, name: 7 },
      { ...label, per100g: { protein: "much" } },
      { ...label, per100g: { fat: -1 } },
    ])
      expect(labelFrom(wrong)).toBeNull();
  });
  it("has a number whose last digit fits the others", () => {
    // Source: GS1 General Specifications, check digit: the worked example 629104150021 makes 3; an ISBN as a 13-digit number.
    expect(isGtin("6291041500213")).toBe(true);
    expect(isGtin("9780306406157")).toBe(true);
    // A 12-digit one (UPC-A) and an 8-digit one, from memory.
    expect(isGtin("036000291452")).toBe(true);
    expect(isGtin("73513537")).toBe(true);
    for (const wrong of ["6291041500214", "629104150021", "978030640615", "", "abc"]) expect(isGtin(wrong)).toBe(false);
  });
});
