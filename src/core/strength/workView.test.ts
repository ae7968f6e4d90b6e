import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { answers, rower } = demoAnswers();

describe("the view of work", () => {
  it("work of a stretch is the sum of its weeks, of its groups and of its lifts, whole weeks or not", () => {
    for (const [from, to] of [
      ["2026-03-16", "2026-06-07"],
      ["2026-03-19", "2026-06-11"],
    ] as const) {
      const work = answers.answer("work", { ...rower, from, to })!;
      const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
      expect(work.sessions.every(({ date }) => date >= from && date <= to)).toBe(true);
      for (const key of ["numberOfLifts", "volumeLoadKg"] as const)
        for (const parts of [work.weeks, work.byGroup, work.byLift, work.sessions])
          expect(sum(parts.map((part) => part[key]))).toBeCloseTo(work.total[key], 6);
      expect(sum(work.zones.map(({ lifts }) => lifts)) + work.unknownZone).toBe(work.total.numberOfLifts);
      expect(sum(work.byLift.map(({ loadShare }) => loadShare))).toBeCloseTo(1, 9);
      expect(sum(work.weeks.map(({ share }) => share!.lifts))).toBeCloseTo(1, 9);
    }
  });
});
