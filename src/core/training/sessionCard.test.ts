import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { pacePerKm } from "../sessions/covered";
import { estimateMaximum, factorOf } from "../strength/e1rm";
import { warmUpRamp } from "../strength/loading";
import { sessionCard } from "./sessionCard";
import { planLines, planView, sameAsLast, tableView } from "./setsTable";

const set = (id: string, planned: object | null, done: object | null, more: object = {}) => ({
  id,
  ...(planned ? { planned } : {}),
  ...(done ? { done } : {}),
  ...more,
});
const five = { reps: 5, kg: 100 };
const records = {
  exercises: [
    { id: "squat", name: "Back squat", incrementKg: 2.5 },
    { id: "bench", name: "Bench press" },
  ],
  sessions: [
    {
      id: "before",
      date: "2026-06-01",
      kind: "strength",
      title: "Legs",
      status: "done",
      items: [
        {
          id: "i",
          exerciseId: "squat",
          sets: [set("1", null, { reps: 5, kg: 97.5 }), set("2", null, { reps: 4, kg: 97.5 })],
        },
      ],
    },
    {
      id: "now",
      date: "2026-06-08",
      kind: "strength",
      status: "partly",
      photoIds: ["a", "gone"],
      items: [
        {
          id: "i",
          exerciseId: "squat",
          sets: [set("w", { reps: 5, kg: 60 }, null, { warmUp: true }), set("1", five, five), set("2", five, five)],
        },
        { id: "j", exerciseId: "bench", skipped: "no bench free", sets: [set("1", { reps: 8, kg: 60 }, null)] },
        { id: "k", exerciseId: "lost", sets: [set("1", null, { reps: 1, kg: 1 })] },
      ],
    },
    {
      id: "run",
      date: "2026-06-08",
      kind: "run",
      status: "done",
      distance: { planned: { metres: 5000, seconds: 1500 }, done: { metres: 4000, seconds: 1300 } },
    },
  ],
  photos: [{ id: "a", date: "2026-06-08", file: "a.jpg" }],
};
const asOf = smallAsOf("2026-06-10", records);
const session = (id: string) => asOf.log.records.sessions.get(id)!;

describe("a session's card", () => {
  const card = sessionCard(asOf, session("now"));
  it("has what was planned beside what was done and what was done the last time", () => {
    expect([card.title, card.status]).toEqual(["Strength", "partly"]);
    const [squat, bench, lost] = card.items;
    expect(squat).toMatchObject({
      name: "Back squat",
      planned: "2 × 5 at 100 kg",
      done: "2 × 5 at 100 kg",
      asPlanned: true,
      last: { date: "2026-06-01" },
    });
    expect(squat!.warmUps).toContain("60 kg");
    expect(bench).toMatchObject({ done: "", asPlanned: false, skipped: "no bench free", last: null });
    expect(lost).toMatchObject({ exercise: null });
    expect([card.numberOfLifts, card.volumeLoadKg]).toEqual([10, 1000]);
    expect(card.photos.map(({ file }) => file)).toEqual(["a.jpg"]);
  });
  it("has a pace as planned and as run", () => {
    expect(sessionCard(asOf, session("run"))).toMatchObject({ secondsPerKm: 325, plannedSecondsPerKm: 300 });
  });
});

describe("a table of sets", () => {
  const line = (more: object) => ({ exerciseId: "squat", sets: "3", reps: "5", load: "100", rpe: "", ...more });
  it("says what each line would write and what is wrong with it, and writes nothing while something is", () => {
    const view = tableView(asOf, { date: "2026-06-10", lines: [line({}), line({ reps: "many" })] }, () => "new");
    expect(view.lines[0]).toMatchObject({ text: "3 × 5 at 100 kg", problem: null, last: { date: "2026-06-08" } });
    expect(view.lines[1]!.problem).toContain("many");
    expect(view.change).toBeNull();
    const written = tableView(asOf, { date: "2026-06-10", lines: [line({})] }, () => "new").change!;
    const [step] = written;
    const put = "put" in step! ? (step.put as unknown as { items: { sets: object[] }[] }) : null;
    expect([written.length, put!.items[0]!.sets.length]).toEqual([1, 3]);
  });
  it("begins from the last session's work, alike sets in one line", () => {
    expect(sameAsLast(asOf, "2026-06-10")[0]).toMatchObject({ exerciseId: "squat", sets: "2", reps: "5", load: "100" });
    expect(sameAsLast(asOf, "2026-06-08")).toMatchObject([
      { exerciseId: "squat", sets: "", reps: "5 4", load: "97.5" },
    ]);
  });
  it("of a plan gives back the lines it was made of, and the session they plan", () => {
    const lines = planLines(asOf, "2026-06-08", "now");
    expect(lines.map(({ exerciseId, warmUp, reps, load }) => [exerciseId, warmUp, reps, load])).toEqual([
      ["squat", true, "5", "60"],
      ["squat", false, "5", "100"],
      ["bench", false, "8", "60"],
    ]);
    const { session: planned, held } = planView(asOf, { date: "2026-06-08", sessionId: "now", lines }, () => "new");
    expect(held!.id).toBe("now");
    expect(planned!.items!.map(({ exerciseId }) => exerciseId)).toEqual(
      ["squat", "bench", "lost"].slice(0, planned!.items!.length),
    );
  });
});

describe("at its edges", () => {
  it("a piece of no metres has no pace, and does not slow the others", () => {
    expect(pacePerKm([{ metres: 0, seconds: 60 }])).toBeNull();
    expect(
      pacePerKm([
        { metres: 1000, seconds: 300 },
        { metres: 0, seconds: 60 },
        { metres: null, seconds: 60 },
      ]),
    ).toBe(300);
  });
  it("an estimate from exactly twelve repetitions is not rough, one from more is", () => {
    const rough = (reps: number, rpe?: number) => {
      const estimate = estimateMaximum(factorOf.epley, 60, reps, rpe);
      return "reason" in estimate ? null : estimate.rough;
    };
    expect([rough(12), rough(12, 10), rough(10, 8), rough(13), rough(12, 9.5)]).toEqual([
      false,
      false,
      false,
      true,
      true,
    ]);
  });
  it("a warm-up never comes within half a step of the working load, nor of the set before", () => {
    for (let workingKg = 20; workingKg <= 260; workingKg += 2.5)
      for (const stepKg of [1, 2.5, 5, 10, 20]) {
        const kgs = warmUpRamp(workingKg, 20, stepKg).map(({ kg }) => kg);
        for (const [index, kg] of kgs.entries()) {
          expect(kg, `${workingKg} in steps of ${stepKg}`).toBeLessThanOrEqual(workingKg - stepKg / 2);
          if (index > 0) expect(kg - kgs[index - 1]!).toBeGreaterThan(stepKg / 2);
        }
      }
  });
  it("a ramp by hand: 100 kg from the bar in steps of 2.5 kg", () => {
    expect(warmUpRamp(100, 20, 2.5)[0]).toEqual({ reps: 8, kg: 20 });
    expect(warmUpRamp(24, 20, 2.5)).toEqual([]);
    expect(warmUpRamp(25, 20, 2.5).at(-1)!.kg).toBeLessThan(25);
  });
});
