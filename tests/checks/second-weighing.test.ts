// Source: the table of Student's t (Abramowitz & Stegun, Handbook of Mathematical Functions, table 26.10; from memory),
// a mean and interval worked by
// hand, and a simulation with an offset that is known.
import { type SecondWeighed, secondWeighInOffset, studentAt90 } from "@/core/body/secondWeighIns";
import { Random } from "@/demo/random";
import { describe, expect, it } from "vitest";

const pair = (day: number, morningKg: number | null, kg: number): SecondWeighed => ({
  day,
  time: "20:30",
  kg,
  morningKg,
});

describe("second weigh-ins", () => {
  it("Student's t as tabled", () => {
    for (const [freedom, t] of [
      [4, 1.533],
      [5, 1.476],
      [9, 1.383],
      [19, 1.328],
      [29, 1.311],
      [120, 1.289],
    ] as const)
      expect(studentAt90(freedom)).toBeCloseTo(t, 2);
  });
  it("by hand: differences 0.8, 1.0, 1.2, 0.9, 1.1 have the mean 1.0 and s 0.158; t(4) s ÷ √5 = 0.108", () => {
    const pairs = [0.8, 1, 1.2, 0.9, 1.1].map((above, index) => pair(20_000 + index, 72, 72 + above));
    expect(secondWeighInOffset(pairs)).toEqual({
      offset: expect.closeTo(1, 9) as number,
      low80: expect.closeTo(0.892, 3) as number,
      high80: expect.closeTo(1.108, 3) as number,
      sd: expect.closeTo(0.15811, 5) as number,
      days: 5,
      from: 20_000,
      to: 20_004,
    });
    // Days without a morning and gross errors do not count; nothing is said of fewer than five pairs.
    expect(secondWeighInOffset([...pairs, pair(20_005, null, 90), pair(20_006, 72, 22)])).toEqual(
      secondWeighInOffset(pairs),
    );
    expect(secondWeighInOffset(pairs.slice(1))).toEqual({
      reason: "5 days with both a morning and a second weigh-in are needed; there are 4",
    });
  });
  it("hold a known offset in the interval about four times in five", () => {
    const random = new Random(3);
    let inside = 0;
    for (let trial = 0; trial < 1000; trial++) {
      const result = secondWeighInOffset(
        Array.from({ length: 5 + (trial % 10) }, (_, index) => pair(20_000 + index, 70, 70.9 + random.normal(0.3))),
      );
      if ("reason" in result) throw new Error(result.reason);
      inside += Number(result.low80 <= 0.9 && 0.9 <= result.high80);
    }
    expect(inside).toBeGreaterThan(760);
    expect(inside).toBeLessThan(840);
  });
});
