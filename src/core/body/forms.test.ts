import { describe, expect, it } from "vitest";
import { filled, metric, whyNot } from "../../../tests/filled";
import { measureForm, measureGoalForm, readingForm, weighInForm } from "./forms";

const fields = {
  date: "2026-06-10",
  measure: "waist",
  value: "84,5",
  method: " tape ",
  name: "",
  unit: "",
  aggregate: "last" as const,
};
const context = {
  ...metric,
  offered: { waist: { name: "Waist", unit: "cm" }, "new Hip": { name: "Hip", unit: "cm" } },
  known: ["Waist", "Forearm"],
};

describe("a weigh-in as it is typed", () => {
  it("is read, and refused where it is none", () => {
    const typed = { date: "2026-06-10", kg: "158 lb", time: "6.40", note: " after a meal ", second: true };
    expect(filled(weighInForm, metric, typed)).toEqual({
      date: "2026-06-10",
      kg: 158 * 0.45359237,
      time: "06:40",
      note: "after a meal",
      second: true,
    });
    expect(whyNot(weighInForm, metric, { ...typed, date: "2026-06-12", kg: "700", time: "7" })).toEqual({
      date: "The date cannot be in the future.",
      kg: "Weight must be from 10 to 450 kg.",
      time: "Write a time of day such as 6:40.",
    });
  });
});

describe("a measure as it is typed", () => {
  it("is read in its unit, and held to what can be true of it", () => {
    expect(filled(measureForm, context, fields)).toMatchObject({ value: 84.5, method: "tape", name: null });
    expect(whyNot(measureForm, context, { ...fields, value: "845" }).value).toMatch(/is no waist/);
    expect(whyNot(measureForm, context, { ...fields, value: "" })).toEqual({ value: "The value is missing." });
    expect(
      whyNot(readingForm, { ...metric, measured: { name: "Waist", unit: "cm" } }, { date: "", value: "8", method: "" }),
    ).toMatchObject({
      date: "The date is missing.",
    });
  });
  it("of one's own has a name that is not another's, however that is written", () => {
    const own = { ...fields, measure: "own", name: "Grip", unit: "kg", value: "52" };
    expect(filled(measureForm, context, own)).toMatchObject({ name: "Grip", unit: "kg", value: 52 });
    for (const [name, is] of [
      ["forearm", "Forearm"],
      ["belly", "Waist"],
    ] as const)
      expect(whyNot(measureForm, context, { ...own, name }).name).toBe(
        `${is} is there already: choose it under Measure.`,
      );
    expect(whyNot(measureForm, context, { ...own, name: " " })).toEqual({ name: "The name is missing." });
  });
  it("has a goal that lies ahead of today and of the latest reading", () => {
    const goal = (date: string, latest = "2026-06-01") =>
      whyNot(measureGoalForm, { ...metric, latest }, { target: "80", date }).date;
    expect([goal("2026-06-11"), goal("2026-06-12"), goal("2026-06-12", "2026-06-12")]).toEqual([
      "It must lie ahead.",
      undefined,
      "It must lie ahead.",
    ]);
  });
});
