import { describe, expect, it } from "vitest";
import { mustDay } from "../base/calendar/day";
import { reportRows } from "./reportRows";
import type { ReportView } from "./reportView";

const week = {
  closingDay: mustDay("2026-06-14"),
  days: 4,
  mean: 72.9449,
  median: 72.9,
  change: -0.125,
  trend: 72.736,
  planned: null,
};
const view = (unit: string | null) => ({ name: "Weight", unit, report: { weeks: [week] } }) as unknown as ReportView;

describe("a report as rows of a spreadsheet", () => {
  it("of the weight has its trend and its plan, to the second decimal, in the trainee's unit", () => {
    expect(reportRows(view(null), "kg", (kg) => kg)).toEqual([
      ["week closing", "days", "Weight, mean (kg)", "median (kg)", "change (kg)", "trend (kg)", "plan (kg)"],
      ["2026-06-14", 4, 72.94, 72.9, -0.13, 72.74, null],
    ]);
    // 1 lb is 0.45359237 kg exactly (international yard and pound agreement, 1959).
    const inPounds = reportRows(view(null), "lb", (kg) => kg / 0.45359237)[1]!;
    expect(inPounds[2]).toBe(160.82);
  });
  it("of a measure has neither", () => {
    expect(reportRows(view("cm"), "cm", (value) => value)).toEqual([
      ["week closing", "days", "Weight, mean (cm)", "median (cm)", "change (cm)"],
      ["2026-06-14", 4, 72.94, 72.9, -0.13],
    ]);
  });
  it("of nothing has its heads alone", () => {
    expect(reportRows({ ...view(null), report: null } as ReportView, "kg", (kg) => kg)).toHaveLength(1);
  });
});
