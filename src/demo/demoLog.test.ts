import { mustDay } from "@/core/base/calendar/day";
import { weightOf } from "@/core/body/slice";
import { trendDays } from "@/core/body/trend";
import { mean } from "@/core/body/weighIns";
import { personContract } from "@/core/contract";
import { energyOf } from "@/core/energy/slice";
import { kcalPerKg } from "@/core/goals/plan";
import { AsOf } from "@/core/log/asOf";
import { foodDays } from "@/core/nutrition/foodDay";
import { sessionsOf } from "@/core/sessions/slice";
import { strengthOf } from "@/core/strength/slice";
import { readArchive } from "@/formats/archive/read";
import { writeArchive } from "@/formats/archive/write";
import { strToU8 } from "fflate";
import { describe, expect, it } from "vitest";
import { demoLog, partnerId, rowerId } from "./demoLog";

const today = mustDay("2026-06-11");
const log = demoLog(today);
const of = (id: string) => new AsOf(log, id, today);

describe("the demo log", () => {
  it("is the same every time and a sound archive", () => {
    const text = writeArchive(log, "2026-06-11T06:00:00Z");
    expect(writeArchive(demoLog(today), "2026-06-11T06:00:00Z")).toBe(text);
    const reading = readArchive(strToU8(text));
    expect(reading.ok ? [] : reading.problems).toEqual([]);
  });
  it("holds nine months of the rower, less of the partner, and the week to come", () => {
    const rower = of(rowerId);
    expect(weightOf(rower).weighed().length).toBeGreaterThan(220);
    expect(weightOf(rower).weighed().length).toBeLessThan(270);
    expect(weightOf(of(partnerId)).weighed().length).toBeLessThan(100);
    expect(sessionsOf(rower).between(today + 1, Infinity).length).toBeGreaterThan(4);
    expect(
      new Set(
        sessionsOf(rower)
          .between(-Infinity, Infinity)
          .map(({ status }) => status),
      ),
    ).toEqual(new Set(["done", "partly", "skipped", "planned"]));
  });
  it("weight follows what was eaten: the trend's change is the energy balance the trainee ran", () => {
    const rower = of(rowerId);
    const trend = trendDays(weightOf(rower).trend());
    const last = trend.at(-1)!;
    const months = trend.at(-91)!;
    const days = foodDays(rower).filter(({ day, complete }) => complete && day >= months.day && day < today);
    const eaten = mean(days.map(({ eaten }) => eaten.kcal));
    const measured = eaten - ((last.kg - months.kg) * kcalPerKg) / 90;
    const formula = energyOf(rower).restingOn("mifflinStJeor", today);
    const factor = measured / ("kcal" in formula ? formula.kcal : NaN);
    expect(factor).toBeGreaterThan(1.5);
    expect(factor).toBeLessThan(1.9);
  });
  it("the rower is losing towards the weigh-in and the partner gaining, at a sane chance", () => {
    for (const [id, sign] of [
      [rowerId, -1],
      [partnerId, 1],
    ] as const) {
      const asOf = of(id);
      expect(Math.sign(trendDays(weightOf(asOf).trend()).at(-1)!.kgPerWeek)).toBe(sign);
      const projection = weightOf(asOf).projection();
      if ("reason" in projection) throw new Error(projection.reason);
      expect(projection.byDeadline).toBeGreaterThan(0.1);
      expect(projection.byDeadline).toBeLessThan(0.995);
    }
  });
  it("nobody sees anything of the other", () => {
    const rower = JSON.stringify(personContract(of(rowerId)));
    expect(rower).not.toContain(partnerId);
    expect(rower).not.toContain("leg-press");
  });
  it("lifts grow over the months", () => {
    const squat = strengthOf(of(rowerId))
      .lifts()
      .find(({ exerciseId }) => exerciseId === "back-squat")!;
    expect(squat.best!.e1rmKg).toBeGreaterThan(100);
    expect(squat.best!.set.day).toBeGreaterThan(today - 120);
  });
});
