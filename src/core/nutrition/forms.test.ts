import { ofAmount } from "./energy";
import { inPortions } from "./inPortions";
import { mealAtHour } from "./mealNames";
import { eatenNow } from "./mealOn";
import { namedText } from "./namedText";
import { describe, expect, it } from "vitest";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import { statedNutrients } from "./stated";
import {
  type Counted,
  foodForm,
  mealChangeForm,
  mealForm,
  mealNamesForm,
  recipeEatenForm,
  statedForm,
  waterForm,
} from "./forms";

const label = {
  name: " Rye bread ",
  basis: "total" as "total" | "available",
  per: "g" as "g" | "ml" | "portion",
  weighs: "",
  energy: "950",
  protein: "8,5",
  fat: "",
  carbohydrate: "45",
  fibre: "9",
  sugars: "4",
  alcohol: "",
  portions: "slice 38, thick slice 52,5 g",
  others: "caffeine 40, vitamin C 1,5 mg",
  gtin: "4006381333931",
  source: "",
};
const taken = new Set(["oats"]);

const nothingStated = { name: "", energy: "", protein: "", fat: "", carbohydrate: "" };

describe("a food as it is typed", () => {
  it("is read from its label, energy in the trainee's unit", () => {
    expect(filled(foodForm, { ...imperial, taken }, label)).toEqual({
      name: "Rye bread",
      basis: "total",
      per: "g",
      weighs: null,
      // 950 kJ at 4.184 kJ a kilocalorie.
      energy: 950 / 4.184,
      protein: 8.5,
      fat: null,
      carbohydrate: 45,
      fibre: 9,
      sugars: 4,
      alcohol: null,
      portions: [
        { name: "slice", grams: 38 },
        { name: "thick slice", grams: 52.5 },
      ],
      others: [
        { name: "caffeine", mg: 40 },
        { name: "vitamin C", mg: 1.5 },
      ],
      gtin: "4006381333931",
      source: "",
    });
    expect(whyNot(foodForm, { ...metric, taken }, { ...label, portions: "slice", gtin: "4006381333932" })).toEqual({
      portions: "Portions with their grams, such as slice 38, cup 80",
      gtin: "Its last digit does not fit the others: look again.",
    });
  });
  it("has names with digits, with brackets and, in quotes, with commas, and prints what it reads", () => {
    const read = (portions: string, others: string) => {
      const values = filled(foodForm, { ...imperial, taken }, { ...label, portions, others });
      return [values.portions.map(({ name, grams }) => [name, grams]), values.others.map(({ name, mg }) => [name, mg])];
    };
    const [portions, others] = [
      '1 cup 240, slice (5 mm) 20, "cup, cooked" 160 g; half 2 mg bar 12.5',
      "vitamin B6 0.1, omega 3 5, 7-keto 40 mg",
    ];
    const both = read(portions, others);
    expect(both).toEqual([
      [
        ["1 cup", 240],
        ["slice (5 mm)", 20],
        ["cup, cooked", 160],
        ["half 2 mg bar", 12.5],
      ],
      [
        ["vitamin B6", 0.1],
        ["omega 3", 5],
        ["7-keto", 40],
      ],
    ]);
    const printed = both.map((figures) => namedText(figures.map(([name, value]) => [String(name), String(value)])));
    expect(read(printed[0]!, printed[1]!)).toEqual(both);
    for (const wrong of ["38", "5 38", "slice", '"cup 80', "cup -5"])
      expect(whyNot(foodForm, { ...metric, taken }, { ...label, portions: wrong })).toHaveProperty("portions");
  });
  it("has no part of its carbohydrate that is more than the whole, unless the label counts fibre apart", () => {
    const part = "It is a part of the carbohydrate and cannot be more.";
    expect(whyNot(foodForm, { ...metric, taken }, { ...label, fibre: "46", sugars: "50" })).toEqual({
      fibre: part,
      sugars: part,
    });
    expect(whyNot(foodForm, { ...metric, taken }, { ...label, basis: "available", fibre: "46" })).toEqual({});
  });
  it("is refused with another's name and with what 100 g cannot hold", () => {
    expect(whyNot(foodForm, { ...metric, taken }, { ...label, name: "OATS", energy: "951", fat: "101" })).toEqual({
      name: "There is one of that name.",
      energy: "Energy must be from 0 to 950 kcal.",
      fat: "It must be from 0 to 100 g.",
    });
  });
  it("is of 100 ml or of a portion by what those weigh", () => {
    const per = (kind: "ml" | "portion", weighs: string, more: object = {}) =>
      whyNot(foodForm, { ...metric, taken }, { ...label, energy: "60", per: kind, weighs, ...more });
    expect(per("ml", "103")).toEqual({});
    expect(per("portion", "38", { carbohydrate: "17", fibre: "3", sugars: "2" })).toEqual({});
    expect(per("portion", "38")).toEqual({ carbohydrate: "It must be from 0 to 38 g." });
    expect(per("ml", "")).toEqual({ weighs: "The weight of 100 ml is missing." });
    expect(per("ml", "3")).toMatchObject({ weighs: "The weight of 100 ml must be from 10 to 500 g." });
  });
});

