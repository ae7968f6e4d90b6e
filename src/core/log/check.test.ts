import { describe, expect, it } from "vitest";
import { demoLog, rowerId } from "../../demo/demoLog";
import { mustDay } from "../base/calendar/day";
import { checkLog } from "./check";
import { copyOf } from "./copy";
import type { Session } from "./kinds/sessions";
import { type Log, putRecord, removeRecord } from "./log";
import type { AnyRecord } from "./records";

const demo = demoLog(mustDay("2026-06-11"));

/** The log after every repair that was offered. */
function repaired(log: Log): Log {
  const copy = copyOf(log);
  for (const { repair } of checkLog(log))
    for (const step of repair ?? []) if ("put" in step) putRecord(copy, step.kind, step.put);
  return copy;
}

describe("checking a log", () => {
  it("finds nothing in a sound one", () => expect(checkLog(demo)).toEqual([]));

  it("finds what points nowhere, once for each thing missing, and a stand-in keeps all that was written", () => {
    const log = copyOf(demo);
    removeRecord(log, { id: "back-squat", kind: "exercises" });
    removeRecord(log, { id: "oats", kind: "foods" });
    const findings = checkLog(log);
    expect(findings.map(({ message }) => /"(.+?)"/.exec(message)![1]).sort()).toEqual(["back-squat", "oats"]);
    expect(findings[0]!.place).toMatch(/^\w+ .+, /);
    const mended = repaired(log);
    expect(checkLog(mended)).toEqual([]);
    for (const kind of ["sessions", "meals"] as const) expect(mended.records[kind]).toEqual(log.records[kind]);
  });

  it("finds an id used twice inside a session and tells the two apart", () => {
    const log = copyOf(demo);
    const session = [...log.records.sessions.values()].find(({ items }) => (items ?? []).length > 1)!;
    const [first, second] = session.items!;
    putRecord(log, "sessions", {
      ...session,
      items: [
        {
          ...first!,
          sets: [
            { ...first!.sets[0]!, id: "x" },
            { ...first!.sets[1]!, id: "x" },
          ],
        },
        { ...second!, id: first!.id },
      ],
    } as Session);
    expect(checkLog(log)).toHaveLength(1);
    const mended = repaired(log);
    expect(checkLog(mended)).toEqual([]);
    const items = mended.records.sessions.get(session.id)!.items!;
    expect(items[0]!.id).toBe(first!.id);
    expect(items[1]!.id).not.toBe(first!.id);
    expect(items[0]!.sets.map(({ done }) => done)).toEqual(first!.sets.slice(0, 2).map(({ done }) => done));
  });

  it("names an unsound record and leaves it as it is", () => {
    const log = copyOf(demo);
    putRecord(log, "weighIns", { id: "w", personId: rowerId, date: "2026-01-01", kg: "70" } as unknown as AnyRecord);
    expect(checkLog(log)).toMatchObject([{ place: "weighIns w, kg", repair: null }]);
  });

  it("names what cannot be read as a record, which is kept aside and counts nowhere", () => {
    const log = copyOf(demo);
    const size = log.records.weighIns.size;
    for (const record of [
      { id: "w", personId: rowerId, date: "9999-12-31", kg: 70 },
      { id: "w2", personId: rowerId, date: "1000-01-01", kg: 70 },
      [2],
      null,
    ])
      putRecord(log, "weighIns", record as unknown as AnyRecord);
    expect(log.records.weighIns.size).toBe(size);
    expect(checkLog(log).map(({ place, message }) => `${place}: ${message}`)).toEqual([
      'weighIns w: its date is "9999-12-31", and only dates from 1900 to 2100 are taken; it is kept aside and no figure counts it',
      'weighIns w2: its date is "1000-01-01", and only dates from 1900 to 2100 are taken; it is kept aside and no figure counts it',
      "weighIns without an id: it is no record; it is kept aside and no figure counts it",
      "weighIns without an id: it is no record; it is kept aside and no figure counts it",
    ]);
    expect(copyOf(log).unread).toEqual(log.unread);
    putRecord(log, "weighIns", { id: "w", personId: rowerId, date: "2026-06-10", kg: 70 } as AnyRecord);
    expect(log.unread).toHaveLength(3);
    putRecord(log, "weighIns", { id: "w", personId: rowerId, date: "2026-16-10", kg: 70 } as AnyRecord);
    expect(log.records.weighIns.has("w")).toBe(false);
    removeRecord(log, { id: "w", kind: "weighIns" });
    expect(log.unread).toHaveLength(3);
  });
});
