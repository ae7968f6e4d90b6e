import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { today, answers, rower } = demoAnswers();

describe("the view of food agrees with the contract", () => {
  it("food", () => {
    const { food, week } = answers.answer("food", { ...rower, date: addDays(today, -1) })!;
    expect(week.some(({ day }) => day === food.day)).toBe(true);
    expect(food.remainingKcal).not.toBeNull();
  });
});
