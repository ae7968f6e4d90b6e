import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import * as z from "zod";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import {
  bodyWeight,
  civilDate,
  distanceUnits,
  duration,
  energyUnits,
  figure,
  type FormContext,
  gramUnits,
  massUnits,
  nameText,
  optional,
  percentUnits,
  readFigure,
  timeOfDay,
  unread,
  words,
} from "./form";

/** A field read alone: its value, or why it is none. */
const one = <V>(field: z.ZodType<V, string>, typed: string): V | string => {
  const { data, error } = field.safeParse(typed);
  return error === undefined ? (data as V) : error.issues[0]!.message;
};

describe("a figure as it is typed", () => {
  it.each([
    ["72,5", massUnits("kg"), 72.5],
    ["72.5 kg", massUnits("lb"), 72.5],
    // The international pound, exact by definition (1959 agreement).
    ["158 lb", massUnits("kg"), 158 * 0.45359237],
    ["158", massUnits("lb"), 158 * 0.45359237],
    ["3*55", gramUnits, 165],
    ["2 × 27,5 + 5 kg", massUnits("kg"), 60],
    ["0.5 kg", gramUnits, 500],
    ["57 %", percentUnits, 0.57],
    ["57", percentUnits, 0.57],
    // The international mile, exact by definition.
    ["3", distanceUnits("mi"), 3 * 1609.344],
    ["5 km", distanceUnits("mi"), 5000],
    ["400 m", distanceUnits("km"), 400],
    // The thermochemical calorie: 1 kcal = 4.184 kJ.
    ["4184 kJ", energyUnits("kcal"), 1000],
    ["1000 kcal", energyUnits("kJ"), 1000],
  ])("%s", (typed, units, value) => {
    expect(readFigure(typed, units)).toBe(value);
  });
  it.each(["", "tall", "8-9", "72 stone", "72 constructor", "5'11", "1 2", "3*", "1e400"])("%s is none", (typed) => {
    expect(readFigure(typed, massUnits("kg"))).toBeNull();
  });
  it("is held to the bounds of its record, said in the unit it is typed in", () => {
    const height = figure("Height", z.number().min(50).max(280));
    expect(["171", "171,5", "3 * 57", "", "tall", "281", "-171"].map((typed) => one(height, typed))).toEqual([
      171,
      171.5,
      171,
      "Height is missing.",
      "Write a number, with a point or a comma.",
      "Height must be from 50 to 280.",
      "Height must be from 50 to 280.",
    ]);
    expect(one(figure("The target", z.number().min(500).max(15_000), energyUnits("kJ")), "100")).toBe(
      "The target must be from 2,092 to 62,760 kJ.",
    );
    // `1,200` is twelve hundred to some and 1.2 to others: of units so small it is asked.
    const energy = figure("Energy", z.number().min(1).max(15_000), energyUnits("kcal"));
    for (const typed of ["1,200", "1.200 kcal", "1,200 kJ"])
      expect(one(energy, typed)).toBe(`Write ${typed.replace(/[.,]/, "")} without a mark, or with fewer decimals.`);
    expect([one(energy, "1200"), one(energy, "0.125*10000"), one(energy, "99.5")]).toEqual([1200, 1250, 99.5]);
    expect(readFigure("72,500", massUnits("kg"))).toBe(72.5);
    expect(one(bodyWeight("Weight", imperial), "12 kg")).toBe(12);
    expect(one(bodyWeight("Weight", imperial), "12")).toBe("Weight must be from 22.05 to 992.08 lb.");
    expect(one(optional(height), " ")).toBeNull();
    expect(one(optional(height), "1")).toBe("Height must be from 50 to 280.");
  });
  it("comes back as it was, whatever it is", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999 }), (hundredths) => {
        const typed = String(hundredths / 100);
        expect(readFigure(typed)).toBe(hundredths / 100);
        expect(readFigure(typed.replace(".", ","))).toBe(hundredths / 100);
        expect(readFigure(`${typed} %`, percentUnits)).toBe(hundredths / 100 / 100);
      }),
    );
  });
});

describe("words, days and times as they are typed", () => {
  it("a date is one that a log takes, in the trainee's order", () => {
    const date = (typed: string, latest?: string) => one(civilDate("The date", metric, latest), typed);
    expect(date("")).toBe("The date is missing.");
    expect(date("2026-02-30")).toBe("There is no day 2026-02-30.");
    expect(date("some day")).toMatch(/^"some day" is no date\. Write it such as/);
    expect(date("1700-02-03")).toMatch(/^The date is out of range/);
    expect(date("2026-06-12", "2026-06-11")).toBe("The date cannot be in the future.");
    expect(date("2026-06-11", "2026-06-11")).toBe("2026-06-11");
  });
  it("a time of day, a duration", () => {
    expect(["", "06:40", "6.40", "25:00"].map((typed) => one(timeOfDay, typed))).toEqual([
      null,
      "06:40",
      "06:40",
      "Write a time of day such as 6:40.",
    ]);
    expect([one(duration, "33:10"), one(duration, "45 min")]).toEqual([1990, 2700]);
    expect(one(duration, "soon")).toBe("Write a time such as 33:10 or 45 min.");
  });
  it("names are something, and no longer than a log takes", () => {
    const name = nameText("A name", (typed) => (typed === "Ann" ? "Somebody is called that." : null));
    expect([" Bo ", "  ", "Ann", "x".repeat(201)].map((typed) => one(name, typed))).toEqual([
      "Bo",
      "A name is missing.",
      "Somebody is called that.",
      "A name is too long: 200 letters at most.",
    ]);
    expect(one(words, "  after the race ")).toBe("after the race");
    expect(one(words, "x".repeat(20_001))).toMatch(/too long/);
  });
  it("what is not asked for is not read, and each reason stands with its field", () => {
    const form = (context: FormContext, { by }: { by: string }) =>
      z.object({ by: z.string(), kg: bodyWeight("Weight", context), rate: by === "rate" ? duration : unread });
    expect(filled(form, metric, { by: "date", kg: "70", rate: "nonsense" })).toEqual({
      by: "date",
      kg: 70,
      rate: null,
    });
    expect(whyNot(form, metric, { by: "rate", kg: "7", rate: "nonsense" })).toEqual({
      kg: "Weight must be from 10 to 450 kg.",
      rate: "Write a time such as 33:10 or 45 min.",
    });
  });
});
