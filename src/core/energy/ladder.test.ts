import { describe, expect, it } from "vitest";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { energyView } from "./energyView";
import { ladderOf } from "./ladder";

const people = [{ id: "p", name: "Ana", sex: "female", birthDate: "1996-06-01", heightCm: 165 }];
/** Weighed from 1 May, each day so much lighter. */
const log = (perWeek: number, settings: object, goal: object = {}) => ({
  people,
  weighIns: weighedFrom("2026-05-01", ...Array.from({ length: 60 }, (_, day) => 70 + (perWeek / 7) * day)),
  // 3.5 kg in 70 days: 0.35 kg a week less.
  goals: [{ startDate: "2026-05-01", startKg: 70, targetKg: 66.5, by: { date: "2026-07-10" }, ...goal }],
  energySettings: [
    { from: "2026-05-01", activityFactor: 1.5, estimate: "high", estimateSince: "2026-05-01", ...settings },
  ],
});
const on = (date: string, perWeek: number, settings: object = {}, goal: object = {}) =>
  ladderOf(smallAsOf(date, log(perWeek, settings, goal)));

describe("the ladder", () => {
  it("is held for two weeks, and looked at every second one from then on", () => {
    expect(on("2026-05-14", 0)).toMatchObject({
      step: "high",
      days: 14,
      look: null,
      nextLook: "2026-05-15",
      proposal: null,
    });
    expect(on("2026-05-15", -0.5)).toMatchObject({
      look: { date: "2026-05-15" },
      nextLook: "2026-05-29",
      proposal: null,
    });
    expect(on("2026-06-13", -0.5)).toMatchObject({ look: { date: "2026-06-12" }, nextLook: "2026-06-26", days: 44 });
  });
  it("proposes a step down only where the weight moves slower than the plan asks, and says by what trend", () => {
    const slow = on("2026-05-16", -0.2)!;
    expect(slow.askedKgPerWeek).toBeCloseTo(-0.35, 9);
    expect(slow.look).toMatchObject({
      date: "2026-05-15",
      kgPerWeek: expect.closeTo(-0.2, 6) as number,
      half80: expect.closeTo(0, 6) as number,
      mornings: 15,
    });
    const asOf = smallAsOf("2026-05-16", log(-0.2, {}));
    const { expenditure } = energyView(asOf);
    if ("reason" in expenditure) throw new Error(expenditure.reason);
    // From the formula and a tenth of it to the formula.
    expect(expenditure.kcal).toBeCloseTo(expenditure.byFormula * 1.1, 6);
    expect(slow.proposal).toMatchObject({ step: "middle" });
    expect(slow.proposal!.changeKcal).toBeCloseTo(-0.1 * expenditure.byFormula, 6);
    expect(on("2026-05-16", -0.2, { estimate: "low" })).toMatchObject({ proposal: null, ended: true });
  });
  it("says nothing where too few mornings were weighed, and asks no step", () => {
    const { weighIns, ...rest } = log(-0.1, {});
    const few = { ...rest, weighIns: weighIns.filter((_, day) => day % 3 === 0) };
    expect(ladderOf(smallAsOf("2026-05-16", few))).toMatchObject({
      look: { date: "2026-05-15", reason: "fewer than 7 mornings were weighed" },
      proposal: null,
    });
  });
  it("goes up for who gains, from the low one", () => {
    const gain = { targetKg: 73.5 };
    expect(on("2026-05-16", 0.2, { estimate: "low" }, gain)!.proposal).toMatchObject({ step: "middle" });
    expect(on("2026-05-16", 0.5, { estimate: "low" }, gain)!.proposal).toBeNull();
  });
  it("waits two weeks more where it was held on looking", () => {
    expect(on("2026-05-20", -0.2, { estimateHeld: "2026-05-16" })).toMatchObject({
      look: null,
      nextLook: "2026-05-30",
      proposal: null,
    });
    expect(on("2026-05-30", -0.2, { estimateHeld: "2026-05-16" })!.proposal).toMatchObject({ step: "middle" });
  });
  it("is none without an estimate, without a plan, and where the targets go by what was measured", () => {
    expect(on("2026-05-20", -0.2, { estimate: null })).toBeNull();
    expect(on("2026-05-20", -0.2, { follows: "measured", measuredKcal: 2000 })).toBeNull();
    expect(on("2026-07-10", -0.2)).toBeNull();
  });
});
