import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { smallLog } from "../../../tests/smallLog";
import { dateOf, mustDay } from "../base/calendar/day";
import { AsOf } from "../log/asOf";
import { copyOf } from "../log/copy";
import { putRecord } from "../log/log";
import { expenditureOn } from "../energy/expenditure";
import { densityAt, measuredOf } from "./measured";
import { measuredView } from "./measuredView";
import { balanceWorkings } from "./workings";
import { intakeForGoal, whatIf } from "./whatIf";

const start = mustDay("2026-01-05");
const date = (day: number) => dateOf(start + day);
const person = { id: "p", name: "Ana", sex: "male", heightCm: 180, birthDate: "1996-01-01" };

/** So many days of the same food, with a weight that falls by so much a day. */
function lived(days: number, kcal: number, kgADay: number, more: Record<string, object[]> = {}) {
  const all = Array.from({ length: days }, (_, day) => day);
  return {
    people: [person],
    energySettings: [{ id: "e", from: date(0), activityFactor: 1.5 }],
    weighIns: all.map((day) => ({ id: `w${day}`, date: date(day), kg: 80 + kgADay * day, primary: true })),
    meals: all.map((day) => ({ id: `m${day}`, date: date(day), status: "eaten", name: "all", nutrients: { kcal } })),
    ...more,
  };
}
const asOf = (records: Record<string, object[]>, day: number) => new AsOf(smallLog(records), "p", start + day);
const known = (one: ReturnType<ReturnType<typeof measuredOf>["on"]>) => {
  if ("reason" in one) throw new Error(one.reason);
  return one;
};

