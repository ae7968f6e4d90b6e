import { describe, expect, it } from "vitest";
import { demoLog, partnerId, rowerId } from "@/demo/demoLog";
import { mustDay } from "../base/calendar/day";
import { AsOf } from "../log/asOf";
import { entryView } from "./entryView";

const today = mustDay("2026-06-11");
const log = demoLog(today);
const asOf = (personId: string) => new AsOf(log, personId, today);
const partner = log.records.people.get(partnerId)!.name;
const read = (text: string) => entryView(asOf(rowerId), text, today, "dmy", () => "new", asOf);
const owners = (text: string) =>
  (read(text).change ?? []).flatMap((step) => ("put" in step ? [(step.put as { personId?: string }).personId] : []));

describe("a line of a household", () => {
  it("with the name of somebody in front is read in their units and written into their log", () => {
    const found = read(`${partner.toLowerCase()}: bench press 3x5 95 lb`);
    expect(owners(`${partner.toLowerCase()}: bench press 3x5 95 lb`)).toContain(partnerId);
    expect(found.fields[0]).toEqual({ label: "In the log of", text: partner });
    expect(found.label).toContain(partner);
    expect(found.written.sessions[0]!.exercises[0]!.sets).toHaveLength(3);
  });
  it("underlines what cannot be read where it stands in the whole line, and offers whole lines", () => {
    const text = `${partner}: bench press 3x5 95 xyz`;
    for (const { start, end } of read(text).problems)
      expect(text.slice(start, end)).toBe(text.slice(start, end).trim());
    for (const { text: choice } of read(`${partner}: bac`).completions)
      expect(choice.startsWith(`${partner}: `)).toBe(true);
  });
  it("with the name anywhere else is questioned before it is written into one's own", () => {
    expect(owners(`bench press 3x5 80 for ${partner}`)).not.toContain(partnerId);
    expect(read(`bench press 3x5 80 for ${partner}`).caution ?? "asked").toContain(
      read(`bench press 3x5 80 for ${partner}`).change === null ? "asked" : `“${partner}:” in front`,
    );
    expect(read("bench press 3x5 80").caution).toBeNull();
  });
});
