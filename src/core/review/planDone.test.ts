import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { blockView } from "../planning/blockView";
import { kindsView } from "../sessions/kindsView";
import { markOf } from "../sessions/marks";
import { planDone } from "./planDone";

/** Thursday of the second week of a block that began on Monday 1 June. */
const today = "2026-06-11";
const squats = (planned: object, done?: object) => [
  { id: "i", exerciseId: "squat", sets: [{ id: "1", planned, ...(done ? { done } : {}) }] },
];
const asOf = smallAsOf(today, {
  exercises: [{ id: "squat", name: "Squat", equipment: "barbell" }],
  kinds: [
    { id: "k1", name: "yoga", mark: "ring", colour: "plum", category: "mobility" },
    { id: "k2", name: "Climb", mark: "shield" },
  ],
  weighIns: [{ date: "2026-05-25", kg: 70, primary: true }],
  phases: [{ id: "ph", name: "Summer", startDate: "2026-05-25", days: 56, measures: [{ of: "sessions", to: 20 }] }],
  blocks: [{ id: "b", name: "Base", startDate: "2026-06-01", days: 14, easyWeeks: [2], focus: "Squat" }],
  sessions: [
    {
      id: "a",
      date: "2026-06-02",
      kind: "strength",
      status: "done",
      minutes: 50,
      planned: { minutes: 60, effort: 7 },
      items: squats({ reps: 5, kg: 100 }, { reps: 4, kg: 100 }),
    },
    {
      id: "b",
      date: "2026-06-04",
      kind: "row",
      status: "partly",
      planned: { minutes: 40 },
      distance: { planned: { metres: 8000 }, done: { metres: 5000, seconds: 1500 } },
    },
    {
      id: "c",
      date: "2026-06-05",
      kind: "row",
      status: "skipped",
      reason: "cold",
      planned: { minutes: 30 },
      distance: { planned: { metres: 6000 } },
    },
    {
      id: "d",
      date: "2026-06-06",
      kind: "yoga",
      status: "done",
      minutes: 30,
      optional: true,
      planned: { minutes: 30 },
    },
    { id: "e", date: "2026-06-07", kind: "yoga", status: "planned", optional: true, planned: { minutes: 30 } },
    { id: "f", date: "2026-06-09", kind: "row", status: "planned", planned: { minutes: 20 } },
    {
      id: "g",
      date: "2026-06-10",
      kind: "run",
      status: "done",
      minutes: 25,
      distance: { done: { metres: 5000, seconds: 1500 } },
    },
    { id: "h", date: "2026-06-13", kind: "row", status: "planned", movedFrom: "2026-06-12", planned: { minutes: 45 } },
  ],
});

describe("how much of the plan was done", () => {
  const { kinds, categories, total } = planDone(asOf, { from: "2026-06-01", to: "2026-06-30" });
  const of = (name: string) => kinds.find((one) => one.name === name)!;
  it("is told by kind: planned beside done, partly and optional apart, what lies ahead left out", () => {
    expect(of("strength")).toMatchObject({
      planned: { minutes: 60, numberOfLifts: 5, volumeLoadKg: 500 },
      done: { minutes: 50, numberOfLifts: 4, volumeLoadKg: 400 },
    });
    // One partly, one skipped, one missed: a half of three. The row of the 13th is still to come.
    expect(of("row").adherence).toMatchObject({ planned: 3, partly: 1, skipped: 1, missed: 1, share: 0.5 / 3 });
    expect([of("row").planned.minutes, of("row").planned.metres, of("row").done.metres]).toEqual([90, 14_000, 5000]);
    expect(of("yoga").optional).toEqual({ of: 2, done: 1 });
    expect(of("run").adherence).toMatchObject({ planned: 0, extra: 1, share: null });
    expect(total.done.minutes).toBe(50 + 25 + 30 + 25);
    expect(total.kcal).toBeGreaterThan(100);
  });
  it("is told by the trainee's own categories", () => {
    expect(categories.map(({ name, done }) => [name, done.minutes])).toEqual([["mobility", 30]]);
  });
});

describe("the page of a block", () => {
  const view = blockView(asOf, "b").view!;
  it("has its weeks, planned beside performed, with what was skipped, missed and moved", () => {
    expect(
      view.weeks.map(({ start, easy, adherence, toCome }) => [
        start,
        easy,
        adherence.skipped,
        adherence.missed,
        toCome,
      ]),
    ).toEqual([
      ["2026-06-01", false, 1, 0, 0],
      ["2026-06-08", true, 0, 1, 1],
    ]);
    expect(view.weeks[0]!.planned).toEqual({ numberOfLifts: 5, volumeLoadKg: 500, minutes: 160, metres: 14_000 });
    expect(view.weeks[0]!.done).toMatchObject({ numberOfLifts: 4, volumeLoadKg: 400, metres: 5000 });
    expect(view.weeks[1]!.sessions.at(-1)!.session.movedFrom).toBe("2026-06-12");
  });
  it("is of the phase that runs, with what its measures did", () => {
    expect(view.phase!.name).toBe("Summer");
    // None was done before it began; five up to now: strength, a part of a row, yoga, a run.
    expect(view.measures.map(({ atStart, progress }) => [atStart, progress.now])).toEqual([[0, 4]]);
  });
  it("is followed by one like it, and is not there where there is none", () => {
    expect(view.next).toMatchObject({
      name: "Base",
      startDate: "2026-06-15",
      days: 14,
      easyWeeks: [2],
      focus: "Squat",
    });
    expect(blockView(asOf, "none").view).toBeNull();
  });
});

describe("kinds of activity", () => {
  it("are those in use and those written, each with what was chosen for it", () => {
    expect(kindsView(asOf).kinds.map(({ name, sessions, record }) => [name, sessions, record?.mark ?? null])).toEqual([
      ["row", 4, null],
      ["yoga", 2, "ring"],
      ["run", 1, null],
      ["strength", 1, null],
      ["Climb", 0, "shield"],
    ]);
  });
  it("have the outline that was chosen, else one of their own", () => {
    expect([
      markOf("row", null),
      markOf("row", "ring"),
      markOf("yoga", "blob"),
      markOf("strength", null),
      markOf("run", ""),
    ]).toEqual(["circle", "ring", "diamond", "square", "triangle"]);
  });
});
