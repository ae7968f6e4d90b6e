// Source: brute force over every choice of plates; plates and bars as usually made (common practice, no source).
import { KG_PER_LB } from "@/core/base/units/mass";
import { nearestStep, platesFor, type PlateStock, usualBarKg, usualPlates, warmUpRamp } from "@/core/strength/loading";
import fc from "fast-check";
import { describe, expect, it } from "vitest";

/** Every sum that one side can hold, with the fewest plates that make it. */
function everySide(stock: readonly PlateStock[]): Map<number, number> {
  let sums = new Map([[0, 0]]);
  for (const { kg, count } of stock) {
    const next = new Map<number, number>();
    for (const [sum, plates] of sums)
      for (let pairs = 0; pairs <= Math.floor(count / 2); pairs++) {
        const key = Math.round((sum + pairs * kg) * 1e4) / 1e4;
        next.set(key, Math.min(next.get(key) ?? Infinity, plates + pairs));
      }
    sums = next;
  }
  return sums;
}

const inventory = fc.uniqueArray(
  fc.record({
    kg: fc.constantFrom(0.25, 0.5, 1.25, 1.5, 2, 2.5, 5, 7.5, 10, 15, 20, 25, 45 * KG_PER_LB, 10 * KG_PER_LB),
    count: fc.integer({ min: 0, max: 6 }),
  }),
  { selector: ({ kg }) => kg, maxLength: 6 },
);

describe("plates", () => {
  it("agree with brute force for awkward inventories: exact with the fewest plates, else the nearest on either side", () => {
    fc.assert(
      fc.property(
        inventory,
        fc.integer({ min: 0, max: 480 }),
        fc.constantFrom(8, 15, 20, 20.41165665),
        (stock, halves, barKg) => {
          const target = halves / 2;
          const sums = [...everySide(stock)].map(([side, plates]) => ({ kg: barKg + 2 * side, plates }));
          const found = platesFor(target, barKg, stock);
          const exact = sums.filter(({ kg }) => Math.abs(kg - target) < 0.001);
          expect(found.exact?.perSide.length ?? null).toBe(
            exact.length === 0 ? null : Math.min(...exact.map(({ plates }) => plates)),
          );
          const others = sums.filter((one) => !exact.includes(one)).map(({ kg }) => kg);
          const [below, above] = [others.filter((kg) => kg < target), others.filter((kg) => kg > target)];
          expect(found.below?.kg ?? -1).toBeCloseTo(below.length === 0 ? -1 : Math.max(...below), 3);
          expect(found.above?.kg ?? -1).toBeCloseTo(above.length === 0 ? -1 : Math.min(...above), 3);
          for (const loaded of [found.exact, found.below, found.above]) {
            if (loaded === null) continue;
            expect(barKg + 2 * loaded.perSide.reduce((sum, kg) => sum + kg, 0)).toBeCloseTo(loaded.kg, 6);
            for (const { kg, count } of stock)
              expect(loaded.perSide.filter((one) => one === kg).length * 2).toBeLessThanOrEqual(count);
          }
        },
      ),
      { numRuns: 400 },
    );
  });
  it("by hand: 102.5 kg is 25 + 15 + 1.25 a side; 225 lb is two 45s a side", () => {
    expect(platesFor(102.5, 20, usualPlates("kg")).exact!.perSide).toEqual([25, 15, 1.25]);
    const pounds = platesFor(225 * KG_PER_LB, usualBarKg("lb"), usualPlates("lb")).exact!.perSide;
    expect(pounds.map((kg) => Math.round(kg / KG_PER_LB))).toEqual([45, 45]);
    expect(platesFor(101, 20, usualPlates("kg"))).toMatchObject({
      exact: null,
      below: { kg: 100 },
      above: { kg: 102.5 },
    });
    expect(platesFor(10, 20, usualPlates("kg"))).toMatchObject({
      exact: null,
      below: null,
      above: { kg: 20, perSide: [] },
    });
  });
});

describe("steps", () => {
  it("are the nearest, a tie going down", () => {
    expect([101, 101.25, 101.26, 103.74, 103.75, 0.4, -3].map((kg) => nearestStep(kg, 2.5))).toEqual([
      100, 100, 102.5, 102.5, 102.5, 0, 0,
    ]);
    expect(nearestStep((52.5 / 2.5) * 2.5, 2.5)).toBe(52.5);
    expect(nearestStep(228 * KG_PER_LB, 5 * KG_PER_LB) / KG_PER_LB).toBeCloseTo(230, 9);
  });
  it("a warm-up rises from the bar in loadable steps and stays below the work", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 120 }),
        fc.constantFrom(0, 8, 20),
        fc.constantFrom(1, 2.5, 5),
        (steps, bar, step) => {
          const working = bar + steps * step;
          const sets = warmUpRamp(working, bar, step);
          sets.forEach(({ kg }, index) => {
            expect(kg).toBeLessThan(working);
            expect(kg).toBeGreaterThan(sets[index - 1]?.kg ?? -1);
            expect(Math.abs((kg - bar) / step - Math.round((kg - bar) / step))).toBeLessThan(1e-9);
          });
        },
      ),
    );
    expect(warmUpRamp(100, 20, 2.5)).toEqual([
      { reps: 8, kg: 20 },
      { reps: 5, kg: 40 },
      { reps: 4, kg: 60 },
      { reps: 3, kg: 75 },
      { reps: 1, kg: 87.5 },
    ]);
    expect(warmUpRamp(22.5, 20, 2.5)).toEqual([]);
  });
});
