import { Random } from "@/demo/random";

/** A made-up trainee whose expenditure is known on every day. */
export interface Eater {
  sex: "female" | "male";
  heightCm: number;
  ageYears: number;
  /** The activity factor that they say they have. */
  factor: number;
  /** Weighed, kilograms; null on a morning without. */
  weighed: (number | null)[];
  /** What is written of the day, kilocalories, and whether it is all. */
  written: { kcal: number; whole: boolean }[];
  /** What was truly spent. */
  spent: number[];
  underReports: boolean;
}

/**
 * Trainees who eat, are weighed and write, each otherwise: how far the formula is off for them, how their water moves (with
 * the month, for some women), how well they write. The body answers as in Hall et al. 2011 (adaptation within a fortnight,
 * water with the intake, less spent as it grows lighter), which is not the model of the filter. Some have a diet break, some
 * change how much they move; a tenth write less than they eat. Mornings and whole days are missing, a fifth of each.
 */
export function simulatedEaters(count: number, seed: number, days = 84, isSteady = false): Eater[] {
  return Array.from({ length: count }, (_, index) => simulate(new Random(seed + 104_729 * index), days, isSteady));
}

/** @param isSteady without a change of activity or a diet break, and with water that is gone the next day or the one after */
function simulate(random: Random, days: number, isSteady: boolean): Eater {
  const between = (low: number, high: number) => low + random.next() * (high - low);
  const sex = random.chance(0.5) ? "female" : "male";
  const [heightCm, ageYears] = [sex === "male" ? between(168, 192) : between(156, 178), Math.round(between(20, 60))];
  const startKg = between(21, 33) * (heightCm / 100) ** 2;
  const factor = random.pick([1.4, 1.5, 1.6, 1.7]);
  const resting = 10 * startKg + 6.25 * heightCm - 5 * ageYears + (sex === "male" ? 5 : -161);
  const needs = resting * factor * (1 + random.normal(0.1));
  const aim = random.pick([-600, -450, -300, -300, 0, 250]);
  const before = random.chance(0.6) ? 0 : between(7, 21);
  const breaks = random.chance(isSteady ? 0 : 0.3)
    ? { from: Math.round(between(25, 50)), days: random.pick([7, 10, 14]) }
    : null;
  const moves = random.chance(isSteady ? 0 : 0.3)
    ? { from: Math.round(between(15, 60)), kcal: random.pick([-250, -150, 150, 250, 300]) }
    : null;
  const underReports = random.chance(0.1);
  const reports = underReports ? between(0.75, 0.9) : 1 + random.normal(0.02);
  const [water, memory] = isSteady ? [between(0.25, 0.45), between(0, 0.4)] : [between(0.25, 0.6), between(0.3, 0.8)];
  const scale = between(0.05, 0.2);
  const monthly = sex === "female" && random.chance(isSteady ? 0 : 0.5) ? between(0.2, 0.6) : 0;
  const phase = between(0, 28);
  const [daily, weekend, writes] = [between(120, 350), between(0, 400), between(0.04, 0.12)];
  const stores = between(0.5, 1);
  let [kg, wet, stored, adapted] = [startKg, random.normal(water), 0, 0];
  const eater: Eater = { sex, heightCm, ageYears, factor, weighed: [], written: [], spent: [], underReports };
  for (let day = 0; day < days; day++) {
    const rests = breaks !== null && day >= breaks.from && day < breaks.from + breaks.days;
    const asked = needs + (day < before || rests ? 0 : aim) + (rests ? 100 : 0);
    const eaten = Math.max(700, asked + (day % 7 >= 5 ? weekend : -0.4 * weekend) + random.normal(daily));
    const change = eaten - needs;
    adapted += (0.14 * change - adapted) / 14;
    const spent =
      needs +
      21 * (kg - startKg) +
      adapted +
      0.1 * change +
      (moves !== null && day >= moves.from ? moves.kcal : 0) +
      random.normal(60);
    stored += ((stores * change) / 1000 - stored) / 4;
    wet = memory * wet + random.normal(water * Math.sqrt(1 - memory ** 2)) + (day % 7 === 0 ? weekend / 4000 : 0);
    const cycle = monthly * Math.sin((2 * Math.PI * (day + phase)) / 28);
    eater.weighed.push(
      random.chance(0.8) ? Math.round((kg + stored + wet + cycle + random.normal(scale)) * 10) / 10 : null,
    );
    const whole = random.chance(0.8);
    const share = reports * (1 + random.normal(writes)) * (whole ? 1 : between(0.3, 0.8));
    eater.written.push({ kcal: Math.round(eaten * share), whole });
    eater.spent.push(spent);
    kg += (eaten - spent) / 7700;
  }
  return eater;
}
