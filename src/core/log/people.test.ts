import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import { dailyRows } from "../days/daily";
import { AsOf } from "./asOf";
import { emptyLog, type Log, putRecord } from "./log";
import { holdingsOf, joinedPeople, onlyOf, removedPerson } from "./people";
import type { AnyRecord, Change, RecordKind } from "./records";

const given: [RecordKind, Record<string, unknown>][] = [
  ["people", { id: "kept", name: "Ana", heightCm: 170 }],
  ["people", { id: "gone", name: "Ana B.", heightCm: 171, birthDate: "1990-02-03" }],
  ["people", { id: "other", name: "Ben" }],
  ["exercises", { id: "squat", name: "Squat" }],
  ["weighIns", { id: "k1", personId: "kept", date: "2026-01-05", kg: 70, primary: true }],
  ["weighIns", { id: "k2", personId: "kept", date: "2026-01-06", kg: 70.2, primary: true }],
  ["weighIns", { id: "g1", personId: "gone", date: "2026-01-05", kg: 70, primary: true, note: "same" }],
  ["weighIns", { id: "g2", personId: "gone", date: "2026-01-06", kg: 71, primary: true }],
  ["weighIns", { id: "g3", personId: "gone", date: "2026-01-07", kg: 69.8, primary: true }],
  ["weighIns", { id: "g4", personId: "gone", date: "2026-01-07", kg: 70.4, primary: false }],
  ["dayNotes", { id: "kn", personId: "kept", date: "2026-01-05", text: "cold" }],
  ["dayNotes", { id: "gn", personId: "gone", date: "2026-01-05", text: "tired", foodComplete: true }],
  ["dayNotes", { id: "gn2", personId: "gone", date: "2026-01-08", text: "rest" }],
  ["sessions", { id: "gs", personId: "gone", date: "2026-01-06", kind: "strength", status: "done", items: [] }],
  ["goals", { id: "gg", personId: "gone", startDate: "2026-01-05", targetKg: 65 }],
  ["weighIns", { id: "b1", personId: "other", date: "2026-01-05", kg: 90, primary: true }],
];
function logOf(): Log {
  const log = emptyLog();
  for (const [kind, record] of given) putRecord(log, kind, structuredClone(record) as unknown as AnyRecord);
  return log;
}
/** The records of a log after a change. */
function after(change: Change): Map<string, Record<string, unknown>> {
  const all = new Map(given.map(([, record]) => [record.id as string, record]));
  for (const step of change)
    if ("put" in step) all.set(step.put.id, step.put as unknown as Record<string, unknown>);
    else if ("remove" in step) all.delete(step.remove.id);
  return all;
}

describe("people of a household", () => {
  it("two who are one: all of the one becomes the other's, no morning has two first weigh-ins, and nothing written is lost", () => {
    const all = after(joinedPeople(logOf(), "kept", "gone"));
    expect([...all.values()].filter(({ personId }) => personId === "gone")).toEqual([]);
    expect(all.has("gone")).toBe(false);
    expect(all.get("kept")).toEqual({ id: "kept", name: "Ana", heightCm: 170, birthDate: "1990-02-03" });
    const mornings = [...all.values()]
      .filter(({ personId, kg }) => personId === "kept" && kg !== undefined)
      .map(({ date, kg, primary }) => `${String(date)} ${String(kg)}${primary === false ? " second" : ""}`)
      .sort();
    expect(mornings).toEqual([
      "2026-01-05 70",
      "2026-01-06 70.2",
      "2026-01-06 71 second",
      "2026-01-07 69.8",
      "2026-01-07 70.4 second",
    ]);
    expect(all.get("kn")).toMatchObject({ text: "cold\ntired", foodComplete: true });
    expect(all.has("gn")).toBe(false);
    expect(all.get("gn2")).toMatchObject({ personId: "kept", text: "rest" });
    expect(all.get("gs")).toMatchObject({ personId: "kept" });
    expect(all.get("gg")).toMatchObject({ personId: "kept", targetKg: 65 });
    expect(all.get("b1")).toMatchObject({ personId: "other", kg: 90 });
  });
  it("are not joined with themselves or with nobody", () => {
    expect(joinedPeople(logOf(), "kept", "kept")).toEqual([]);
    expect(joinedPeople(logOf(), "kept", "nobody")).toEqual([]);
  });
  it("one removed takes what is theirs alone, told beforehand by kinds", () => {
    expect(holdingsOf(logOf(), "gone")).toEqual(
      expect.arrayContaining([
        { kind: "weighIns", count: 4 },
        { kind: "dayNotes", count: 2 },
        { kind: "sessions", count: 1 },
        { kind: "goals", count: 1 },
      ]),
    );
    const all = after(removedPerson(logOf(), "gone"));
    expect([...all.keys()].sort()).toEqual(["b1", "k1", "k2", "kept", "kn", "other", "squat"]);
  });
  it("one alone: theirs and what the household shares", () => {
    const { records } = onlyOf(logOf(), "kept");
    expect([
      ...records.people.keys(),
      ...records.exercises.keys(),
      ...records.weighIns.keys(),
      ...records.dayNotes.keys(),
      ...records.goals.keys(),
    ]).toEqual(["kept", "squat", "k1", "k2", "kn"]);
  });
});

describe("days as rows", () => {
  it("one a day with something known, in the trainee's unit, empty where nothing is", () => {
    const log = logOf();
    putRecord(log, "people", { id: "kept", name: "Ana", units: { mass: "lb" } });
    putRecord(log, "weighIns", { id: "k3", personId: "kept", date: "2026-01-06", kg: 71, primary: false });
    putRecord(log, "dayNotes", { id: "kn9", personId: "kept", date: "2026-01-09", text: "away" });
    const [head, ...rows] = dailyRows(new AsOf(log, "kept", mustDay("2026-01-12")));
    expect(head).toEqual([
      "date",
      "weight (lb)",
      "second weigh-in (lb)",
      expect.stringContaining("trend (lb)"),
      expect.anything(),
      expect.anything(),
      "plan (lb)",
      expect.anything(),
      "note of the day",
    ]);
    // 70 kg = 154.32 lb, 70.2 kg = 154.76 lb, 71 kg = 156.53 lb (1 lb = 0.45359237 kg, exact by the international
    // agreement of 1959).
    expect(rows.map(([date, weight, second, , , , plan, , note]) => [date, weight, second, plan, note])).toEqual([
      ["2026-01-05", 154.32, null, null, "cold"],
      ["2026-01-06", 154.76, 156.53, null, null],
      ["2026-01-09", null, null, null, "away"],
    ]);
    for (const [, , , trend, low, high] of rows.slice(0, 2) as [string, number, number, number, number, number][])
      expect(low < trend && trend < high).toBe(true);
  });
});
