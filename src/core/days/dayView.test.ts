import { mustDay } from "@/core/base/calendar/day";
import { contract } from "@/core/contract";
import { partnerId, rowerId } from "@/demo/demoLog";
import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { today, log, answers, rower } = demoAnswers();

describe("a day", () => {
  it("puts planned beside last time, and keeps a person's day from another's", () => {
    const day = answers.answer("day", { ...rower, date: today })!;
    const strength = day.sessions.find(({ title }) => title === "Strength B")!;
    expect(strength.items.map(({ name }) => name)).toEqual([
      "Deadlift",
      "Front squat",
      "Overhead press",
      "Dumbbell row",
      "Back extension",
    ]);
    for (const { planned, done, last } of strength.items) {
      expect(planned).toMatch(/^3 × \d+/);
      expect(done).toBe("");
      expect(last!.date < today).toBe(true);
    }
    const partner = answers.answer("day", { personId: partnerId, today, date: today })!;
    expect(JSON.stringify(partner)).not.toContain(rowerId);
  });
  it("asked for in the past, is what was known then", () => {
    const then = addDays(today, -30);
    const past = answers.answer("day", { ...rower, date: then })!;
    const [asOf] = (
      contract(log, mustDay(then)) as { people: { personId: string; goal: { aboveKg: number } }[] }
    ).people.filter(({ personId }) => personId === rowerId);
    expect("aboveKg" in past.plan && past.plan.aboveKg).toBeCloseTo(asOf!.goal.aboveKg, 8);
  });
  it("has its meals in the order of the day, with their energy together", () => {
    const { meals } = answers.answer("day", { ...rower, date: addDays(today, -1) })!;
    expect(meals.map(({ name }) => name)).toEqual(
      ["breakfast", "lunch", "dinner", "snack"].filter((name) => meals.some((meal) => meal.name === name)),
    );
    for (const { lines, kcal } of meals)
      expect(kcal).toBeCloseTo(
        lines.reduce((sum, { nutrients }) => sum + nutrients!.kcal, 0),
        9,
      );
  });
});
