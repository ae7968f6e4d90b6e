// Sources: the body-density formulas of Hodgdon & Beckett 1984 against the percentage formulas in inches of the same
// work, as used in US Department of
// Defense Instruction 1308.3 (both from memory: the check is that two published forms, fitted on the same people, agree
// to within a point);
// a straight line of simple-statistics (registry) for the weekly rate.
import { measureTrend } from "@/core/body/measureGoal";
import { weeklyRate } from "@/core/body/measuresView";
import { centimetres, tapeBodyFat, waistToHeight } from "@/core/body/tape";
import fc from "fast-check";
import { linearRegression } from "simple-statistics";
import { describe, expect, it } from "vitest";

const percent = (result: ReturnType<typeof tapeBodyFat>) => {
  if ("reason" in result) throw new Error(result.reason);
  return result.percent;
};

describe("body fat from the tape", () => {
  it("of men and women agrees with the formulas in inches to within a point over the usual range", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 160, max: 195, noNaN: true }),
        fc.double({ min: 72, max: 110, noNaN: true }),
        fc.double({ min: 34, max: 42, noNaN: true }),
        (heightCm, waistCm, neckCm) => {
          const inches = 86.01 * Math.log10((waistCm - neckCm) / 2.54) - 70.041 * Math.log10(heightCm / 2.54) + 36.76;
          if (inches < 8 || inches > 35) return;
          expect(
            Math.abs(percent(tapeBodyFat("male", { heightCm, waistCm, neckCm, hipCm: null })) - inches),
          ).toBeLessThan(1);
        },
      ),
    );
    fc.assert(
      fc.property(
        fc.double({ min: 152, max: 182, noNaN: true }),
        fc.double({ min: 62, max: 95, noNaN: true }),
        fc.double({ min: 28, max: 36, noNaN: true }),
        fc.double({ min: 86, max: 115, noNaN: true }),
        (heightCm, waistCm, neckCm, hipCm) => {
          const inches =
            163.205 * Math.log10((waistCm + hipCm - neckCm) / 2.54) - 97.684 * Math.log10(heightCm / 2.54) - 78.387;
          if (inches < 15 || inches > 42) return;
          expect(Math.abs(percent(tapeBodyFat("female", { heightCm, waistCm, neckCm, hipCm })) - inches)).toBeLessThan(
            1.5,
          );
        },
      ),
    );
  });
  it("worked by hand: a man of 178 cm, waist 82, neck 38", () => {
    // log₁₀ 44 = 1.643453, log₁₀ 178 = 2.250420; density = 1.0324 − 0.313521 + 0.347825 = 1.066704; 495 ÷ 1.066704 −
    // 450 = 14.05
    expect(percent(tapeBodyFat("male", { heightCm: 178, waistCm: 82, neckCm: 38, hipCm: null }))).toBeCloseTo(14.05, 1);
  });
  it("says what is missing, and what cannot be", () => {
    expect(tapeBodyFat("male", { heightCm: null, waistCm: 82, neckCm: null, hipCm: null })).toEqual({
      reason: "it needs height, neck",
    });
    expect(tapeBodyFat("female", { heightCm: 165, waistCm: 70, neckCm: 32, hipCm: null })).toEqual({
      reason: "it needs hip",
    });
    expect(tapeBodyFat("male", { heightCm: 178, waistCm: 38, neckCm: 82, hipCm: null })).toMatchObject({
      reason: expect.stringContaining("mistyped") as string,
    });
    expect(tapeBodyFat("unspecified", { heightCm: 178, waistCm: 82, neckCm: 38, hipCm: null })).toMatchObject({
      reason: expect.stringContaining("one formula for men") as string,
    });
  });
  it("takes lengths in inches, millimetres and metres, and no other unit", () => {
    expect([
      centimetres(32, "in"),
      centimetres(820, "mm"),
      centimetres(0.82, "m"),
      centimetres(82, "cm"),
      centimetres(15, "%"),
    ]).toEqual([81.28, 82, 82, 82, null]);
    expect(waistToHeight(82, 164)).toBe(0.5);
  });
});

describe("the weekly rate of a measure", () => {
  it("is the slope of the straight line through twelve weeks, as a general library fits it", () => {
    const readings = [
      [-90, 90],
      [-70, 84.1],
      [-56, 83.6],
      [-42, 83.7],
      [-28, 82.9],
      [-14, 82.4],
      [0, 82.5],
    ].map(([day, value]) => ({ day: 20_000 + day!, value: value! }));
    const { m } = linearRegression(readings.slice(1).map(({ day, value }) => [day / 7, value]));
    const rate = weeklyRate(measureTrend(readings, 20_000))!;
    expect(rate.rate).toBeCloseTo(m, 10);
    expect(rate.readings).toBe(6);
    expect(weeklyRate(measureTrend(readings.slice(-3), 20_000))).toBeNull();
  });
});
