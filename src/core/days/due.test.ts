import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import { AsOf } from "../log/asOf";
import { emptyLog, type Log, putRecord } from "../log/log";
import type { AnyRecord, RecordKind } from "../log/records";
import { dueOf } from "./due";

const on = mustDay("2026-06-11");
const logOf = (...records: [RecordKind, object][]): Log => {
  const log = emptyLog();
  for (const [kind, record] of [["people", { id: "p", name: "A" }] as [RecordKind, object], ...records])
    putRecord(log, kind, { personId: "p", ...record } as AnyRecord);
  return log;
};
const date = (back: number) => `2026-06-${String(11 - back).padStart(2, "0")}`;
const weighed = (back: number) => ["weighIns", { id: `w${back}`, date: date(back), kg: 72 }] as [RecordKind, object];
const due = (...records: [RecordKind, object][]) => dueOf(new AsOf(logOf(...records), "p", on));

describe("what is due", () => {
  it("is this morning's weight where weighing in is a habit, and is not written yet", () => {
    const habit = [1, 2, 4, 5].map(weighed);
    expect(due(...habit)).toEqual([{ what: "weighIn", date: "2026-06-11", title: "" }]);
    expect(due(...habit, weighed(0))).toEqual([]);
    expect(due(...habit.slice(1))).toEqual([]);
  });
  it("is a planned session of the last two days that is neither done nor skipped; optional ones and today's are not", () => {
    const session = (id: string, back: number, fields: object) =>
      ["sessions", { id, date: date(back), kind: "strength", title: "Strength A", status: "planned", ...fields }] as [
        RecordKind,
        object,
      ];
    expect(
      due(
        session("a", 1, {}),
        session("b", 3, {}),
        session("c", 1, { optional: true }),
        session("d", 1, { status: "skipped" }),
        session("e", 0, {}),
      ),
    ).toEqual([{ what: "session", date: date(1), title: "Strength A" }]);
  });
  it("is a day whose food is not finished, for those who finish their days", () => {
    const note = (back: number) =>
      ["dayNotes", { id: `n${back}`, date: date(back), foodComplete: true }] as [RecordKind, object];
    const meal = [
      "meals",
      { id: "m", date: date(1), meal: "lunch", name: "soup", status: "eaten", nutrients: { kcal: 300 } },
    ] as [RecordKind, object];
    expect(due(meal, ...[2, 3, 4, 5].map(note))).toEqual([{ what: "food", date: date(1), title: "" }]);
    expect(due(meal, note(1), ...[2, 3, 4].map(note))).toEqual([]);
    expect(due(meal, ...[3, 4].map(note))).toEqual([]);
  });
});
