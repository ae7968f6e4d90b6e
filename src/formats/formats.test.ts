import { strToU8 } from "fflate";
import { describe, expect, it } from "vitest";
import { runToEnd } from "@/core/base/chunked";
import { mustDay } from "@/core/base/calendar/day";
import { putRecord } from "@/core/log/log";
import { demoLog, rowerId } from "@/demo/demoLog";
import { formatOf, formats } from "./all";
import { endings } from "./endings";
import { previewImport } from "./importing/importing";

const today = mustDay("2026-06-11");
const log = demoLog(today);
const text = formats.archive.write!(log, "2026-06-11T06:00:00Z", new Map()) as string;

describe("the formats", () => {
  it("know what is theirs by its name or its first bytes", () => {
    expect(Object.keys(endings)).toEqual(Object.keys(formats));
    expect(formatOf({ name: "log.JSON", content: new Uint8Array() })).toBe("archive");
    expect(formatOf({ name: "download", content: strToU8(text) })).toBe("archive");
    expect(formatOf({ name: "download", content: new Uint8Array([0x50, 0x4b, 3, 4]) })).toBe("archive");
    expect(formatOf({ name: "weights.csv", content: strToU8("Date,Weight") })).toBe("workbook");
    expect(formatOf({ name: "picture.png", content: new Uint8Array([0x89, 0x50]) })).toBeNull();
  });
  it("give back what they wrote, and tell what is wrong instead of throwing", () => {
    const read = runToEnd(formats.archive.read({ name: "", content: text }, null));
    expect(read.ok && formats.archive.write!(read.log, "2026-06-11T06:00:00Z", new Map())).toBe(text);
    expect(runToEnd(formats.archive.read({ name: "", content: "{" }, null))).toMatchObject({ ok: false });
    expect(runToEnd(formats.workbook.read({ name: "", content: "no dates" }, { roles: null, order: null }))).toEqual({
      ok: false,
      problems: [{ path: "(sheet)", message: "No column of dates was found." }],
    });
  });
});

describe("a file held against the log", () => {
  const ours = () => Promise.resolve(demoLog(today));
  it("would change what differs, and nothing else", async () => {
    const theirs = demoLog(today);
    putRecord(theirs, "weighIns", { id: "new", personId: rowerId, date: "2020-01-01", kg: 80 });
    const content = formats.archive.write!(theirs, "2026-06-11T06:00:00Z", new Map()) as string;
    const shares: number[] = [];
    const found = await previewImport({ name: "a.json", content }, ours, (share) => void shares.push(share));
    if ("problems" in found) throw new Error("it is sound");
    expect(found.merge.lines!.map(({ kind, what, title }) => [kind, what, title])).toEqual([
      ["weighIns", "new", "80 kg"],
    ]);
    expect(found.merge).toMatchObject({ count: 1, related: true });
    expect(found.counts.weighIns).toBe(theirs.records.weighIns.size);
    expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
  });
  it("names each photograph by its content, and counts those it does not hold", async () => {
    const theirs = demoLog(today);
    const picture = new Uint8Array([0x89, 0x50, 1, 2]);
    putRecord(theirs, "photos", { id: "p1", personId: rowerId, date: "2026-01-01", file: "front.png" });
    putRecord(theirs, "photos", { id: "p2", personId: rowerId, date: "2026-01-01", file: "lost.png" });
    const content = formats.archive.write!(theirs, "2026-06-11T06:00:00Z", new Map([["front.png", picture]]));
    const found = await previewImport({ name: "a.zip", content }, ours, () => {});
    if ("problems" in found) throw new Error("it is sound");
    expect(found.missing).toBe(1);
    expect(found.photos.map(({ file }) => file)).toEqual([found.log.records.photos.get("p1")!.file]);
    expect(found.photos[0]!.file).toMatch(/^[0-9a-f]{64}\.png$/);
  });
  it("of another format is refused with what it is", async () => {
    const found = await previewImport({ name: "weights.csv", content: "Date,Weight" }, ours, () => {});
    expect(found).toEqual({
      problems: [{ path: "(file)", message: "it is a spreadsheet, not an Oat Column archive" }],
    });
  });
});
