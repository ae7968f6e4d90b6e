import { describe, expect, it } from "vitest";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { targetFor } from "./expenditure";
import { energyView } from "./energyView";

const people = [{ id: "p", name: "Ana", sex: "female", birthDate: "1996-06-01", heightCm: 165 }];
const records = {
  people,
  weighIns: weighedFrom("2026-06-01", ...Array.from({ length: 14 }, () => 60)),
  goals: [{ startDate: "2026-06-01", startKg: 60, targetKg: 58, by: { date: "2026-06-15" } }],
  energySettings: [{ from: "2026-01-01", equation: "mifflinStJeor", activityFactor: 1.5 }],
};
/** Mifflin-St Jeor by hand: 10 × 60 + 6.25 × 165 − 5 × 30 − 161 = 1320.25. */
const resting = 1320.25;

describe("expenditure and targets", () => {
  it("come from the equation, the factor and the plan's balance", () => {
    const view = energyView(smallAsOf("2026-06-14", records));
    expect(view.resting.find(({ equation }) => equation === "mifflinStJeor")!.result).toMatchObject({
      kcal: expect.closeTo(resting, 6) as number,
    });
    expect(view.expenditure).toMatchObject({
      kcal: expect.closeTo(1.5 * resting, 6) as number,
      factor: 1.5,
      factorSet: true,
    });
    // 2 kg in 14 days are 1 kg a week: 7,700 kcal ÷ 7 less a day.
    expect(view.kinds[1]!.target).toMatchObject({
      kcal: expect.closeTo(1.5 * resting - 1100, 6) as number,
      balanceKcal: -1100,
    });
    expect(view.warnings.join()).toContain("above 1 %");
  });
  it("ask no balance from the deadline on: that morning the goal is over", () => {
    const rest = (on: string) => {
      const asOf = smallAsOf(on, records);
      const target = targetFor(asOf, "rest", asOf.on);
      return "reason" in target ? target.reason : target.balanceKcal;
    };
    expect([rest("2026-06-14"), rest("2026-06-15"), rest("2026-06-16")]).toEqual([-1100, 0, 0]);
  });
  it("warn of a target under the resting expenditure", () => {
    const low = { ...records, energySettings: [{ from: "2026-01-01", activityFactor: 1.2 }] };
    expect(energyView(smallAsOf("2026-06-14", low)).warnings).toContain(
      // 1.2 × 1320.25 − 1100 = 484.3
      "The daily target, 484 kcal, is under the resting expenditure of 1,320 kcal.",
    );
  });
  it("warn of the day on which too little is to be eaten, and of protein below what the aim asks", () => {
    const warned = (targets: object, goals: readonly object[] = records.goals) =>
      energyView(
        smallAsOf("2026-06-14", {
          ...records,
          goals: [...goals],
          energySettings: [{ from: "2026-01-01", equation: "mifflinStJeor", activityFactor: 1.5, targets }],
        }),
      ).warnings.filter((one) => !one.includes("a week"));
    // 90 g are 1.5 g/kg at 60 kg, under the 1.6 of who loses; 100 g are 1.67.
    expect(warned({ training: { kcal: 1700, protein: 90 }, rest: { kcal: 1300, protein: 100 } })).toEqual([
      "90 g of protein on a training day are 1.5 g for each kg of body weight; while weight is lost, less than 1.6 costs muscle.",
      "The target of a rest day, 1,300 kcal, is under the resting expenditure of 1,320 kcal.",
    ]);
    // Without a deficit 90 g are enough, and 80 g, 1.33 g/kg, are not.
    const enough = { training: { kcal: 2100, protein: 90 }, rest: { kcal: 2100, protein: 80 } };
    expect(warned(enough, [])).toEqual([
      "80 g of protein on a rest day are 1.3 g for each kg of body weight; 1.4 to 2.0 suit most who train.",
    ]);
  });
  it("offer a start from this morning, the week's median and the trend, and show a goal that lies ahead", () => {
    const asOf = smallAsOf("2026-06-14", {
      ...records,
      goals: [{ id: "later", startDate: "2026-07-01", startKg: 60, targetKg: 58, by: { date: "2026-09-01" } }],
    });
    const view = energyView(asOf);
    expect(view.starts).toMatchObject({ morningKg: 60, medianKg: 60 });
    expect([view.goal?.id, view.line]).toEqual(["later", { reason: "no weight goal has begun" }]);
  });
});
