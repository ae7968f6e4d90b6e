import { describe, expect, it } from "vitest";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { carriedLine } from "./heading";
import { phaseStanding } from "./phase";
import { planningOf } from "./slice";

describe("a line carried forward", () => {
  it("has the prediction interval of a textbook's least squares", () => {
    // y = 2, 4, 5, 4, 5 on x = 1 … 5 (a common first example): slope 0.6, intercept 2.2, residual variance 2.4 ÷ 3 = 0.8.
    // At x = 6: 5.8 ± t × √(0.8 × (1 + 1/5 + (6 − 3)² ÷ 10)) = t × √1.68; t(0.9; 3) = 1.6377.
    const readings = [2, 4, 5, 4, 5].map((value, index) => ({ day: 7 * index, value }));
    const { value, low80, high80 } = carriedLine(readings, 7 * 5)!;
    expect(value).toBeCloseTo(5.8, 9);
    expect(high80 - value).toBeCloseTo(value - low80, 9);
    // The expansion gives 1.56 for three degrees of freedom: within 5 %.
    expect((high80 - value) / Math.sqrt(1.68)).toBeGreaterThan(1.6377 * 0.95);
    expect((high80 - value) / Math.sqrt(1.68)).toBeLessThan(1.6377 * 1.01);
  });
  it("is none of too few readings, or of days too near each other", () => {
    const few = [1, 2, 3].map((value, index) => ({ day: 7 * index, value }));
    expect(carriedLine(few, 60)).toBeNull();
    expect(
      carriedLine(
        [1, 2, 3, 4, 5].map((value) => ({ day: value, value })),
        60,
      ),
    ).toBeNull();
    expect(carriedLine([], 60)).toBeNull();
  });
});

describe("where a phase is heading", () => {
  const phase = (measures: object[]) => ({ id: "ph", name: "Summer", startDate: "2026-06-01", days: 42, measures });
  const heading = (measure: object, more: object, on = "2026-06-21") => {
    const asOf = smallAsOf(on, { phases: [phase([measure])], ...more });
    return phaseStanding(asOf, planningOf(asOf).phases()[0]!).measures[0]!.heading;
  };
  it("is its weight's trend carried to its last day", () => {
    const weighIns = weighedFrom("2026-05-20", ...Array.from({ length: 33 }, (_, index) => 80 - index * 0.05));
    const found = heading({ of: "weight", to: 77 }, { weighIns })!;
    // 0.35 kg a week, three weeks ahead.
    expect(found.value).toBeLessThan(78.2);
    expect(found.value).toBeGreaterThan(76.8);
    expect(found.low80).toBeLessThan(found.value);
    expect(heading({ of: "weight", to: 77 }, { weighIns }, "2026-07-20")).toBeNull();
  });
  it("is sessions done, and those to come by the share that was kept", () => {
    const at = (date: string, status: string) => ({ date, kind: "row", status, planned: { minutes: 30 } });
    const sessions = [
      at("2026-06-02", "done"),
      at("2026-06-04", "done"),
      at("2026-06-09", "skipped"),
      at("2026-06-11", "done"),
      ...["2026-06-23", "2026-06-25", "2026-06-30", "2026-07-02"].map((date) => at(date, "planned")),
    ];
    // Three of four kept: 3 + 4 × 0.75 = 6. Beta-binomial: (3 + 1) ÷ 6 = ⅔, √(4 × ⅔ × ⅓ × 10 ÷ 7) = 1.127.
    const found = heading({ of: "sessions", kind: "row", to: 8 }, { sessions })!;
    expect(found.value).toBe(6);
    expect(found.high80).toBe(7);
    expect(found.low80).toBeCloseTo(6 - 1.2815515655446004 * Math.sqrt((4 * (2 / 9) * 10) / 7), 9);
  });
  it("is a lift's estimates carried on, and nothing of a best time", () => {
    const sessions = Array.from({ length: 8 }, (_, index) => ({
      date: `2026-06-${String(1 + index * 2).padStart(2, "0")}`,
      kind: "strength",
      status: "done",
      items: [{ id: "i", exerciseId: "squat", sets: [{ id: "1", done: { reps: 1, kg: 100 + index, rpe: 10 } }] }],
    }));
    const exercises = [{ id: "squat", name: "Squat" }];
    const found = heading({ of: "e1rm", exerciseId: "squat", to: 120 }, { sessions, exercises })!;
    // A kilogram every other day from 100 on the 1st: 41 days on, on 12 July, 120.5.
    expect(found.value).toBeCloseTo(120.5, 6);
    expect(found.high80 - found.low80).toBeLessThan(0.01);
    expect(heading({ of: "bestTime", kind: "row", metres: 1000, to: 200 }, { sessions, exercises })).toBeNull();
  });
});
