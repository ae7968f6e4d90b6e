import { mustDay } from "@/core/base/calendar/day";
import { Printer, unitsOf } from "@/core/base/units/printer";
import { bodyView } from "@/core/body/bodyView";
import { AsOf } from "@/core/log/asOf";
import { demoLog, rowerId } from "@/demo/demoLog";
import { dayNumber } from "@/ui/charts/axis";
import { describe, expect, it } from "vitest";
import { chartSummary, marksOf, pointReading } from "./bodyReading";
import { bodySeries } from "./bodySeries";

const asOf = new AsOf(demoLog(mustDay("2026-06-11")), rowerId, mustDay("2026-06-11"));
const whole = bodyView(asOf, { days: null, zoom: null });
const close = bodyView(asOf, { days: 31, zoom: { from: "2026-05-20", to: "2026-06-20" } });
const printer = new Printer(unitsOf({ mass: "kg", distance: "km", energy: "kcal" }));

describe("what the body chart draws", () => {
  it("is every point in the trainee's unit, and nothing falls off the axis", () => {
    for (const unit of ["kg", "lb"] as const) {
      const { data, bottom, high, ticks, target, first, last } = bodySeries(whole, unit);
      expect(data).toHaveLength(whole.points.length);
      const drawn = data.flatMap(({ weighed, second, trend, plan, ahead }) => [weighed, second, trend, plan, ahead]);
      for (const value of [...drawn, target])
        if (value !== null) expect(value >= bottom && value <= high, `${value} ${unit}`).toBe(true);
      expect(ticks.length).toBeLessThanOrEqual(9);
      // The strip lies below the lowest tick.
      expect(bottom).toBeLessThan(ticks[0]!);
      expect([first, last]).toEqual([dayNumber(whole.points[0]!.date), dayNumber(whole.points.at(-1)!.date)]);
    }
    expect(bodySeries(whole, "lb").target! / bodySeries(whole, "kg").target!).toBeCloseTo(2.2046, 4);
  });
  it("keeps gross errors out of its dots, and bands from low to high", () => {
    const gross = { ...whole, points: whole.points.map((point) => ({ ...point, gross: true })) };
    expect(bodySeries(gross, "kg").data.every(({ weighed }) => weighed === null)).toBe(true);
    for (const { band } of bodySeries(whole, "kg").data) if (band !== null) expect(band[0]).toBeLessThan(band[1]);
  });
  it("shows of the arrival only days that are on it, and none of a goal that is reached", () => {
    const { arrival, limit } = bodySeries(whole, "kg");
    if ("reason" in whole.arrival) throw new Error("the demo's goal has a date");
    expect(limit).toBe(true);
    const { first, last } = bodySeries(whole, "kg");
    for (const [key, day] of Object.entries(arrival)) {
      const date = whole.arrival[key as "p10"];
      const within = date !== null && dayNumber(date) >= first && dayNumber(date) <= last;
      expect(day, key).toBe(within ? dayNumber(date) : null);
    }
    const reached = { ...whole, arrival: { ...whole.arrival, arrived: true } };
    expect(bodySeries(reached, "kg").arrival).toEqual({ p10: null, p50: null, p90: null });
  });
  it("draws a week's median over its days, and one of a single day as a mark", () => {
    const view = { ...close, medians: [{ from: "2026-06-08", closingDate: "2026-06-08", kg: 72 }] } as typeof close;
    expect(bodySeries(view, "kg").medians).toEqual([
      { from: dayNumber("2026-06-08"), to: dayNumber("2026-06-08") + 0.5, value: 72 },
    ]);
  });
});

describe("what a point of it says", () => {
  const at = close.points.findIndex(({ date }) => date === "2026-06-09");
  it("is the day's weight, trend, plan and training", () => {
    const says = pointReading(close.points[at]!, printer);
    expect(says).toMatch(/^Tuesday 9 June · weigh-in [\d.]+ .*· trend [\d.]+ \([\d.]+ to [\d.]+\)/);
    expect(says).toContain("against it");
    const ahead = close.points.at(-1)!;
    expect(pointReading(ahead, printer)).toMatch(/at this pace [\d.]+ \([\d.]+ to [\d.]+\)/);
  });
  it("has the notes of the days that it stands for, and of no others", () => {
    expect(marksOf(close, at).map(({ text }) => text)).toEqual(["slept badly"]);
    expect(marksOf(close, at + 1)).toEqual([]);
  });
  it("is summed up for who cannot see it", () => {
    expect(chartSummary(close, printer)).toMatch(/^Body weight: trend from [\d.]+ kg on .* to [\d.]+ kg on .*2026$/);
    expect(chartSummary({ ...close, points: [] }, printer)).toBe("Body weight: nothing to draw yet");
  });
});
