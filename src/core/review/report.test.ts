import { describe, expect, it } from "vitest";
import { dateOf, mustDay } from "../base/calendar/day";
import { report } from "./report";

const on = mustDay("2026-01-20");
const readings = (...given: [string, number][]) => given.map(([date, value]) => ({ day: mustDay(date), value }));

describe("a report", () => {
  it("by hand: start, current, change, a week, by week and by year", () => {
    // Weeks from Monday: 22–28 Dec (80, 81), 29 Dec – 4 Jan (79 in the old year, 78 in the new), none 5–11 (what lies
    // across it is no week's change), 12–18 Jan (77), and 20 Jan (76) open.
    const result = report(
      readings(
        ["2025-12-23", 80],
        ["2025-12-27", 81],
        ["2025-12-30", 79],
        ["2026-01-02", 78],
        ["2026-01-14", 77],
        ["2026-01-20", 76],
      ),
      1,
      on,
    )!;
    expect(result).toMatchObject({ start: { value: 80 }, current: { value: 76 }, total: -4, perWeek: -1 });
    expect(result.weeks.map(({ closingDay, ...week }) => [dateOf(closingDay), week])).toEqual([
      ["2025-12-28", { days: 2, mean: 80.5, median: 80.5, change: null }],
      ["2026-01-04", { days: 2, mean: 78.5, median: 78.5, change: -2 }],
      ["2026-01-18", { days: 1, mean: 77, median: 77, change: null }],
      ["2026-01-25", { days: 1, mean: 76, median: 76, change: -1 }],
    ]);
    // The week closing on 4 January belongs to 2026: its change counts from the last week of 2025.
    expect(result.years).toEqual([
      { year: 2025, days: 3, mean: 80, low: 79, high: 81, change: null },
      { year: 2026, days: 3, mean: 77, low: 76, high: 78, change: -4.5 },
    ]);
  });
  it("withholds a rate below seven days, and says nothing of nothing", () => {
    expect(report(readings(["2026-01-14", 77], ["2026-01-20", 76]), 1, on)).toMatchObject({ total: -1, perWeek: null });
    expect(report([], 1, on)).toBeNull();
  });
});
