import { describe, expect, it } from "vitest";
import { demoAnswers } from "../../../tests/demoAnswers";

const { today, answers, rower } = demoAnswers();

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
