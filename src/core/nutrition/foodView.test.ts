import { Answers, type Asking } from "@/compute/queries";
import { mustDay } from "@/core/base/calendar/day";
import { demoLog, rowerId } from "@/demo/demoLog";
import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";

const today = "2026-06-11";
const log = demoLog(mustDay(today));
let next = 0;
const answers = new Answers(log, () => `new${next++}`);
const rower: Asking = { personId: rowerId, today };

describe("the view of food agrees with the contract", () => {
  it("food", () => {
    const { food, week } = answers.answer("food", { ...rower, date: addDays(today, -1) })!;
    expect(week.some(({ day }) => day === food.day)).toBe(true);
    expect(food.remainingKcal).not.toBeNull();
  });
});
