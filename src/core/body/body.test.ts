import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mustDay, type Weekday } from "../base/calendar/day";
import { exponentialMean, sevenDayMean, weightChange } from "./movingAverage";
import { fitOf, fitScatter, type TrendDay, trendDays, weightTrend } from "./trend";
import { weeklyWeight, weekStarts } from "./weekly";
import { median, primaryOf, type Weighed } from "./weighIns";

const monday = mustDay("2026-06-01");
const run = (values: (number | null)[], start = monday): Weighed[] =>
  values.flatMap((kg, index) => (kg === null ? [] : [{ day: start + index, kg, id: String(index) }]));
/** A repeatable noise of about half a kilogram. */
const noise = (index: number) => 0.5 * Math.sin(index * 12.9898) * Math.cos(index * 78.233);

describe("weekly weights", () => {
  const weeklyWeights = (mornings: Weighed[], on: number, weekStart: Weekday) =>
    weekStarts(mornings[0]!.day, on, weekStart).map((start) =>
      weeklyWeight(
        start,
        mornings.filter(({ day }) => day >= start && day < start + 7 && day <= on).map(({ kg }) => kg),
        mornings[0]!.day,
        on,
      ),
    );
  it("count a partial first week's own days, close on the last day, and leave the running week open", () => {
    const weeks = weeklyWeights(run([72.8, 72.9, 72.2, null, 72.1, 72.2], monday + 3), monday + 8, 1);
    expect(weeks).toEqual([
      {
        closingDay: monday + 6,
        from: monday + 3,
        days: 3,
        medianKg: 72.8,
        meanKg: expect.closeTo(72.6333, 3) as number,
        open: false,
      },
      {
        closingDay: monday + 13,
        from: monday + 7,
        days: 2,
        medianKg: expect.closeTo(72.15, 9) as number,
        meanKg: expect.closeTo(72.15, 9) as number,
        open: true,
      },
    ]);
  });
  it("hold every weigh-in exactly once whatever day the week begins on", () => {
    fc.assert(
      fc.property(
        fc
          .array(fc.option(fc.double({ min: 40, max: 150, noNaN: true })), { minLength: 1, maxLength: 60 })
          .map((values) => [80, ...values]),
        fc.integer({ min: 1, max: 7 }),
        (values, start) => {
          const weighed = run(values);
          const weeks = weeklyWeights(weighed, monday + values.length, start as Weekday);
          expect(weeks.reduce((sum, week) => sum + week.days, 0)).toBe(weighed.length);
          for (const week of weeks) expect(week.medianKg === null).toBe(week.days === 0);
        },
      ),
    );
  });
  it("never count a morning still to come", () => {
    expect(weeklyWeights(run([70, 71, 90]), monday + 1, 1)).toMatchObject([{ days: 2, medianKg: 70.5, open: true }]);
  });
  it("know the median of an even count", () => expect(median([4, 1, 3, 2])).toBe(2.5));
});

describe("familiar means", () => {
  it("begin at the first weigh-in and forget over gaps", () => {
    expect(exponentialMean(run([80]))).toBe(80);
    expect(exponentialMean(run([80, 79]))).toBeCloseTo(79.9, 9);
    expect(exponentialMean(run([80, null, 79]))).toBeCloseTo(79.81, 9);
    expect(exponentialMean([])).toBeNull();
    expect(sevenDayMean(run([70, 71, 72, 73, 74, 75, 76, 77]), monday + 7)).toEqual({ kg: 74, days: 7 });
    expect(sevenDayMean(run([70]), monday + 7)).toBeNull();
  });
  it("withhold a weekly rate below seven days", () => {
    expect(weightChange(run([80, 79, 78]))).toMatchObject({ totalKg: -2, kgPerWeek: null, days: 2 });
    expect(weightChange(run([80, ...new Array<null>(6).fill(null), 79]))).toMatchObject({ kgPerWeek: -1, days: 7 });
    expect(weightChange([])).toBeNull();
  });
  it("take the first primary weigh-in of a day, and no second ones", () => {
    const one = { personId: "p", date: "2026-06-01", kg: 70 };
    expect(
      primaryOf([
        { ...one, id: "c", time: "05:00", primary: false, kg: 60 },
        { ...one, id: "a", time: "06:00" },
        { ...one, id: "b", time: "08:00", kg: 71 },
      ]),
    ).toMatchObject({ id: "a" });
    expect(primaryOf([{ ...one, id: "c", primary: false }])).toBeNull();
  });
});

