import { describe, expect, it } from "vitest";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { photosView } from "../body/photosView";
import { reportView } from "./reportView";

const asOf = smallAsOf("2026-06-28", {
  measures: [
    { id: "waist", name: "Waist", unit: "cm" },
    { id: "hips", name: "Hips", unit: "cm" },
  ],
  weighIns: weighedFrom("2026-06-01", ...Array.from({ length: 28 }, (_, index) => 80 - index / 14)),
  readings: [
    { measureId: "waist", date: "2026-06-01", value: 90 },
    { measureId: "waist", date: "2026-06-15", value: 89 },
    { measureId: "waist", date: "2026-06-15", value: 88.5 },
  ],
  goals: [
    { startDate: "2026-06-01", startKg: 80, targetKg: 78, by: { date: "2026-06-29" }, why: "a race" },
    { of: "waist", startDate: "2026-06-01", startValue: 90, targetValue: 86, by: { date: "2026-06-29" } },
  ],
  dayNotes: [
    { date: "2026-05-20", text: "before it" },
    { date: "2026-06-10", text: "ill" },
  ],
  photos: [
    { date: "2026-06-20", file: "b.jpg" },
    { date: "2026-06-02", file: "a.jpg" },
    { date: "2026-07-02", file: "later.jpg" },
  ],
});
const ask = { from: null, until: null };

describe("a report", () => {
  it("is of the weight or of any measure that was read", () => {
    const { choices, of, name, unit } = reportView(asOf, { of: "weight", ...ask });
    expect(choices.map((one) => one.name)).toEqual(["Weight", "Waist"]);
    expect([of, name, unit]).toEqual(["weight", "Weight", null]);
    expect(reportView(asOf, { of: "gone", ...ask }).of).toBe("weight");
  });
  it("has the goal's line on its last day, the notes of its days and its first and latest picture", () => {
    const view = reportView(asOf, { of: "weight", ...ask });
    expect(view.report!.start.value).toBe(80);
    // 2 kg in 28 days: after 27 days the line is at 80 − 54 ÷ 28.
    expect(view.goal!.asked).toBeCloseTo(80 - 54 / 28, 12);
    expect(view.goal).toMatchObject({ target: 78, why: "a race" });
    expect(view.notes.map(({ text }) => text)).toEqual(["ill"]);
    expect([view.photos!.first.file, view.photos!.latest.file]).toEqual(["a.jpg", "b.jpg"]);
  });
  it("of a measure takes a day's last reading, and its own goal", () => {
    const view = reportView(asOf, { of: "waist", ...ask });
    expect(view.report).toMatchObject({ start: { value: 90 }, current: { value: 88.5 }, total: -1.5 });
    expect(view.goal).toMatchObject({ start: 90, target: 86, asked: 88, apart: 0.5 });
    expect(view.trend).toBeNull();
  });
  it("of some days alone says nothing of the others", () => {
    const view = reportView(asOf, { of: "weight", from: "2026-06-15", until: "2026-06-21" });
    expect(view.report!.start.value).toBeCloseTo(79, 12);
    // 15 to 21 June, both included.
    expect(view.report!.current.value).toBeCloseTo(80 - 20 / 14, 12);
    expect([view.notes, view.photos]).toEqual([[], null]);
    expect(reportView(asOf, { of: "weight", from: "2027-01-01", until: null }).report).toBeNull();
  });
});

describe("photographs", () => {
  it("stand oldest first up to the day asked about, with the trend of their day", () => {
    expect(photosView(asOf).map(({ file }) => file)).toEqual(["a.jpg", "b.jpg"]);
    expect(photosView(asOf)[0]!.kg).toBeCloseTo(79.9, 0);
  });
});
