import { partnerId } from "@/demo/demoLog";
import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers, rowerContract } from "../../../tests/demoAnswers";

const { today, log, answers, rower } = demoAnswers();

describe("the body view agrees with the contract", () => {
  const person = rowerContract(log, today);
  it("body", () => {
    const body = answers.answer("body", { ...rower, days: null, zoom: null })!;
    expect("kg" in body.trend && body.trend.kg).toBeCloseTo(person.weight.trend.at(-1)!.kg, 7);
    expect(body.weeks.at(-1)!.medianKg).toBeCloseTo(person.weight.weekly.at(-1)!.medianKg, 7);
    expect(body.points.length).toBeLessThanOrEqual(425);
    expect(answers.answer("body", { ...rower, days: 31, zoom: null })!.points.length).toBeLessThan(body.points.length);
  });
  it("body looked at closely: the stretch alone, day by day, with its notes and second weigh-ins", () => {
    const [from, to] = ["2026-05-20", "2026-06-20"];
    const { points, marks, second } = answers.answer("body", { ...rower, days: 31, zoom: { from, to } })!;
    expect(points.map(({ date }) => date)).toEqual(Array.from({ length: 32 }, (_, index) => addDays(from, index)));
    expect(marks.map(({ text }) => text)).toEqual(["dinner at the boathouse", "cut short, calf", "slept badly"]);
    expect(points.filter(({ secondKg }) => secondKg !== null).length).toBeGreaterThan(3);
    expect(second).toMatchObject({ offset: expect.closeTo(0.9, 0) as number });
    for (const { date, planKg, planLow, planHigh, catchUpKg, trendKg, knownKg } of points) {
      expect(planHigh! - planKg!).toBeCloseTo(planKg! - planLow!, 9);
      expect(catchUpKg === null).toBe(date < today);
      expect(trendKg === null).toBe(date > today);
      if (date > today) expect(knownKg).toBeNull();
      else expect(knownKg).toBeCloseTo(person.weight.trend.find((one) => one.date === date)!.filteredKg, 7);
    }
    expect(points.find(({ date }) => date === today)!.catchUpKg).toBeCloseTo(
      points.find(({ date }) => date === today)!.trendKg!,
      9,
    );
    // Each week's median lies over its days, as far as they are in sight and over.
    const { medians, weeks } = answers.answer("body", { ...rower, days: 31, zoom: { from, to } })!;
    expect(medians.map(({ closingDate }) => closingDate)).toEqual(["2026-05-24", "2026-05-31", "2026-06-07", today]);
    for (const { closingDate, kg } of medians.slice(0, 3))
      expect(kg).toBe(weeks.find((week) => week.closingDate === closingDate)!.medianKg);
    expect(medians[0]!.from).toBe(from);
    expect(answers.answer("body", { ...rower, days: null, zoom: { from: "2020-01-01", to } })!.medians).toEqual([]);
    // A marked change of the partner's stands on their chart, and not on the rower's.
    expect(answers.answer("body", { personId: partnerId, today, days: null, zoom: null })!.marks).toContainEqual({
      date: addDays(today, -58),
      text: "creatine begun, 5 g a day",
      levelMayJump: true,
    });
    expect(marks.some(({ levelMayJump }) => levelMayJump)).toBe(false);
  });
});
