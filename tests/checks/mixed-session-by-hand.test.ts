// Worked by hand; the rules of counting are common practice, no source (docs/methods.md, "Strength").
import { mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { readArchive } from "@/formats/archive/read";
import { strToU8 } from "fflate";
import { describe, expect, it } from "vitest";

const date = "2026-05-06";
const set = (id: string, done: object | null, more: object = {}) => ({ id, ...more, ...(done ? { done } : {}) });
const archive = {
  format: "oat-column",
  version: 1,
  people: [{ id: "p", name: "By hand", settings: { e1rmFormula: "epley" } }],
  weighIns: [{ id: "w", personId: "p", date, kg: 80, primary: true }],
  exercises: [
    { id: "bench", name: "Bench", group: "push", measure: "load-reps", direct: ["chest"], indirect: ["triceps"] },
    { id: "row", name: "Row", group: "row", measure: "load-reps", perSide: true, direct: ["lats"] },
    {
      id: "chin",
      name: "Chin",
      group: "pull",
      measure: "bodyweight-reps",
      bodyShare: 1,
      direct: ["lats"],
      indirect: ["biceps"],
    },
    { id: "dip", name: "Assisted dip", group: "push", measure: "assisted-reps", bodyShare: 1, direct: ["triceps"] },
    { id: "push", name: "Push-up", group: "push", measure: "bodyweight-reps", bodyShare: 0.65, direct: ["chest"] },
    { id: "plank", name: "Plank", group: "trunk", measure: "duration", direct: ["abdominals"] },
  ],
  sessions: [
    {
      id: "s",
      personId: "p",
      date,
      kind: "strength",
      status: "partly",
      items: [
        // Superset of bench and row; the last bench set goes three beyond a plan of five or more, the row is one-sided
        // and one of its sets failed.
        {
          id: "1",
          exerciseId: "bench",
          superset: "A",
          sets: [
            set("w", { reps: 10, kg: 40 }, { warmUp: true }),
            set("a", { reps: 5, kg: 80, rpe: 8 }, { planned: { reps: 5, kg: 80 } }),
            set("b", { reps: 8, kg: 80, rpe: 10 }, { planned: { reps: 5, kg: 80, asManyAsPossible: true } }),
          ],
        },
        {
          id: "2",
          exerciseId: "row",
          superset: "A",
          sets: [set("a", { reps: 10, kg: 30 }), set("b", { reps: 7, kg: 32, failed: true })],
        },
        // A drop set: six at + 20 kg, then four at + 10 kg and three without.
        {
          id: "3",
          exerciseId: "chin",
          sets: [
            set("a", {
              reps: 6,
              kg: 20,
              rpe: 9,
              parts: [
                { reps: 4, kg: 10 },
                { reps: 3, kg: 0 },
              ],
            }),
          ],
        },
        { id: "4", exerciseId: "dip", sets: [set("a", { reps: 8, kg: 25 }), set("b", { reps: 6, kg: 20, rpe: 5 })] },
        // One attempt without a repetition is no work; one planned set was not done.
        {
          id: "5",
          exerciseId: "push",
          sets: [
            set("a", { reps: 20, kg: 0 }),
            set("b", { reps: 0, kg: 0, failed: true }),
            set("c", null, { planned: { reps: 20, kg: 0 } }),
          ],
        },
        { id: "6", exerciseId: "plank", sets: [set("a", { seconds: 60 })] },
      ],
    },
  ],
};

describe("volume of a mixed session by hand", () => {
  const reading = readArchive(strToU8(JSON.stringify(archive)));
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems));
  const [person] = (
    contract(reading.log, mustDay(date)) as {
      people: {
        volume: Record<string, unknown>[];
        lifts: {
          exerciseId: string;
          best: { e1rmKg: number; reps: number } | null;
          repRecords: { reps: number; kg: number }[];
        }[];
      }[];
    }
  ).people;
  const week = person!.volume[0]!;
  // bench 80·(5 + 8) = 1040; row both sides 2·(10·30 + 7·32) = 1048; chin 6·100 + 4·90 + 3·80 = 1200;
  // assisted dip 8·55 + 6·60 = 800; push-up 20·0.65·80 = 1040; plank has no load
  it("volume load and number of lifts", () => {
    expect(week).toMatchObject({
      volumeLoadKg: 1040 + 1048 + 1200 + 800 + 1040,
      numberOfLifts: 13 + 34 + 13 + 14 + 20,
      sets: 9,
    });
    expect(week.byGroup).toEqual({
      push: { volumeLoadKg: 1040 + 800 + 1040, numberOfLifts: 13 + 14 + 20 },
      row: { volumeLoadKg: 1048, numberOfLifts: 34 },
      pull: { volumeLoadKg: 1200, numberOfLifts: 13 },
      trunk: { volumeLoadKg: 0, numberOfLifts: 0 },
    });
  });
  it("hard sets: rated with at most four left or unrated; a drop set is one", () => {
    // chest: two bench, one push-up; lats: two row, one chin; triceps: half of two bench, one dip (the other has five
    // left); biceps: half of one chin
    expect(week.byMuscle).toEqual({
      chest: { sets: 3 },
      triceps: { sets: 2 },
      lats: { sets: 3 },
      biceps: { sets: 0.5 },
      abdominals: { sets: 1 },
    });
  });
  it("planned: two bench sets of five at 80 kg and twenty push-ups", () => {
    expect(week.planned).toMatchObject({ sets: 3, numberOfLifts: 30, volumeLoadKg: 800 + 1040 });
  });
  it("maxima: the whole set to the limit, a drop set by its first part, an assisted move below zero", () => {
    const best = Object.fromEntries(person!.lifts.map(({ exerciseId, best: one }) => [exerciseId, one?.e1rmKg]));
    expect(best.bench).toBeCloseTo(80 * (1 + 8 / 30), 6);
    expect(best.chin).toBeCloseTo(100 * (1 + 7 / 30) - 80, 6);
    expect(best.dip).toBeCloseTo(55 * (1 + 8 / 30) - 80, 6);
    expect(best.row).toBeCloseTo(30 * (1 + 10 / 30), 6);
    expect(
      person!.lifts.find(({ exerciseId }) => exerciseId === "bench")!.repRecords.map(({ reps, kg }) => [reps, kg]),
    ).toEqual([1, 2, 3, 4, 5, 6, 7, 8].map((reps) => [reps, 80]));
  });
});
