import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";
import { smallAsOf } from "../../../tests/smallLog";
import { mustDay } from "../base/calendar/day";
import { measuresOf } from "./measuresSlice";

const { answers, rower } = demoAnswers();

describe("the view of measures", () => {
  it("measures draw the line of their weekly rate, its band widest away from the readings' middle", () => {
    const waist = answers.answer("measures", rower)!.measures.find(({ name }) => name === "Waist")!;
    const [first, last] = [waist.line[0]!, waist.line.at(-1)!];
    expect(((last.value - first.value) / (last.day - first.day)) * 7).toBeCloseTo(waist.perWeek!.rate, 9);
    const widths = waist.line.map(({ low80, high80 }) => high80 - low80);
    expect(Math.min(...widths)).toBe(widths.slice(2, -2).toSorted((a, b) => a - b)[0]);
    expect(widths.at(-1)!).toBeGreaterThan(Math.min(...widths));
  });
  it("takes a reading of the day asked about, and none of a day after it", () => {
    const records = {
      measures: [{ name: "Waist", unit: "cm" }],
      readings: [
        { measureId: "measures-1", date: "2026-06-10", value: 83 },
        { measureId: "measures-1", date: "2026-06-11", value: 82 },
        { measureId: "measures-1", date: "2026-06-12", value: 81 },
      ],
    };
    const measures = measuresOf(smallAsOf("2026-06-11", records));
    expect(measures.values("measures-1").map(({ value }) => value)).toEqual([83, 82]);
    expect(measures.before("measures-1", mustDay("2026-06-11"))).toBe(83);
    expect(measures.before("measures-1", mustDay("2026-06-10"))).toBeNull();
  });
});
