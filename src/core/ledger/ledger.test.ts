import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../base/calendar/day";
import { metricUnits, Printer } from "../base/units/printer";
import type { DayNote } from "../log/kinds/dayNotes";
import type { WeighIn } from "../log/kinds/weighIns";
import { type CellEdit, ledgerChange, type LedgerContext } from "./change";
import { allColumns, type LedgerColumnId } from "./columns";
import { readPaste, sheetDay } from "./paste";

const held: WeighIn = {
  id: "w1",
  personId: "p",
  date: "2026-06-10",
  kg: 72.4,
  time: "06:40",
  note: "late dinner",
  primary: true,
};
const note: DayNote = { id: "n1", personId: "p", date: "2026-06-10", text: "travel" };
const waist = { id: "r1", personId: "p", measureId: "waist", date: "2026-06-10", value: 82.5, method: "tape" };
const all = allColumns([{ id: "waist", name: "Waist", unit: "cm" }]);
const evening: WeighIn = { id: "e", personId: "p", date: "2026-06-10", time: "20:30", kg: 73.4, primary: false };
const context = (units = metricUnits): LedgerContext => ({
  personId: "p",
  today: mustDay("2026-06-11"),
  printer: new Printer(units),
  newId: () => "new",
  expectedKg: () => 72.5,
  columns: all,
  lastReading: () => 82,
  readingOn: (measureId, day) => (measureId === "waist" && day === mustDay(waist.date) ? waist : null),
  weighInOn: (day) => (day === mustDay(held.date) ? held : null),
  secondOn: (day) => (day === mustDay(evening.date) ? evening : null),
  noteOn: (day) => (day === mustDay(note.date) ? note : null),
});
const edit = (date: string, column: LedgerColumnId, text: string): CellEdit => ({ date, column, text });
const columns: LedgerColumnId[] = ["weight", "time", "influence", "trend", "note"];
const paste = (
  text: string,
  order: "ymd" | "dmy" | "mdy" | null = null,
  more: { unit?: "kg" | "lb" | null; own?: "kg" | "lb"; expectedKg?: number | null } = {},
) =>
  readPaste(text, { date: "2026-06-01", column: "weight" }, columns, all, {
    order,
    unit: null,
    own: "kg",
    expectedKg: 72.5,
    ...more,
  });

