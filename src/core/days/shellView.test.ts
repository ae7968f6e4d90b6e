import { describe, expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { dailyRows } from "./daily";
import { holdingsView, libraryView, shellView } from "./shellView";

const asOf = smallAsOf("2026-06-10", {
  people: [
    { id: "q", name: "Ben" },
    { id: "p", name: "Ana", units: { mass: "lb" } },
  ],
  exercises: [{ name: "row" }, { name: "Bench" }, { name: "squat" }],
  foods: [{ name: "oats", per100g: {} }],
  weighIns: [
    { date: "2026-06-03", kg: 80, primary: true, note: "after a feast" },
    { date: "2026-06-03", kg: 80.5, primary: false, time: "20:00" },
    { date: "2026-06-05", kg: 79, primary: true },
  ],
  dayNotes: [{ date: "2026-06-01", text: "a cold" }],
});

describe("what surrounds every view", () => {
  it("names the household in order of id, and runs in whole weeks around what is written", () => {
    const { people, person, span, units } = shellView(asOf);
    expect(people.map(({ name }) => name)).toEqual(["Ana", "Ben"]);
    expect([person.name, units.mass]).toEqual(["Ana", "lb"]);
    expect(span.first <= "2026-06-01" && span.last >= "2026-06-10").toBe(true);
  });
  it("lists exercises and foods by name whatever their capitals, and counts each kind", () => {
    expect(libraryView(asOf.log).exercises.map(({ name }) => name)).toEqual(["Bench", "row", "squat"]);
    const { counts, total, unread } = holdingsView(asOf.log);
    expect(counts.find(({ kind }) => kind === "weighIns")!.count).toBe(3);
    expect([total, unread]).toEqual([10, 0]);
  });
});

describe("day by day for a spreadsheet", () => {
  it("has a row for each day on which something is known, in the trainee's unit", () => {
    const [head, ...rows] = dailyRows(asOf);
    expect(head!.slice(0, 3)).toEqual(["date", "weight (lb)", "second weigh-in (lb)"]);
    expect(rows.map(([date]) => date)).toEqual(["2026-06-01", "2026-06-03", "2026-06-04", "2026-06-05"]);
    expect(rows[0]).toEqual(["2026-06-01", null, null, null, null, null, null, null, "a cold"]);
    expect(rows[1]!.slice(1, 3)).toEqual([176.37, 177.47]);
    expect(rows[1]!.at(-2)).toBe("after a feast");
  });
});
