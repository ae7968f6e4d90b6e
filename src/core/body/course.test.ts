import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../base/calendar/day";
import { planLine, type PlanLine, planWeight } from "../goals/plan";
import type { Goal } from "../log/kinds/goals";
import { goalCourses, milestones } from "./course";
import { weightTrend } from "./trend";

const first = mustDay("2026-01-01");
/** Mornings on a straight line of half a kilogram a week, without scatter. */
const weighed = Array.from({ length: 121 }, (_, index) => ({
  day: first + index,
  kg: 84 - index / 14,
  id: String(index),
}));
const trend = weightTrend(weighed);
const goal = (id: string, startDate: string, startKg: number, targetKg: number, date: string): Goal => ({
  id,
  personId: "p",
  of: "weight",
  startDate,
  startKg,
  targetKg,
  by: { date },
});
const line = (one: Goal) => planLine(one) as PlanLine;

describe("goals one after another", () => {
  it("end with the next or their deadline, and say how: reached, short, running, ahead", () => {
    const courses = goalCourses(
      [
        goal("a", "2026-01-01", 84, 82, "2026-02-15"),
        goal("b", "2026-02-16", 81, 70, "2026-03-20"),
        goal("c", "2026-04-01", 79, 75, "2026-09-01"),
        goal("d", "2026-12-01", 75, 76, "2027-01-01"),
      ],
      trend,
      first + 120,
    );
    expect(courses.map(({ goalId, standing, until }) => [goalId, standing, until && dateOf(until)])).toEqual([
      ["d", "ahead", null],
      ["c", "running", null],
      ["b", "not reached", "2026-03-20"],
      ["a", "reached", "2026-02-15"],
    ]);
    // 84 − t/14 = 82 on day 28
    expect(Math.abs(courses[3]!.reached! - (first + 28))).toBeLessThanOrEqual(2);
    // 84 − 120/14 = 75.43: 3.57 of 4 kg
    expect(courses[1]!.share).toBeCloseTo((79 - (84 - 120 / 14)) / 4, 1);
  });
});

describe("a limit on one morning", () => {
  it("is decided by the scale of that morning alone", () => {
    const limit = (targetKg: number, date: string) => ({ ...goal("a", "2026-01-01", 84, targetKg, date), limit: true });
    const standing = (one: Goal) => goalCourses([one], trend, first + 120)[0]!;
    // 84 − 50/14 = 80.43 on 20 February
    expect(standing(limit(80.5, "2026-02-20"))).toMatchObject({
      standing: "reached",
      reached: mustDay("2026-02-20"),
      limit: true,
    });
    expect(standing(limit(80.4, "2026-02-20"))).toMatchObject({ standing: "not reached", reached: null });
    // Not weighed that morning: not made, however light the trend.
    expect(
      goalCourses(
        [limit(83, "2026-02-20")],
        weightTrend(weighed.filter(({ day }) => day !== mustDay("2026-02-20"))),
        first + 120,
      )[0],
    ).toMatchObject({ standing: "not reached" });
    expect(planLine({ ...limit(80, "2026-02-20"), by: { rateKgPerWeek: -0.5 } })).toMatchObject({ limit: false });
  });
});

describe("milestones", () => {
  it("are the trainee's own where there are any, in the order in which they come", () => {
    const own = (startKg: number, targetKg: number, weights: number[]) =>
      milestones(line(goal("a", "2026-01-01", startKg, targetKg, "2026-06-18")), null, first, false, weights).map(
        ({ kg }) => kg,
      );
    expect(own(84, 72, [75, 80.5, 90, 72, 60])).toEqual([80.5, 75, 72]);
    expect(own(70, 76, [75, 72])).toEqual([72, 75, 76]);
  });
  it("stand every five kilograms and at the goal, with the day planned, reached and to come", () => {
    const marks = milestones(line(goal("a", "2026-01-01", 84, 72, "2026-06-18")), trend, first + 120, false);
    expect(marks.map(({ kg }) => kg)).toEqual([79, 74, 72]);
    // 12 kg in 168 days is half a kilogram a week: 79 on day 70, 74 on day 140, 72 on day 168.
    expect(marks.map(({ planned }) => planned - first)).toEqual([70, 140, 168]);
    expect(Math.abs(marks[0]!.reached! - (first + 70))).toBeLessThanOrEqual(2);
    expect([marks[0]!.atThisPace, marks[1]!.reached]).toEqual([null, null]);
    // The slope is damped ahead, so a little later than the straight 20 days.
    expect(marks[1]!.atThisPace! - (first + 120)).toBeGreaterThanOrEqual(20);
    expect(marks[1]!.atThisPace! - (first + 120)).toBeLessThanOrEqual(23);
  });
  it("are planned for the first day on which the line stands there, as found day by day, and without going through the days", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 150, noNaN: true }),
        fc.double({ min: 40, max: 150, noNaN: true }),
        fc.integer({ min: 1, max: 3000 }),
        fc.boolean(),
        (startKg, targetKg, days, byRate) => {
          const by: Goal["by"] = byRate ? { rateKgPerWeek: days / 1500 } : { date: dateOf(first + days) };
          const plan = planLine({
            id: "a",
            personId: "p",
            of: "weight",
            startDate: "2026-01-01",
            startKg,
            targetKg,
            by,
          });
          if ("reason" in plan) return;
          const hair = targetKg < startKg ? -1e-9 : 1e-9;
          for (const { kg, planned } of milestones(plan, null, first, false)) {
            let day = plan.startDay;
            while (
              day < plan.deadline &&
              !(targetKg < startKg ? planWeight(plan, day) + hair <= kg : planWeight(plan, day) + hair >= kg)
            )
              day += 1;
            expect(planned).toBe(day);
          }
        },
      ),
    );
  });
  it("stand every ten pounds in a log kept in pounds, and never beyond the goal", () => {
    const marks = milestones(line(goal("a", "2026-01-01", 84, 75, "2026-06-18")), trend, first + 10, true);
    expect(marks.map(({ kg }) => Math.round((84 - kg) / 0.45359237))).toEqual([10, 20]);
    expect(
      milestones(line(goal("a", "2026-01-01", 84, 79, "2026-06-18")), null, first, false).map(({ kg }) => kg),
    ).toEqual([79]);
    expect(
      milestones(line(goal("a", "2026-01-01", 70, 76, "2026-12-18")), trend, first + 120, false).map(
        ({ kg, reached }) => [kg, reached !== null],
      ),
    ).toEqual([
      [75, true],
      [76, true],
    ]);
  });
});
