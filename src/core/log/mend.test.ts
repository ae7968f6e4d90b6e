import { describe, expect, it } from "vitest";
import type { WeighIn } from "./kinds/weighIns";
import { emptyLog, type Log, putRecord, removeRecord, setAside, tombstoneKey } from "./log";
import { mend } from "./mend";

const weighIn = (id: string, kg: number): WeighIn => ({ id, personId: "p", date: "2026-06-01", kg, primary: true });

function logOf(...weighIns: WeighIn[]): Log {
  const log = emptyLog();
  for (const record of weighIns) putRecord(log, "weighIns", record);
  return log;
}
const unread = (log: Log, kind: string) => {
  setAside(log, { kind, text: "{" } as unknown as Log["unread"][number]);
};

describe("mending a log", () => {
  it("takes out what cannot be read, and puts in what the copy has of it", () => {
    const log = logOf(weighIn("a", 72));
    unread(log, "weighIns");
    const copy = logOf(weighIn("a", 99), weighIn("b", 73));
    putRecord(copy, "water", { id: "w", personId: "p", date: "2026-06-01", ml: 500 } as never);
    expect(mend(log, copy)).toMatchObject({ brought: 1, out: [{ kind: "weighIns" }] });
    expect(log.unread).toEqual([]);
    // What stands in the log is newer than the copy; what is of another kind was never unreadable.
    expect([...log.records.weighIns.values()].map(({ id, kg }) => [id, kg])).toEqual([
      ["a", 72],
      ["b", 73],
    ]);
    expect(log.records.water.size).toBe(0);
  });

  it("leaves removed what was removed, also where the removals were what could not be read", () => {
    const tombstone = { kind: "weighIns", id: "b", changed: "2026-06-02T00:00:00.000Z.a" } as const;
    const known = logOf();
    removeRecord(known, tombstone);
    unread(known, "weighIns");
    expect(mend(known, logOf(weighIn("b", 73))).brought).toBe(0);
    expect(known.records.weighIns.size).toBe(0);
    const lost = logOf(weighIn("c", 74));
    unread(lost, "removed");
    const copy = logOf();
    removeRecord(copy, tombstone);
    removeRecord(copy, { ...tombstone, id: "c" });
    mend(lost, copy);
    // The record that stands was written again since.
    expect([...lost.removed.keys()]).toEqual([tombstoneKey("weighIns", "b")]);
    expect(lost.records.weighIns.has("c")).toBe(true);
  });

  it("without a copy takes out alone", () => {
    const log = logOf(weighIn("a", 72));
    unread(log, "nothing of that name");
    expect(mend(log, null)).toMatchObject({ brought: 0, out: [{ kind: "nothing of that name" }] });
    expect(log.records.weighIns.size).toBe(1);
  });
});
