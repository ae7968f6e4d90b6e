import { dateOf, mustDay } from "@/core/base/calendar/day";
import type { Exercise } from "@/core/log/kinds/exercises";
import type { Session } from "@/core/log/kinds/sessions";
import { starterExercises } from "@/core/strength/starterExercises";
import { sessionsOfRows } from "@/core/training/setRows";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSetsSheet, type SetsSheet, type SetsSheetAsk } from "./setsSheet";

const today = mustDay("2026-06-11");
const none: SetsSheetAsk = { columns: null, order: null, matches: {} };
const read = (text: string, ask: Partial<SetsSheetAsk> = {}, exercises: readonly Exercise[] = starterExercises) =>
  readSetsSheet(text, { ...none, ...ask }, exercises, "kg", today) as SetsSheet;
const told = ({ rows }: SetsSheet) =>
  rows.map(
    ({ day, exerciseId, performed }) =>
      `${dateOf(day)} ${exerciseId} ${performed.map(({ done }) => `${done.reps ?? done.seconds}x${done.kg ?? ""}`).join(" ")}`,
  );

describe("a sheet of sets", () => {
  it("is read with a head in any order of columns, by commas or tabs", () => {
    expect(told(read("Lift,Load (kg),Reps,Sets,Date\nBack squat,100,5,3,2026-06-01\nChin-up,,8,2,2026-06-01"))).toEqual(
      ["2026-06-01 back-squat 5x100 5x100 5x100", "2026-06-01 chin-up 8x0 8x0"],
    );
    expect(told(read("2026-06-01\tDeadlift\t1\t5\t140\n2026-06-02\tPlank\t2\t60\t"))).toEqual([
      "2026-06-01 deadlift 5x140",
      "2026-06-02 plank 60x 60x",
    ]);
  });
  it("a line without a date or a name takes the one above; listed repetitions are one set each", () => {
    expect(
      told(read("Date\tExercise\tReps\tWeight\n1.6.2026\tBench press\t8/8/7\t70\n\t\t5\t75\n\tDip\t6 6\t+10")),
    ).toEqual(["2026-06-01 bench-press 8x70 8x70 7x70", "2026-06-01 bench-press 5x75", "2026-06-01 dip 6x10 6x10"]);
  });
  it("names wait until they are settled, and can be left out", () => {
    const text =
      "Date\tExercise\tReps\tWeight\n2026-06-01\tSquat\t5\t100\n2026-06-01\tZottman\t10\t10\n2026-06-01\tromanian deadlifts\t8\t80";
    const first = read(text);
    expect(first.unmatched.map(({ typed, candidates }) => [typed, candidates[0]?.name])).toEqual([
      ["Squat", "Back squat"],
      ["Zottman", undefined],
    ]);
    expect(told(first)).toEqual(["2026-06-01 romanian-deadlift 8x80"]);
    const settled = read(text, { matches: { Squat: "front-squat", Zottman: null } });
    expect(told(settled)).toEqual(["2026-06-01 front-squat 5x100", "2026-06-01 romanian-deadlift 8x80"]);
    expect(settled.unmatched).toEqual([]);
  });
  it("bad lines are named with the reason, and nothing else is lost", () => {
    const sheet = read(
      "Date\tExercise\tSets\tReps\tWeight\tRPE\n2026-06-01\tDeadlift\t1\t5\t140\t8\nsoon\tDeadlift\t1\t5\t140\t\n2026-07-01\tDeadlift\t1\t5\t140\t\n2026-06-01\tDeadlift\t0\t5\t140\t\n2026-06-01\tDeadlift\t2\t5 4 3\t140\t\n2026-06-01\tDeadlift\t1\tmany\t140\t\n2026-06-01\tDeadlift\t1\t5\t\t\n2026-06-01\tDeadlift\t1\t5\t140\t12\n2026-06-02\tDeadlift\t1\t5\t145\t",
    );
    expect(told(sheet)).toEqual(["2026-06-01 deadlift 5x140", "2026-06-02 deadlift 5x145"]);
    expect(sheet.refused.map(({ line, why }) => `${line} ${why}`)).toEqual([
      '3 "soon" is no date.',
      "4 A set cannot have been done in the future.",
      '5 "0" is no number of sets from 1 to 50.',
      "6 3 numbers of repetitions do not fit 2 sets.",
      '7 "many" is no number of repetitions.',
      "8 The load is missing: write 0 for none.",
      '9 "12" is no effort (RPE) from 0 to 10.',
    ]);
    expect(readSetsSheet("a\tb\nc\td", none, starterExercises, "kg", today)).toHaveProperty("reason");
    expect(readSetsSheet("", none, starterExercises, "kg", today)).toHaveProperty("reason");
  });
  it("hostile text changes nothing and breaks nothing", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => {
        readSetsSheet(text, none, starterExercises, "kg", today);
      }),
    );
    fc.assert(
      fc.property(
        fc.array(
          fc.array(
            fc.oneof(
              fc.string({ maxLength: 12 }),
              fc.constantFrom("2026-06-01", "Deadlift", "5", "100", "=1+1", "__proto__"),
            ),
            { maxLength: 7 },
          ),
          { maxLength: 6 },
        ),
        (rows) => {
          read(rows.map((cells) => cells.join("\t")).join("\n"));
        },
      ),
    );
  });
  it("makes one session a day, beside what the day holds, its planned sets filled first", () => {
    const held: Session = {
      id: "held",
      personId: "p",
      date: "2026-06-01",
      kind: "strength",
      status: "planned",
      items: [{ id: "i", exerciseId: "deadlift", sets: [{ id: "1", planned: { reps: 5, kg: 140 } }] }],
    };
    const { rows } = read(
      "2026-06-01\tDeadlift\t2\t5\t140\n2026-06-02\tDip\t1\t6\t10\n2026-06-01\tDip\t1\t6\t10\t9\tslow",
    );
    let next = 0;
    const change = sessionsOfRows(
      rows,
      "p",
      (day) => (dateOf(day) === "2026-06-01" ? held : undefined),
      () => `n${next++}`,
    ) as { put: Session; base?: Session }[];
    expect(
      change.map(({ put, base }) => [
        put.date,
        put.status,
        base?.id,
        put.items!.map(({ exerciseId, sets }) => `${exerciseId} ${sets.length}`),
      ]),
    ).toEqual([
      ["2026-06-01", "done", "held", ["deadlift 2", "dip 1"]],
      ["2026-06-02", "done", undefined, ["dip 1"]],
    ]);
    expect(change[0]!.put.items![0]!.sets[0]).toMatchObject({ id: "1", planned: { kg: 140 }, done: { kg: 140 } });
    expect(change[0]!.put.items![1]!.note).toBe("slow");
  });
});
