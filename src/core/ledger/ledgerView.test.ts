import { Answers, type Asking } from "@/compute/queries";
import { mustDay } from "@/core/base/calendar/day";
import { demoLog, rowerId } from "@/demo/demoLog";
import { describe, expect, it } from "vitest";

const today = "2026-06-11";
const log = demoLog(mustDay(today));
let next = 0;
const answers = new Answers(log, () => `new${next++}`);
const rower: Asking = { personId: rowerId, today };

describe("the ledger", () => {
  const rows = answers.answer("ledger", { ...rower, from: "2026-06-01", to: "2026-06-14" })!;
  const body = answers.answer("body", { ...rower, days: null, zoom: null })!;
  it("prints each day as the views have it, and nothing performed or eaten in days to come", () => {
    const day = rows.find(({ date }) => date === "2026-06-08")!;
    const point = body.points.find(({ date }) => date === "2026-06-08")!;
    expect(day.cells).toMatchObject({
      weight: point.weighedKg!.toFixed(1),
      trend: point.trendKg!.toFixed(2),
      plan: point.planKg!.toFixed(2),
      sessions: "Strength A",
    });
    for (const { cells } of rows.filter(({ date }) => date > today))
      expect(cells).toMatchObject({ weight: "", trend: "", volume: "", distance: "", energy: "", protein: "" });
  });
  it("gives back what it prints: pasted onto itself it changes nothing", () => {
    const paste = rows
      .filter(({ date }) => date <= today)
      .map(({ date, cells }) => [date, cells.weight, cells.time, cells.influence].join("\t"))
      .join("\n");
    const preview = answers.answer("ledgerPreview", {
      ...rower,
      ask: {
        paste,
        at: { date: today, column: "weight" },
        columns: ["weight", "time", "influence"],
        order: null,
        unit: null,
      },
    })!;
    expect(preview).toMatchObject({ changes: [], refused: [], lines: [], change: [] });
  });
});
