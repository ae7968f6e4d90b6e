import type { Day } from "../base/calendar/day";
import { mean, type Weighed } from "./weighIns";

/** Weight of the newest day in the exponentially weighted mean (common practice, no source). */
export const ewmaAlpha = 0.1;

/**
 * Exponentially weighted mean of the weigh-ins, beginning at the first one; null without one. After a gap of d days the
 * newest value weighs 1 − (1 − α)^d, as if the mean had been forgetting on every day that passed.
 */
export function exponentialMean(weighed: readonly Weighed[], alpha = ewmaAlpha): number | null {
  let mean: number | null = null;
  let before = 0;
  for (const { day, kg } of weighed) {
    mean = mean === null ? kg : forgetting(mean, kg, day - before, alpha);
    before = day;
  }
  return mean;
}

/** An exponentially weighted mean one value further, so many days after the last. */
export function forgetting(mean: number, kg: number, days: number, alpha: number): number {
  const share = days === 1 ? alpha : 1 - (1 - alpha) ** days;
  return mean + share * (kg - mean);
}

/**
 * Plain mean of the weigh-ins of the seven days that end on `day`, with how many there were; null when there was none.
 */
export function sevenDayMean(weighed: readonly Weighed[], day: Day): { kg: number; days: number } | null {
  const values: number[] = [];
  for (let index = weighed.length - 1; index >= 0 && weighed[index]!.day > day - 7; index--)
    if (weighed[index]!.day <= day) values.unshift(weighed[index]!.kg);
  return values.length === 0 ? null : { kg: mean(values), days: values.length };
}

/** Change as people quote it: from the first weigh-in to the latest. */
export interface WeightChange {
  startKg: number;
  currentKg: number;
  totalKg: number;
  kgPerWeek: number | null;
  days: number;
}

/**
 * Change from weigh-in to weigh-in; the weekly rate is withheld below seven days. Null with fewer than one weigh-in.
 */
export function weightChange(weighed: readonly Weighed[]): WeightChange | null {
  const [first, last] = [weighed[0], weighed.at(-1)];
  if (first === undefined || last === undefined) return null;
  const days = last.day - first.day;
  const totalKg = last.kg - first.kg;
  return { startKg: first.kg, currentKg: last.kg, totalKg, kgPerWeek: changePerWeek(totalKg, days), days };
}

/** Mean weekly change over so many days; withheld below seven. */
export function changePerWeek(total: number, days: number): number | null {
  return days < 7 ? null : (total / days) * 7;
}
