import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../calendar/day";
import { weightTrend } from "../body/trend";
import type { Goal } from "../log/records";
import { goalCourses, milestones } from "./course";
import { planLine, type PlanLine } from "./plan";

const first = mustDay("2026-01-01");
/** Mornings on a straight line of half a kilogram a week, without scatter. */
const weighed = Array.from({ length: 121 }, (_, index) => ({ day: first + index, kg: 84 - index / 14, id: String(index) }));
const trend = weightTrend(weighed);
const goal = (id: string, startDate: string, startKg: number, targetKg: number, date: string): Goal => ({ id, personId: "p", of: "weight", startDate, startKg, targetKg, by: { date } });
const line = (one: Goal) => planLine(one) as PlanLine;

describe("goals one after another", () => {
  it("end with the next or their deadline, and say how: reached, short, running, ahead", () => {
    const courses = goalCourses([
      goal("a", "2026-01-01", 84, 82, "2026-02-15"), goal("b", "2026-02-16", 81, 70, "2026-03-20"), goal("c", "2026-04-01", 79, 75, "2026-09-01"), goal("d", "2026-12-01", 75, 76, "2027-01-01"),
    ], trend, first + 120);
    expect(courses.map(({ goalId, standing, until }) => [goalId, standing, until && dateOf(until)])).toEqual([["d", "ahead", null], ["c", "running", null], ["b", "not reached", "2026-03-20"], ["a", "reached", "2026-02-15"]]);
    // 84 − t/14 = 82 on day 28
    expect(Math.abs(courses[3]!.reached! - (first + 28))).toBeLessThanOrEqual(2);
    // 84 − 120/14 = 75.43: 3.57 of 4 kg
    expect(courses[1]!.share).toBeCloseTo((79 - (84 - 120 / 14)) / 4, 1);
  });
});

describe("milestones", () => {
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
  it("stand every ten pounds in a log kept in pounds, and never beyond the goal", () => {
    const marks = milestones(line(goal("a", "2026-01-01", 84, 75, "2026-06-18")), trend, first + 10, true);
    expect(marks.map(({ kg }) => Math.round((84 - kg) / 0.45359237))).toEqual([10, 20]);
    expect(milestones(line(goal("a", "2026-01-01", 84, 79, "2026-06-18")), null, first, false).map(({ kg }) => kg)).toEqual([79]);
    expect(milestones(line(goal("a", "2026-01-01", 70, 76, "2026-12-18")), trend, first + 120, false).map(({ kg, reached }) => [kg, reached !== null])).toEqual([[75, true], [76, true]]);
  });
});
