import { dateOf, mustDay, weekdayOf } from "@/core/base/calendar/day";
import { afterAll, describe, expect, it, vi } from "vitest";
import { tickDates } from "./charts/axis";
import { addDays, columnDate, daysBetween, fullDate, longDate, shortDate, weekName } from "./dates";

const before = process.env.TZ;
afterAll(() => {
  process.env.TZ = before;
});

/** With and without summer time, either side of the date line, and zones whose midnight is skipped once a year. */
const zones = [
  "UTC",
  "Europe/Lisbon",
  "America/New_York",
  "America/Sao_Paulo",
  "Asia/Kolkata",
  "Asia/Beirut",
  "Africa/Cairo",
  "Pacific/Kiritimati",
  "Pacific/Pago_Pago",
  "Australia/Lord_Howe",
];

describe.each(zones)("dates under %s", (zone) => {
  it("never slip by a day, on any day of two years", () => {
    process.env.TZ = zone;
    const names = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
    for (let day = mustDay("2025-01-01"); day < mustDay("2027-01-01"); day++) {
      const date = dateOf(day);
      expect(columnDate(date)).toBe(`${names[weekdayOf(day) - 1]} ${Number(date.slice(8))}`);
      expect(addDays(date, 1)).toBe(dateOf(day + 1));
      expect(daysBetween(date, addDays(date, 40))).toBe(40);
    }
    expect(fullDate("2026-10-25")).toBe("25 Oct 2026");
    vi.useFakeTimers({ now: new Date("2026-06-11T12:00:00Z") });
    expect([longDate("2026-03-29"), longDate("2019-03-29")]).toEqual(["Sunday 29 March", "Friday 29 March 2019"]);
    expect([weekName("2026-06-07"), weekName("2024-03-03")]).toEqual(["1 Jun", "26 Feb 2024"]);
    expect([shortDate("2026-01-31"), shortDate("2024-02-29"), shortDate("2027-11-02")]).toEqual([
      "31 Jan",
      "29 Feb 2024",
      "2 Nov 2027",
    ]);
    expect(tickDates([mustDay("2026-01-01"), mustDay("2026-06-01")])(mustDay("2026-03-29"))).toBe("29 Mar");
    expect(tickDates([mustDay("2006-01-01"), mustDay("2026-06-01")])(mustDay("2016-03-29"))).toBe("Mar 2016");
    vi.useRealTimers();
  });
});
