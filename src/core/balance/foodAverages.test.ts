import { expect, it } from "vitest";
import { smallAsOf } from "../../../tests/smallLog";
import { dateOf, mustDay } from "../base/calendar/day";
import { foodAverages } from "./foodAverages";

const today = mustDay("2026-06-10");
const meal = (back: number, kcal: number, protein: number, more: object = {}) => ({
  date: dateOf(today - back),
  status: "eaten",
  meal: "lunch",
  name: "all",
  nutrients: { kcal, protein },
  ...more,
});

it("means are of whole days alone, by span, weekday and kind of day, protein by meal", () => {
  const view = foodAverages(
    smallAsOf(dateOf(today), {
      meals: [
        meal(1, 2000, 100),
        meal(1, 400, 60, { meal: "dinner" }),
        meal(2, 2200, 120),
        meal(3, 300, 10),
        meal(20, 1900, 80),
        meal(0, 500, 40),
      ],
      dayNotes: [{ date: dateOf(today - 3), foodComplete: false }],
      sessions: [{ date: dateOf(today - 2), kind: "run", status: "done" }],
    }),
  );
  // 7 days: (2400 + 2200) ÷ 2; 28 days: with 1900.
  expect(view.spans.map(({ name, days, nutrients }) => [name, days, nutrients.kcal])).toEqual([
    ["7 days", 2, 2300],
    ["28 days", 3, expect.closeTo(6500 / 3)],
  ]);
  expect(view.kinds.map(({ name, days }) => [name, days])).toEqual([
    ["training day", 1],
    ["rest day", 2],
  ]);
  // Monday 8 June, Tuesday 9 June, Thursday 21 May.
  expect(view.weekdays.map(({ name, nutrients }) => [name, nutrients.kcal])).toEqual([
    ["1", 2200],
    ["2", 2400],
    ["4", 1900],
  ]);
  expect(view.protein).toEqual([
    { meal: "lunch", grams: 100, share: expect.closeTo(300 / 360) },
    { meal: "dinner", grams: 20, share: expect.closeTo(60 / 360) },
  ]);
  expect(view.left).toBe(25);
  expect(foodAverages(smallAsOf(dateOf(today), {})).spans).toEqual([]);
});
