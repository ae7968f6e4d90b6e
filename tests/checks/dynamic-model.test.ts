// Source: Hall et al. 2011, Lancet 378:826, the published rule of thumb (from memory): every change of intake by 100 kJ a day
// makes about 1 kg in the end, about half of it within a year and 95 in 100 within three.
import { type DynamicBody, fatKgBy, intakeFor, weightAhead } from "@/core/balance/dynamic";
import fc from "fast-check";
import { describe, expect, it } from "vitest";

const balanced = (kg: number, fatKg: number, restingKcal: number, factor: number): DynamicBody => ({
  kg,
  fatKg,
  restingKcal,
  expenditureKcal: restingKcal * factor,
  intakeKcal: restingKcal * factor,
});
const bodies = [
  balanced(80, 18, 1780, 1.5),
  balanced(65, 20, 1350, 1.5),
  balanced(70, 20, 1450, 1.7),
  balanced(90, 28, 1850, 1.5),
];

describe("the dynamic model", () => {
  it.each(bodies)("keeps the published rule for %o", (body) => {
    const weights = weightAhead(body, body.expenditureKcal - 100 / 4.184, 20 * 365);
    const lost = (days: number) => body.kg - weights[days]!;
    const end = lost(20 * 365);
    expect(end).toBeGreaterThan(0.8);
    expect(end).toBeLessThan(1.25);
    expect(lost(365) / end).toBeGreaterThan(0.45);
    expect(lost(365) / end).toBeLessThan(0.7);
    expect(lost(3 * 365) / end).toBeGreaterThan(0.89);
    expect(lost(3 * 365) / end).toBeLessThan(0.98);
  });
  it("stands still at what is spent, and goes down with less whatever the body", () => {
    const anyBody = fc.record({
      kg: fc.double({ min: 45, max: 150, noNaN: true }),
      fat: fc.double({ min: 0.08, max: 0.45, noNaN: true }),
      factor: fc.double({ min: 1.3, max: 2.2, noNaN: true }),
      less: fc.double({ min: 50, max: 800, noNaN: true }),
    });
    fc.assert(
      fc.property(anyBody, ({ kg, fat, factor, less }) => {
        const body = balanced(kg, fat * kg, 370 + 21.6 * kg * (1 - fat), factor);
        expect(weightAhead(body, body.expenditureKcal, 200)[200]).toBeCloseTo(kg, 6);
        const weights = weightAhead(body, body.expenditureKcal - less, 200);
        for (let day = 1; day <= 200; day++) expect(weights[day]!).toBeLessThan(weights[day - 1]!);
        // Less is lost than the straight line says once the first water is out: the body spends less.
        const intake = intakeFor(body, weights[200]!, 200);
        if (body.expenditureKcal - less > 520) expect(intake!).toBeCloseTo(body.expenditureKcal - less, 3);
      }),
      { numRuns: 40 },
    );
  });
  it("reckons fat where it is not measured, and finds no intake for what none makes", () => {
    // 80 kg at 1.80 m, 30 years: index 24.69; −103.94 + 37.31 × 3.2064 + 4.2 = 19.89 %.
    expect(fatKgBy({ kg: 80, heightCm: 180, ageYears: 30, sex: "male" })).toBeCloseTo(15.91, 1);
    expect(intakeFor(bodies[0]!, 40, 30)).toBeNull();
  });
});
