import { describe, expect, it } from "vitest";
import { metricUnits, Printer } from "../base/units/printer";
import type { Exercise } from "../log/kinds/exercises";
import type { TrainingSet } from "../log/kinds/sessions";
import { describeSets, describeWarmUps } from "./describe";

const kilograms = new Printer(metricUnits);
const pounds = new Printer({ ...metricUnits, mass: "lb" });
const squat: Exercise = { id: "s", name: "Squat", measure: "load-reps" };
const done = (...sets: NonNullable<TrainingSet["done"]>[]): TrainingSet[] =>
  sets.map((set, index) => ({ id: String(index), done: set }));

describe("sets in words", () => {
  it("stand together by load", () => {
    expect(
      describeSets(done({ reps: 6, kg: 72.5 }, { reps: 6, kg: 72.5 }, { reps: 6, kg: 72.5 }), "done", squat, kilograms),
    ).toBe("3 × 6 at 72.5 kg");
    expect(
      describeSets(done({ reps: 8, kg: 52.5 }, { reps: 8, kg: 52.5 }, { reps: 7, kg: 52.5 }), "done", squat, kilograms),
    ).toBe("8, 8, 7 at 52.5 kg");
    expect(describeSets(done({ reps: 5, kg: 100 }, { reps: 3, kg: 110 }), "done", squat, kilograms)).toBe(
      "1 × 5 at 100 kg; 1 × 3 at 110 kg",
    );
    expect(describeSets(done({ reps: 5, kg: 225 * 0.45359237 }), "done", squat, pounds)).toBe("1 × 5 at 225 lb");
  });
  it("name added load, assistance and time their own way", () => {
    expect(describeSets(done({ reps: 6, kg: 0 }), "done", { ...squat, measure: "bodyweight-reps" }, kilograms)).toBe(
      "1 × 6",
    );
    expect(describeSets(done({ reps: 6, kg: 10 }), "done", { ...squat, measure: "bodyweight-reps" }, kilograms)).toBe(
      "1 × 6 at +10 kg",
    );
    expect(describeSets(done({ reps: 6, kg: 15 }), "done", { ...squat, measure: "assisted-reps" }, kilograms)).toBe(
      "1 × 6 at −15 kg",
    );
    expect(
      describeSets(done({ seconds: 40 }, { seconds: 40 }), "done", { ...squat, measure: "duration" }, kilograms),
    ).toBe("2 × 40 s");
    expect(describeSets(done({ metres: 400 }), "done", { ...squat, measure: "distance" }, kilograms)).toBe(
      "1 × 0.40 km",
    );
  });
  it("have their efforts with them, and a share the load it comes to", () => {
    expect(
      describeSets(done({ reps: 5, kg: 100, rpe: 8 }, { reps: 5, kg: 100, rpe: 8 }), "done", squat, kilograms),
    ).toBe("2 × 5 at 100 kg, RPE 8");
    expect(
      describeSets(
        done({ reps: 5, kg: 100, rpe: 7 }, { reps: 5, kg: 100 }, { reps: 4, kg: 100, rpe: 9.5 }),
        "done",
        squat,
        kilograms,
      ),
    ).toBe("5, 5, 4 at 100 kg, RPE 7, –, 9.5");
    const planned: TrainingSet[] = ["a", "b"].map((id) => ({ id, planned: { reps: 5, percent: 0.8 } }));
    expect(describeSets(planned, "planned", squat, kilograms, { a: 104, b: 104 })).toBe("2 × 5 at 80 % (104\u00a0kg)");
    expect(describeSets(planned, "planned", squat, kilograms)).toBe("2 × 5 at 80 %");
    expect(describeSets([{ id: "a", planned: { reps: 6, rpe: 8 } }], "planned", squat, kilograms)).toBe(
      "1 × 6 at RPE 8",
    );
    expect(describeSets([{ id: "a", planned: { reps: 6, rpe: 8 } }], "planned", squat, kilograms, { a: 130 })).toBe(
      "1 × 6 at RPE 8 (130\u00a0kg)",
    );
    expect(describeSets([{ id: "a", planned: { reps: 6, kg: 100 } }], "planned", squat, kilograms, { a: 130 })).toBe(
      "1 × 6 at 100 kg",
    );
    expect(describeSets(done({ reps: 5, kg: 100 }, { reps: 5, kg: 100, rpe: 8.5 }), "done", squat, kilograms)).toBe(
      "2 × 5 at 100 kg, last RPE 8.5",
    );
  });
  it("leave warm-ups and the other side out", () => {
    const sets: TrainingSet[] = [
      { id: "w", warmUp: true, done: { reps: 5, kg: 40 } },
      { id: "a", planned: { reps: 5, kg: 100 } },
    ];
    expect(describeSets(sets, "done", squat, kilograms)).toBe("");
    expect(describeSets(sets, "planned", squat, kilograms)).toBe("1 × 5 at 100 kg");
    expect(describeWarmUps(sets, "done", squat, kilograms)).toBe("1 × 5 at 40 kg");
    expect(describeWarmUps(sets.slice(1), "done", squat, kilograms)).toBe("");
  });
});