describe("the measured expenditure", () => {
  it("is the formula until seven whole days and mornings are written, and says so", () => {
    // 10 × 80 + 6.25 × 180 − 5 × 30 + 5 = 1780; × 1.5 = 2670.
    const few = known(measuredOf(asOf(lived(5, 2200, 0), 4)).on(start + 4));
    expect([few.from, few.days, few.mornings]).toEqual(["formula", 4, 5]);
    expect(few.kcal).toBeCloseTo(2670, 6);
    expect(measuredOf(asOf({ people: [person] }, 4)).on(start + 4)).toEqual({ reason: "no weight is written" });
  });
  it("comes to what was eaten less what the tissue gained, by hand", () => {
    // 2200 kcal a day and a tenth of a kilogram a week less: 2200 + 0.1 × 7700 ÷ 7 = 2310.
    const one = known(measuredOf(asOf(lived(120, 2200, -0.1 / 7), 119)).on(start + 119));
    expect(one.from).toBe("measured");
    expect(Math.abs(one.kcal - 2310)).toBeLessThan(25);
    expect(one.low80).toBeLessThan(2310);
    expect(one.high80).toBeGreaterThan(2310);
  });
  it("takes an incomplete day for missing, not for zero", () => {
    const whole = known(measuredOf(asOf(lived(60, 2400, 0), 59)).on(start + 59));
    const gaps = lived(60, 2400, 0);
    gaps.meals = gaps.meals.map((meal, day) => (day % 4 === 0 ? { ...meal, nutrients: { kcal: 600 } } : meal));
    const marked = {
      ...gaps,
      dayNotes: gaps.meals.flatMap((_, day) => (day % 4 === 0 ? [{ date: date(day), foodComplete: false }] : [])),
    };
    for (const records of [marked, gaps]) {
      const one = known(measuredOf(asOf(records, 59)).on(start + 59));
      expect(Math.abs(one.kcal - whole.kcal)).toBeLessThan(15);
      expect(one.high80 - one.low80).toBeGreaterThan(whole.high80 - whole.low80);
      expect(one.days).toBe(44);
    }
    expect(measuredOf(asOf(gaps, 59)).wholeOn(start)).toEqual({
      reason: "plainly too little to be a whole day, and not marked as everything",
    });
    // Who marks whole days as such has no other day for a whole one, however much is written of it.
    const marks = gaps.meals.flatMap((_, day) => (day % 4 === 0 ? [] : [{ date: date(day), foodComplete: true }]));
    const much = {
      ...gaps,
      meals: gaps.meals.map((meal, day) => (day % 4 === 0 ? { ...meal, nutrients: { kcal: 1500 } } : meal)),
    };
    expect(measuredOf(asOf({ ...much, dayNotes: marks }, 59)).wholeOn(start)).toEqual({
      reason: "not marked as everything, as your whole days are",
    });
    expect(measuredOf(asOf(much, 59)).wholeOn(start)).toEqual({ kcal: 1500 });
    // Marked as everything, little is little.
    const fasted = { ...gaps, dayNotes: [{ date: date(4), foodComplete: true }] };
    expect(measuredOf(asOf(fasted, 59)).wholeOn(start + 4)).toEqual({ kcal: 600 });
  });
  it("was on each day what it was known to be then, whatever came later", () => {
    const records = lived(130, 2300, -0.02);
    const late = measuredOf(asOf(records, 129));
    expect(known(late.on(start + 3)).from).toBe("formula");
    // For three months no day is marked, then all but every fourth are: what was known before stays.
    const marks = records.meals.flatMap((_, day) =>
      day < 90 || day % 4 === 0 ? [] : [{ date: date(day), foodComplete: true }],
    );
    const laterMarked = measuredOf(asOf({ ...records, dayNotes: marks }, 129));
    expect(laterMarked.wholeOn(start + 88)).toEqual({ kcal: 2300 });
    expect(laterMarked.wholeOn(start + 128)).toHaveProperty("reason");
    for (const day of [20, 57, 90]) {
      expect(measuredOf(asOf(records, day)).on(start + day)).toEqual(late.on(start + day));
      expect(laterMarked.on(start + day)).toEqual(late.on(start + day));
    }
  });
  it("brought up to date with an edit is what it is computed afresh", () => {
    const edit = fc.record({
      day: fc.integer({ min: 0, max: 399 }),
      kg: fc.option(fc.double({ min: 76, max: 84, noNaN: true })),
      kcal: fc.integer({ min: 300, max: 4000 }),
    });
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 4 }), (edits) => {
        const log = smallLog(lived(400, 2300, 0));
        const kept = measuredOf(new AsOf(log, "p", start + 399));
        kept.byDay();
        for (const { day, kg, kcal } of edits) {
          if (kg !== null)
            putRecord(log, "weighIns", { id: `w${day}`, personId: "p", date: date(day), kg, primary: true });
          putRecord(log, "meals", {
            id: `m${day}`,
            personId: "p",
            date: date(day),
            status: "eaten",
            name: "all",
            nutrients: { kcal },
          });
          kept.on(start + 399);
        }
        expect(kept.byDay()).toEqual(measuredOf(new AsOf(copyOf(log), "p", start + 399)).byDay());
      }),
      { numRuns: 12 },
    );
  });
  it("says that a steady under-report is a lower expenditure, and follows a factor that is changed", () => {
    const full = known(measuredOf(asOf(lived(100, 2500, 0), 99)).on(start + 99)).kcal;
    const under = known(measuredOf(asOf(lived(100, 2000, 0), 99)).on(start + 99)).kcal;
    expect(full - under).toBeGreaterThan(400);
    const factors = [
      { id: "e", from: date(0), activityFactor: 1.5 },
      { id: "f", from: date(60), activityFactor: 1.8 },
    ];
    const moved = measuredOf(asOf({ ...lived(100, 2670, 0), energySettings: factors }, 99));
    expect(known(moved.on(start + 60)).kcal - known(moved.on(start + 59)).kcal).toBeGreaterThan(300);
  });
  it("begins anew after more than a year without a weight, and says nothing in between", () => {
    const early = lived(60, 2300, 0);
    const late = Array.from({ length: 60 }, (_, day) => day + 900);
    const records = {
      ...early,
      weighIns: [...early.weighIns, ...late.map((day) => ({ id: `w${day}`, date: date(day), kg: 95, primary: true }))],
      meals: [
        ...early.meals,
        ...late.map((day) => ({
          id: `m${day}`,
          date: date(day),
          status: "eaten",
          name: "all",
          nutrients: { kcal: 3000 },
        })),
      ],
    };
    const measured = measuredOf(asOf(records, 959));
    expect(measured.on(start + 700)).toEqual({ reason: "nothing was weighed for more than a year" });
    expect(known(measured.on(start + 59)).kcal).toEqual(known(measuredOf(asOf(early, 59)).on(start + 59)).kcal);
    const one = known(measured.on(start + 959));
    expect([one.days, one.mornings]).toEqual([59, 60]);
    // 3000 kcal at a steady weight, from a formula of 2670 + 22 × 15.
    expect(Math.abs(one.kcal - 3000)).toBeLessThan(40);
  });
  it("reckons a kilogram by the body's fat where it is known", () => {
    // 20 kg of fat: 20 ÷ 30.4 = 0.658 of the change is fat: 0.658 × 9440 + 0.342 × 1820 = 6833.
    expect(densityAt(20)).toBeCloseTo(6833, 0);
    expect(densityAt(50)).toBeGreaterThan(densityAt(10));
  });
});

