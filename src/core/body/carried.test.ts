import { planFigure, trendFigure } from "@/core/body/keyFigures";
import { weightOf } from "@/core/body/slice";
import { strengthOf } from "@/core/strength/slice";
import { describe, expect, it } from "vitest";
import { dateOf, type Day, mustDay } from "../base/calendar/day";
import { contract } from "../contract";
import { AsOf } from "../log/asOf";
import { emptyLog, type Log, putRecord } from "../log/log";
import { starterExercises } from "../strength/starterExercises";
import { trendDay } from "./trend";

/** A log of one person with mornings, and perhaps a goal. */
function logOf(mornings: readonly (readonly [Day, number])[], goal = true): Log {
  const log = emptyLog();
  putRecord(log, "people", { id: "p", name: "P", sex: "male", birthDate: "1990-01-01", heightCm: 180 });
  for (const exercise of starterExercises) putRecord(log, "exercises", exercise);
  mornings.forEach(([day, kg], index) =>
    putRecord(log, "weighIns", { id: `w${index}`, personId: "p", date: dateOf(day), kg, primary: true }),
  );
  if (goal)
    putRecord(log, "goals", {
      id: "g",
      personId: "p",
      of: "weight",
      startDate: dateOf(mornings[0]![0]),
      startKg: mornings[0]![1],
      targetKg: 75,
      by: { date: "2026-06-30" },
    });
  putRecord(log, "energySettings", {
    id: "e",
    personId: "p",
    from: dateOf(mornings[0]![0]),
    equation: "mifflinStJeor",
    activityFactor: 1.5,
  });
  return log;
}
const first = mustDay("2026-01-01");
const january = Array.from({ length: 15 }, (_, index) => [first + index, 80 - 0.1 * index] as const);
const person = (log: Log, on: string) =>
  (contract(log, mustDay(on)) as { people: unknown[] }).people[0] as {
    goal: {
      arrived: boolean;
      doneShare: number;
      aboveKg: number | null;
      projected: { p50: string | null };
      reason: string;
    };
    energy: { resting: { mifflinStJeor: number | null; reason?: string } };
  };

describe("a weight is not carried without limit", () => {
  it("is never an arrival, and holds the last level for what rests on it", () => {
    const { goal, energy } = person(logOf(january), "2026-04-01");
    expect(goal).toMatchObject({ arrived: false, aboveKg: null, projected: { p50: null } });
    expect(goal.doneShare).toBeGreaterThan(0.2);
    expect(goal.doneShare).toBeLessThan(0.36);
    expect(goal.reason).toContain("the last weigh-in is 76 days old");
    // Mifflin–St Jeor at the last level of about 78.7 kg, 180 cm, 36 years: 10 × 78.7 + 6.25 × 180 − 5 × 36 + 5 = 1737.
    expect(energy.resting.mifflinStJeor).toBeGreaterThan(1730);
    expect(energy.resting.mifflinStJeor).toBeLessThan(1745);
    expect(person(logOf(january), "2028-01-15").energy.resting).toMatchObject({
      mifflinStJeor: null,
      reason: expect.stringContaining("days old") as string,
    });
  });
  it("that fell fast is held, five years on, for a pull-up and an hour's training", () => {
    const log = logOf(
      Array.from({ length: 40 }, (_, index) => [first + index, 90 - 0.2 * index] as const),
      false,
    );
    putRecord(log, "sessions", {
      id: "s",
      personId: "p",
      date: "2031-01-01",
      kind: "strength",
      status: "done",
      minutes: 60,
      items: [{ id: "i", exerciseId: "pull-up", sets: [{ id: "1", done: { reps: 5, kg: 0 } }] }],
    });
    const asOf = new AsOf(log, "p", mustDay("2031-01-01"));
    expect(weightOf(asOf).on(mustDay("2031-01-01"))).toBeCloseTo(82.3, 0);
    expect(strengthOf(asOf).liftOf("pull-up")!.best!.set.totalKg).toBeGreaterThan(80);
  });
  it("goes forward with its interval for four weeks, dated; a pace is not called too fast after one", () => {
    const log = logOf(january);
    const at = (date: string) => {
      const asOf = new AsOf(log, "p", mustDay(date));
      return { trend: trendFigure(asOf), plan: planFigure(asOf) };
    };
    const [now, soon, late] = [at("2026-01-15"), at("2026-02-05"), at("2026-02-20")];
    if ("reason" in now.trend || "reason" in soon.trend) throw new Error("there is a trend");
    expect(soon.trend).toMatchObject({ date: "2026-01-15", carriedDays: 21 });
    expect(soon.trend.high80 - soon.trend.low80).toBeGreaterThan(2 * (now.trend.high80 - now.trend.low80));
    expect(soon.plan).not.toMatchObject({ standing: "too fast" });
    expect(late.trend).toHaveProperty("reason");
    expect(late.plan).toHaveProperty("reason");
    expect(at("2026-01-05").trend).toMatchObject({ kgPerWeek: null });
  });
  it("between weigh-ins years apart neither sags nor soars: 74 kg and five years later 84 kg give about 79, with a wide band", () => {
    for (const rate of [-0.04, 0, 0.04]) {
      const from = mustDay("2019-03-01");
      const to = mustDay("2024-03-01");
      const mornings = [
        ...Array.from(
          { length: 30 },
          (_, index) => [from + index, 74 + rate * (index - 29) + 0.3 * Math.sin(index * 2.4)] as const,
        ),
        ...Array.from(
          { length: 30 },
          (_, index) => [to + index, 84 - rate * index + 0.3 * Math.sin(index * 2.4)] as const,
        ),
      ];
      const trend = weightOf(new AsOf(logOf(mornings, false), "p", to + 30)).trend();
      const middle = trendDay(trend, Math.round((from + 29 + to) / 2))!;
      expect(middle.kg).toBeGreaterThan(76);
      expect(middle.kg).toBeLessThan(82);
      expect(middle.high80 - middle.low80).toBeGreaterThan(4);
      const between = Array.from({ length: to - from - 29 }, (_, index) => trendDay(trend, from + 29 + index)!.kg);
      expect(Math.min(...between)).toBeGreaterThan(70.5);
      expect(Math.max(...between)).toBeLessThan(87.5);
    }
  });
});
