import { mustDay } from "@/core/base/calendar/day";
import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";
import { smallAsOf, weighedFrom } from "../../../tests/smallLog";
import { columnSpan, columnView } from "./columnView";

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
  it("runs at least eight weeks back and two ahead, in whole weeks, where little is written", () => {
    // The 11th of June 2026 is a Thursday: eight weeks back from it, counting it, is Friday 17 April.
    const asOf = smallAsOf("2026-06-11", { weighIns: weighedFrom("2026-06-11", 72) });
    expect(columnSpan(asOf)).toEqual({ first: "2026-04-13", last: "2026-06-28" });
    const far = smallAsOf("2026-06-11", {
      weighIns: weighedFrom("2026-03-04", 72),
      sessions: [{ date: "2026-07-08", kind: "run", status: "planned" }],
    });
    expect(columnSpan(far)).toEqual({ first: "2026-03-02", last: "2026-07-12" });
  });
  it("shows the share of the day's target that was eaten, and none where nothing was", () => {
    const food = rows.filter(({ date }) => date <= today).map(({ foodShare }) => foodShare);
    expect(food.filter((share) => share !== null && share > 0.3 && share < 2).length).toBeGreaterThan(10);
    const none = smallAsOf("2026-06-11", { weighIns: weighedFrom("2026-06-01", 72, 72.2, 71.9) });
    expect(columnView(none, mustDay("2026-06-08"), mustDay("2026-06-11")).map(({ foodShare }) => foodShare)).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });
});