describe("what is eaten and drunk as it is typed", () => {
  it("is grams of a food and portions of a recipe, whichever is chosen; none is taken where none is", () => {
    const countedIn = (thing: string): Counted =>
      thing.startsWith("recipe ")
        ? { of: "recipe", gramsOfPortion: thing === "recipe stew" ? 350 : null }
        : { of: "food", portions: thing === "food bread" ? [{ name: "Slice", grams: 38 }] : null };
    const amount = (typed: string, thing: string) =>
      filled(mealForm, { ...metric, countedIn }, { meal: "lunch", thing, amount: typed }).amount;
    // Two slices of 38 g, and a half of one.
    expect([amount("2 slices", "food bread"), amount("1/2 slice", "food bread")]).toEqual([76, 19]);
    expect([amount("3*55", "food oats"), amount("0.2 kg", "food oats"), amount("0,5", "recipe soup")]).toEqual([
      165, 200, 0.5,
    ]);
    expect(amount("1.5", "recipe soup")).toBe(1.5);
    // 525 g of a stew whose portion weighs 350 g.
    expect([amount("525 g", "recipe stew"), amount("2 portions", "recipe stew")]).toEqual([1.5, 2]);
    expect(
      whyNot(mealForm, { ...metric, countedIn }, { meal: "lunch", thing: "recipe soup", amount: "200 g" }),
    ).toEqual({
      amount: "Write a number, with a point or a comma.",
    });
    expect(whyNot(mealForm, { ...metric, countedIn }, { meal: "lunch", thing: "", amount: "200" })).toEqual({
      thing: "Choose a food or a recipe.",
    });
  });
  it("of another amount keeps what it was written with, in proportion; words alone have none", () => {
    const meal = { id: "m", personId: "p", date: "2026-06-10", foodId: "bread", grams: 76, nutrients: { kcal: 190 } };
    // 190 kcal in 76 g are 285 kcal in 114 g, whatever the food's label has become.
    const dearer = new Map([["bread", { id: "bread", name: "Bread", per100g: { kcal: 999 } }]]);
    expect(ofAmount(meal, 114, dearer, new Map())).toMatchObject({ grams: 114, nutrients: { kcal: 285 } });
    expect(ofAmount({ ...meal, nutrients: null }, 50, dearer, new Map()).nutrients?.kcal).toBe(499.5);
    const counted = {
      food: { of: "food" as const, portions: [{ name: "slice", grams: 38 }] },
      recipe: { of: "recipe" as const, gramsOfPortion: null },
      words: null,
    };
    const change = (of: keyof typeof counted, amount: string) =>
      filled(
        mealChangeForm,
        { ...metric, counted: counted[of], isEaten: true },
        { ...nothingStated, date: "2026-06-10", meal: "lunch", amount },
      );
    // A third is a third and not 0.3333; what the line takes the form takes too.
    expect(change("food", "1/3 slice").amount).toBeCloseTo(38 / 3, 12);
    for (const half of ["half a slice", "½ slice", "0.5 slice"]) expect(change("food", half).amount, half).toBe(19);
    expect([change("food", "3 x 55 g").amount, change("food", "two slices").amount]).toEqual([165, 76]);
    expect([change("recipe", "a third").amount, change("recipe", "1 1/2").amount]).toEqual([1 / 3, 1.5]);
    expect([change("food", "3 slices").amount, change("recipe", "1/2").amount, change("words", "").amount]).toEqual([
      114,
      0.5,
      null,
    ]);
  });
  it("by its energy alone needs that, in the log's unit, and leaves open what is not said", () => {
    const context = { ...metric, units: { ...metric.units, energy: "kJ" as const }, counted: null, isEaten: true };
    const typed = { ...nothingStated, date: "2026-06-10", meal: "dinner", amount: "", name: "Pizza" };
    const { energy, protein, fat, carbohydrate } = filled(mealChangeForm, context, {
      ...typed,
      energy: "3765.6",
      protein: "40",
    });
    // 3765.6 kJ at 4.184 kJ a kilocalorie.
    expect(energy).toBeCloseTo(900, 9);
    expect(statedNutrients({ energy: 900, protein, fat, carbohydrate })).toEqual({ kcal: 900, protein: 40 });
    // What had none before may be moved without one.
    expect(filled(mealChangeForm, context, typed).energy).toBeNull();
    expect(() => filled(statedForm, context, typed)).toThrow();
    // 4 × 60 + 9 × 50 = 690 kcal are 2887 kJ.
    const parts = { ...typed, protein: "60", fat: "50" };
    expect(whyNot(statedForm, context, { ...parts, energy: "1500" })).toEqual({
      energy: "Its protein, fat and carbohydrate alone make more.",
    });
    expect(whyNot(statedForm, context, { ...parts, energy: "2900" })).toEqual({});
  });
  it("is a recipe with another food in an ingredient's place, this once", () => {
    const soup = {
      id: "soup",
      name: "Soup",
      portions: 2,
      ingredients: [
        { foodId: "rice", grams: 200 },
        { foodId: "oil", grams: 20 },
      ],
    };
    const food = (id: string, kcal: number) => [id, { id, name: id, per100g: { kcal } }] as const;
    const [foods, recipes] = [
      new Map([food("rice", 350), food("oil", 900), food("quinoa", 370)]),
      new Map([["soup", soup]]),
    ];
    const swaps = [{ foodId: "rice", byFoodId: "quinoa", grams: 150 }];
    // (150 × 3.7 + 20 × 9) ÷ 2 = 367.5 a portion; as it is written (200 × 3.5 + 180) ÷ 2 = 440.
    const eaten = eatenNow({ recipeId: "soup", portions: 2, swaps }, foods, recipes)!;
    expect(eaten).toMatchObject({
      recipeId: "soup",
      portions: 2,
      swaps,
      nutrients: { kcal: expect.closeTo(735, 9) as number },
    });
    expect(eatenNow({ recipeId: "soup", portions: 1 }, foods, recipes)!.nutrients.kcal).toBeCloseTo(440, 9);
    const form = { ...metric, counted: { of: "recipe" as const, gramsOfPortion: null } };
    const fields = { meal: "lunch", portions: "1", days: "1", gone: "", by: "", byGrams: "" };
    expect(whyNot(recipeEatenForm, form, fields)).toEqual({});
    expect(whyNot(recipeEatenForm, form, { ...fields, gone: "rice" })).toEqual({
      by: "Choose what takes its place.",
      byGrams: "The amount is missing.",
    });
  });
  it("is told in portions where they are whole or half ones", () => {
    const slice = [{ name: "Slice", grams: 38 }];
    expect([inPortions(76, slice), inPortions(57, slice), inPortions(80, slice), inPortions(76, null)]).toEqual([
      "2 × slice",
      "1.5 × slice",
      null,
      null,
    ]);
    expect(inPortions(38 * 13, slice)).toBeNull();
  });
  it("is offered at the meal of the hour, the trainee's own hours first", () => {
    expect([5, 7.5, 11, 16, 23].map((hour) => mealAtHour({}, hour))).toEqual([
      "breakfast",
      "breakfast",
      "lunch",
      "snack",
      "dinner",
    ]);
    const own = { meals: [{ name: "before rowing", hour: 5.5 }, { name: "after", hour: 9 }, { name: "whenever" }] };
    expect([4, 8, 8.5, 22].map((hour) => mealAtHour(own, hour))).toEqual([
      "before rowing",
      "before rowing",
      "after",
      "after",
    ]);
    expect(mealAtHour({ meals: [{ name: "one" }] }, 12)).toBe("one");
  });
  it("water in millilitres or litres; meals by their names", () => {
    const water = (ml: string, glassMl: number | null) => filled(waterForm, { ...metric, glassMl }, { ml }).ml;
    expect([water("0.5 l", null), water("250", 300), water("2 glasses", 300)]).toEqual([500, 250, 600]);
    expect(whyNot(waterForm, { ...metric, glassMl: null }, { ml: "2 glasses" })).toHaveProperty("ml");
    expect(filled(mealNamesForm, metric, { meals: "breakfast, late  lunch", glass: "" }).meals).toEqual([
      "breakfast",
      "late lunch",
    ]);
    expect(whyNot(mealNamesForm, metric, { meals: "lunch, Lunch", glass: "" })).toEqual({
      meals: "Lunch is written twice.",
    });
  });
});
