import { dateOf } from "@/core/base/calendar/day";
import type { GoalPreview } from "@/core/energy/goalPreview";
import { emptyLog, putRecord } from "@/core/log/log";
import { put } from "@/core/log/records";
import { rowerId } from "@/demo/demoLog";
import { addDays } from "@/ui/dates";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../tests/demoAnswers";
import { Answers } from "./queries";

const { today, answers, rower } = demoAnswers();

describe("answers", () => {
  it("are null for a person who is not there, and empty for an empty log", () => {
    expect(answers.answer("shell", { personId: "nobody", today })).toBeNull();
    const none = new Answers(emptyLog(), () => "x");
    expect(none.answer("people", null)).toEqual([]);
    expect(none.answer("holdings", null)!.total).toBe(0);
  });
  it("hold for someone who has written nothing yet: reasons, never a number made up", () => {
    const bare = emptyLog();
    putRecord(bare, "people", { id: "p", name: "Bare" });
    const only = new Answers(bare, () => "x");
    const asking = { personId: "p", today };
    const day = only.answer("day", { ...asking, date: today })!;
    for (const figure of [day.trend, day.plan, day.arrival, day.food.target]) expect(figure).toHaveProperty("reason");
    expect(only.answer("body", { ...asking, days: 31, zoom: null })).toMatchObject({
      mornings: 0,
      weeks: [],
      change: null,
    });
    expect(only.answer("lifts", { ...asking, against: null })).toMatchObject({ lifts: [] });
    expect(only.answer("distance", { ...asking, days: null })!.totals).toEqual([]);
    expect(only.answer("energy", asking)).toMatchObject({ range: null, goal: null, credits: [] });
    expect(only.answer("column", { ...asking, from: today, to: today })).toHaveLength(1);
  });
  it("preview a goal before it is saved", () => {
    const goal = {
      id: "g",
      personId: rowerId,
      of: "weight",
      startDate: today,
      startKg: 80,
      targetKg: 74,
      by: { date: addDays(today, 90) },
    };
    expect(answers.answer("goalPreview", { ...rower, goal, kcal: null })).toMatchObject({
      line: { days: 90 },
      kcalPerDay: expect.closeTo(-513.33, 1) as number,
    });
    expect(
      answers.answer("goalPreview", { ...rower, goal: { ...goal, by: { date: today } }, kcal: null }),
    ).toHaveProperty("reason");
    // Set by what is eaten: 500 kcal under the expenditure is 500 × 7 ÷ 7700 = 0.4545 kg a week.
    const { expenditure } = answers.answer("energy", rower)!;
    const kcal = (expenditure as { kcal: number }).kcal - 500;
    expect(answers.answer("goalPreview", { ...rower, goal, kcal })).toMatchObject({
      goal: { by: { rateKgPerWeek: expect.closeTo(-0.4545, 4) as number } },
      line: { days: 93 },
      targetKcal: expect.closeTo(kcal, 6) as number,
    });
    expect(answers.answer("goalPreview", { ...rower, goal, kcal: kcal + 900 })).toEqual({
      reason: "At this intake the weight goes up, away from the goal.",
    });
    const { course, line } = answers.answer("goalPreview", { ...rower, goal, kcal: null }) as Extract<
      GoalPreview,
      { course: unknown }
    >;
    expect(course.find(({ date }) => date === today)).toMatchObject({ planKg: 80, nowKg: null });
    expect(course.at(-1)!.date > dateOf(line.deadline)).toBe(true);
    expect(answers.answer("holdings", null)!.total).toBeGreaterThan(1000);
    expect(put("people", { id: "p", name: "A" })).toEqual({ kind: "people", put: { id: "p", name: "A" } });
  });
});