describe("edits of cells", () => {
  it("of one day become one record with all that was typed, on the base of what stood there", () => {
    const { change, changes, refused } = ledgerChange(context(), [
      edit("2026-06-11", "time", "6:05"),
      edit("2026-06-11", "weight", "72,1 kg"),
      edit("2026-06-11", "influence", "slept badly"),
    ]);
    expect(refused).toEqual([]);
    expect(change).toEqual([
      {
        kind: "weighIns",
        put: {
          id: "new",
          personId: "p",
          date: "2026-06-11",
          primary: true,
          kg: 72.1,
          time: "06:05",
          note: "slept badly",
        },
      },
    ]);
    expect(changes.map(({ before, after }) => [before, after])).toEqual([
      ["", "72.1"],
      ["", "06:05"],
      ["", "slept badly"],
    ]);
  });
  it("are listed by day, and of one day as the columns stand", () => {
    const { changes } = ledgerChange(context(), [
      edit("2026-06-11", "note", "windy"),
      edit("2026-06-11", "weight", "72.1"),
      edit("2026-06-09", "note", "calm"),
    ]);
    expect(changes.map(({ date, column }) => [date, column])).toEqual([
      ["2026-06-09", "note"],
      ["2026-06-11", "weight"],
      ["2026-06-11", "note"],
    ]);
  });
  it("that change nothing write nothing, and a weight typed in pounds keeps its pounds", () => {
    expect(
      ledgerChange(context(), [edit("2026-06-10", "weight", " 72.4 "), edit("2026-06-10", "note", "travel")]).change,
    ).toEqual([]);
    for (const text of ["72,4", "72.40", "72,4 kg", "72.4kg"])
      expect(ledgerChange(context(), [edit("2026-06-10", "weight", text)])).toMatchObject({ changes: [], change: [] });
    expect(ledgerChange(context(), [edit("2026-06-10", "measure waist", "82,50")]).changes).toEqual([]);
    const { change, changes } = ledgerChange(context({ ...metricUnits, mass: "lb" }), [
      edit("2026-06-10", "weight", "160.2"),
    ]);
    expect(change).toEqual([{ kind: "weighIns", base: held, put: { ...held, kg: 160.2 * 0.45359237 } }]);
    expect(changes[0]!.after).toBe("160.2");
  });
  it("emptied cells take away what they held, and the record with the last of it", () => {
    expect(ledgerChange(context(), [edit("2026-06-10", "weight", "")]).change).toEqual([
      { remove: { kind: "weighIns", id: "w1", date: "2026-06-10" } },
    ]);
    expect(ledgerChange(context(), [edit("2026-06-10", "note", "")]).change).toEqual([
      { remove: { kind: "dayNotes", id: "n1", date: "2026-06-10" } },
    ]);
    const { id, personId, date, kg, primary, time } = held;
    expect(ledgerChange(context(), [edit("2026-06-10", "influence", "")]).change).toEqual([
      { kind: "weighIns", base: held, put: { id, personId, date, kg, primary, time } },
    ]);
  });
  it("write second weigh-ins beside the mornings', and leave a note that marks a jump", () => {
    expect(ledgerChange(context(), [edit("2026-06-10", "second", "73,1")]).change).toEqual([
      { kind: "weighIns", put: { ...evening, kg: 73.1 }, base: evening },
    ]);
    expect(ledgerChange(context(), [edit("2026-06-10", "second", "")]).change).toEqual([
      { remove: { kind: "weighIns", id: "e", date: "2026-06-10" } },
    ]);
    expect(ledgerChange(context(), [edit("2026-06-09", "second", "73.2")]).change).toMatchObject([
      { put: { kg: 73.2, primary: false, date: "2026-06-09" } },
    ]);
    const marked = { ...note, levelMayJump: true };
    expect(
      ledgerChange({ ...context(), noteOn: (day) => (day === mustDay(note.date) ? marked : null) }, [
        edit(note.date, "note", ""),
      ]).change,
    ).toMatchObject([{ put: { levelMayJump: true } }]);
  });
  it("are refused with a reason where they cannot stand, and questioned where they are far off", () => {
    const why = (one: CellEdit) => ledgerChange(context(), [one]).refused[0]?.why;
    expect(why(edit("2026-06-11", "weight", "heavy"))).toContain("is no weight");
    expect(why(edit("2026-06-11", "weight", "7.1"))).toContain("is no body weight: 10 kg to 450 kg");
    expect(ledgerChange(context(), [edit("2026-06-11", "weight", "18.4")]).changes[0]!.caution).toContain(
      "far from the",
    );
    expect(why(edit("2026-06-12", "weight", "72"))).toBe("A weigh-in cannot be in the future.");
    expect(why(edit("2026-06-10", "trend", "72"))).toBe("The trend is computed from all weigh-ins.");
    expect(why(edit("2026-06-11", "time", "6:30"))).toContain("belongs to a weigh-in");
    expect(why(edit("2026-06-10", "time", "25:00"))).toContain("is no time of day");
    expect(why(edit("2026-02-30", "note", "x"))).toContain("is no date");
    expect(ledgerChange(context(), [edit("2026-06-11", "weight", "159.8")]).changes[0]!.caution).toBe(
      "That is far from the 72.5 kg expected.",
    );
    expect(ledgerChange(context(), [edit("2026-06-11", "weight", "73.9")]).changes[0]!.caution).toBeNull();
  });
});

