import fc from "fast-check";
import { cumulativeStdNormalProbability } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../base/calendar/day";
import { normalCdf } from "../base/numeric/normal";
import { carriedLevel, carriedTo, carryForward, project, type Projection } from "../body/projection";
import { trendDays, weightTrend } from "../body/trend";
import type { Goal } from "../log/kinds/goals";
import {
  balanceForRate,
  catchUpRate,
  goalInForce,
  goalWarnings,
  planBand,
  planLine,
  type PlanLine,
  planWeight,
} from "./plan";

const start = mustDay("2026-01-01");
const goal = (by: Goal["by"], startKg = 80, targetKg = 74, startDate = "2026-01-01"): Goal => ({
  id: "g",
  personId: "p",
  of: "weight",
  startDate,
  startKg,
  targetKg,
  by,
});
const projected = (...given: Parameters<typeof project>): Projection => {
  const result = project(...given);
  if ("reason" in result) throw new Error(result.reason);
  return result;
};
const line = (...given: Parameters<typeof goal>) => planLine(goal(...given)) as PlanLine;

describe("what a goal is warned of", () => {
  const asked = (startKg: number, targetKg: number, rate: number, heightCm: number | null = null) =>
    goalWarnings(line({ rateKgPerWeek: rate }, startKg, targetKg), heightCm);

  it("is a loss above 1 % of body weight a week, a gain above 0.5 %; not just as much", () => {
    expect(asked(80, 74, 0.8)).toEqual([]);
    expect(asked(80, 74, 0.81)).toEqual([expect.stringContaining("above 1 % a growing share of the loss is muscle")]);
    expect(asked(80, 84, 0.4)).toEqual([]);
    expect(asked(80, 84, 0.41)).toEqual([expect.stringContaining("above 0.5 % most of a gain is fat")]);
  });

  it("is a body mass index under 18.5 (WHO 1995), not one of 18.5", () => {
    expect(asked(80, 74, 0.4, 200)).toEqual([]);
    expect(asked(80, 73.9, 0.4, 200)).toEqual([expect.stringContaining("body mass index of 18.5, under 18.5")]);
    expect(asked(80, 60, 0.4, 180)).toEqual([]);
    expect(asked(80, 59.9, 0.4, 180)).toHaveLength(1);
  });

  it("is nothing where the weight is kept", () => {
    expect(goalWarnings(line({ date: "2026-03-01" }, 74, 74), 210)).toEqual([]);
  });
});