describe("the trend", () => {
  const daysOf = (weights: Weighed[]): TrendDay[] => trendDays(weightTrend(weights));
  it("is the weight itself when nothing varies", () => {
    for (const day of daysOf(run(new Array<number>(40).fill(80)))) {
      expect(day.kg).toBeCloseTo(80, 9);
      expect(day.kgPerWeek).toBeCloseTo(0, 9);
    }
  });
  it("finds a steady loss under noise, and its interval holds the truth about four times in five", () => {
    const values = Array.from({ length: 200 }, (_, index) => 75 - 0.06 * index + noise(index));
    const trend = weightTrend(run(values))!;
    expect(trend.fittedOn).toBeGreaterThan(100);
    const days = trendDays(trend);
    expect(days.at(-1)!.kgPerWeek).toBeCloseTo(-0.42, 1);
    const inside =
      days.filter((day, index) => {
        const truth = 75 - 0.06 * index;
        return day.low80 <= truth && truth <= day.high80;
      }).length / days.length;
    expect(inside).toBeGreaterThan(0.7);
  });
  it("is not bent by a mistyped weight, which is flagged", () => {
    const values = Array.from({ length: 60 }, (_, index) => 81.4 - 0.05 * index + noise(index));
    const clean = daysOf(run(values));
    const spoilt = daysOf(run(values.with(30, 18.4)));
    expect(spoilt[30]!.gross).toBe(true);
    expect(spoilt.filter(({ gross }) => gross)).toHaveLength(1);
    clean.forEach((day, index) => expect(Math.abs(day.kg - spoilt[index]!.kg)).toBeLessThan(0.15));
  });
  it("is fitted on the closed months: a weigh-in of this month leaves the scatter as it is, one of a closed month does not", () => {
    const values = Array.from({ length: 90 }, (_, index) => 75 - 0.05 * index + noise(index));
    const fitted = (changed: number[]) => fitOf(run(changed));
    expect(weightTrend(run(values))).toEqual(weightTrend(run(values), [], fitted(values)));
    expect(fitted(values.with(89, 70))).toEqual(fitted(values));
    expect(fitted(values.with(3, 74))).not.toEqual(fitted(values));
    expect(fitScatter(run(values.slice(0, 20)), []).fittedOn).toBe(0);
  });
  it("jumps where the trainee marked it, and only there", () => {
    const values = Array.from(
      { length: 120 },
      (_, index) => 78 - 0.03 * index + (index >= 70 ? 1.8 : 0) + noise(index),
    );
    const [plain, marked] = [trendDays(weightTrend(run(values))), trendDays(weightTrend(run(values), [monday + 70]))];
    const truly = (index: number) => 78 - 0.03 * index + (index >= 70 ? 1.8 : 0);
    const worst = (days: TrendDay[]) =>
      Math.max(...days.slice(62, 78).map(({ kg }, index) => Math.abs(kg - truly(62 + index))));
    expect(worst(marked)).toBeLessThan(0.5);
    expect(worst(plain)).toBeGreaterThan(0.8);
    // The rate is not bent by the jump: the day before and the day after fall alike.
    for (const index of [60, 80]) expect(Math.abs(marked[index]!.kgPerWeek + 0.21)).toBeLessThan(0.15);
    expect(trendDays(weightTrend(run(values), [monday - 9, monday, monday + 500]))).toEqual(plain);
  });
  it("grows less sure over a gap", () => {
    const values = Array.from({ length: 90 }, (_, index) => (index >= 30 && index < 60 ? null : 70 + noise(index)));
    const days = daysOf(run(values));
    expect(days).toHaveLength(90);
    expect(days[45]!.sd).toBeGreaterThan(1.3 * days[20]!.sd);
  });
  it("holds for one weigh-in", () => {
    expect(daysOf(run([71.4]))).toHaveLength(1);
  });
});
