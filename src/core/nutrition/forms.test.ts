import { describe, expect, it } from "vitest";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import { foodForm, mealForm, mealNamesForm, waterForm } from "./forms";

const label = {
  name: " Rye bread ",
  basis: "total" as "total" | "available",
  energy: "950",
  protein: "8,5",
  fat: "",
  carbohydrate: "45",
  fibre: "9",
  sugars: "4",
  alcohol: "",
};
const taken = new Set(["oats"]);

describe("a food as it is typed", () => {
  it("is read from its label, energy in the trainee's unit", () => {
    expect(filled(foodForm, { ...imperial, taken }, label)).toEqual({
      name: "Rye bread",
      basis: "total",
      // 950 kJ at 4.184 kJ a kilocalorie.
      energy: 950 / 4.184,
      protein: 8.5,
      fat: null,
      carbohydrate: 45,
      fibre: 9,
      sugars: 4,
      alcohol: null,
    });
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
});

describe("what is eaten and drunk as it is typed", () => {
  it("is grams of a food and portions of a recipe, whichever is chosen or first", () => {
    const amount = (typed: string, thing: string, first = "food oats") =>
      filled(mealForm, { ...metric, first }, { meal: "lunch", thing, amount: typed }).amount;
    expect([amount("3*55", ""), amount("0.2 kg", "food oats"), amount("0,5", "recipe soup")]).toEqual([165, 200, 0.5]);
    expect(amount("1.5", "", "recipe soup")).toBe(1.5);
    expect(
      whyNot(mealForm, { ...metric, first: "" }, { meal: "lunch", thing: "recipe soup", amount: "200 g" }),
    ).toEqual({
      amount: "Write a number, with a point or a comma.",
    });
  });
  it("water in millilitres or litres; meals by their names", () => {
    expect([filled(waterForm, metric, { ml: "0.5 l" }).ml, filled(waterForm, metric, { ml: "250" }).ml]).toEqual([
      500, 250,
    ]);
    expect(filled(mealNamesForm, metric, { meals: "breakfast, late  lunch" }).meals).toEqual([
      "breakfast",
      "late lunch",
    ]);
    expect(whyNot(mealNamesForm, metric, { meals: "lunch, Lunch" })).toEqual({ meals: "Lunch is written twice." });
  });
});
