import { linearRegression, linearRegressionLine } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { Random } from "../../demo/random";
import { mustDay } from "../base/calendar/day";
import { goalInForce } from "../goals/plan";
import type { Goal } from "../log/kinds/goals";
import { type DayValue, measureGoal as goalOf, measureTrend } from "./measureGoal";

const on = mustDay("2026-06-11");
const waist = (startValue: number, targetValue: number, date: string): Goal => ({
  id: "g",
  personId: "p",
  of: "waist",
  startDate: "2026-03-19",
  startValue,
  targetValue,
  by: { date },
});
const readings = (perWeek: number, sd: number, seed = 1) => {
  const random = new Random(seed);
  return Array.from({ length: 13 }, (_, index) => ({
    day: on - 84 + 7 * index,
    value: 84 + perWeek * index + random.normal(sd),
  }));
};

const measureGoal = (goals: Goal[], of: string, given: DayValue[], day: number) =>
  goalOf(goalInForce(goals, day, of), given.at(-1), measureTrend(given, day), day);

describe("a goal on a measure", () => {
  it("by hand: 84 to 78 cm in 84 days asks half a centimetre a week and 78 on the day", () => {
    const exact = readings(-0.25, 0);
    const goal = measureGoal([waist(84, 78, "2026-06-25")], "waist", exact, on)!;
    // 98 days from 19 March to 25 June: 6 ÷ 98 × 7 = 0.4286 a week; after 84 days 84 − 5.143 = 78.857; the tape says
    // 81.
    expect(goal).toMatchObject({
      perWeek: expect.closeTo(-0.42857, 4) as number,
      planned: expect.closeTo(78.857, 3) as number,
      apart: expect.closeTo(2.143, 3) as number,
      doneShare: expect.closeTo(0.5, 9) as number,
      reached: false,
    });
    // 3 cm to go at a quarter of a centimetre a week: 12 weeks.
    for (const day of Object.values(goal.projected!)) expect(Math.abs(day! - (on + 84))).toBeLessThanOrEqual(1);
    expect(measureGoal([waist(84, 81.5, "2026-06-25")], "waist", exact, on)).toMatchObject({ reached: true });
    expect(measureGoal([waist(84, 78, "2026-03-01")], "waist", exact, on)).toBeNull();
    expect(measureGoal([waist(84, 78, "2026-06-25")], "hip", exact, on)).toBeNull();
    expect(measureGoal([waist(84, 78, "2026-06-25")], "waist", exact.slice(0, 3), on)!.projected).toBeNull();
  });
  it("crosses where a general library's line does", () => {
    const noisy = readings(-0.3, 0.4);
    const line = linearRegression(noisy.filter(({ day }) => day > on - 84).map(({ day, value }) => [day - on, value]));
    const trend = measureTrend(noisy, on)!;
    expect([trend.value, trend.perWeek]).toEqual([
      expect.closeTo(linearRegressionLine(line)(0), 9),
      expect.closeTo(line.m * 7, 9),
    ]);
    const { p10, p50, p90 } = measureGoal([waist(84, 77, "2026-12-01")], "waist", noisy, on)!.projected!;
    expect(p50).toBe(on + Math.ceil((77 - trend.value) / line.m));
    expect(p10!).toBeLessThan(p50!);
    expect(p90!).toBeGreaterThan(p50!);
  });
  it("its dates hold the day on which the true line crosses about four times in five", () => {
    let inside = 0;
    const trials = 600;
    for (let seed = 1; seed <= trials; seed++) {
      const { p10, p90 } = measureGoal(
        [waist(84, 78, "2026-12-01")],
        "waist",
        readings(-0.3, 0.5, seed),
        on,
      )!.projected!;
      // 84 − 0.3 × 12 = 80.4 on the day; 2.4 to go: eight weeks.
      inside += Number((p10 ?? Infinity) <= on + 56 && on + 56 <= (p90 ?? Infinity));
    }
    expect(inside / trials).toBeGreaterThan(0.74);
    expect(inside / trials).toBeLessThan(0.86);
  });
});
