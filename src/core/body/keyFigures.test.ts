import { describe, expect, it } from "vitest";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { arrivalFigure, planFigure, trendFigure } from "./keyFigures";
import { weightOf } from "./slice";

const days = (count: number, kg: (index: number) => number) => Array.from({ length: count }, (_, index) => kg(index));
/** A goal over ten weeks from 1 June, weighed daily since, as of 28 June. */
const losing = { startDate: "2026-06-01", startKg: 80, targetKg: 75, by: { date: "2026-08-10" } };
const gaining = { ...losing, startKg: 70, targetKg: 75 };
const on = (goal: object, kg: (index: number) => number) =>
  smallAsOf("2026-06-28", { goals: [goal], weighIns: weighedFrom("2026-06-01", ...days(28, kg)) });

describe("where the trend stands against the plan", () => {
  const standing = (goal: object, kg: (index: number) => number) => {
    const figure = planFigure(on(goal, kg));
    return "reason" in figure ? figure.reason : figure.standing;
  };
  it("losing: too slow above the plan's band, too fast below it", () => {
    expect(standing(losing, () => 80)).toBe("too slow");
    expect(standing(losing, (index) => 80 - index * 0.2)).toBe("too fast");
    expect(standing(losing, (index) => 80 - index / 14)).toBe("on plan");
  });
  it("gaining: too slow below it, too fast above it", () => {
    expect(standing(gaining, () => 70)).toBe("too slow");
    expect(standing(gaining, (index) => 70 + index * 0.2)).toBe("too fast");
    expect(standing(gaining, (index) => 70 + index / 14)).toBe("on plan");
  });
  it("a weight to be kept stands above or below it", () => {
    const kept = { ...losing, targetKg: 80 };
    expect([standing(kept, () => 82), standing(kept, () => 78), standing(kept, () => 80)]).toEqual([
      "above",
      "below",
      "on plan",
    ]);
  });
  it("says why there is none", () => {
    expect(planFigure(smallAsOf("2026-06-28", {}))).toEqual({ reason: "No plan line: no weight goal has begun." });
    expect(planFigure(smallAsOf("2026-06-28", { goals: [losing] }))).toEqual({ reason: "No weight is written yet." });
    expect(arrivalFigure(smallAsOf("2026-06-28", { goals: [losing] }))).toEqual({
      reason: "Not known yet: no weight is written.",
    });
  });
});

describe("how a morning sits against the trend", () => {
  const kgs = days(28, (index) => 80 + (index % 2 === 0 ? 0.2 : -0.2));
  it("is usual within two standard deviations, judged without the gross errors", () => {
    const plain = smallAsOf("2026-06-28", { weighIns: weighedFrom("2026-06-01", ...kgs) });
    const slipped = smallAsOf("2026-06-28", {
      weighIns: weighedFrom("2026-06-01", ...kgs.map((kg, index) => (index === 9 ? 108 : kg))),
    });
    const [fair, wild] = [plain, slipped].map((asOf) => weightOf(asOf).trend()!);
    // One slip of 28 kg would make the mean square 28² / 28 = 28 kg² by itself.
    expect(wild!.residualVariance).toBeLessThan(2 * fair!.residualVariance + 0.02);
    expect(trendFigure(slipped)).toMatchObject({ weighIns: 28, morning: { usual: true } });
    const last = smallAsOf("2026-06-28", { weighIns: weighedFrom("2026-06-01", ...kgs.slice(0, 27), 108) });
    expect(trendFigure(last)).toMatchObject({ morning: { kg: 108, usual: false } });
  });
  it("has a rate from the seventh day on", () => {
    const rate = (count: number) => {
      const date = `2026-06-${String(count).padStart(2, "0")}`;
      const figure = trendFigure(smallAsOf(date, { weighIns: weighedFrom("2026-06-01", ...kgs.slice(0, count)) }));
      return "reason" in figure ? null : figure.kgPerWeek;
    };
    expect(rate(7)).toBeNull();
    expect(rate(8)).not.toBeNull();
  });
});

describe("body weight on a day", () => {
  const asOf = smallAsOf("2026-06-10", { weighIns: weighedFrom("2026-06-08", 80, 80.4, 80.2, 90) });
  it("is the morning's, and never one of after the day asked about", () => {
    expect([8, 9, 10].map((day) => weightOf(asOf).on(weightOf(asOf).weighed()[0]!.day + day - 8))).toEqual([
      80, 80.4, 80.2,
    ]);
    const tomorrow = weightOf(asOf).on(asOf.on + 1)!;
    expect(tomorrow).toBe(weightOf(asOf).heldOn(asOf.on));
    expect(tomorrow).toBeLessThan(81);
  });
});
