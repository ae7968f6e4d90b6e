import { Answers } from "@/compute/queries";
import { kinds } from "@/core/log/kinds/all";
import { dateOf, mustDay } from "@/core/base/calendar/day";
import type { Meal } from "@/core/log/kinds/meals";
import type { Session } from "@/core/log/kinds/sessions";
import { emptyLog, putRecord } from "@/core/log/log";
import { type Change } from "@/core/log/records";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { today, log, answers, rower } = demoAnswers();

describe("entries", () => {
  const read = (text: string) => answers.answer("entry", { ...rower, date: today, text, dateOrder: null })!;
  const sound = (change: Change | null) =>
    change!.every((step) => "remove" in step || kinds[step.kind].schema.safeParse(step.put).success);
  it("are read against the person's own log and give sound records", () => {
    for (const text of [
      "72.4",
      "front squat 3x6 82.5 rpe 8",
      "row 6.5 km 28:00",
      "breakfast: 80 g oats, 2 eggs",
      "yesterday: 1 portion lentil soup",
      "skip Strength B tired",
    ]) {
      const { change, problems } = read(text);
      expect(problems).toEqual([]);
      expect(sound(change)).toBe(true);
    }
    expect(read("front squat 3x6 82.5 rpe 8").fields.at(-1)!.text).toMatch(/\(best \d+\.\d, \d+ \w+ \d{4}\)$/);
    expect(read("84").caution).toContain("expected");
  });
  it("write what was eaten on another day again, whole or one meal of it", () => {
    const again = (text: string) => {
      const found = read(text);
      expect([text, found.problems]).toEqual([text, []]);
      const meals = found.change!.map((step) => (step as { put: Meal }).put);
      return { ...found, meals, places: new Set(meals.map(({ date, meal, status }) => `${date} ${meal} ${status}`)) };
    };
    const eaten = (date: string) => answers.answer("food", { ...rower, date })!;
    const yesterday = eaten(dateOf(mustDay(today) - 1));
    const whole = again("same as yesterday");
    expect(whole.meals.length).toBe(yesterday.meals.flatMap(({ lines }) => lines).length);
    expect(new Set(whole.meals.map(({ date }) => date))).toEqual(new Set([today]));
    expect(again("lunch: the same as yesterday").places).toEqual(new Set([`${today} lunch eaten`]));
    // 8 June 2026 is the Monday before Thursday the 11th.
    const monday = eaten("2026-06-08").meals.find(({ name }) => name === "dinner")!;
    const dinner = again("tomorrow: dinner as last Monday");
    expect(dinner.places).toEqual(new Set(["2026-06-12 dinner planned"]));
    expect(dinner.meals.map(({ foodId, grams }) => [foodId, grams])).toEqual(
      monday.lines.map(({ meal }) => [meal.foodId, meal.grams]),
    );
    expect(again("breakfast as the day before").fields[0]!.text).toBe("breakfast of 10 Jun 2026");
    expect(read("same as today").problems[0]!.message).toBe("That is the day itself.");
    expect(read("lunch as 3 Jan 2001").problems[0]!.message).toBe("Nothing is written as lunch of 3 Jan 2001.");
    expect(read("same as whenever").problems[0]!.message).toMatch(/is no date/);
  });
  it("fill the plan: figures after the commit are those promised before it", () => {
    let made = 0;
    const working = emptyLog();
    for (const [kind, records] of Object.entries(log.records))
      for (const record of records.values()) putRecord(working, kind as "people", record as never);
    const mine = new Answers(working, () => `own${made++}`);
    const { change, fields } = mine.answer("entry", {
      ...rower,
      date: today,
      text: "deadlift 3x5 140 kg rpe 9",
      dateOrder: null,
    })!;
    const promised = Number(/^(\d+\.\d)/.exec(fields.at(-1)!.text)![1]);
    const session = (change![0] as { put: Session }).put;
    expect(session.title).toBe("Strength B");
    putRecord(working, "sessions", session);
    const { latest } = mine
      .answer("lifts", { ...rower, against: null })!
      .lifts.find(({ exercise }) => exercise.id === "deadlift")!;
    expect(latest!.e1rmKg).toBeCloseTo(promised, 1);
    expect(latest!.date).toBe(today);
  });
});