describe("a measure's column", () => {
  it("writes a reading, changes the one of the day on its base, and takes it away", () => {
    const column = "measure waist";
    expect(ledgerChange(context(), [edit("2026-06-11", column, "82,25")]).change).toEqual([
      { kind: "readings", put: { id: "new", personId: "p", date: "2026-06-11", measureId: "waist", value: 82.25 } },
    ]);
    const { change, changes } = ledgerChange(context(), [
      edit("2026-06-10", column, "82"),
      edit("2026-06-10", "weight", "72.0"),
    ]);
    expect(change).toEqual([
      { kind: "weighIns", base: held, put: { ...held, kg: 72 } },
      { kind: "readings", base: waist, put: { ...waist, value: 82 } },
    ]);
    expect(changes.map(({ before, after }) => [before, after])).toEqual([
      ["72.4", "72.0"],
      ["82.5", "82"],
    ]);
    expect(ledgerChange(context(), [edit("2026-06-10", column, "")]).change).toEqual([
      { remove: { kind: "readings", id: "r1", date: "2026-06-10" } },
    ]);
    expect(ledgerChange(context(), [edit("2026-06-10", column, "wide")]).refused[0]!.why).toContain("is no number");
    expect(ledgerChange(context(), [edit("2026-06-12", column, "82")]).refused[0]!.why).toContain("in the future");
  });
  it("says its unit, unless it has none", () => {
    const columns = allColumns([
      { id: "waist", name: "Waist", unit: "cm" },
      { id: "mood", name: "Mood", unit: "" },
    ]);
    expect([columns.get("measure waist")!.unit, columns.get("measure mood")!.unit]).toEqual([{ own: "cm" }, null]);
  });
  it("is found by its name in a pasted head", () => {
    expect(paste("Date\tWaist (cm)\n2026-05-28\t82,5").edits).toEqual([edit("2026-05-28", "measure waist", "82,5 cm")]);
  });
});

describe("dates of sheets", () => {
  it.each([
    ["2026-05-01", "ymd", "2026-05-01"],
    ["2026/5/1", "ymd", "2026-05-01"],
    ["1.5.2026", "dmy", "2026-05-01"],
    ["01/05/26", "dmy", "2026-05-01"],
    ["5/1/2026", "mdy", "2026-05-01"],
    ["31/12/2025", "mdy", null],
    ["30.2.2026", "dmy", null],
    ["71.4", "dmy", null],
    ["1.5.2026 06:40", "dmy", "2026-05-01"],
    ["26-05-01", "ymd", null],
  ] as const)("%s read as %s is %s", (text, order, date) => {
    const day = sheetDay(text, order);
    expect(day === null ? null : dateOf(day)).toBe(date);
  });
});

