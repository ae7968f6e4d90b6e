import { expect, it } from "vitest";
import { recipesOfPage } from "./recipes";

it("a page made to be slow is read in bounds: 300 lines of 2,000 fractions, and sixty thousand recipes", () => {
  const recipe = (lines: string[]) => ({ "@type": "Recipe", name: "Soup", recipeIngredient: lines });
  const slow = recipesOfPage(JSON.stringify(recipe(Array.from({ length: 300 }, () => "½".repeat(2000)))));
  if ("why" in slow) throw new Error(slow.why);
  expect(slow[0]!.ingredients.every((line) => line.length <= 200)).toBe(true);
  const many = recipesOfPage(JSON.stringify(Array.from({ length: 60_000 }, () => recipe(["80 g oats"]))));
  expect("why" in many ? many.why : many.length).toBe(20);
  expect(recipesOfPage("<p>nothing</p>")).toMatchObject({
    why: expect.stringContaining("No open recipe data") as string,
  });
});
