import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { metricUnits } from "../base/units/printer";
import { macros } from "./asked";
import { askedTyped, printAsked } from "./askedTyped";
import { sharesMoved, targetFields, targetsTyped, type TargetsContext, type TargetsTyped } from "./targetsTyped";

const none: TargetsTyped = { kcal: "", protein: "", fat: "", carbohydrate: "", fibre: "", sugars: "", water: "" };
const read = (typed: Partial<TargetsTyped>, context: Partial<TargetsContext> = {}) =>
  targetsTyped(
    { ...none, ...typed },
    { units: metricUnits, body: { kg: 70, fatFreeKg: null }, dayKcal: 2500, ...context },
  );

describe("a target of a nutrient as it is typed", () => {
  it("is grams, grams for each kilogram of the body or of its lean mass, a share, or what the others leave", () => {
    expect(askedTyped("130")).toEqual({ grams: 130 });
    expect(askedTyped("1,8 g/kg")).toEqual({ gramsPerKg: 1.8 });
    expect(askedTyped("2.2 g / kg lean mass")).toEqual({ gramsPerLeanKg: 2.2 });
    expect(askedTyped("25 %")).toEqual({ share: 0.25 });
    expect(askedTyped("40% of rest")).toEqual({ shareOfRest: 0.4 });
    expect(askedTyped("the rest")).toEqual({ shareOfRest: 1 });
    expect(askedTyped("at least 3*10 g")).toEqual({ grams: 30, direction: "atLeast" });
    expect(askedTyped("at most 10 %")).toEqual({ share: 0.1, direction: "atMost" });
    expect(askedTyped("60 to 80 g")).toEqual({ grams: 60, to: 80, direction: "between" });
    expect(askedTyped("1.6-2.2 g/kg")).toEqual({ gramsPerKg: 1.6, to: 2.2, direction: "between" });
  });
  it("is refused with a reason", () => {
    expect(askedTyped("lots")).toMatch(/^Write grams/);
    expect(askedTyped("1 to 2 to 3")).toMatch(/^Write grams/);
    expect(askedTyped("120 %")).toBe("Write a share from 0 to 100 %.");
    expect(askedTyped("80 to 60")).toMatch(/lower number/);
    expect(askedTyped("at least 60 to 80")).toMatch(/^Write either/);
  });
  it("is read again as it was printed", () => {
    const value = fc.integer({ min: 0, max: 1000 }).map((tenths) => tenths / 10);
    const direction = fc.constantFrom({}, { direction: "atLeast" as const }, { direction: "atMost" as const });
    const share = fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100);
    const asked = fc.oneof(
      fc.tuple(value, direction).map(([grams, way]) => ({ grams, ...way })),
      fc.tuple(value, direction).map(([gramsPerKg, way]) => ({ gramsPerKg, ...way })),
      fc.tuple(value, direction).map(([gramsPerLeanKg, way]) => ({ gramsPerLeanKg, ...way })),
      fc.tuple(share, direction).map(([one, way]) => ({ share: one, ...way })),
      fc.tuple(share, direction).map(([shareOfRest, way]) => ({ shareOfRest, ...way })),
      value.map((grams) => ({ grams, to: grams + 5, direction: "between" as const })),
    );
    fc.assert(
      fc.property(asked, (one) => {
        expect(askedTyped(printAsked(one))).toEqual(one);
      }),
    );
  });
});

