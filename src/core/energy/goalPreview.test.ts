import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { answers, rower } = demoAnswers();

describe("a goal tried before it is saved", () => {
  const energy = answers.answer("energy", rower)!;
  const rest = energy.kinds[1]!.target;
  it("says of the goal in force what the views say of it", () => {
    const tried = answers.answer("goalPreview", { ...rower, goal: energy.goal!, kcal: null })!;
    if ("reason" in tried || "reason" in energy.arrival || "reason" in rest)
      throw new Error("the demo has a goal with a date");
    expect(tried.pace!.byDeadline).toBe(energy.arrival.chance);
    expect(addDays("1970-01-01", tried.pace!.p50!)).toBe(energy.arrival.p50);
    expect(tried.targetKcal).toBeCloseTo(rest.kcal, 9);
  });
  it("is the likelier the later its deadline, and asks less a day", () => {
    const tried = ["2026-08-01", "2026-10-01", "2026-12-01"].map((date) =>
      answers.answer("goalPreview", { ...rower, goal: { ...energy.goal!, by: { date } }, kcal: null })!,
    );
    const chances = tried.map((one) => ("reason" in one ? NaN : one.pace!.byDeadline));
    expect(chances[0]!).toBeLessThan(chances[1]!);
    expect(chances[1]!).toBeLessThan(chances[2]!);
    expect(tried.map((one) => ("reason" in one ? NaN : one.targetKcal!))).toEqual(
      [...tried.map((one) => ("reason" in one ? NaN : one.targetKcal!))].sort((a, b) => a - b),
    );
  });
  it("by an intake goes where the intake leads: away from the goal, nowhere, or towards it at the rate it gives", () => {
    const expenditure = energy.expenditure;
    if ("reason" in expenditure) throw new Error("the demo's expenditure is known");
    const tried = (balance: number) =>
      answers.answer("goalPreview", { ...rower, goal: energy.goal!, kcal: expenditure.kcal + balance })!;
    expect(tried(300)).toEqual({ reason: "At this intake the weight goes up, away from the goal." });
    expect(tried(0)).toEqual({ reason: "At this intake the weight goes nowhere, away from the goal." });
    // 7,700 kcal a kilogram (common practice, no source): 550 kcal a day less is half a kilogram a week.
    const losing = tried(-550);
    if ("reason" in losing) throw new Error(losing.reason);
    expect(losing.line.kgPerWeek).toBeCloseTo(-0.5, 9);
    expect(losing.kcalPerDay).toBeCloseTo(-550, 9);
    const gaining = answers.answer("goalPreview", {
      ...rower,
      goal: { ...energy.goal!, startKg: 70, targetKg: 71 },
      kcal: expenditure.kcal - 100,
    });
    expect(gaining).toEqual({ reason: "At this intake the weight goes down, away from the goal." });
  });
  it("draws the last eight weeks and a week beyond the deadline, two years ahead at most", () => {
    const course = (date: string) => {
      const tried = answers.answer("goalPreview", { ...rower, goal: { ...energy.goal!, by: { date } }, kcal: null })!;
      if ("reason" in tried) throw new Error(tried.reason);
      return [tried.course[0]!.date, tried.course.at(-1)!.date];
    };
    expect(course("2026-08-13")).toEqual([addDays("2026-06-11", -56), "2026-08-20"]);
    const [, last] = course("2036-01-01");
    expect(last! <= addDays("2026-06-11", 730) && last! > addDays("2026-06-11", 720)).toBe(true);
  });
});
