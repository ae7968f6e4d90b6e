import { describe, expect, it } from "vitest";
import { by } from "./column";
import { chosenOf, kindsIn, withOnly, withOrder } from "./listChoice";

interface Lift {
  name: string;
  kg: number | null;
}
const rows: Lift[] = [
  { name: "squat", kg: 100 },
  { name: "press", kg: null },
  { name: "squat", kg: 120 },
  { name: "row", kg: 80 },
];
const columns = [
  { head: "Lift", cell: () => null, kind: ({ name }: Lift) => name },
  { head: "Load", cell: () => null, compare: by(({ kg }: Lift) => kg) },
];
const shown = (choice: Parameters<typeof chosenOf<Lift>>[2]) => chosenOf(rows, columns, choice).map(({ kg }) => kg);

describe("how a list is had", () => {
  it("in its own order, or by a column, what is missing first or last", () => {
    expect(shown({})).toEqual([100, null, 120, 80]);
    expect(shown(withOrder({}, "Load", "ascend"))).toEqual([null, 80, 100, 120]);
    expect(shown(withOrder({}, "Load", "descend"))).toEqual([120, 100, 80, null]);
    expect(withOrder({ by: "Load", order: "ascend" }, "Load", null)).toEqual({});
    expect(rows[0]!.kg).toBe(100);
  });
  it("with what is shown of a column; what is no longer there hides nothing", () => {
    expect(kindsIn(rows, ({ name }) => name)).toEqual(["press", "row", "squat"]);
    expect(shown(withOnly(withOrder({}, "Load", "descend"), "Lift", ["squat"]))).toEqual([120, 100]);
    expect(shown(withOnly({}, "Lift", ["clean"]))).toEqual([100, null, 120, 80]);
    expect(withOnly({ only: { Lift: ["squat"], Place: ["gym"] } }, "Lift", [])).toEqual({ only: { Place: ["gym"] } });
  });
});
