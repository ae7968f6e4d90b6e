import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { type Mode, tokens } from "./tokens";

const css = readFileSync(new URL("./base.css", import.meta.url), "utf8");
const channels = (hex: string) =>
  [1, 3, 5].map((at) => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
const luminance = (hex: string) => {
  const [r, g, b] = channels(hex) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};
/** Contrast of WCAG 2.2, section 1.4.3. */
const contrast = (a: string, b: string) => {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (high + 0.05) / (low + 0.05);
};

/**
 * Colour-vision deficiencies in linear RGB. Source: Viénot, Brettel & Mollon 1999, Color Res Appl 24:243 (matrices from
 * memory).
 */
const seenBy: Record<string, number[][]> = {
  protan: [
    [0.11238, 0.88762, 0],
    [0.11238, 0.88762, 0],
    [0.00401, -0.00401, 1],
  ],
  deutan: [
    [0.29275, 0.70725, 0],
    [0.29275, 0.70725, 0],
    [-0.02234, 0.02234, 1],
  ],
};

describe.each(["light", "dark"] as Mode[])("the %s colours", (mode) => {
  const t = tokens[mode];
  it("are the same in the style sheet", () => {
    const block = mode === "light" ? css.split("}")[0]! : css.split('[data-mode="dark"]')[1]!.split("}")[0]!;
    for (const [name, value] of Object.entries(t)) expect(block).toContain(`--${name}: ${value};`);
  });
  it("carry text at 4.5 to 1 on paper and on the wash", () => {
    for (const name of ["ink", "pine", "oat", "plum", "slate"] as const)
      for (const ground of [t.paper, t.wash]) expect(contrast(t[name], ground)).toBeGreaterThanOrEqual(4.5);
  });
  it("stay apart for red-green colour-vision deficiencies by at least ten CIELAB units (a just visible difference is about 2.3)", () => {
    const data = [t.ink, t.pine, t.oat, t.plum];
    for (const matrix of Object.values(seenBy)) {
      const seen = data.map((hex) =>
        lab(
          matrix.map((row) =>
            Math.max(
              0,
              row.reduce((sum, weight, i) => sum + weight * channels(hex)[i]!, 0),
            ),
          ),
        ),
      );
      seen.forEach((a, i) =>
        seen.slice(i + 1).forEach((b) => expect(Math.hypot(...a.map((value, k) => value - b[k]!))).toBeGreaterThan(10)),
      );
    }
  });
});

/** CIELAB of linear RGB under D65. Source: CIE 15. */
function lab(rgb: number[]): number[] {
  const [r, g, b] = rgb as [number, number, number];
  const f = (value: number) => (value > 0.008856 ? Math.cbrt(value) : 7.787 * value + 16 / 116);
  const [x, y, z] = [
    f((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505),
    f(0.2126 * r + 0.7152 * g + 0.0722 * b),
    f((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089),
  ];
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}
