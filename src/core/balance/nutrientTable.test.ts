import { describe, expect, it } from "vitest";
import { nutrientRows } from "../../formats/nutrientRows";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { mustDay } from "../base/calendar/day";
import { nutrientTable } from "./nutrientTable";

const meal = (date: string, kcal: number, protein: number, status = "eaten") => ({
  date,
  meal: "lunch",
  status,
  name: "lunch",
  nutrients: { kcal, protein, fat: 10, carbohydrate: 100, fibre: 20, sugars: 5, alcohol: 0 },
});
const records = {
  people: [{ id: "p", name: "Ana", sex: "female", birthDate: "1996-06-01", heightCm: 165 }],
  weighIns: weighedFrom("2026-06-01", 60, 60),
  meals: [
    meal("2026-06-01", 2000, 100),
    meal("2026-06-02", 1000, 50),
    meal("2026-06-02", 800, 40),
    meal("2026-06-03", 300, 10),
    meal("2026-06-04", 1500, 70, "planned"),
    meal("2026-06-09", 1500, 70),
  ],
  water: [{ date: "2026-06-02", ml: 500 }],
  dayNotes: [
    { date: "2026-06-01", foodComplete: true },
    { date: "2026-06-02", foodComplete: true },
  ],
};

describe("nutrients over any days", () => {
  const table = nutrientTable(smallAsOf("2026-06-08", records), mustDay("2026-06-01"), mustDay("2026-06-30"));
  it("are told by day, and their mean is of whole days", () => {
    expect(table.days.map(({ date, kcal, isWhole }) => [date, kcal, isWhole])).toEqual([
      ["2026-06-03", 300, false],
      ["2026-06-02", 1800, true],
      ["2026-06-01", 2000, true],
    ]);
    // (2000 + 1800) ÷ 2 and (100 + 90) ÷ 2.
    expect(table.mean).toMatchObject({ days: 2, nutrients: { kcal: 1900, protein: 95, fibre: 30 } });
    expect(nutrientTable(smallAsOf("2026-06-08", records), mustDay("2026-05-01"), mustDay("2026-05-31"))).toEqual({
      days: [],
      mean: null,
    });
  });
  it("are rows of a CSV, in the trainee's unit of energy", () => {
    const rows = nutrientRows(table, "kJ");
    expect(rows[0]!.slice(0, 3)).toEqual(["date", "energy (kJ)", "protein (g)"]);
    // 2000 × 4.184 = 8368
    expect(rows[1]!.slice(0, 3)).toEqual(["2026-06-01", 8368, 100]);
    expect(rows.map((row) => row.at(-1))).toEqual(["whole", "yes", "yes", "no"]);
    expect(rows[2]![9]).toBe(500);
  });
});
