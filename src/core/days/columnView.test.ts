import { mustDay } from "@/core/base/calendar/day";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { today, log, answers, rower } = demoAnswers();

describe("the Column", () => {
  const rows = answers.answer("column", { ...rower, from: "2026-05-25", to: "2026-06-21" })!;
  it("has a row a day, with week figures on closing days only", () => {
    expect(rows).toHaveLength(28);
    expect(rows.filter(({ week }) => week !== null).map(({ date }) => date)).toEqual([
      "2026-05-31",
      "2026-06-07",
      "2026-06-14",
    ]);
    expect(rows.find(({ date }) => date === "2026-06-14")!.week!.open).toBe(true);
  });
  it("shows nothing performed, weighed or eaten in days to come, but what is planned", () => {
    for (const row of rows.filter(({ date }) => date > today)) {
      expect(row).toMatchObject({ weighedKg: null, trendKg: null, foodShare: null });
      for (const { status } of row.marks) expect(status).toBe("planned");
    }
    expect(rows.filter(({ date, marks }) => date > today && marks.length > 0).length).toBeGreaterThan(3);
  });
  it("reads a past session left untouched as missed, without rewriting it", () => {
    const all = answers.answer("column", { ...rower, from: "2025-09-11", to: today })!.flatMap(({ marks }) => marks);
    const missed = all.filter(({ status }) => status === "missed");
    expect(missed.length).toBeGreaterThan(0);
    for (const { id } of missed) expect(log.records.sessions.get(id)!.status).toBe("planned");
  });
  it("runs from the first entry to beyond the last plan, in whole weeks", () => {
    const { span } = answers.answer("shell", rower)!;
    expect(span.first <= "2025-09-11").toBe(true);
    expect(span.last >= "2026-06-18").toBe(true);
    expect((mustDay(span.last) - mustDay(span.first) + 1) % 7).toBe(0);
  });
});