describe("the plan line", () => {
  it("reaches no further than 36,500 days", () => {
    const in36500 = (6 / 36_500) * 7;
    expect(planLine({ ...goal({ rateKgPerWeek: in36500 }), startKg: undefined } as Goal)).toEqual({
      reason: "the goal has no start weight",
    });
    expect(planLine({ ...goal({ rateKgPerWeek: in36500 }), targetKg: undefined } as Goal)).toEqual({
      reason: "the goal has no target weight",
    });
    expect(planLine(goal({ rateKgPerWeek: in36500 }))).toMatchObject({ days: 36_500 });
    expect(planLine(goal({ rateKgPerWeek: in36500 * (36_500 / 36_501) }))).toHaveProperty("reason");
  });

  it("by rate: 6 kg at 0.4 kg a week is 105 days", () => {
    expect(line({ rateKgPerWeek: -0.4 })).toMatchObject({ days: 105, kgPerWeek: -0.4, deadline: start + 105 });
    expect(line({ rateKgPerWeek: 0.4 })).toMatchObject({ days: 105, kgPerWeek: -0.4 });
    // 1 kg at 0.3 kg a week is 23.3 days: the goal is not reached before the 24th.
    expect(line({ rateKgPerWeek: -0.3 }, 75, 74)).toMatchObject({ days: 24 });
    expect(line({ rateKgPerWeek: 0.25 }, 60, 61)).toMatchObject({ days: 28, kgPerWeek: 0.25 });
  });
  it("by deadline: 6 kg in 90 days is 0.467 kg a week", () => {
    expect(line({ date: dateOf(start + 90) }).kgPerWeek).toBeCloseTo(-0.4667, 4);
  });
  it("stands at 79.93 on the day after 80 kg at 0.5 kg a week", () => {
    expect(planWeight(line({ rateKgPerWeek: -0.5 }), start + 1)).toBeCloseTo(79.93, 2);
  });
  it("runs between start and target and never past either", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 150, noNaN: true }),
        fc.double({ min: 40, max: 150, noNaN: true }),
        fc.double({ min: 0.05, max: 2, noNaN: true }),
        fc.integer({ min: -50, max: 3000 }),
        (from, to, rate, after) => {
          const result = planLine(goal({ rateKgPerWeek: rate }, from, to));
          if ("reason" in result) return;
          const kg = planWeight(result, start + after);
          expect(kg).toBeGreaterThanOrEqual(Math.min(from, to) - 1e-9);
          expect(kg).toBeLessThanOrEqual(Math.max(from, to) + 1e-9);
          expect(planWeight(result, result.deadline)).toBeCloseTo(to, 9);
        },
      ),
    );
  });
  it("gives a reason where there is no line", () => {
    expect(planLine(goal({ date: "2026-01-01" }))).toHaveProperty("reason");
    expect(planLine(goal({ rateKgPerWeek: 0 }))).toHaveProperty("reason");
    expect(planLine({ ...goal({ rateKgPerWeek: 1 }), targetKg: null })).toHaveProperty("reason");
    expect(planLine(goal({ rateKgPerWeek: 0.0001 }))).toHaveProperty("reason");
  });
  it("asks the rate that lands on the deadline", () => {
    const plan = line({ date: dateOf(start + 90) });
    expect(catchUpRate(plan, 77, start + 62)).toBeCloseTo(-0.75, 9);
    expect(catchUpRate(plan, 77, start + 90)).toBeNull();
    expect(balanceForRate(-0.5)).toBeCloseTo(-550, 9);
  });
  it("has a band and its warnings", () => {
    expect(planBand(line({ rateKgPerWeek: -1 }), 80, 0.2)).toBe(0.5);
    expect(planBand(line({ rateKgPerWeek: -0.2 }), 80, 0.2)).toBe(0.4);
    expect(planBand(line({ rateKgPerWeek: -0.2 }), 80, 0.6)).toBe(0.6);
    expect(goalWarnings(line({ rateKgPerWeek: -1 }), 180)).toHaveLength(1);
    expect(goalWarnings(line({ rateKgPerWeek: -0.4 }, 60, 50), 170)).toHaveLength(1);
    expect(goalWarnings(line({ rateKgPerWeek: 0.5 }, 60, 65), 170)).toHaveLength(1);
    expect(goalWarnings(line({ rateKgPerWeek: -0.4 }), 180)).toEqual([]);
  });
  it("of several goals takes the one begun last by that day", () => {
    const goals = [
      goal({ rateKgPerWeek: 1 }),
      { ...goal({ rateKgPerWeek: 1 }, 80, 74, "2026-03-01"), id: "h" },
      { ...goal({ rateKgPerWeek: 1 }, 80, 74, "2026-02-01"), id: "x", of: "waist" },
    ];
    expect(goalInForce(goals, start - 1)).toBeNull();
    expect(goalInForce(goals, mustDay("2026-02-20"))?.id).toBe("g");
    expect(goalInForce(goals, mustDay("2026-03-01"))?.id).toBe("h");
  });
});

