// Source: simulation. Made-up trainees of whom everything is known, lived by an energy balance (not the model that the
// trend assumes). What is
// said of the truth is held to its own words: an 80 % interval should hold it about four times in five. `npm run
// coverage` prints the numbers
// that docs/methods.md quotes.
import { carryForward, project } from "@/core/body/projection";
import { trendDay, trendDays, weightTrend, z80 } from "@/core/body/trend";
import type { PlanLine } from "@/core/goals/plan";
import { describe, expect, it } from "vitest";
import { firstDay, simulatedTrainees } from "./simulatedTrainees";

const trainees = simulatedTrainees(300, 2026);
const trends = trainees.map(({ weighed }) => weightTrend(weighed));

/** Counts how often something holds. */
class Share {
  holds = 0;
  of = 0;
  take(held: boolean): void {
    this.holds += Number(held);
    this.of += 1;
  }
  get share(): number {
    return this.holds / this.of;
  }
}

/**
 * Rate of the true weight around a day, kilograms a week: over a fortnight, since from one day to the next it is mostly
 * chance.
 */
const trueRate = (tissue: readonly number[], day: number) => (tissue[day + 7]! - tissue[day - 7]!) / 2;

function report(name: string, value: number): void {
  if (process.env.REPORT) console.info(`${name.padEnd(70)} ${(100 * value).toFixed(1)} %`);
}

describe("three hundred trainees whose true weight is known", () => {
  it("the level's 80 % interval holds the truth about four days in five, and the level is within 0.2 kg on average", () => {
    const level = new Share();
    let error = 0;
    trends.forEach((trend, index) => {
      for (const { day, kg, low80, high80 } of trendDays(trend)) {
        const truly = trainees[index]!.tissue[day - firstDay]!;
        level.take(low80 <= truly && truly <= high80);
        error += Math.abs(kg - truly);
      }
    });
    report("level, every day", level.share);
    report("level, mean error in kg × 100", error / level.of);
    expect(level.share).toBeGreaterThan(0.74);
    expect(level.share).toBeLessThan(0.86);
    expect(error / level.of).toBeLessThan(0.2);
  });
  it("the level on the last day, when nothing later is known", () => {
    const level = new Share();
    trends.forEach((trend, index) => {
      const { day, low80, high80 } = trendDay(trend, trend.last)!;
      const truly = trainees[index]!.tissue[day - firstDay]!;
      level.take(low80 <= truly && truly <= high80);
    });
    report("level, last day", level.share);
    expect(level.share).toBeGreaterThan(0.74);
    expect(level.share).toBeLessThan(0.86);
  });
  it("the rate", () => {
    const [within, last] = [new Share(), new Share()];
    trends.forEach((trend, index) => {
      const { tissue } = trainees[index]!;
      for (let day = trend.first + 7; day <= trend.last; day += 7) {
        const { kgPerWeek, kgPerWeekSd } = trendDay(trend, day)!;
        within.take(Math.abs(kgPerWeek - trueRate(tissue, day - firstDay)) <= z80 * kgPerWeekSd);
      }
      const end = trendDay(trend, trend.last)!;
      last.take(Math.abs(end.kgPerWeek - trueRate(tissue, trend.last - firstDay)) <= z80 * end.kgPerWeekSd);
    });
    report("rate, every seventh day", within.share);
    report("rate, last day", last.share);
    expect(within.share).toBeGreaterThan(0.74);
    expect(within.share).toBeLessThan(0.86);
  });
  it.each([2, 4, 8, 12, 24])("the level carried %i weeks ahead", (weeks) => {
    const ahead = new Share();
    trends.forEach((trend, index) => {
      const { day, low80, high80 } = carryForward(trend, trend.last + 7 * weeks).at(-1)!;
      const truly = trainees[index]!.tissue[day - firstDay]!;
      ahead.take(low80 <= truly && truly <= high80);
    });
    report(`level, ${weeks} weeks ahead`, ahead.share);
    expect(ahead.share).toBeGreaterThan(0.74);
    expect(ahead.share).toBeLessThan(0.86);
  });
  it("the arrival date lies between its 10th and 90th percentile, and the probability of a deadline means what it says", () => {
    const dates = new Share();
    const calls: { said: number; came: boolean }[] = [];
    trends.forEach((trend, index) => {
      const { tissue, asked, targetKg } = trainees[index]!;
      const startKg = tissue[0]!;
      const on = firstDay + asked;
      const arrival =
        firstDay + tissue.findIndex((kg, day) => day > asked && (targetKg < startKg ? kg <= targetKg : kg >= targetKg));
      expect(arrival).toBeGreaterThan(on);
      const deadline = on + 60;
      const line: PlanLine = {
        goalId: "",
        startDay: firstDay,
        deadline,
        days: asked + 60,
        startKg,
        targetKg,
        kgPerWeek: ((targetKg - startKg) / (asked + 60)) * 7,
        by: "deadline",
        limit: false,
      };
      const projection = project(trend, line, on);
      if ("reason" in projection) throw new Error(projection.reason);
      const { p10, p90, byDeadline } = projection;
      dates.take((p10 ?? Infinity) <= arrival && arrival <= (p90 ?? Infinity));
      calls.push({ said: byDeadline, came: arrival <= deadline });
    });
    report("arrival date", dates.share);
    const said = calls.reduce((sum, call) => sum + call.said, 0) / calls.length;
    const came = calls.filter((call) => call.came).length / calls.length;
    report("deadline met, said on average", said);
    report("deadline met, in truth", came);
    expect(dates.share).toBeGreaterThan(0.74);
    expect(dates.share).toBeLessThan(0.86);
    expect(Math.abs(said - came)).toBeLessThan(0.08);
  });
  it("what was known on a day (filtered) misses the truth by less than the scale itself does", () => {
    let [filtered, scale] = [0, 0];
    trends.forEach((trend, index) => {
      for (const { day, filteredKg, weighedKg } of trendDays(trend).slice(30)) {
        if (weighedKg === null) continue;
        const truly = trainees[index]!.tissue[day - firstDay]!;
        filtered += Math.abs(filteredKg - truly);
        scale += Math.abs(weighedKg - truly);
      }
    });
    report("error of what was known that day, share of the scale's", filtered / scale);
    expect(filtered / scale).toBeLessThan(0.75);
  });
});
