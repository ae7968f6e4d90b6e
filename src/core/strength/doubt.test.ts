import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import { metricUnits, Printer } from "../base/units/printer";
import { completedReps } from "../log/doneSets";
import type { Exercise } from "../log/kinds/exercises";
import type { Session } from "../log/kinds/sessions";
import { lackOf, loadDoubt } from "./doubt";
import { factorOf } from "./e1rm";
import { liftsDone, testsIn } from "./liftRun";
import { meets } from "./meet";
import { performedSets } from "./sets";
import { workOf } from "./volume";

const printer = new Printer(metricUnits);
const squat: Exercise = { id: "squat", name: "Squat" };
const dip: Exercise = { id: "dip", name: "Dip", measure: "bodyweight-reps" };
const plank: Exercise = { id: "plank", name: "Plank", measure: "duration" };

describe("a load that is far off", () => {
  it("is questioned as a weigh-in is: beyond what anyone lifts, or far beyond one's own best", () => {
    expect(loadDoubt(squat, 1000, null, printer)).toContain("more than anyone lifts");
    expect(loadDoubt(squat, 200, 100, printer)).toContain("far beyond your best estimated maximum of 100.0 kg");
    expect(loadDoubt(squat, 125, 100, printer)).toBeNull();
    expect(loadDoubt(squat, 200, null, printer)).toBeNull();
    expect(loadDoubt(dip, 60, 20, printer)).toBeNull();
    expect(loadDoubt(dip, 200, 20, printer)).toContain("more than anyone");
  });
});

describe("a set that is not whole", () => {
  it("lacks its load, its repetitions, its time", () => {
    expect(lackOf(squat, { reps: 5 })).toBe("load");
    expect(lackOf(squat, { kg: 80 })).toBe("repetitions");
    expect(lackOf(squat, { reps: 5, kg: 0 })).toBeNull();
    expect(lackOf(dip, { reps: 5 })).toBeNull();
    expect(lackOf(plank, { kg: 10 })).toBe("time");
    expect(lackOf(plank, { seconds: 40 })).toBeNull();
  });
});

describe("a missed single", () => {
  const session = (test: boolean, reps: number): Session => ({
    id: "s",
    personId: "p",
    date: "2026-06-01",
    kind: "strength",
    status: "done",
    test,
    items: [
      {
        id: "i",
        exerciseId: "squat",
        sets: [
          { id: "1", done: { reps: 1, kg: 170 } },
          { id: "2", done: { reps, kg: 185, failed: true } },
        ],
      },
    ],
  });
  const day = mustDay("2026-06-01");
  const exercises = new Map([["squat", squat]]);

  it("of a meet is no lift, no volume, no best, however it was marked", () => {
    for (const reps of [0, 1]) {
      const meet = session(true, reps);
      expect(meets([meet], [])[0]!.lifts).toEqual([
        {
          exerciseId: "squat",
          attempts: [
            { kg: 170, made: true },
            { kg: 185, made: false },
          ],
          bestKg: 170,
          changeKg: null,
        },
      ]);
      const run = liftsDone(
        [day],
        () => [meet],
        exercises,
        () => 80,
      ).get("squat")!;
      expect(testsIn(run)).toEqual([{ exerciseId: "squat", day, kg: 170 }]);
      expect(
        workOf(
          performedSets(meet, day, exercises, () => 80),
          {},
        ),
      ).toMatchObject({ numberOfLifts: 1, volumeLoadKg: 170 });
    }
  });
  it("in training is one of no repetitions; one completed with another missed stays one completed", () => {
    expect(
      workOf(
        performedSets(session(false, 0), day, exercises, () => 80),
        {},
      ),
    ).toMatchObject({ numberOfLifts: 1, volumeLoadKg: 170 });
    expect(
      workOf(
        performedSets(session(false, 1), day, exercises, () => 80),
        {},
      ),
    ).toMatchObject({ numberOfLifts: 2, volumeLoadKg: 355 });
    expect(completedReps({ reps: 4, failed: true }, true)).toBe(4);
    expect(factorOf.mean(1)).toBe(1);
  });
});
