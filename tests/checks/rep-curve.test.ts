// Source: simulated trainees whose curve is known; how they are simulated is written below and is not the model that is
// fitted.
// `REPORT=1` prints error and coverage.
import { maximumFactor } from "@/core/strength/e1rm";
import { curveFactor, type CurveSet, type CurveTest, estimateSpread, fitRepCurve } from "@/core/strength/repCurve";
import { Random } from "@/demo/random";
import { describe, expect, it } from "vitest";
import { multivariateLeastSquares } from "./leastSquares";

const fall = (reps: number) => Math.log(maximumFactor("mean", reps));

/**
 * A trainee: strength rises for some weeks and falls in a lay-off, days are better and worse by 2 %, reps in reserve
 * are misjudged by half a repetition at the limit and more before it and told to the half, loads come in steps of 2.5
 * kg. Each day has a heavy and a lighter set.
 */
function trainee(
  random: Random,
  steepness: number,
  days: number,
): { sets: CurveSet[]; tests: CurveTest[]; on: number } {
  const sets: CurveSet[] = [];
  const tests: CurveTest[] = [];
  let strength = 90 + random.next() * 80;
  let on = 0;
  for (let index = 0; index < days; index++) {
    on += 3 + Math.floor(random.next() * 4);
    strength *= 1 + (index % 18 === 17 ? -0.03 : 0.003) + random.normal(0.004);
    const form = strength * Math.exp(random.normal(0.02));
    for (const reps of [2 + Math.floor(random.next() * 4), 6 + Math.floor(random.next() * 5)]) {
      const reserve = Math.floor(random.next() * 4);
      const judged = Math.max(0, Math.min(3, Math.round(2 * (reserve + random.normal(0.5 + 0.25 * reserve))) / 2));
      const kg = form * Math.exp(-steepness * fall(reps + reserve) + random.normal(0.015));
      sets.push({ day: on, totalKg: Math.round(kg / 2.5) * 2.5, repsToFailure: reps + judged, reserve: judged });
    }
    if (index % 30 === 29) tests.push({ day: on, totalKg: form });
  }
  return { sets, tests, on };
}

describe("a lift's own repetition curve", () => {
  it("is recovered from simulated sets, with an interval that holds the truth about as often as it says", () => {
    const random = new Random(20_26);
    for (const { days, error, people } of [
      { days: 6, error: 0.2, people: 200 },
      { days: 40, error: 0.1, people: 200 },
      { days: 120, error: 0.08, people: 100 },
    ]) {
      let held = 0;
      let squared = 0;
      let prior = 0;
      for (let person = 0; person < people; person++) {
        const truth = Math.max(0.4, 1 + random.normal(0.25));
        const { sets, tests, on } = trainee(random, truth, days);
        const curve = fitRepCurve(sets, tests, on);
        if (Math.abs(curve.steepness - truth) <= 1.2816 * curve.steepnessSd) held += 1;
        squared += (curve.steepness - truth) ** 2;
        prior += (1 - truth) ** 2;
      }
      const [rms, coverage, without] = [Math.sqrt(squared / people), held / people, Math.sqrt(prior / people)];
      if (process.env.REPORT)
        console.log(
          `${days} days: error of the steepness ${rms.toFixed(3)} (the common curve alone ${without.toFixed(3)}), 80 % interval holds ${(100 * coverage).toFixed(0)} %`,
        );
      expect(rms).toBeLessThan(error);
      expect(rms).toBeLessThan(0.9 * without);
      expect(coverage).toBeGreaterThan(0.66);
      expect(coverage).toBeLessThan(0.92);
    }
  });
  it("agrees with generalised least squares written out whole", () => {
    const { sets, tests, on } = trainee(new Random(5), 1.2, 25);
    const curve = fitRepCurve(sets, tests, on);
    const { mean, sd } = multivariateLeastSquares(sets, tests, on);
    expect(curve.steepness).toBeCloseTo(mean, 6);
    expect(curve.steepnessSd).toBeCloseTo(sd, 6);
  });
  it("without hard sets is the common curve, and always falls with repetitions", () => {
    const none = fitRepCurve([], [], 100);
    expect(none).toMatchObject({ steepness: 1, steepnessSd: 0.25, sets: 0, days: 0 });
    for (const steepness of [0.2, 1, 1.9]) {
      const factor = curveFactor({ steepness });
      expect(factor(1)).toBe(1);
      for (let reps = 1; reps < 20; reps += 0.5) expect(factor(reps + 0.5)).toBeGreaterThan(factor(reps));
    }
    // The interval of an unknown trainee's estimate widens with repetitions and is nil in no case.
    expect(estimateSpread(none, 10, 10)).toBeGreaterThan(estimateSpread(none, 3, 10));
    expect(estimateSpread(none, 1, 10)).toBeGreaterThan(1.02);
  });
});
