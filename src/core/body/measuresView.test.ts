import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

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
});
