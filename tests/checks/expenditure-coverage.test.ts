// Source: simulation. Made-up trainees whose true expenditure is known, lived by a model of the body that is not the filter's
// (simulatedEaters.ts). What is said of the expenditure is held to its own words, beside the formula and the balance by hand
// between two weigh-ins. `npm run coverage` prints the numbers that docs/methods.md quotes.
import { measuredOf } from "@/core/balance/measured";
import { dateOf } from "@/core/base/calendar/day";
import { AsOf } from "@/core/log/asOf";
import { expect, it } from "vitest";
import { smallLog } from "../smallLog";
import { type Eater, simulatedEaters } from "./simulatedEaters";

const first = 20_000;
const horizons = [14, 28, 56, 80] as const;
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const rms = (values: readonly number[]) => Math.sqrt(mean(values.map((one) => one * one)));

/** The eater as they would have written it all. */
function logOf({ sex, heightCm, ageYears, factor, weighed, written }: Eater) {
  const birthDate = `${2024 - ageYears}-10-01`;
  const dates = written.map((_, day) => dateOf(first + day));
  return smallLog({
    people: [{ id: "p", name: "Ana", sex, heightCm, birthDate }],
    energySettings: [{ from: dates[0], activityFactor: factor }],
    weighIns: weighed.flatMap((kg, day) => (kg === null ? [] : [{ date: dates[day], kg, primary: true }])),
    meals: written.map(({ kcal }, day) => ({ date: dates[day], status: "eaten", name: "all", nutrients: { kcal } })),
    dayNotes: written.map(({ whole }, day) => ({ date: dates[day], foodComplete: whole })),
  });
}

/** How far off each account of the expenditure is at each horizon, kcal a day, over some trainees. */
function errorsOf(eaters: readonly Eater[]) {
  const of = () => ({
    measured: [] as number[],
    full: [] as number[],
    formula: [] as number[],
    two: [] as number[],
    held: [] as number[],
  });
  const found = Object.fromEntries(horizons.map((day) => [day, of()])) as Record<
    (typeof horizons)[number],
    ReturnType<typeof of>
  >;
  for (const eater of eaters) {
    const asOf = new AsOf(logOf(eater), "p", first + eater.spent.length - 1);
    const start = eater.weighed.findIndex((kg) => kg !== null);
    const kg = eater.weighed[start]!;
    const resting = 10 * kg + 6.25 * eater.heightCm - 5 * eater.ageYears + (eater.sex === "male" ? 5 : -161);
    for (const day of horizons) {
      const truly = mean(eater.spent.slice(day - 7, day));
      const known = measuredOf(asOf).on(first + day);
      if ("reason" in known) throw new Error(known.reason);
      const end = eater.weighed.findLastIndex((one, at) => one !== null && at <= day);
      const whole = eater.written.slice(0, day).filter((one) => one.whole);
      const byTwo = mean(whole.map(({ kcal }) => kcal)) - (7700 * (eater.weighed[end]! - kg)) / (end - start);
      const { measured, full, formula, two, held } = found[day];
      measured.push(known.kcal - truly);
      formula.push(resting * eater.factor - truly);
      two.push(byTwo - truly);
      if (eater.underReports) continue;
      full.push(known.kcal - truly);
      held.push(Number(known.low80 <= truly && truly <= known.high80));
    }
  }
  return found;
}

function report(who: string, found: ReturnType<typeof errorsOf>): void {
  if (!process.env.REPORT) return;
  for (const day of horizons) {
    const { measured, full, formula, two, held } = found[day];
    console.info(
      `expenditure after ${day} days, ${who}, kcal: measured ${rms(measured).toFixed(0)} (who report fully ${rms(full).toFixed(0)}), formula ${rms(formula).toFixed(0)}, two weigh-ins ${rms(two).toFixed(0)}; interval ${(100 * mean(held)).toFixed(1)} %`,
    );
  }
}

it("nine hundred trainees: the interval holds the truth about four times in five, nearer than formula and two weigh-ins", () => {
  const found = errorsOf(simulatedEaters(900, 2027));
  report("as people live", found);
  for (const day of horizons) {
    const { measured, formula, two, held } = found[day];
    expect(mean(held), `interval after ${day} days`).toBeGreaterThan(0.74);
    expect(mean(held), `interval after ${day} days`).toBeLessThan(day === 80 ? 0.9 : 0.86);
    expect(rms(measured)).toBeLessThan(rms(formula));
    expect(rms(measured)).toBeLessThan(rms(two));
  }
  expect(rms(found[28].full)).toBeLessThan(140);
  expect(rms(found[80].full)).toBeLessThan(105);
});

it("three hundred more who change nothing, and whose water is soon gone: nearer still", () => {
  const found = errorsOf(simulatedEaters(300, 4051, 84, true));
  report("who change nothing", found);
  expect(rms(found[28].full)).toBeLessThan(115);
  expect(rms(found[80].full)).toBeLessThan(80);
  for (const day of horizons) {
    expect(rms(found[day].full)).toBeLessThan(rms(found[day].formula));
    expect(rms(found[day].full)).toBeLessThan(rms(found[day].two));
    expect(mean(found[day].held), `interval after ${day} days`).toBeGreaterThan(0.74);
  }
});
