import { describe, expect, it } from "vitest";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { nextStep, stepsOf } from "../sessions/order";
import { withSet } from "../sessions/sets";
import type { Beaten } from "../strength/strengthRecords";
import { newRecords } from "./announced";
import { performedAs } from "./perform";
import { restAfter } from "./rest";

const sets = (count: number, more: Partial<TrainingSet> = {}): TrainingSet[] =>
  Array.from({ length: count }, (_, index) => ({ id: `${index + 1}`, planned: { reps: 5, kg: 60 }, ...more }));
const session = (items: { id: string; superset?: string; sets: TrainingSet[] }[]): Session => ({
  id: "s",
  personId: "p",
  date: "2026-06-11",
  kind: "strength",
  status: "planned",
  items: items.map((item) => ({ exerciseId: item.id, ...item })),
});
/** The rests of a session done from its first set to its last. */
function rests(begun: Session, usual = 150): (number | null)[] {
  const all: (number | null)[] = [];
  let now = begun;
  for (const { item, set } of stepsOf(begun)) {
    const step = stepsOf(now).find((one) => one.item.id === item.id && one.set.id === set.id)!;
    now = withSet(now, item.id, set.id, (old) => performedAs(old, { reps: 5, kg: 60 }));
    all.push(restAfter(step, nextStep(now), usual));
  }
  return all;
}

describe("the rest after a set", () => {
  it("is the usual one, the set's own where it has one, and none after the last", () => {
    expect(
      rests(session([{ id: "a", sets: [...sets(2), ...sets(1, { id: "3", restSeconds: 240 }), { id: "4" }] }])),
    ).toEqual([150, 150, 240, null]);
  });
  it("is at most a minute after a warm-up that says nothing else", () => {
    const warm = [
      { id: "w1", warmUp: true },
      { id: "w2", warmUp: true, restSeconds: 120 },
    ];
    expect(rests(session([{ id: "a", sets: [...warm, ...sets(2)] }]))).toEqual([60, 120, 150, null]);
    expect(rests(session([{ id: "a", sets: [...warm, ...sets(2)] }]), 45)).toEqual([45, 120, 45, null]);
  });
  it("comes in a superset after its last exercise, unless the set itself says so", () => {
    const pair = (more: Partial<TrainingSet> = {}) =>
      session([
        { id: "a", superset: "A", sets: sets(2, more) },
        { id: "b", superset: "A", sets: sets(2) },
        { id: "c", sets: sets(1) },
      ]);
    expect(rests(pair())).toEqual([null, 150, null, 150, null]);
    expect(rests(pair({ restSeconds: 30 }))).toEqual([30, 150, 30, 150, null]);
  });
  it("comes between two exercises that are no superset of one another", () => {
    expect(
      rests(
        session([
          { id: "a", sets: sets(1) },
          { id: "b", sets: sets(1) },
        ]),
      ),
    ).toEqual([150, null]);
    expect(
      rests(
        session([
          { id: "a", superset: "A", sets: sets(1) },
          { id: "b", superset: "B", sets: sets(1) },
        ]),
      ),
    ).toEqual([150, null]);
  });
});

describe("a record in training", () => {
  const set = {} as Extract<Beaten, { what: "reps" }>["set"];
  const reps = (kg: number, count = 5): Beaten => ({
    what: "reps",
    exerciseId: "a",
    day: 1,
    reps: count,
    kg,
    beforeKg: 90,
    set,
  });
  const volume: Beaten = { what: "volume", exerciseId: "a", day: 1, kg: 900, beforeKg: 800 };
  it("is announced when it is beaten, not when the session is opened, and once", () => {
    expect(newRecords(null, [reps(95)])).toEqual([]);
    expect(newRecords([], [reps(95)])).toEqual([reps(95)]);
    expect(newRecords([reps(95)], [reps(95)])).toEqual([]);
  });
  it("is news again with a higher load, for other repetitions and of another kind", () => {
    const estimate: Beaten = { what: "e1rm", exerciseId: "a", day: 1, kg: 95, beforeKg: 90, set };
    expect(newRecords([reps(95)], [reps(100), reps(95, 3), estimate])).toEqual([reps(100), reps(95, 3), estimate]);
    expect(newRecords([reps(95)], [{ ...reps(95), exerciseId: "b" }])).toHaveLength(1);
  });
  it("is not a day's volume load, which each further set would beat", () => {
    expect(newRecords([], [volume])).toEqual([]);
  });
});
