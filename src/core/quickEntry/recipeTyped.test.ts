import { expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { ingredientsText } from "./ingredientsText";
import { recipeTyped } from "./recipeTyped";

const asOf = smallAsOf("2026-06-10", {
  foods: [
    { id: "lentils", name: "Lentils", per100g: { kcal: 330 } },
    { id: "eggs", name: "Eggs", per100g: { kcal: 140 }, portions: [{ name: "egg", grams: 58 }] },
  ],
  recipes: [{ id: "soup", name: "Soup", ingredients: [{ foodId: "lentils", grams: 300 }] }],
});
const typed = (ingredients: string) => recipeTyped(asOf, { ingredients }, () => "new");

it("ingredients are read a line each as foods are, and written so that they are read again", () => {
  const found = typed("320 g lentils\n\n 2 eggs ");
  expect(found).toEqual({
    ingredients: [
      { foodId: "lentils", grams: 320, text: "320 g lentils" },
      { foodId: "eggs", grams: 116, text: "2 eggs" },
    ],
  });
  if ("why" in found) throw new Error(found.why);
  const text = ingredientsText({ id: "r", name: "R", ...found }, () => "");
  expect(typed(text)).toEqual(found);
  expect(
    ingredientsText({ id: "r", name: "R", ingredients: [{ foodId: "lentils", grams: 30 }] }, () => "Lentils"),
  ).toBe("30 g Lentils");
});

it("a line that is no food with an amount is named, and nothing is taken of the rest", () => {
  expect(typed("320 g lentils\n2 unicorns")).toEqual({ why: expect.stringContaining("Line 2, “2 unicorns”") });
  expect(typed("100 g lentils, 2 eggs")).toEqual({ why: expect.stringContaining("2 foods stand in it") });
  expect(typed("1 portion soup")).toHaveProperty("why");
  expect(typed("lentils")).toHaveProperty("why");
  expect(typed(" \n ")).toHaveProperty("why");
});