describe("targets of a kind of day as they are typed", () => {
  it("are kept as they were set, and say what they make together", () => {
    // 2 g/kg × 70 = 140 g, 560 kcal; 25 % of 2500 are 625 kcal, 69.4 g of fat; the rest, 1315 kcal, is 328.75 g.
    const day = read({ protein: "2 g/kg", fat: "25 %", carbohydrate: "the rest" });
    expect(day).toEqual({
      targets: { protein: { gramsPerKg: 2 }, fat: { share: 0.25 }, carbohydrate: { shareOfRest: 1 } },
      problems: {},
      said: "140 g of protein, 69 g of fat, 329 g of carbohydrate make 2,500 kcal of 2,500.",
    });
    expect(read({ protein: "30 %", fat: "30 %", carbohydrate: "40 %" }).problems).toEqual({});
    // 2500 − 4 × 140 = 1940 kcal: 40 % of it are 776 kcal, 86 g of fat; 60 % are 1164 kcal, 291 g.
    expect(read({ protein: "140", fat: "40 % of the rest", carbohydrate: "60 % of the rest" }).said).toBe(
      "140 g of protein, 86 g of fat, 291 g of carbohydrate make 2,500 kcal of 2,500.",
    );
    expect(read({ kcal: "2000", protein: "130", fibre: "30", sugars: "at most 10 %", water: "2.5 l" })).toMatchObject({
      targets: { kcal: 2000, fibre: { grams: 30 }, sugars: { share: 0.1 }, water: 2500 },
      said: "130 g of protein make 520 kcal of 2,000, 26 %: 1,480 kcal are left.",
    });
    // 2.2 g for each of 56 kg of lean mass are 123.2 g.
    const lean = { body: { kg: 70, fatFreeKg: 56 } };
    expect(read({ protein: "2.2 g/kg lean" }, lean).said).toMatch(/^123 g of protein make 493 kcal/);
    expect(read({ protein: "2.2 g/kg lean" }).problems.protein).toMatch(/No body fat is measured/);
  });
  it("that cannot sum are refused", () => {
    expect(read({ protein: "40 %", fat: "40 %", carbohydrate: "40 %" }).problems).toEqual({
      carbohydrate: "The shares make 120 %: 20 % too many.",
    });
    expect(read({ protein: "20 %", fat: "20 %", carbohydrate: "59.5 %" }).problems).toEqual({
      carbohydrate: "The shares make 99.5 %: 0.5 % are left.",
    });
    expect(read({ protein: "140", fat: "70", carbohydrate: "100" }).problems).toEqual({
      carbohydrate: "Together they make 64 % of the day's energy: 228 g more carbohydrate would make it up.",
    });
    expect(read({ protein: "rest", fat: "rest", carbohydrate: "100" }).problems).toEqual({
      fat: "Only one of them can be the rest.",
    });
    expect(read({ protein: "140", fat: "40 % of the rest", carbohydrate: "50 % of the rest" }).problems).toEqual({
      carbohydrate: "The shares of the rest make 90 %, not 100.",
    });
    expect(read({ protein: "140", fat: "rest" }).problems.fat).toMatch(/once carbohydrate is set/);
    expect(read({ protein: "100", fat: "300", carbohydrate: "rest" }).problems.carbohydrate).toBe(
      "Nothing is left: the others make 3,100 kcal of 2,500.",
    );
    expect(read({ sugars: "the rest" }).problems.sugars).toMatch(/part of carbohydrate/);
  });
  it("keep the bounds of a day, and are said in the trainee's unit of energy", () => {
    expect(read({ protein: "601", fat: "-5", carbohydrate: "22 g/kg" }).problems).toEqual({
      protein: "It must be from 0 to 600 g.",
      fat: "It must be from 0 to 1,500 g.",
      carbohydrate: "It must be from 0 to 1,500 g.",
    });
    expect(read({ kcal: "499" }).problems.kcal).toBe("The target must be from 500 to 15,000 kcal.");
    expect(read({ water: "30 l" }).problems.water).toBe("Water must be from 1 to 20,000 ml.");
    // 130 g × 4 kcal × 4.184 are 2,176 kJ; 500 kcal are 2,092 kJ.
    const kJ = { units: { ...metricUnits, energy: "kJ" as const }, dayKcal: null };
    expect(read({ kcal: "10460", protein: "130" }, kJ)).toMatchObject({
      targets: { kcal: expect.closeTo(2500, 6) as number },
      said: "130 g of protein make 2,176 kJ of 10,460, 21 %: 8,284 kJ are left.",
    });
    expect(read({ kcal: "2000" }, kJ).problems.kcal).toBe("The target must be from 2,092 to 62,760 kJ.");
  });
  it("say what is missing to read them", () => {
    expect(read({ protein: "1.8 g/kg" }, { body: null }).problems.protein).toMatch(/No body weight/);
    expect(read({ fat: "25 %" }, { dayKcal: null }).problems.fat).toMatch(/not known/);
    expect(read({ protein: "130", fat: "70", carbohydrate: "rest" }, { dayKcal: null }).problems).toEqual({
      carbohydrate: "The energy of the day is not known: write its target.",
    });
    expect(read({ kcal: "x" }).problems.kcal).toBe("Write a number, with a point or a comma.");
  });
  it("are written in their fields as they were set, plain grams of an older log too", () => {
    const targets = { kcal: 2200, protein: 130, fat: { share: 0.3 }, fibre: { grams: 30 }, water: 2500 };
    expect(targetFields(targets, String)).toEqual({
      ...none,
      kcal: "2200",
      protein: "130",
      fat: "30 %",
      fibre: "30",
      water: "2500",
    });
  });
});

describe("shares that move together", () => {
  it("keep their proportion, and what is set otherwise is let be", () => {
    expect(sharesMoved({ protein: "40 %", fat: "30 %", carbohydrate: "45 %" }, "protein")).toEqual({
      fat: "24 %",
      carbohydrate: "36 %",
    });
    expect(sharesMoved({ protein: "130", fat: "35 % of the rest", carbohydrate: "60 % of the rest" }, "fat")).toEqual({
      carbohydrate: "65 % of the rest",
    });
    expect(sharesMoved({ protein: "130", fat: "35 %", carbohydrate: "the rest" }, "fat")).toEqual({});
    expect(sharesMoved({ protein: "1.8 g/kg", fat: "35 %", carbohydrate: "65 %" }, "fat")).toEqual({});
  });
  it("always sum to 100", () => {
    const percent = fc.integer({ min: 0, max: 1000 }).map((tenths) => `${tenths / 10} %`);
    fc.assert(
      fc.property(percent, percent, percent, fc.constantFrom(...macros), (protein, fat, carbohydrate, changed) => {
        const typed = { protein, fat, carbohydrate };
        const moved = { ...typed, ...sharesMoved(typed, changed) };
        expect(moved[changed]).toBe(typed[changed]);
        const sum = macros.reduce((all, macro) => all + parseFloat(moved[macro]), 0);
        expect(sum).toBeCloseTo(100, 6);
        expect(read(moved, { dayKcal: 2000 }).problems).toEqual({});
      }),
    );
  });
});
