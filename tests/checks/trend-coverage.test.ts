// Source: simulation. Made-up trainees whose true tissue weight is known, lived by the energy-balance model of src/demo/days.ts (not the
// model that the trend assumes): intake steered with weekends and chance, water noise, a rounding scale, missed mornings. What the trend says of the
// truth is held to its own words: an 80 % interval should hold it about four times in five.
import { describe, expect, it } from "vitest";
import { trendDays, weightTrend } from "@/core/body/trend";
import { carryForward } from "@/core/goal/projection";
import { live, type Life } from "@/demo/days";
import { Random } from "@/demo/random";

const life = (lossPerWeek: number): Life => ({
  firstDay: 20_000, lastDay: 20_250, startKg: 78, heightCm: 178, ageYears: 34, sex: "male", aim: (day) => 78 - (lossPerWeek * (day - 20_000)) / 7,
  illness: () => false, holiday: (day) => day > 20_120 && day < 20_130, minutes: { 1: 50, 2: 30, 3: 50, 4: 0, 5: 50, 6: 60, 7: 0 }, weighs: 0.9,
});

const trainees = [-0.1, 0, 0.15, 0.3, 0.45].flatMap((loss) => [1, 2, 3, 4].map((seed) => ({ loss, seed })));
const lived = trainees.map(({ loss, seed }) => {
  const random = new Random(1000 * seed + Math.round(loss * 100) + 7);
  return live(life(loss), random, ({ wantedKcal }) => wantedKcal + random.normal(120));
});
const weighedBy = (days: (typeof lived)[number], last = Infinity) => days.flatMap(({ day, scaleKg }) => (scaleKg === null || day > last ? [] : [{ day, kg: scaleKg, id: String(day) }]));

describe("twenty trainees whose true weight is known", () => {
  it("the level's 80 % interval holds the truth about four days in five, and the level is within 0.2 kg on average", () => {
    let inside = 0;
    let total = 0;
    let error = 0;
    for (const days of lived) {
      const truth = new Map(days.map(({ day, tissueKg }) => [day, tissueKg]));
      for (const { day, kg, low80, high80 } of trendDays(weightTrend(weighedBy(days)))) {
        const truly = truth.get(day)!;
        inside += Number(low80 <= truly && truly <= high80);
        error += Math.abs(kg - truly);
        total += 1;
      }
    }
    expect(inside / total).toBeGreaterThan(0.7);
    expect(inside / total).toBeLessThan(0.92);
    expect(error / total).toBeLessThan(0.2);
  });
  it("what was known on a day (filtered) misses the truth by less than the scale itself does", () => {
    let filtered = 0;
    let scale = 0;
    for (const days of lived) {
      const truth = new Map(days.map(({ day, tissueKg }) => [day, tissueKg]));
      for (const { day, filteredKg, weighedKg } of trendDays(weightTrend(weighedBy(days))).slice(30)) {
        if (weighedKg === null) continue;
        filtered += Math.abs(filteredKg - truth.get(day)!);
        scale += Math.abs(weighedKg - truth.get(day)!);
      }
    }
    expect(filtered / scale).toBeLessThan(0.75);
  });
  it("carried four weeks ahead, the interval still holds the truth about four times in five", () => {
    let inside = 0;
    let total = 0;
    for (const days of lived) {
      for (const from of [20_080, 20_100, 20_150, 20_175, 20_200, 20_220]) {
        const trend = weightTrend(weighedBy(days, from))!;
        for (const { day, low80, high80 } of carryForward(trend, from + 28)) {
          const truly = days.find((one) => one.day === day)!.tissueKg;
          inside += Number(low80 <= truly && truly <= high80);
          total += 1;
        }
      }
    }
    expect(inside / total).toBeGreaterThan(0.65);
    expect(inside / total).toBeLessThan(0.95);
  });
});
