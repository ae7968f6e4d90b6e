import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { filled, imperial, metric, whyNot } from "../../../tests/filled";
import { smallAsOf } from "../../../tests/smallLog";
import type { Cycle } from "../log/kinds/cycles";
import type { Session } from "../log/kinds/sessions";
import { rowsOf, cycleFilled, cyclesView, cycleTyped, cycleViewOf, nextCycleOf } from "./cycleView";
import { columnOf, withCells } from "./cycleEdit";
import { cycleForm, cycleMaximumForm } from "./forms";
import { cycleSessions } from "./cycleSessions";

const exercises = [
  { id: "squat", name: "Squat", equipment: "barbell" },
  { id: "pause-squat", name: "Pause squat", equipment: "barbell", maximumFrom: { exerciseId: "squat", ratio: 0.9 } },
  { id: "bench", name: "Bench press", equipment: "barbell" },
  { id: "chin-up", name: "Chin-up", measure: "bodyweight-reps" },
];
/** Monday 1 June 2026, two weeks of two days. */
const cycle: Cycle = {
  id: "c",
  personId: "p",
  name: "Strength",
  startDate: "2026-06-01",
  weeks: 2,
  weekdays: [1, 4],
  rounding: { kg: 2.5 },
  maxima: [
    { exerciseId: "squat", kg: 150 },
    { exerciseId: "bench", kg: 100 },
  ],
  entries: [
    { id: "a", week: 1, weekday: 1, exerciseId: "squat", sets: [{ count: 5, reps: 3, percent: 0.8 }] },
    { id: "b", week: 1, weekday: 1, exerciseId: "chin-up", sets: [{ count: 3, reps: 8 }] },
    {
      id: "d",
      week: 1,
      weekday: 4,
      exerciseId: "bench",
      sets: [
        { count: 4, reps: 5, percent: 0.7 },
        { count: 1, reps: 5, percent: 0.8, asManyAsPossible: true },
      ],
    },
    {
      id: "e",
      week: 2,
      weekday: 1,
      exerciseId: "pause-squat",
      maximumOf: "squat",
      sets: [{ count: 3, reps: 3, percent: 0.75 }],
    },
  ],
};
const counter = () => {
  let at = 0;
  return () => `new-${++at}`;
};
const asOf = (on = "2026-05-31", sessions: object[] = [], more: Partial<Cycle> = {}) =>
  smallAsOf(on, { exercises, cycles: [{ ...cycle, ...more }], sessions });
const putsOf = (of: ReturnType<typeof asOf>) =>
  cycleSessions(of, of.index.all("cycles").get("c")!, counter()).change.flatMap((step) =>
    "put" in step ? [step.put as Session] : [],
  );

it("a cycle that runs over the end of the calendar lays what fits, and says what does not", () => {
  const of = asOf("2100-12-01", [], { startDate: "2100-12-27" });
  const { change, sessions } = cycleSessions(of, of.index.all("cycles").get("c")!, counter());
  expect(change.map((step) => "put" in step && (step.put as Session).date)).toEqual(["2100-12-27", "2100-12-30"]);
  expect(sessions.filter(({ what }) => what === "stays").map(({ date, text }) => [date, text])).toEqual([
    ["2101-01-03", "nothing is planned after 2100"],
  ]);
});

