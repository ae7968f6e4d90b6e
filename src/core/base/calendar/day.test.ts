import dayjs from "dayjs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ageOn, closingDay, dateOf, dayOf, monthStartOf, mustDay, type Weekday, weekdayOf, weekStartOf } from "./day";

const anyDay = fc.integer({ min: -20_000, max: 60_000 });
const anyStart = fc.integer({ min: 1, max: 7 }) as fc.Arbitrary<Weekday>;

describe("civil dates", () => {
  it("goes to a date and back", () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        expect(dayOf(dateOf(day))).toBe(day);
      }),
    );
  });
  it("refuses what is not a day", () => {
    for (const text of [
      "2026-02-30",
      "2025-02-29",
      "2026-13-01",
      "0000-00-00",
      "26-01-01",
      "2026-1-1",
      "",
      "2026-01-01T00:00",
    ])
      expect(dayOf(text)).toBeNull();
    expect(dayOf("2024-02-29")).not.toBeNull();
    expect(() => mustDay("never")).toThrow(RangeError);
  });
  it("knows the weekday as a general date library does", () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        expect(weekdayOf(day) % 7).toBe(dayjs(dateOf(day)).day());
      }),
    );
  });
  it("puts each day in exactly one week", () => {
    fc.assert(
      fc.property(anyDay, anyStart, (day, start) => {
        const first = weekStartOf(day, start);
        expect(weekdayOf(first)).toBe(start);
        expect(day - first).toBeGreaterThanOrEqual(0);
        expect(closingDay(day, start) - first).toBe(6);
        expect(closingDay(day, start)).toBeGreaterThanOrEqual(day);
      }),
    );
  });
  it("counts age on birthdays", () => {
    expect(ageOn(mustDay("1996-05-01"), mustDay("2026-04-30"))).toBe(29);
    expect(ageOn(mustDay("1996-05-01"), mustDay("2026-05-01"))).toBe(30);
    expect(ageOn(mustDay("2000-02-29"), mustDay("2001-02-28"))).toBe(0);
    expect(ageOn(mustDay("2000-02-29"), mustDay("2001-03-01"))).toBe(1);
  });
  it("finds the month's first day", () => {
    expect(dateOf(monthStartOf(mustDay("2024-02-29")))).toBe("2024-02-01");
  });
});
