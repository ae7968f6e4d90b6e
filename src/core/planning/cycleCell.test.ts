import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { CycleSet } from "../log/kinds/cycles";
import type { Exercise } from "../log/kinds/exercises";
import { type CellContext, type CellLine, cellText, readCell } from "./cycleCell";

const library: Exercise[] = [
  { id: "deadlift", name: "Deadlift", measure: "load-reps" },
  { id: "pause-deadlift", name: "Pause deadlift", maximumFrom: { exerciseId: "deadlift", ratio: 0.9 } },
  { id: "bench", name: "Bench press" },
  { id: "pause-bench", name: "Pause bench press", maximumFrom: { exerciseId: "bench", ratio: 0.95 } },
  { id: "chin-up", name: "Chin-up", measure: "bodyweight-reps" },
  { id: "plank", name: "Plank", measure: "duration" },
];
const exercises = new Map(library.map((one) => [one.id, one]));
const inColumn = (columnId: string | null): CellContext => ({
  exercises,
  columnId,
  columns: ["deadlift", "bench"],
  unit: "kg",
});
const read = (text: string, columnId: string | null = "deadlift") => readCell(text, inColumn(columnId));
const sets = (text: string, columnId?: string) => {
  const lines = read(text, columnId);
  return "why" in lines ? lines.why : lines[0]!.sets;
};
const why = (text: string, columnId: string | null = "deadlift") => {
  const lines = read(text, columnId);
  return "why" in lines ? lines.why : lines;
};

describe("a cell of a cycle", () => {
  it.each<[string, CycleSet[]]>([
    ["5x3 75 %", [{ count: 5, reps: 3, percent: 0.75 }]],
    ["5×3 75%", [{ count: 5, reps: 3, percent: 0.75 }]],
    ["5 x 3 at 72,5 %", [{ count: 5, reps: 3, percent: 0.725 }]],
    [
      "4×5 70 %, 1×5+ 80 %",
      [
        { count: 4, reps: 5, percent: 0.7 },
        { count: 1, reps: 5, percent: 0.8, asManyAsPossible: true },
      ],
    ],
    [
      "5/3/1+ 75/85/95 %",
      [
        { count: 1, reps: 5, percent: 0.75 },
        { count: 1, reps: 3, percent: 0.85 },
        { count: 1, reps: 1, percent: 0.95, asManyAsPossible: true },
      ],
    ],
    ["3x8 60 kg", [{ count: 3, reps: 8, kg: 60 }]],
    ["3x5 @8", [{ count: 3, reps: 5, rpe: 8 }]],
    ["3x5 @ 8,5", [{ count: 3, reps: 5, rpe: 8.5 }]],
    ["3x5 2 rir", [{ count: 3, reps: 5, rpe: 8 }]],
    ["3x5 @75%", [{ count: 3, reps: 5, percent: 0.75 }]],
    ["3x5 70 % @7", [{ count: 3, reps: 5, percent: 0.7, rpe: 7 }]],
    ["3x12", [{ count: 3, reps: 12 }]],
    ["3x8-12 50 kg", [{ count: 3, reps: 8, repsTo: 12, kg: 50 }]],
    ["3x5 75 % rest 3 min", [{ count: 3, reps: 5, percent: 0.75, restSeconds: 180 }]],
    ["1xmax 60 kg", [{ count: 1, kg: 60, asManyAsPossible: true }]],
    ["5 sets of 3 75 %", [{ count: 5, reps: 3, percent: 0.75 }]],
  ])("reads %s", (text, expected) => {
    expect(sets(text)).toEqual(expected);
  });

  it("reads 3x5 220 lb in pounds", () => {
    expect((sets("3x5 220 lb") as CycleSet[])[0]!.kg).toBeCloseTo(220 * 0.45359237, 9);
  });

  it("is empty where nothing is written", () => {
    expect([read(""), read(" ; ")]).toEqual([[], []]);
  });

  it("holds a variation of its lift, whose percentages are of the lift", () => {
    expect(read("pause 3x3 70 %")).toEqual([
      { exerciseId: "pause-deadlift", maximumOf: "deadlift", sets: [{ count: 3, reps: 3, percent: 0.7 }] },
    ]);
    expect(read("3x3 80 %; pause deadlift 2x3 70 %")).toHaveLength(2);
  });

  it("names what accompanies the lifts, with its own measure", () => {
    expect(read("chin-up 3x6; plank 3x40 s", null)).toEqual([
      { exerciseId: "chin-up", sets: [{ count: 3, reps: 6 }] },
      { exerciseId: "plank", sets: [{ count: 3, seconds: 40 }] },
    ]);
  });

  it("asks where a number could be either, and refuses what it cannot read", () => {
    expect(why("5x3 75")).toBe("Is 75 a share of the maximum or a load? Write 75 % or 75 kg.");
    expect(why("5 75 %")).toMatch(/how many sets\?/);
    expect(why("heavy triples")).toBe("There is no exercise called “heavy triples” in the library.");
    expect(why("5x3 750 %")).toMatch(/no share of a maximum/);
    expect(why("99x3 75 %")).toBe("99 sets are not believed.");
    expect(why("3x5 75 % rest 3")).toMatch(/no rest/);
    expect(why("3x5 75 %, and so on")).toMatch(/no share|no load|not understood/);
    expect(why("3x5 @11")).toMatch(/no effort/);
    expect(why("5/3 75/85/95 %")).toMatch(/which belongs to which/);
    expect(why("3x3 70 %; 2x2 80 %")).toMatch(/stands twice/);
  });

  it("keeps every exercise in its place", () => {
    expect(why("bench press 3x3 70 %")).toBe("Bench press has a column of its own.");
    expect(why("3x8", null)).toMatch(/Name the exercise/);
    expect(why("chin-up 3x6")).toMatch(/does not follow Deadlift/);
    expect(why("pause 3x3 70 %", null)).toMatch(/Which is meant by “pause”: Pause deadlift, Pause bench press/);
    expect(why("deadlift 3x3", null)).toBe("Deadlift has a column of its own.");
    expect(why("chin-up", null)).toMatch(/Say the sets of Chin-up/);
  });

  it("is read back as it is printed", () => {
    const amount = fc.integer({ min: 1, max: 20 });
    const load = fc.oneof(
      fc.record({ percent: fc.integer({ min: 10, max: 1500 }).map((one) => one / 1000) }),
      fc.record({ kg: fc.integer({ min: 0, max: 1200 }).map((one) => one / 4) }),
      fc.record({ rpe: fc.integer({ min: 8, max: 20 }).map((one) => one / 2) }),
      fc.constant({}),
    );
    const set = fc
      .tuple(fc.integer({ min: 1, max: 12 }), amount, load, fc.boolean())
      .map(([count, reps, said, most]): CycleSet => ({
        count,
        reps,
        ...said,
        ...(most ? { asManyAsPossible: true } : {}),
      }));
    const rest = fc.option(fc.integer({ min: 1, max: 20 }).map((one) => one * 15));
    fc.assert(
      fc.property(fc.array(set, { minLength: 1, maxLength: 4 }), rest, (written, restSeconds) => {
        const lines: CellLine[] = [
          {
            exerciseId: "deadlift",
            sets: written.map((one) => (restSeconds === null ? one : { ...one, restSeconds })),
          },
        ];
        expect(readCell(cellText(lines, inColumn("deadlift")), inColumn("deadlift"))).toEqual(lines);
      }),
    );
  });
});