describe("the form of a cycle", () => {
  const { view } = cycleViewOf(asOf(), "c");
  it("has a row a training day, in the order of the days, and a column a lift", () => {
    expect(view!.rows.map(({ week, date }) => [week, date])).toEqual([
      [1, "2026-06-01"],
      [1, "2026-06-04"],
      [2, "2026-06-08"],
      [2, "2026-06-11"],
    ]);
    expect(view!.columns.map(({ name, maximumKg, from }) => [name, maximumKg, from])).toEqual([
      ["Squat", 150, "typed"],
      ["Bench press", 100, "typed"],
      ["With it", null, null],
    ]);
    // A cycle that begins on a Thursday has its Thursday first.
    expect(rowsOf({ ...cycle, startDate: "2026-06-04", entries: [] }).map(({ weekday }) => weekday)).toEqual([
      4, 1, 4, 1,
    ]);
  });
  it("says what is written, and the loads under it", () => {
    expect(
      view!.rows.map(({ cells }) => cells.map(({ text, loads }) => [text, loads].filter(Boolean).join(" → "))),
    ).toEqual([
      ["5×3 80 % → 120", "", "Chin-up 3×8"],
      ["", "4×5 70 %, 1×5+ 80 % → 70, 80 as many as possible", ""],
      // A variation by 0.9 of its parent: 0.75 × 135 = 101.25, between 100 and 102.5: down.
      ["Pause squat 3×3 75 % → 100", "", ""],
      ["", "", ""],
    ]);
  });
  it("sums each week and lift, and tells zones against the published ranges", () => {
    expect(view!.weeks.map(({ planned }) => [planned.numberOfLifts, planned.volumeLoadKg])).toEqual([
      // 15 × 120 + 24 chin-ups, of a body whose weight is not known, + 20 × 70 + 5 × 80; 9 × 100.
      [64, 3600],
      [9, 900],
    ]);
    expect(view!.zones.map(({ name, zone, fewest, most, published }) => [name, zone, fewest, most, published])).toEqual(
      [
        ["Squat", "80–89 %", 15, 15, { from: 10, to: 20 }],
        ["Bench press", "70–79 %", 20, 20, { from: 12, to: 24 }],
        ["Bench press", "80–89 %", 5, 5, { from: 10, to: 20 }],
        // 100 of 135 kg is 74 %.
        ["Pause squat", "70–79 %", 9, 9, { from: 12, to: 24 }],
      ],
    );
  });
  it("stands in the list of all with what it comes to", () => {
    const { cycles, next } = cyclesView(asOf("2026-06-09"));
    expect(cycles.map(({ state, week, numberOfLifts, to }) => [state, week, numberOfLifts, to])).toEqual([
      ["under way", 2, 73, "2026-06-14"],
    ]);
    expect(next).toBe("2026-06-15");
  });
  it("is not there for a cycle that is not", () => {
    expect(cycleViewOf(asOf(), "none").view).toBeNull();
    expect(cycleTyped(asOf(), { cycleId: "none", edits: [] }, counter())).toBeNull();
  });
});

describe("a cell that is typed into", () => {
  const type = (text: string, columnId: string | null = "squat", week = 2, weekday = 4) =>
    cycleTyped(asOf(), { cycleId: "c", edits: [{ week, weekday, columnId, text }] }, counter())!;
  it("changes all sums before it is saved", () => {
    const { view, refused } = type("3x2 90 %");
    expect(refused).toEqual([]);
    expect(view.weeks[1]!.planned.numberOfLifts).toBe(9 + 6);
    expect(view.rows[3]!.cells[0]).toEqual({ columnId: "squat", text: "3×2 90 %", loads: "135", done: "" });
  });
  it("keeps the ids of what stays in it, and forgets what goes", () => {
    const { view } = type("5x3 82.5 %; pause squat 2x2 70 %", "squat", 1, 1);
    expect(view.cycle.entries!.filter(({ week, weekday }) => week === 1 && weekday === 1).map(({ id }) => id)).toEqual([
      "a",
      "new-1",
      "b",
    ]);
    expect(type("", "squat", 1, 1).view.cycle.entries!.map(({ id }) => id)).toEqual(["b", "d", "e"]);
  });
  it("is refused with its reason, and changes nothing", () => {
    const { view, refused } = type("5x3 75");
    expect(refused.map(({ why }) => why)).toEqual(["Is 75 a share of the maximum or a load? Write 75 % or 75 kg."]);
    expect(view.cycle.entries).toEqual(cycle.entries);
    expect(type("5x3 75 %", "squat", 3).refused[0]!.why).toBe("The cycle has 2 weeks; this would be week 3.");
  });
  it("is filled into the weeks after it, a step more each", () => {
    const place = { week: 1, weekday: 1, columnId: "squat" };
    const filledIn = cycleFilled(asOf(), { cycleId: "c", place, step: { percent: 0.025, kg: 0, reps: 1 } }, counter())!;
    expect(filledIn.view.rows[2]!.cells[0]!.text).toBe("5×4 82.5 %");
  });
  it("takes a table from a spreadsheet, and leaves out what lies beyond its days and lifts", () => {
    const paste = '5x3 70 %\t3x5 60 %\tchin-up 3x6\tmore\n"3x3 80 %; pause squat 2x2 70 %"\n\t\n4x4 75 %\n1x1 90 %\n';
    const { view, refused, edits, beyond } = cycleTyped(
      asOf(),
      { cycleId: "c", paste, at: { week: 1, weekday: 1, columnId: "squat" } },
      counter(),
    )!;
    expect([refused, edits, beyond]).toEqual([[], 7, 1]);
    expect(view.rows.map(({ cells }) => cells.map(({ text }) => text))).toEqual([
      ["5×3 70 %", "3×5 60 %", "Chin-up 3×6"],
      ["3×3 80 %; Pause squat 2×2 70 %", "4×5 70 %, 1×5+ 80 %", ""],
      ["", "", ""],
      ["4×4 75 %", "", ""],
    ]);
  });
  it("is put back where it was by typing what it said", () => {
    const texts = fc.constantFrom("5x3 75 %", "", "3x3 80 %; pause squat 2x2 70 %", "1x5+ 85 %", "nonsense");
    fc.assert(
      fc.property(texts, fc.constantFrom(1, 4), (text, weekday) => {
        const place = { week: 1, weekday, columnId: "squat" };
        const map = new Map(exercises.map((one) => [one.id, one])) as Parameters<typeof withCells>[2];
        const once = withCells(cycle, [{ ...place, text }], map, "kg", counter()).cycle;
        const before = cycleViewOf(asOf(), "c").view!.rows.find((row) => row.week === 1 && row.weekday === weekday)!;
        const back = withCells(once, [{ ...place, text: before.cells[0]!.text }], map, "kg", counter()).cycle;
        const said = (one: Cycle) => (one.entries ?? []).map(({ id: _, ...entry }) => entry);
        expect(new Set(said(back).map((one) => JSON.stringify(one)))).toEqual(
          new Set(said(cycle).map((one) => JSON.stringify(one))),
        );
      }),
    );
  });
  it("belongs to the lift it is of", () => {
    expect(columnOf(cycle, cycle.entries![3]!)).toBe("squat");
    expect(columnOf(cycle, cycle.entries![1]!)).toBeNull();
  });
});

