import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { answers, rower } = demoAnswers();

describe("a goal tried before it is saved", () => {
  const energy = answers.answer("energy", rower)!;
  it("says of the goal in force what the views say of it", () => {
    const tried = answers.answer("goalPreview", { ...rower, goal: energy.goal!, kcal: null })!;
    if ("reason" in tried || "reason" in energy.arrival || "reason" in energy.targets.rest)
      throw new Error("the demo has a goal with a date");
    expect(tried.pace!.byDeadline).toBe(energy.arrival.chance);
    expect(addDays("1970-01-01", tried.pace!.p50!)).toBe(energy.arrival.p50);
    expect(tried.targetKcal).toBeCloseTo(energy.targets.rest.kcal, 9);
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
});
