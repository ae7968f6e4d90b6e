import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Keep, type Outcome, type Typed, WriteBehind, type WriteCell } from "./writeBehind";

interface Cell {
  row: number;
  column: string;
}
const keyOf = ({ row, column }: Cell) => `${row} ${column}`;
const rowOf = ({ row }: Cell) => String(row);

function kept(): Keep<Cell> & { held: Typed<Cell>[] } {
  const keep = {
    held: [] as Typed<Cell>[],
    read: () => keep.held,
    write: (typed: readonly Typed<Cell>[]) => {
      keep.held = [...typed];
    },
  };
  return keep;
}
const typed = (row: number, column: string, text: string, more: Partial<Typed<Cell>> = {}): Typed<Cell> => ({
  cell: { row, column },
  text,
  before: "",
  agreed: false,
  ...more,
});

/** A sheet in which a note needs a weight, a weight is a number, and one of 100 and more is questioned. */
function sheet(pause: () => Promise<void> = () => Promise.resolve()) {
  const cells = new Map<string, string>();
  const order: string[] = [];
  const write: WriteCell<Cell> = async ({ cell, text, agreed }): Promise<Outcome> => {
    await pause();
    const key = keyOf(cell);
    if (cell.column === "kg" && !/^\d+(\.\d+)?$/.test(text)) return { refused: "no weight" };
    if (cell.column === "kg" && Number(text) >= 100 && !agreed) return { questioned: "far off" };
    if (cell.column === "note" && !cells.has(`${cell.row} kg`)) return { refused: "no weigh-in that day" };
    cells.set(key, text);
    order.push(key);
    return { now: text, shown: Promise.resolve() };
  };
  return { cells, order, write };
}
const idle = async (behind: WriteBehind<Cell>) => {
  await behind.settled();
  await Promise.resolve();
};

describe("cells on their way", () => {
  it("are written in the order in which they were left, and shown until they are", async () => {
    const { order, write } = sheet();
    const behind = new WriteBehind(keyOf, rowOf, kept());
    behind.begin(write);
    for (const row of [1, 2, 3]) behind.add(typed(row, "kg", `7${row}`));
    expect([...behind.behind.waiting.keys()]).toEqual(["1 kg", "2 kg", "3 kg"]);
    await idle(behind);
    expect(order).toEqual(["1 kg", "2 kg", "3 kg"]);
    expect(behind.behind.waiting.size).toBe(0);
  });

  it("come back with what was typed, and nothing after them is lost", async () => {
    const { cells, write } = sheet();
    const behind = new WriteBehind(keyOf, rowOf, kept());
    behind.begin(write);
    behind.add(typed(1, "kg", "7l"));
    behind.add(typed(1, "note", "slept badly"));
    behind.add(typed(2, "kg", "72"));
    await idle(behind);
    expect([...cells]).toEqual([["2 kg", "72"]]);
    expect([...behind.behind.returned].map(([key, { typed: one, why }]) => [key, one.text, why])).toEqual([
      ["1 kg", "7l", "no weight"],
      ["1 note", "slept badly", "no weigh-in that day"],
    ]);
    // Put right, what hung on it goes by itself.
    behind.add(typed(1, "kg", "71"));
    await idle(behind);
    expect(cells.get("1 note")).toBe("slept badly");
    expect(behind.behind.returned.size).toBe(0);
  });

  it("are questioned once, written when that is agreed to, and given up when they are dropped", async () => {
    const { cells, write } = sheet();
    const behind = new WriteBehind(keyOf, rowOf, kept());
    behind.begin(write);
    behind.add(typed(1, "kg", "718"));
    behind.add(typed(2, "kg", "719"));
    await idle(behind);
    expect([...behind.behind.returned.values()].map(({ questioned }) => questioned)).toEqual([true, true]);
    behind.add(typed(1, "kg", "718", { agreed: true }));
    behind.drop("2 kg");
    await idle(behind);
    expect([...cells]).toEqual([["1 kg", "718"]]);
    expect(behind.behind.returned.size).toBe(0);
  });

  it("that fail with an error come back with it", async () => {
    const behind = new WriteBehind(keyOf, rowOf, kept());
    behind.begin(() => Promise.reject(new Error("no room")));
    behind.add(typed(1, "kg", "71"));
    await idle(behind);
    expect([...behind.behind.returned.values()].map(({ why }) => why)).toEqual(["no room"]);
  });

  it("outlive a reload, those that came back too", async () => {
    const keep = kept();
    const before = new WriteBehind(keyOf, rowOf, keep);
    before.add(typed(1, "kg", "71"));
    before.add(typed(2, "kg", "x"));
    const { cells, write } = sheet();
    const after = new WriteBehind(keyOf, rowOf, keep);
    expect(after.behind.waiting.size).toBe(2);
    after.begin(write);
    await idle(after);
    expect([...cells]).toEqual([["1 kg", "71"]]);
    expect(keep.held.map(({ text }) => text)).toEqual(["x"]);
  });

  it("end as the last word of each cell, however long each takes (property)", async () => {
    const step = fc.record({
      row: fc.integer({ min: 1, max: 4 }),
      column: fc.constantFrom("kg", "note"),
      text: fc.constantFrom("71", "72.5", "x", "slept badly"),
      pauses: fc.integer({ min: 0, max: 3 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 25 }), async (steps) => {
        let ticks = 0;
        const { cells, write } = sheet(async () => {
          ticks += 1;
          for (let times = 0; times < ticks % 4; times++) await Promise.resolve();
        });
        const behind = new WriteBehind(keyOf, rowOf, kept());
        behind.begin(write);
        for (const { row, column, text, pauses } of steps) {
          behind.add(typed(row, column, text));
          for (let times = 0; times < pauses; times++) await Promise.resolve();
        }
        await idle(behind);
        // What was typed last into each cell is in the log, or stands there as it was typed.
        const last = new Map(steps.map(({ row, column, text }) => [`${row} ${column}`, text]));
        for (const [key, text] of last)
          expect(behind.behind.returned.get(key)?.typed.text ?? cells.get(key)).toBe(text);
      }),
    );
  });
});
