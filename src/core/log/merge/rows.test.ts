import { describe, expect, it } from "vitest";
import { emptyLog, type Log, putRecord, removeRecord } from "../log";
import { removalOf, revised } from "../past";
import type { AnyRecord } from "../records";
import { mergeLogs } from "./merge";
import { mergeRows } from "./rows";

const stamp = (minute: number, node: string) => `2026-06-11T10:${String(minute).padStart(2, "0")}:00.000Z/0000/${node}`;
const first = revised(
  "weighIns",
  { id: "w", personId: "p", date: "2026-06-10", kg: 72, note: "wrong scale" } as AnyRecord,
  undefined,
  stamp(0, "phone"),
);
const logOf = (record: AnyRecord): Log => {
  const log = emptyLog();
  putRecord(log, "weighIns", record);
  return log;
};
const written = (fields: object, minute: number, node: string, before: AnyRecord = first) =>
  logOf(revised("weighIns", { ...before, ...fields } as AnyRecord, before, stamp(minute, node)));

describe("the rows of a merge", () => {
  it("are none where one side is a past of the other, either way", () => {
    const later = written({ kg: 71.8, note: undefined }, 5, "laptop");
    expect(mergeRows(mergeLogs(logOf(first), later))).toEqual([]);
    expect(mergeRows(mergeLogs(later, logOf(first)))).toEqual([]);
  });
  it("say of each field that both changed what stands and why", () => {
    const [mine, theirs] = [written({ kg: 71.8, time: "06:40" }, 5, "laptop"), written({ kg: 71.5 }, 8, "phone")];
    expect(mergeRows(mergeLogs(mine, theirs))).toEqual([
      {
        kind: "weighIns",
        id: "w",
        path: "kg",
        mine: 71.8,
        theirs: 71.5,
        stands: "theirs",
        why: "both changed it; theirs was written later",
      },
    ]);
    expect(mergeRows(mergeLogs(theirs, mine))).toMatchObject([
      { path: "kg", stands: "mine", why: "both changed it; mine was written later" },
      { path: "time", mine: null, theirs: "06:40", stands: "theirs", why: "only there" },
    ]);
  });
  it("tell of a removal that somebody did not know of, and not of one that all had seen", () => {
    const gone = emptyLog();
    removeRecord(gone, removalOf("weighIns", first, stamp(3, "laptop")));
    expect(mergeRows(mergeLogs(logOf(first), gone))).toEqual([]);
    expect(mergeRows(mergeLogs(written({ kg: 71.5 }, 8, "phone"), gone))).toMatchObject([
      { path: "", stands: "mine", why: "removed there, and changed here without knowing of it" },
    ]);
    expect(mergeRows(mergeLogs(gone, written({ kg: 71.5 }, 8, "phone")))).toMatchObject([
      { path: "", mine: null, stands: "theirs", why: "removed here, and changed there without knowing of it" },
    ]);
  });
});
