import { describe, expect, it } from "vitest";
import { noNutrients } from "./energy";
import { guided, guideStandings, printGuide } from "./guides";
import { standings } from "./standing";

const eaten = { ...noNutrients, kcal: 500, protein: 100, fat: 70, carbohydrate: 200, fibre: 32, sugars: 60 };
const asked = { protein: null, fat: null, carbohydrate: null, fibre: null, sugars: null };
const said = (one: Partial<Parameters<typeof standings>[1]>) =>
  standings(eaten, { ...asked, ...one }).map((each) =>
    "reason" in each ? each.reason : `${each.by} g of ${each.nutrient} ${each.words}`,
  );

describe("how a day stands to its targets", () => {
  it("goes by the direction of each: over on fibre is good, over on sugars is not", () => {
    expect(
      said({
        protein: { grams: 130, to: null, meant: "atLeast" },
        fibre: { grams: 30, to: null, meant: "atLeast" },
        sugars: { grams: 50, to: null, meant: "atMost" },
        fat: { grams: 80, to: null, meant: "about" },
      }),
    ).toEqual([
      "30 g of protein to go of at least 130 g",
      "10 g of fat left of 80 g",
      "2 g of fibre over at least 30 g, which is good",
      "10 g of sugars too much: at most 50 g",
    ]);
  });
  it("knows a range from both ends, and says why a target is not known", () => {
    const range = (grams: number, to: number) => said({ carbohydrate: { grams, to, meant: "between" } })[0];
    expect(range(220, 260)).toBe("20 g of carbohydrate to go of 220 to 260 g");
    expect(range(180, 260)).toBe("60 g of carbohydrate left within 180 to 260 g");
    expect(range(150, 180)).toBe("20 g of carbohydrate too much: 150 to 180 g");
    expect(said({ protein: { reason: "no weight is written" } })).toEqual(["no weight is written"]);
  });
  it("is the same for a meal and its guides", () => {
    const guides = { kcal: { from: 400, to: 600 }, protein: { from: 120 }, fat: { to: 60 } };
    expect(guideStandings(guides, eaten)).toMatchObject([
      { of: "kcal", is: "within", by: 100 },
      { of: "protein", is: "toGo", by: 20 },
      { of: "fat", is: "over", by: 10 },
    ]);
    expect(guided.map((of) => printGuide(of, guides, "kcal"))).toEqual([
      "400 to 600",
      "at least 120",
      "at most 60",
      "",
      "",
    ]);
    expect(printGuide("kcal", guides, "kJ")).toBe("1673.6 to 2510.4");
  });
});
