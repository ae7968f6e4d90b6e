import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { blocksView } from "./blocksView";

const session = (date: string, reps: number, kg: number) => ({
  date,
  kind: "strength",
  status: "done",
  items: [{ id: "i", exerciseId: "squat", sets: [{ id: "1", done: { reps, kg } }] }],
});
const exercises = [{ id: "squat", name: "Squat" }];
const blocks = [
  { name: "One", startDate: "2026-05-04", days: 14 },
  { name: "Two", startDate: "2026-05-18", days: 14 },
  { name: "Three", startDate: "2026-06-01", days: 14 },
];
const view = (sessions: object[], on = "2026-06-14") => blocksView(smallAsOf(on, { exercises, blocks, sessions }), 10);

describe("blocks of training", () => {
  // Worked by hand: 5 × 100 kg in the first fortnight, 10 × 110 kg in the second.
  it("stand the latest first, each against the one before", () => {
    const { blocks: shown, blocksInAll, next } = view([session("2026-05-06", 5, 100), session("2026-05-20", 10, 110)]);
    expect(shown.map(({ block }) => block.name)).toEqual(["Three", "Two", "One"]);
    expect([blocksInAll, next]).toEqual([3, "2026-06-15"]);
    const [, two, one] = shown;
    expect(two).toMatchObject({
      numberOfLifts: 10,
      volumeLoadKg: 1100,
      averageKg: 110,
      perWeek: { numberOfLifts: 5, volumeLoadKg: 550 },
    });
    expect(two!.against!.numberOfLifts).toBeCloseTo(2, 12);
    expect(two!.against!.volumeLoadKg).toBeCloseTo(2.2, 12);
    expect(two!.against!.averageKg).toBeCloseTo(1.1, 12);
    expect(one!.against).toBeNull();
  });
  it("are held against nothing where the one before has no weight in it, or nothing at all", () => {
    expect(view([session("2026-05-06", 5, 0), session("2026-05-20", 10, 110)]).blocks[1]!.against).toBeNull();
    expect(view([session("2026-05-20", 10, 110)]).blocks[1]!.against).toBeNull();
    expect(view([session("2026-05-06", 5, 100)]).blocks[1]!.against).toBeNull();
  });
  it("have no work a week before they begin", () => {
    expect(view([], "2026-05-10").blocks.map(({ perWeek }) => perWeek !== null)).toEqual([false, false, true]);
  });
  it("are shown at most so many", () => {
    const asOf = smallAsOf("2026-06-14", { blocks });
    expect(blocksView(asOf, 2).blocks.map(({ block }) => block.name)).toEqual(["Three", "Two"]);
  });
});