describe("pasted text", () => {
  it("with dates goes to its days whatever their order, and a decimal comma is taken", () => {
    const reading = paste("28.05.2026\t72,4\n29.05.2026\t72,1\n30.05.2026\t72,6\n");
    expect(reading).toMatchObject({ order: "dmy", orders: ["dmy"], refused: [] });
    expect(reading.edits).toEqual([
      edit("2026-05-28", "weight", "72,4"),
      edit("2026-05-29", "weight", "72,1"),
      edit("2026-05-30", "weight", "72,6"),
    ]);
  });
  it("whose days follow one another in one order only needs no question; where both read, both are offered", () => {
    const lines = Array.from({ length: 12 }, (_, index) => `0${1 + (index % 9)}/06/2026\t72`)
      .slice(0, 9)
      .join("\n");
    expect(paste(lines)).toMatchObject({ order: "dmy", orders: ["dmy"] });
    expect(paste("05/06/2026\t72")).toMatchObject({ orders: ["dmy", "mdy"] });
    expect(paste("05/06/2026\t72", "mdy").edits[0]!.date).toBe("2026-05-06");
  });
  it("without dates goes down from the chosen cell, and to the right over what can be typed and what cannot", () => {
    expect(paste("72.4\t6:40\tsalt\t72.0\n72.2").edits).toEqual([
      edit("2026-06-01", "weight", "72.4"),
      edit("2026-06-01", "time", "6:40"),
      edit("2026-06-01", "influence", "salt"),
      edit("2026-06-01", "trend", "72.0"),
      edit("2026-06-02", "weight", "72.2"),
    ]);
  });
  it("of one column keeps its decimal commas, also where a date stands before them", () => {
    expect(paste("72,4\n72,2").edits.map(({ text }) => text)).toEqual(["72,4", "72,2"]);
    expect(paste("2026-05-28,72").edits.map(({ text }) => text)).toEqual(["2026-05-28,72"]);
  });
  it("with a head puts each column under its name and passes over those it does not know", () => {
    expect(paste("Date\tMood\tNotes\tWeight (kg)\n2026-05-28\tgood\ttravel\t72.4").edits).toEqual([
      edit("2026-05-28", "note", "travel"),
      edit("2026-05-28", "weight", "72.4 kg"),
    ]);
  });
  it("reads dates with their months in words, and refuses a row below a head of dates whose date it cannot read", () => {
    const rows = [
      "3 March 2026",
      "Mar 4, 2026",
      "Thu 5 Mar 2026",
      "6-Mar-26",
      "Saturday, March 7th, 2026",
      "8 March 2026 06:40",
    ];
    const reading = paste(
      `Date\tWeight\n${rows.map((date, index) => `${date}\t${(72 + index / 10).toFixed(1)}`).join("\n")}\nthe ninth\t73`,
    );
    expect(reading.edits).toEqual(
      [3, 4, 5, 6, 7, 8].map((day, index) => edit(`2026-03-0${day}`, "weight", (72 + index / 10).toFixed(1))),
    );
    expect(reading).toMatchObject({ orders: ["ymd"], refused: [{ line: 8, why: '"the ninth" is no date.' }] });
    // No date of the column can be read: nothing is put on other days.
    expect(paste("Date\tWeight\nsoon\t72.4\nlater\t72.2")).toMatchObject({
      edits: [],
      refused: [{ line: 2 }, { line: 3 }],
    });
    expect(paste('date,weight\n"Mar 3, 2026",72.4\n3 April 2026,72.2').edits).toEqual([
      edit("2026-03-03", "weight", "72.4"),
      edit("2026-04-03", "weight", "72.2"),
    ]);
  });
  it("takes a unit in the head as the unit, and asks where a column could be either", () => {
    for (const head of ["Weight (lb)", "Morning weight lbs", "weight in pounds", "lbs", "Body weight [lb]"]) {
      expect([head, paste(`Date\t${head}\n2026-05-28\t160`).edits]).toEqual([
        head,
        [edit("2026-05-28", "weight", "160 lb")],
      ]);
    }
    expect(paste("Date\tWeight (kg)\n2026-05-28\t72", null, { own: "lb" }).edits).toEqual([
      edit("2026-05-28", "weight", "72 kg"),
    ]);
    expect(paste("Date\tWaist (in)\n2026-05-28\t32").edits).toEqual([edit("2026-05-28", "measure waist", "32 in")]);
    const either = "Date\tWeight\n2026-05-28\t160.2\n2026-05-29\t159.8";
    expect(paste(either)).toMatchObject({ edits: [], unit: null, units: ["lb", "kg"] });
    expect(paste(either, null, { unit: "lb" }).edits).toEqual([
      edit("2026-05-28", "weight", "160.2 lb"),
      edit("2026-05-29", "weight", "159.8 lb"),
    ]);
    expect(paste(either, null, { unit: "kg" }).edits).toEqual([
      edit("2026-05-28", "weight", "160.2"),
      edit("2026-05-29", "weight", "159.8"),
    ]);
    expect(paste(either, null, { expectedKg: null }).units).toHaveLength(2);
    expect(paste("Date\tWeight\n2026-05-28\t72.4", null, { expectedKg: null })).toMatchObject({
      units: ["kg"],
      unit: "kg",
    });
  });
  it("reads quoted cells with line breaks of their own", () => {
    expect(
      paste('Date\tNotes\tWeight\n2026-05-28\t"late dinner\nand salt"\t72.4\n2026-05-29\tplain\t72.1').edits,
    ).toEqual([
      edit("2026-05-28", "note", "late dinner\nand salt"),
      edit("2026-05-28", "weight", "72.4"),
      edit("2026-05-29", "note", "plain"),
      edit("2026-05-29", "weight", "72.1"),
    ]);
  });
  it("names the lines it cannot place", () => {
    const lines = [
      "2026-05-01\t72.1",
      "2026-05-02\t72.2",
      "2026-05-03\t72.3",
      "2026-05-04\t72.0",
      "2026-05-05\t72.0",
      "2026-05-32\t72.4",
      "2026-05-01\t72.5",
    ];
    expect(paste(lines.join("\r\n")).refused).toEqual([
      { line: 6, text: "2026-05-32 · 72.4", why: '"2026-05-32" is no date.' },
      { line: 7, text: "2026-05-01 · 72.5", why: "Line 1 has the same date." },
    ]);
  });
});
