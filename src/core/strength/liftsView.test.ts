import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers, rowerContract } from "../../../tests/demoAnswers";

const { today, log, answers, rower } = demoAnswers();

describe("the views of lifts agree with the contract", () => {
  const person = rowerContract(log, today);
  it("lifts", () => {
    const lifts = answers.answer("lifts", { ...rower, against: null })!;
    for (const { exercise, best } of lifts.lifts) {
      const said = person.lifts.find(({ exerciseId }) => exerciseId === exercise.id)!.best;
      if (best === null) expect(said).toBeNull();
      else expect(best.e1rmKg).toBeCloseTo(said!.e1rmKg, 7);
    }
    const deadlift = answers.answer("lift", { ...rower, exerciseId: "deadlift", times: 12 })!;
    expect(deadlift.times[0]!.date > addDays(today, -14)).toBe(true);
    expect(deadlift.times).toHaveLength(12);
    expect(answers.answer("lift", { ...rower, exerciseId: "deadlift", times: 500 })!.times).toHaveLength(
      deadlift.timesInAll,
    );
    expect(answers.answer("lift", { ...rower, exerciseId: "nothing", times: 12 })).toBeNull();
  });
  it("a lift's parts agree: its row, its page, its records, the household, the load for one repetition", () => {
    const { lifts } = answers.answer("lifts", { ...rower, against: "back-squat" })!;
    const squat = lifts.find(({ exercise }) => exercise.id === "back-squat")!;
    const page = answers.answer("lift", { ...rower, exerciseId: "back-squat", times: 1000 })!;
    expect(squat.against).toBe(1);
    expect(page.best).toMatchObject({ ...squat.best });
    expect(page.best!.low80).toBeLessThan(page.best!.e1rmKg);
    expect(Math.max(...page.course.map(({ e1rmKg }) => e1rmKg))).toBe(page.best!.e1rmKg);
    expect(page.times.filter(({ isBest }) => isBest)).toHaveLength(1);
    expect(page.byFormula.find(({ name }) => name === "mean")!.kg).toBeCloseTo(page.best!.e1rmKg, 9);
    const records = answers.answer("records", { ...rower, exerciseId: "back-squat", atMost: 1000 })!;
    expect(records.beaten.filter(({ what }) => what === "e1rm")[0]!.kg).toBe(page.best!.e1rmKg);
    expect(records.standing[0]!.byReps.find(({ reps }) => reps === 5)!.kg).toBe(page.table[4]!.done!.kg);
    expect(records.meets.map(({ lifts: tried }) => tried.length)).toEqual([3, 3]);
    expect(
      answers
        .answer("householdLifts", rower)!
        .rows.find(({ exerciseId }) => exerciseId === "back-squat")!
        .cells.map((cell) => cell?.best?.e1rmKg ?? null),
    ).toEqual([page.best!.e1rmKg, null]);
    // Each person's work beside the others' is that of their own Work view.
    for (const { id, work } of answers.answer("householdLifts", rower)!.people) {
      expect(work).toEqual(
        answers.answer("work", { ...rower, personId: id, from: "2026-03-20", to: "2026-06-11" })!.total,
      );
    }
    const one = answers.answer("suggest", { ...rower, exerciseId: "back-squat", reps: 1, rpe: 10 })!;
    expect("kg" in one && one.exactKg).toBeCloseTo((page.strength as { kg: number }).kg, 9);
  });
});
