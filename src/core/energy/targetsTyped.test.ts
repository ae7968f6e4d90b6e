import { describe, expect, it } from "vitest";
import { metricUnits } from "../base/units/printer";
import { targetsTyped, type TargetsTyped } from "./targetsTyped";

const read = (typed: Partial<TargetsTyped>, dayKcal: number | null = 2500, kg: number | null = 70) =>
  targetsTyped({ kcal: "", protein: "", fat: "", carbohydrate: "", ...typed }, { units: metricUnits, kg, dayKcal });

describe("targets of a kind of day as they are typed", () => {
  it("are grams, grams for each kilogram, shares, and the rest of the energy", () => {
    // 2 g/kg × 70 = 140 g, 560 kcal; 25 % of 2500 are 625 kcal, 69.4 g of fat; the rest, 1315 kcal, is 328.75 g.
    const day = read({ protein: "2 g/kg", fat: "25 %", carbohydrate: "the rest" });
    expect(day).toMatchObject({ protein: 140, carbohydrate: expect.closeTo(328.75, 6) as number, problems: {} });
    expect(day.fat).toBeCloseTo(69.444, 3);
    expect(day.said).toBe("140 g of protein, 69 g of fat, 329 g of carbohydrate make 2,500 kcal of 2,500.");
    expect(read({ protein: "30 %", fat: "30 %", carbohydrate: "40 %" }).problems).toEqual({});
    expect(read({ kcal: "2000", protein: "130" })).toMatchObject({
      kcal: 2000,
      protein: 130,
      said: "130 g of protein make 520 kcal of 2,000, 26 %: 1,480 kcal are left.",
    });
  });
  it("that cannot sum are refused", () => {
    expect(read({ protein: "40 %", fat: "40 %", carbohydrate: "40 %" }).problems).toEqual({
      carbohydrate: "Together they make 120 % of the day's energy.",
    });
    expect(read({ protein: "20 %", fat: "20 %", carbohydrate: "20 %" }).problems).toEqual({
      carbohydrate: "Together they make 60 % of the day's energy: 250 g more carbohydrate would make it up.",
    });
    expect(read({ protein: "rest", fat: "rest" }).problems).toEqual({ fat: "Only one of them can be the rest." });
    expect(read({ fat: "300", carbohydrate: "rest" }).problems.carbohydrate).toBe(
      "Nothing is left: the others make 2,700 kcal of 2,500.",
    );
  });
  it("keep the bounds of a day, and are said in the trainee's unit of energy", () => {
    expect(read({ protein: "601", fat: "-5", carbohydrate: "10 g/kg" }).problems).toEqual({
      protein: "It must be from 0 to 600 g.",
      fat: "It must be from 0 to 1,500 g.",
    });
    expect(read({ kcal: "499" }).problems.kcal).toBe("The target must be from 500 to 15,000 kcal.");
    // 130 g × 4 kcal × 4.184 are 2,176 kJ; 500 kcal are 2,092 kJ.
    const kJ = { units: { ...metricUnits, energy: "kJ" as const }, kg: 70, dayKcal: null };
    const none = { protein: "", fat: "", carbohydrate: "" };
    expect(targetsTyped({ ...none, kcal: "10460", protein: "130" }, kJ)).toMatchObject({
      kcal: expect.closeTo(2500, 6) as number,
      said: "130 g of protein make 2,176 kJ of 10,460, 21 %: 8,284 kJ are left.",
    });
    expect(targetsTyped({ ...none, kcal: "2000" }, kJ).problems.kcal).toBe(
      "The target must be from 2,092 to 62,760 kJ.",
    );
  });
  it("say what is missing to read them", () => {
    expect(read({ protein: "1.8 g/kg" }, 2500, null).problems.protein).toMatch(/No body weight/);
    expect(read({ fat: "25 %" }, null).problems.fat).toMatch(/not known/);
    expect(read({ fat: "lots", kcal: "x", carbohydrate: "120 %" }).problems).toEqual({
      fat: "Write grams, such as 130, 1.8 g/kg, 25 %, or the rest.",
      kcal: "Write a number, with a point or a comma.",
      carbohydrate: "Write a share from 0 to 100 %.",
    });
  });
});
