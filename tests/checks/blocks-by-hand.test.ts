// Worked by hand. Durations are inclusive and counting is common practice, no source (docs/methods.md, "Strength").
import { dateOf, mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { blockCourse, nextBlockStart } from "@/core/planning/blocks";
import { readArchive } from "@/formats/archive/read";
import { strToU8 } from "fflate";
import { describe, expect, it } from "vitest";

const session = (date: string, kg: number, more: object = {}) => ({
  id: date,
  personId: "p",
  date,
  kind: "strength",
  status: "done",
  items: [
    {
      id: "i",
      exerciseId: "squat",
      sets: ["a", "b"].map((id) => ({ id, planned: { reps: 5, kg }, done: { reps: 5, kg } })),
    },
  ],
  ...more,
});
const ahead = (date: string, kg: number) => ({
  ...session(date, kg),
  status: "planned",
  items: [{ id: "i", exerciseId: "squat", sets: [{ id: "a", planned: { reps: 5, kg } }] }],
});
const archive = {
  format: "oat-column",
  version: 1,
  people: [{ id: "p", name: "By hand", settings: { e1rmFormula: "epley" } }],
  exercises: [{ id: "squat", name: "Squat", group: "squat" }],
  // The first block runs from Monday 5 January to Sunday 15 February; the second from a Wednesday for ten days.
  blocks: [
    { id: "two", personId: "p", name: "Two", startDate: "2026-02-18", days: 10 },
    { id: "one", personId: "p", name: "One", startDate: "2026-01-05", days: 42 },
    { id: "three", personId: "p", name: "Three", startDate: "2026-03-01", days: 7 },
  ],
  sessions: [
    session("2026-01-04", 60),
    session("2026-01-05", 70),
    session("2026-02-15", 80),
    session("2026-02-16", 90),
    session("2026-02-17", 90),
    session("2026-02-18", 100),
    session("2026-02-22", 110, { status: "skipped", items: [] }),
    ahead("2026-02-24", 100),
    ahead("2026-02-27", 105),
    ahead("2026-02-28", 110),
  ],
};

describe("blocks of training by hand", () => {
  const reading = readArchive(strToU8(JSON.stringify(archive)));
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  const blocksOn = (on: string) =>
    (contract(reading.log, mustDay(on)) as { people: { blocks: Record<string, unknown>[] }[] }).people[0]!.blocks;

  it("42 days are six weeks; the first and the last day belong to the block, the days beside it do not", () => {
    const [one] = blocksOn("2026-02-24");
    // 70 · 10 + 80 · 10 over six weeks
    expect(one).toMatchObject({
      blockId: "one",
      endDate: "2026-02-15",
      days: 42,
      passed: 42,
      sessions: 2,
      sets: 4,
      numberOfLifts: 20,
      volumeLoadKg: 1500,
      averageKg: 75,
      planned: { sets: 4, numberOfLifts: 20, volumeLoadKg: 1500 },
    });
    expect(one!.perWeek).toEqual({ numberOfLifts: 3.333333333, volumeLoadKg: 250 });
    // 10 at 70 kg of its maximum that day, 70 · (1 + 5 / 30), and 10 at 80 kg: both 30 / 35
    expect(one!.averageIntensity).toBeCloseTo(30 / 35, 9);
  });
  it("under way: a week over the days that have passed, the plan up to today and whole", () => {
    const [, two] = blocksOn("2026-02-24");
    // Wednesday 18 to Friday 27 February; the 24th is its seventh day. One session of 10 at 100 kg; planned besides 5
    // at 100 on the 24th, 5 at 105 on the 27th; the 28th lies outside.
    expect(two).toMatchObject({
      blockId: "two",
      endDate: "2026-02-27",
      passed: 7,
      numberOfLifts: 10,
      volumeLoadKg: 1000,
      perWeek: { numberOfLifts: 10, volumeLoadKg: 1000 },
      plannedSoFar: { sets: 3, numberOfLifts: 15, volumeLoadKg: 1500 },
      planned: { sets: 4, numberOfLifts: 20, volumeLoadKg: 2025 },
    });
  });
  it("ahead: nothing performed, with the reason", () => {
    expect(blocksOn("2026-02-24")[2]).toMatchObject({
      blockId: "three",
      passed: 0,
      averageKg: null,
      perWeek: null,
      plannedSoFar: { sets: 0 },
      reason: "the block has not begun",
    });
  });
  it("its standing by the day, and where the next begins", () => {
    const block = { startDate: "2026-01-05", days: 42 };
    const standing = (on: string) => {
      const { state, passed } = blockCourse(block, mustDay(on));
      return [state, passed];
    };
    expect([standing("2026-01-04"), standing("2026-01-05"), standing("2026-02-15"), standing("2026-02-16")]).toEqual([
      ["ahead", 0],
      ["under way", 1],
      ["under way", 42],
      ["over", 42],
    ]);
    expect(dateOf(nextBlockStart([{ startDate: "2026-02-01", days: 3 }, block], mustDay("2026-03-02")))).toBe(
      "2026-02-16",
    );
    expect(dateOf(nextBlockStart([], mustDay("2026-03-02")))).toBe("2026-03-02");
  });
});
