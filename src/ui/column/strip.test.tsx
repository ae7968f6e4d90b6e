import type { ColumnRow } from "@/core/days/columnView";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { Mark } from "./Mark";
import { scaleOf, Strip, stripWidth } from "./Strip";

const row = (trendKg: number | null, weighedKg: number | null = null, extra: Partial<ColumnRow> = {}): ColumnRow => ({
  date: "2026-06-01",
  weighedKg,
  gross: false,
  trendKg,
  low80: trendKg === null ? null : trendKg - 0.2,
  high80: trendKg === null ? null : trendKg + 0.2,
  planKg: null,
  marks: [],
  foodShare: null,
  note: null,
  week: null,
  ...extra,
});

describe("the weight strip", () => {
  it("has a scale that holds every mark, at least two kilograms wide, in half kilograms, and no gross error", () => {
    const scale = scaleOf([row(72.4, 72.9), row(72.3, 71.2), row(72.3, 18.4, { gross: true })]);
    expect(scale.low).toBeLessThanOrEqual(71);
    expect(scale.high).toBeGreaterThanOrEqual(72.9);
    expect(scale.high - scale.low).toBeGreaterThanOrEqual(2);
    expect(scale.low * 2).toBe(Math.round(scale.low * 2));
    expect(scale.low).toBeGreaterThan(60);
    expect(scaleOf([])).toEqual({ low: 0, high: 1 });
  });
  it("draws thread, band and dot inside its width, and pieces of neighbouring days meet", () => {
    const scale = { low: 70, high: 74 };
    const [a, b] = [row(72.5, 73), row(72.3)];
    const first = renderToStaticMarkup(<Strip row={a} next={b} height={34} scale={scale} />);
    const second = renderToStaticMarkup(<Strip before={a} row={b} height={34} scale={scale} />);
    const end =
      /stroke="var\(--pine\)"/.test(first) && /L([\d.]+) 34" fill="none" stroke="var\(--pine\)"/.exec(first)![1];
    expect(second).toContain(`M${end} 0`);
    expect(first).toContain("<circle");
    expect(second).not.toContain("<circle");
    for (const x of [...first.matchAll(/[ML]([\d.]+) /g)].map((match) => Number(match[1])))
      expect(x).toBeLessThanOrEqual(stripWidth);
  });
  it("draws nothing where nothing is known", () => {
    expect(renderToStaticMarkup(<Strip row={row(null)} height={34} scale={{ low: 70, high: 74 }} />)).not.toMatch(
      /<path|<circle/,
    );
  });
});

describe("session marks", () => {
  const markup = (kind: string, status: "planned" | "done" | "partly" | "skipped" | "missed") =>
    renderToStaticMarkup(<Mark kind={kind} status={status} title="A" />);
  it("differ by shape for every standing, colour aside", () => {
    const bare = (["planned", "done", "partly", "skipped", "missed"] as const).map((status) =>
      markup("strength", status)
        .replaceAll(/(aria-label|stroke)="[^"]*"/g, "")
        .replace(/<title>.*<\/title>/, ""),
    );
    expect(new Set(bare).size).toBe(5);
  });
  it("differ by outline for every kind, and say in words what they are", () => {
    expect(
      new Set(
        ["strength", "row", "run", "mobility"].map((kind) =>
          markup(kind, "done").replaceAll(/aria-label="[^"]*"/g, ""),
        ),
      ).size,
    ).toBe(4);
    expect(markup("run", "skipped")).toContain('aria-label="A, skipped"');
  });
});
