import { describe, expect, it } from "vitest";
import { gramsOfLine, type IngredientLine, lookedFor } from "./ingredientMatch";

const line = (over: Partial<IngredientLine>): IngredientLine => ({
  text: "",
  quantity: 2,
  to: null,
  unit: null,
  each: null,
  food: "",
  ...over,
});
const egg = { id: "egg", name: "Eggs, raw", per100g: {}, portions: [{ name: "egg", grams: 55 }] };
const oats = {
  id: "oats",
  name: "Oats",
  per100g: {},
  portions: [
    { name: "cup", grams: 80 },
    { name: "spoon", grams: 10 },
  ],
};

describe("grams of a line", () => {
  it("by mass (the ounce of 28.349523125 g, by definition), by the food's portions, by water's volume", () => {
    expect(gramsOfLine(line({ quantity: 1.5, unit: "kilogram" }), oats)).toEqual({ grams: 1500, by: "" });
    expect(gramsOfLine(line({ quantity: 8, unit: "ounce" }), oats)).toEqual({ grams: 226.796185, by: "" });
    expect(gramsOfLine(line({}), egg)).toEqual({ grams: 110, by: "egg of 55 g" });
    expect(gramsOfLine(line({ quantity: 0.5, unit: "cup" }), oats)).toMatchObject({ grams: 40 });
    expect(gramsOfLine(line({ unit: "tablespoon" }), oats)).toMatchObject({ grams: 20 });
    expect(gramsOfLine(line({ quantity: 1, each: { quantity: 400, unit: "gram" } }), oats)).toMatchObject({
      grams: 400,
    });
    expect(gramsOfLine(line({ quantity: 1.5, unit: "liter" }), egg)).toEqual({ grams: 1500, by: "1 g a ml, as water" });
  });
  it("are asked for where they are not known", () => {
    expect(gramsOfLine(line({ quantity: null }), oats)).toEqual({ why: "no amount is written" });
    expect(gramsOfLine(line({ to: 3 }), egg)).toEqual({ why: "2 or 3?" });
    expect(gramsOfLine(line({}), oats)).toEqual({ why: "how many grams is one?" });
    expect(gramsOfLine(line({ unit: "cup" }), egg)).toEqual({ why: "how many grams is a cup?" });
    expect(gramsOfLine(line({ each: { quantity: 400, unit: "gram" } }), oats)).toHaveProperty("why");
  });
  it("looks for a food by fewer words each time", () => {
    expect(lookedFor("ripe tomatoes (skinned), chopped")).toEqual([
      "ripe tomatoes , chopped",
      "ripe tomatoes",
      "tomatoes",
      "ripe",
    ]);
  });
});