describe("targets by what is measured", () => {
  const records = lived(120, 2200, 0);
  it("are proposed with reason and size, once in a week, and go by it once it is taken", () => {
    const view = measuredView(asOf(records, 119));
    expect(view.proposal!.insteadOf).toBeCloseTo(2670, 6);
    expect(view.proposal!.kcal % 10).toBe(0);
    expect(view.proposal!.why).toContain("outside the 80 % interval");
    const taken = [
      ...records.energySettings,
      { id: "t", from: date(119), activityFactor: 1.5, follows: "measured", measuredKcal: view.proposal!.kcal },
    ];
    const after = asOf({ ...records, energySettings: taken }, 119);
    expect(expenditureOn(after, start + 119)).toMatchObject({ kcal: view.proposal!.kcal, takenOn: date(119) });
    // The past keeps what was asked then.
    expect(expenditureOn(after, start + 118)).toMatchObject({ takenOn: null });
    expect(measuredView(after)).toMatchObject({ proposal: null, nextFrom: date(126) });
  });
  it("leave out the sessions that are credited each by itself, so that nothing counts twice", () => {
    const sessions = Array.from({ length: 120 }, (_, day) => ({
      id: `s${day}`,
      date: date(day),
      kind: "strength",
      status: "done",
      minutes: 60,
    }));
    const apart = { ...lived(120, 2600, 0), sessions };
    const energySettings = [{ id: "e", from: date(0), activityFactor: 1.4, sessionsInFactor: false }];
    const one = asOf({ ...apart, energySettings }, 119);
    // (3.5 − 1) × 3.5 × 80 ÷ 200 × 60 = 210 kcal a session, one a day.
    const now = known(measuredOf(one).on(start + 119));
    expect(now.creditedKcal).toBeCloseTo(210, 6);
    expect(Math.abs(now.kcal - 2600)).toBeLessThan(40);
    const within = known(measuredOf(asOf(apart, 119)).on(start + 119));
    expect(Math.abs(now.kcal - within.kcal)).toBeLessThan(40);
    // 1780 × 1.4 = 2492 instead of some 2390 without the sessions.
    const { proposal } = measuredView(one);
    expect(Math.abs(proposal!.kcal - (now.kcal - 210))).toBeLessThanOrEqual(5);
  });
  it("has a working that goes over it by hand", () => {
    const working = balanceWorkings.measured(asOf(records, 119));
    if ("reason" in working) throw new Error(working.reason);
    expect(working.steps[0]).toContain("By hand, over the last 28 days: eaten 2,200 kcal");
  });
  it("what the goal asks to be eaten lands on it, and is none where no intake does", () => {
    const withGoal = (targetKg: number) =>
      asOf(
        { ...records, goals: [{ startDate: date(100), startKg: 80, targetKg, by: { date: date(119 + 140) } }] },
        119,
      );
    const goal = intakeForGoal(withGoal(76))!;
    const then = whatIf(withGoal(76), { intakeKcal: goal.kcal!, until: goal.date });
    if ("reason" in then) throw new Error(then.reason);
    expect(then.weeks.at(-1)!.kg).toBeCloseTo(76, 3);
    // 4 kg × 7700 ÷ 140 = 220 kcal a day less than is spent.
    expect(goal.straightKcal).toBeCloseTo(then.expenditureKcal - 220, -1);
    expect(intakeForGoal(withGoal(45))!.kcal).toBeNull();
    expect(intakeForGoal(asOf(records, 119))).toBeNull();
  });
  it("an intake asked about stands beside the straight line, which loses more", () => {
    const view = whatIf(asOf(records, 119), { intakeKcal: 1700, until: date(119 + 365) });
    if ("reason" in view) throw new Error(view.reason);
    expect(view.weeks[0]!.kg).toBeCloseTo(80, 0);
    expect(view.weeks.at(-1)).toMatchObject({ date: date(119 + 365) });
    expect(view.weeks.at(-1)!.kg).toBeGreaterThan(view.straightKg);
    expect(view.weeks.at(-1)!.high80 - view.weeks.at(-1)!.low80).toBeGreaterThan(
      view.weeks[0]!.high80 - view.weeks[0]!.low80,
    );
    expect(whatIf(asOf(records, 119), { intakeKcal: 1700, until: date(0) })).toHaveProperty("reason");
  });
});
