import { Answers } from "@/compute/queries";
import type { Session } from "@/core/log/kinds/sessions";
import { emptyLog, putRecord } from "@/core/log/log";
import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { today, answers, rower } = demoAnswers();

describe("a session in training", () => {
  it("a session in training proposes what was planned, worked out or done before, and what a table would write is what it says", () => {
    const sessionId = `demo-1-rower-strength-${today}`;
    const { items, steps } = answers.answer("training", { ...rower, date: today, sessionId })!;
    expect(items.map(({ exercise }) => exercise.id)).toEqual([
      "deadlift",
      "front-squat",
      "overhead-press",
      "dumbbell-row",
      "back-extension",
    ]);
    const proposals = (itemId: string) =>
      steps.filter((step) => step.itemId === itemId).map(({ proposal }) => [proposal.from, proposal.reps]);
    expect(proposals("i1")).toEqual([
      ["plan", 5],
      ["plan", 3],
      ["effort", 5],
      ["effort", 5],
      ["effort", 5],
    ]);
    // Asked for the same repetitions and effort as were done a week ago, the load is the same, whatever the formula in
    // force.
    const again = items[0]!.last!.sets.at(-1)!.done!;
    expect(again).toMatchObject({ reps: 5, rpe: 8 });
    expect(steps.find(({ proposal }) => proposal.from === "effort")!.proposal.kg).toBe(again.kg);
    expect(items[1]!.last!.sets.every(({ warmUp }) => !warmUp)).toBe(true);
    expect(items[1]!.ramp.at(-1)!.kg).toBeLessThan(82.5);
    expect(answers.answer("training", { ...rower, date: today, sessionId: "none" })).toBeNull();
    const lines = answers.answer("planLines", { ...rower, date: today, sessionId })!;
    const plan = answers.answer("planTable", { ...rower, date: today, sessionId, lines })!;
    // Written again unchanged, the plan is what it was.
    expect(plan.session).toEqual(plan.held);
    const table = answers.answer("setsTable", {
      ...rower,
      date: addDays(today, -3),
      lines: [
        { exerciseId: "back-squat", sets: "2", reps: "5", load: "100", rpe: "" },
        { exerciseId: "", sets: "", reps: "", load: "", rpe: "" },
      ],
    })!;
    expect(table.lines[0]!.text).toBe("2 × 5 at 100 kg");
    expect(table.change).toHaveLength(1);
    expect(
      answers.answer("setsTable", {
        ...rower,
        date: today,
        lines: [{ exerciseId: "back-squat", sets: "2", reps: "5", load: "", rpe: "" }],
      })!.change,
    ).toBeNull();
    expect(answers.answer("sameAsLast", { ...rower, date: today })!.map(({ exerciseId }) => exerciseId)).toContain(
      "bench-press",
    );
  });
  it("a share of the maximum means the one before the day: a heavy set of the day moves no load of its own session", () => {
    const small = emptyLog();
    const done = (day: number, id: string, sets: Session["items"] & object): void => {
      putRecord(small, "sessions", {
        id,
        personId: "p",
        date: addDays(today, day),
        kind: "strength",
        status: "partly",
        items: sets,
      });
    };
    putRecord(small, "people", { id: "p", name: "P" });
    putRecord(small, "exercises", { id: "squat", name: "Squat", measure: "load-reps" });
    done(-7, "before", [{ id: "i", exerciseId: "squat", sets: [{ id: "1", done: { reps: 1, kg: 100 } }] }]);
    done(0, "now", [
      {
        id: "i",
        exerciseId: "squat",
        sets: [
          { id: "1", done: { reps: 1, kg: 150 } },
          { id: "2", planned: { reps: 5, percent: 0.8 } },
          { id: "3", planned: { reps: 1, rpe: 10 } },
        ],
      },
    ]);
    const { steps } = new Answers(small, () => "x").answer("training", {
      personId: "p",
      today,
      date: today,
      sessionId: "now",
    })!;
    expect(steps.slice(1).map(({ proposal }) => [proposal.from, proposal.kg])).toEqual([
      ["percent", 80],
      ["effort", 100],
    ]);
  });
});