describe("the sessions of a cycle", () => {
  it("are written on its days, each percentage with its load", () => {
    const written = putsOf(asOf());
    expect(written.map(({ date, title, week, weekday }) => [date, title, week, weekday])).toEqual([
      ["2026-06-01", "Squat, chin-up", 1, 1],
      ["2026-06-04", "Bench press", 1, 4],
      ["2026-06-08", "Pause squat", 2, 1],
    ]);
    expect(written[0]!.items![0]!.sets.map(({ planned }) => planned)).toEqual(
      Array.from({ length: 5 }, () => ({ reps: 3, percent: 0.8, kg: 120 })),
    );
  });
  it("are written once: the second time there is nothing to do", () => {
    expect(putsOf(asOf("2026-05-31", putsOf(asOf())))).toEqual([]);
  });
  it("follow a changed maximum where they are still open, and never where they are done", () => {
    const written = putsOf(asOf());
    const done = {
      ...written[0]!,
      status: "done",
      items: written[0]!.items!.map((item) => ({
        ...item,
        sets: item.sets.map((set) => ({ ...set, done: set.planned })),
      })),
    };
    const now = asOf("2026-06-02", [done, ...written.slice(1)], {
      maxima: [
        { exerciseId: "squat", kg: 160 },
        { exerciseId: "bench", kg: 110 },
      ],
    });
    const changed = putsOf(now);
    // 0.7 × 110 = 77 and 0.8 × 110 = 88; 0.9 × 160 × 0.75 = 108.
    expect(
      changed.map(({ date, items }) => [date, ...new Set(items![0]!.sets.map(({ planned }) => planned!.kg))]),
    ).toEqual([
      ["2026-06-04", 77.5, 87.5],
      ["2026-06-08", 107.5],
    ]);
    expect(changed[0]!.id).toBe(written[1]!.id);
  });
  it("stay on the day they were moved to, keep what was added, and go with their cells", () => {
    const written = putsOf(asOf());
    const moved = {
      ...written[1]!,
      date: "2026-06-05",
      items: [...written[1]!.items!, { id: "x", exerciseId: "plank", sets: [{ id: "1", planned: { seconds: 30 } }] }],
    };
    const of = asOf("2026-06-02", [written[0]!, moved, written[2]!], {
      entries: cycle
        .entries!.filter(({ id }) => id !== "e")
        .map((one) => (one.id === "d" ? { ...one, sets: [{ count: 3, reps: 5, percent: 0.7 }] } : one)),
    });
    const found = cycleSessions(of, of.index.all("cycles").get("c")!, counter());
    expect(found.sessions.map(({ date, what }) => [date, what])).toEqual([
      ["2026-06-01", "stays"],
      ["2026-06-05", "changed"],
      ["2026-06-08", "removed"],
    ]);
    expect(putsOf(of)[0]!.items!.map(({ exerciseId, sets }) => [exerciseId, sets.length])).toEqual([
      ["bench", 3],
      ["plank", 1],
    ]);
  });
  it("of days that have passed are not written", () => {
    expect(putsOf(asOf("2026-06-05")).map(({ date }) => date)).toEqual(["2026-06-08"]);
  });
});