describe("the projection", () => {
  const steady = weightTrend(
    Array.from({ length: 100 }, (_, index) => ({
      day: start + index,
      kg: 80 - 0.06 * index + 0.3 * Math.sin(index * 7.3),
      id: String(index),
    })),
  )!;
  const on = start + 99;
  it("arrives, by its median, where the carried-forward trend meets the target", () => {
    const plan = line({ date: dateOf(start + 140) }, 80, 72.5);
    const projection = projected(steady, plan, on);
    const crossing = carryForward(steady, on + 400).find(({ kg }) => kg <= 72.5)!.day;
    expect(projection.p50).toBe(crossing);
    expect(projection.p10!).toBeLessThan(crossing);
    expect(projection.p90!).toBeGreaterThan(crossing);
    expect(projection.arrived).toBe(false);
    expect(projected(steady, line({ date: dateOf(crossing + 200) }, 80, 72.5), on).byDeadline).toBeGreaterThan(0.5);
    expect(projected(steady, line({ date: dateOf(on + 3) }, 80, 72.5), on).byDeadline).toBeLessThan(0.05);
  });
  it("says not at this pace when the weight goes the other way", () => {
    const gaining = weightTrend(
      Array.from({ length: 60 }, (_, index) => ({ day: start + index, kg: 80 + 0.1 * index, id: String(index) })),
    )!;
    const projection = projected(gaining, line({ date: dateOf(start + 90) }), start + 59);
    expect(projection.p50).toBeNull();
    expect(projection.byDeadline).toBeLessThan(0.01);
  });
  it("for a limit on one morning adds that morning's water and scale to the trend's own uncertainty", () => {
    const plan = { ...line({ date: dateOf(on + 20) }, 80, 73), limit: true };
    const { onMorning } = projected(steady, plan, on);
    const level = carriedLevel(steady, on + 20)!;
    const noise = Math.sqrt(steady.scatter.water ** 2 + steady.scatter.scale ** 2);
    expect(onMorning!.chance).toBeCloseTo(
      cumulativeStdNormalProbability((73 - level.kg) / Math.hypot(level.sd, noise)),
      2,
    );
    // A trend at the safer weight, itself known exactly, shows the limit four times in five.
    expect(normalCdf((73 - onMorning!.saferKg) / noise)).toBeCloseTo(0.8, 9);
    expect(onMorning!.saferKg).toBeLessThan(73);
    expect(projected(steady, line({ date: dateOf(on + 20) }, 80, 73), on).onMorning).toBeNull();
    // Gaining, the limit is a weight to stand at or above.
    expect(projected(steady, { ...plan, startKg: 70, targetKg: 75 }, on).onMorning!.saferKg).toBeGreaterThan(75);
  });
  it("keeps a chance once reached: under the target now, gaining away from it later", () => {
    const gaining = weightTrend(
      Array.from({ length: 60 }, (_, index) => ({ day: start + index, kg: 80 + 0.1 * index, id: String(index) })),
    )!;
    expect(projected(gaining, line({ date: dateOf(start + 200) }, 90, 87), start + 59).byDeadline).toBeGreaterThan(0.9);
  });
  it("in closed form is the course carried day by day, however far", () => {
    const course = carryForward(steady, on + 5000);
    for (const ahead of [1, 2, 30, 400, 1095, 1096, 5000]) {
      const [step, once] = [course[ahead - 1]!, carriedTo(steady, steady.last + ahead)];
      for (const key of ["kg", "sd", "low80", "high80", "kgPerWeek"] as const)
        expect(once[key]).toBeCloseTo(step[key], 7);
    }
    expect(carriedLevel(steady, on + 300)).toEqual(carryForward(steady, on + 300).at(-1));
  });
  it("of a far deadline is that of every day up to it, and costs no more than a near one", () => {
    const far = line({ date: "2100-12-31" }, 80, 72.5);
    const reached = carryForward(steady, far.deadline).reduce(
      (most, { kg, sd }) => Math.max(most, normalCdf((72.5 - kg) / sd)),
      0,
    );
    expect(projected(steady, far, on).byDeadline).toBeCloseTo(reached, 2);
    const looked = { days: 0 };
    const counted = {
      ...far,
      get deadline() {
        looked.days += 1;
        return far.deadline;
      },
    };
    projected(steady, counted as PlanLine, on);
    // Once a day up to the horizon of three years, beyond it once in four weeks of 75 years.
    expect(looked.days).toBeLessThan(1095 + 75 * 13 + 60);
  });
  it("knows when it has arrived, and grows less sure with time", () => {
    expect(projected(steady, line({ date: dateOf(start + 140) }, 80, 78), on)).toMatchObject({
      arrived: true,
      p50: on,
    });
    const ahead = carryForward(steady, on + 60);
    for (let index = 1; index < ahead.length; index++) expect(ahead[index]!.sd).toBeGreaterThan(ahead[index - 1]!.sd);
    expect(carriedLevel(steady, start - 1)).toBeNull();
    expect(carriedLevel(steady, on)!.kg).toBe(trendDays(steady).at(-1)!.kg);
  });
});

describe("the normal distribution", () => {
  it("agrees with a general statistics library and with known values", () => {
    for (let z = -3.5; z <= 3.5; z += 0.01)
      expect(Math.abs(normalCdf(z) - cumulativeStdNormalProbability(z))).toBeLessThan(1e-3); // its own table has three places
    expect(normalCdf(1.2815515655446004)).toBeCloseTo(0.9, 13);
    expect(normalCdf(-1.959963984540054)).toBeCloseTo(0.025, 13);
    expect(normalCdf(-6) / 9.865876450376946e-10).toBeCloseTo(1, 9);
    expect(normalCdf(50)).toBe(1);
  });
  it("is symmetric and never falls, also where its two halves meet", () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), (z) => {
        expect(normalCdf(z) + normalCdf(-z)).toBeCloseTo(1, 13);
        expect(normalCdf(z + 1e-3)).toBeGreaterThanOrEqual(normalCdf(z));
      }),
    );
  });
});
