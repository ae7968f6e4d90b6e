// Sources: the seven formulas as their authors published them (named in src/core/strength/e1rm.ts), worked for 100 kg x
// 5.
// Percentage table: NSCA, Essentials of Strength Training and Conditioning, "percent of the 1RM and repetitions
// allowed" (from memory).
import { type FormulaName, formulaNames, formulas, maximumFactor } from "@/core/strength/e1rm";
import { describe, expect, it } from "vitest";

describe("100 kg for five repetitions", () => {
  const worked: Record<FormulaName, number> = {
    epley: 116.667,
    brzycki: 112.5,
    lombardi: 117.462,
    oConner: 112.5,
    mayhew: 119.011,
    wathan: 116.583,
    lander: 113.709,
  };
  it.each(formulaNames)("%s", (name) => expect(100 * maximumFactor(name, 5)).toBeCloseTo(worked[name], 3));
  it("the default is the mean of exactly these seven", () => {
    const sum = Object.values(worked).reduce((a, b) => a + b, 0);
    expect(100 * maximumFactor("mean", 5)).toBeCloseTo(sum / 7, 3);
  });
});

describe("identities that rest on no table", () => {
  it("Brzycki and Epley meet at ten repetitions: 36/27 = 1 + 10/30", () => {
    expect(maximumFactor("brzycki", 10)).toBeCloseTo(maximumFactor("epley", 10), 12);
  });
  it("Lombardi at 2^10 would double the load; the others are 1 at their own limit of zero load lost", () => {
    expect(formulas.lombardi.factor(1024)).toBeCloseTo(2, 12);
    expect(formulas.epley.factor(30)).toBeCloseTo(2, 12);
    expect(formulas.brzycki.factor(19)).toBeCloseTo(2, 12);
  });
});

describe("the percentage table", () => {
  const table = [100, 95, 93, 90, 87, 85, 83, 80, 77, 75, 70, 67];
  it("agrees with the mean of the formulas within four points of 1RM up to ten repetitions, six beyond, where the table itself drops five at a step", () => {
    table.forEach((percent, index) => {
      const ours = 100 / maximumFactor("mean", index + 1);
      expect(Math.abs(ours - percent)).toBeLessThan(index < 10 ? 4 : 6);
    });
  });
});