describe("the next cycle", () => {
  it("takes each maximum from the sets of as many repetitions as possible, and begins when this one ends", () => {
    const written = putsOf(asOf());
    const bench = {
      ...written[1]!,
      status: "done",
      items: written[1]!.items!.map((item) => ({
        ...item,
        sets: item.sets.map((set) => ({
          ...set,
          done: { kg: set.planned!.kg!, reps: set.planned!.asManyAsPossible ? 10 : 5 },
        })),
      })),
    };
    const of = smallAsOf("2026-06-14", {
      people: [{ id: "p", name: "Ana", settings: { e1rmFormula: "epley" } }],
      exercises,
      cycles: [cycle],
      sessions: [written[0]!, bench],
    });
    const { cycle: next, renewed } = nextCycleOf(of, "c", counter())!;
    expect(
      renewed.map(({ name, beforeKg, afterKg, shownBy }) => [name, beforeKg, afterKg, shownBy?.reps ?? null]),
    ).toEqual([
      ["Squat", 150, 150, null],
      // Epley: 80 × (1 + 10/30) = 106.67 kg.
      ["Bench press", 100, 80 * (1 + 10 / 30), 10],
    ]);
    expect([next.name, next.startDate, next.entries!.length]).toEqual(["Strength 2", "2026-06-15", 4]);
    expect(next.entries!.some(({ id }) => cycle.entries!.some((one) => one.id === id))).toBe(false);
    expect(nextCycleOf(of, "none", counter())).toBeNull();
  });
});

describe("what a cycle's forms take", () => {
  const plain = {
    name: "Peak",
    startDate: "2026-06-15",
    weeks: "4",
    share: "90",
    rounding: "5 lb" as const,
    mon: true,
    tue: false,
    wed: true,
    thu: false,
    fri: true,
    sat: false,
    sun: false,
  };
  it("reads its days, weeks, training maximum and rounding", () => {
    expect(filled(cycleForm, metric, plain)).toEqual({
      name: "Peak",
      startDate: "2026-06-15",
      weeks: 4,
      share: 0.9,
      rounding: { lb: 5 },
      weekdays: [1, 3, 5],
    });
    expect(filled(cycleForm, metric, { ...plain, rounding: "own" }).rounding).toBeNull();
    expect(
      Object.keys(
        whyNot(cycleForm, metric, { ...plain, name: "", weeks: "0", share: "900", startDate: "soon" }),
      ).sort(),
    ).toEqual(["name", "share", "startDate", "weeks"]);
  });
  it.each([
    ["", {}],
    ["150", { kg: 150 }],
    ["150 kg", { kg: 150 }],
    ["90 kg x 3", { fromSet: { reps: 3, kg: 90 } }],
    ["3 x 90", { fromSet: { reps: 3, kg: 90 } }],
    ["90×3", { fromSet: { reps: 3, kg: 90 } }],
    ["5 x 12 kg", { fromSet: { reps: 5, kg: 12 } }],
  ])("reads %s as a maximum", (maximum, expected) => {
    expect(filled(cycleMaximumForm, metric, { maximum }).maximum).toEqual(expected);
  });
  it("reads pounds, and asks where either number could be the load", () => {
    expect(filled(cycleMaximumForm, imperial, { maximum: "315" }).maximum.kg).toBeCloseTo(315 * 0.45359237, 9);
    expect(whyNot(cycleMaximumForm, metric, { maximum: "5 x 12" }).maximum).toBe(
      "Which is the load? Write it with its unit: 5 kg x 12.",
    );
    expect(whyNot(cycleMaximumForm, metric, { maximum: "heavy" }).maximum).toMatch(/Write a load/);
    expect(whyNot(cycleMaximumForm, metric, { maximum: "1 x 2 x 3" }).maximum).toMatch(/Write a load/);
  });
});
