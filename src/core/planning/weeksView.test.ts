import { describe, expect, it } from "vitest";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import { smallAsOf } from "../../../tests/smallLog";
import { phaseForm, type PhaseMeasureDraft, phaseMeasureForm } from "./forms";
import { monthsView } from "./monthsView";
import { weeksView } from "./weeksView";

const exercises = [{ id: "squat", name: "Squat" }];
const lifting = (set: object) => [{ id: "i", exerciseId: "squat", sets: [{ id: "1", ...set }] }];
/** Monday 1 June 2026 and the week after; Wednesday 3 June is asked about. */
const records = {
  exercises,
  goals: [{ startDate: "2026-05-01", startKg: 75, targetKg: 71, by: { date: "2026-06-13" } }],
  blocks: [
    { id: "b1", name: "One", startDate: "2026-05-04", days: 35 },
    { id: "b2", name: "Two", startDate: "2026-06-08", days: 14 },
    { id: "b3", name: "Over both", startDate: "2026-06-01", days: 14 },
  ],
  phases: [
    { id: "p1", name: "Past", startDate: "2026-01-01", days: 30 },
    { id: "p2", name: "Now", startDate: "2026-05-20", days: 60 },
  ],
  sessions: [
    {
      id: "a",
      date: "2026-06-01",
      kind: "strength",
      status: "done",
      title: "Legs",
      minutes: 60,
      effort: 7,
      planned: { minutes: 50, effort: 6 },
      items: lifting({ planned: { reps: 5, kg: 100 }, done: { reps: 6, kg: 100 } }),
    },
    { id: "b", date: "2026-06-02", kind: "row", status: "planned", planned: { minutes: 40, effort: 3 } },
    {
      id: "c",
      date: "2026-06-05",
      kind: "run",
      status: "planned",
      planned: { minutes: 30, effort: 5 },
      optional: true,
    },
    {
      id: "d",
      date: "2026-06-10",
      kind: "strength",
      status: "planned",
      test: true,
      title: "Meet",
      items: lifting({ planned: { reps: 1, kg: 120 } }),
    },
  ],
};
const view = weeksView(smallAsOf("2026-06-03", records), { from: "2026-06-04", weeks: 2 });

describe("the weeks of the plan", () => {
  it("begin with the week of the day they are asked from, seven days each", () => {
    expect(view.weeks.map(({ start, days }) => [start, days.length, days[6]!.date])).toEqual([
      ["2026-06-01", 7, "2026-06-07"],
      ["2026-06-08", 7, "2026-06-14"],
    ]);
  });
  it("say of each session how it was kept, and of the week in all", () => {
    const [week] = view.weeks;
    expect(week!.days.flatMap(({ sessions }) => sessions.map(({ title, status }) => [title, status]))).toEqual([
      ["Legs", "done"],
      ["Row", "missed"],
      ["Run", "planned"],
    ]);
    expect(week).toMatchObject({ done: 1, partly: 0, skipped: 0, missed: 1, toCome: 1 });
  });
  it("sum what was done beside what is planned", () => {
    const [week, next] = view.weeks;
    // Done: 60 min at 7. Planned: 50 × 6 + 40 × 3 + 30 × 5 = 570 over 120 min. Lifted 6 × 100, planned 5 × 100.
    expect(week!.performed).toEqual({ minutes: 60, sessionLoad: 420, numberOfLifts: 6, volumeLoadKg: 600 });
    expect(week!.planned).toEqual({ minutes: 120, sessionLoad: 570, numberOfLifts: 5, volumeLoadKg: 500 });
    expect(next!.performed).toEqual({ minutes: 0, sessionLoad: 0, numberOfLifts: 0, volumeLoadKg: 0 });
    expect(next!.planned).toMatchObject({ numberOfLifts: 1, volumeLoadKg: 120 });
  });
  it("mark the days of goals and of meets", () => {
    expect(view.weeks[1]!.days.flatMap(({ date, marks }) => marks.map((mark) => [date, mark]))).toEqual([
      ["2026-06-10", "Meet"],
      ["2026-06-13", "goal 71.0 kg"],
    ]);
  });
  it("have beside them what runs in them, in lanes of its own where it runs at once", () => {
    expect(view.bars.map(({ name, of, lane, to, state }) => [name, of, lane, to, state])).toEqual([
      ["Now", "phase", 0, "2026-07-18", "under way"],
      ["One", "block", 0, "2026-06-07", "under way"],
      ["Over both", "block", 1, "2026-06-14", "under way"],
      ["Two", "block", 0, "2026-06-21", "ahead"],
    ]);
    expect(view.lanes).toEqual({ phase: 1, block: 2 });
    expect(view.phases.map(({ phase }) => phase.name)).toEqual(["Now", "Past"]);
  });
});

describe("a phase as it is typed", () => {
  const phase = { name: "Base", aim: "hold", startDate: "2026-06-01", weeks: "6", intention: " steady ", why: "" };
  it("is its first day and its weeks", () => {
    expect(filled(phaseForm, metric, phase)).toMatchObject({ name: "Base", weeks: 6, intention: "steady" });
    expect(whyNot(phaseForm, metric, { ...phase, name: " ", startDate: "soon", weeks: "0" })).toMatchObject({
      name: "The name is missing.",
      weeks: "The length must be from 0.14 to 142.86.",
    });
  });
  it("is judged by a figure in the trainee's unit", () => {
    const judged = (
      of: PhaseMeasureDraft["of"],
      to: string,
      more: Partial<PhaseMeasureDraft> = {},
    ): PhaseMeasureDraft => ({
      of,
      to,
      exerciseId: "",
      measureId: "",
      kind: "",
      distance: "",
      from: "",
      ...more,
    });
    expect(filled(phaseMeasureForm, imperial, judged("weight", "154")).to).toBeCloseTo(154 * 0.45359237, 9);
    expect(
      filled(phaseMeasureForm, imperial, judged("bestTime", "22:30", { kind: "run", distance: "3.1" })),
    ).toMatchObject({
      distance: 3.1 * 1609.344,
      to: 1350,
      from: null,
      exerciseId: null,
    });
    expect(whyNot(phaseMeasureForm, metric, judged("e1rm", "soon"))).toEqual({
      exerciseId: "Choose a lift.",
      to: "Write a number, with a point or a comma.",
    });
    expect(whyNot(phaseMeasureForm, metric, judged("sessions", "12.5"))).toHaveProperty("to");
  });
});

describe("the months of the plan", () => {
  const { months } = monthsView(smallAsOf("2026-06-03", records), { from: "2026-05-20", months: 3 });
  it("are whole ones, each with its days and what runs in it", () => {
    expect(months.map(({ month, days }) => [month, days.length])).toEqual([
      ["2026-05-01", 31],
      ["2026-06-01", 30],
      ["2026-07-01", 31],
    ]);
    expect(months[0]!.runs.map(({ name }) => name)).toEqual(["Now", "One"]);
  });
  it("sum what was done and what is planned", () => {
    const [, june] = months;
    expect([june!.done, june!.due, june!.toCome]).toEqual([1, 2, 2]);
    expect(june!.performed.minutes).toBe(60);
    expect(june!.planned.minutes).toBe(50 + 40 + 30);
    expect(june!.days[12]!.marks).toHaveLength(1);
    expect(june!.days[0]!.sessions[0]).toMatchObject({ title: "Legs", status: "done" });
  });
});
