import { describe, expect, it } from "vitest";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import { ironForm, setForm, testForm } from "./forms";

const squat = { id: "squat", name: "Squat" };
const plank = { id: "plank", name: "Plank", measure: "duration" as const };

describe("a set as it is typed", () => {
  const set = (
    typed: Partial<{ reps: string; failed: boolean; load: string; rpe: string }>,
    exercise: typeof squat = squat,
  ) => {
    const fields = { reps: "5", failed: false, load: "100", rpe: "", ...typed };
    const context = { ...metric, exercise };
    const why = whyNot(setForm, context, fields);
    return Object.keys(why).length > 0 ? why : filled(setForm, context, fields);
  };
  it("is what was done", () => {
    expect(set({})).toEqual({ reps: 5, kg: 100 });
    expect(set({ failed: true, rpe: "2 rir" })).toEqual({ reps: 5, kg: 100, rpe: 8, failed: true });
    expect(set({ reps: "5f", failed: true })).toEqual({ reps: 5, kg: 100, failed: true });
    expect(set({ reps: "6+3", load: "80+60" })).toEqual({ reps: 6, kg: 80, parts: [{ reps: 3, kg: 60 }] });
    expect(set({ reps: "1:30", load: "" }, plank)).toMatchObject({ seconds: 90 });
  });
  it("is refused under the field that is wrong", () => {
    expect(set({ rpe: "11" })).toEqual({ rpe: '"11" is no effort (RPE) from 0 to 10.' });
    // A range is a plan, not what was done, and no sum either.
    expect(set({ rpe: "8-9" })).toEqual({ rpe: '"8-9" is no effort (RPE) from 0 to 10.' });
    expect(set({ reps: "10-8" })).toEqual({ reps: '"10-8" is no number of repetitions.' });
    expect(set({ load: "" })).toEqual({ load: "The load is missing: write 0 for none." });
    expect(set({ load: "heavy" })).toEqual({ load: '"heavy" is no load.' });
    expect(set({ load: "80+60" })).toEqual({ reps: "2 loads do not fit 1 parts." });
  });
});

describe("bar, plates and rest as they are typed", () => {
  const fields = { bar: "20", plates: "20 × 4, 10 x 2; 1,25*2", rest: "2:00", warmUps: false };
  it("are read in the trainee's unit or a plate's own", () => {
    expect(filled(ironForm, metric, fields)).toEqual({
      bar: 20,
      plates: [
        { kg: 20, count: 4 },
        { kg: 10, count: 2 },
        { kg: 1.25, count: 2 },
      ],
      rest: 120,
      warmUps: false,
    });
    const pounds = filled(ironForm, imperial, { ...fields, bar: "45", plates: "45 × 4, 20 kg × 2", rest: "90" });
    expect(pounds.plates[1]).toEqual({ kg: 20, count: 2 });
    expect([pounds.bar, pounds.rest]).toEqual([45 * 0.45359237, 90]);
  });
  it("are refused with what is wrong", () => {
    for (const plates of ["20", "20 × 4.5", "20 × 200", "200 × 2", "0 × 2", "twenty × 2"])
      expect(whyNot(ironForm, metric, { ...fields, plates })).toHaveProperty("plates");
    expect(whyNot(ironForm, metric, { ...fields, bar: "101", rest: "3:00:00" })).toEqual({
      bar: "The bar must be from 0 to 100 kg.",
      rest: "Write a time such as 2:00 or 90.",
    });
    expect(whyNot(testForm, metric, { kg: "1001", date: "2026-06-12" })).toEqual({
      kg: "The load must be from −300 to 1,000 kg.",
      date: "A date cannot be in the future.",
    });
  });
});
