import type { Day } from "../base/calendar/day";
import type { WeighIn } from "../log/kinds/weighIns";

/** One morning's weight. */
export interface Weighed {
  day: Day;
  kg: number;
  id: string;
}

/**
 * Whether a weight is so far from what the scale was expected to show that it is questioned: a slip of the finger, or
 * another unit.
 */
export function isFarOff(kg: number, expectedKg: number | null): expectedKg is number {
  return expectedKg !== null && Math.abs(kg / expectedKg - 1) > 0.08;
}

/**
 * The primary one of a day's weigh-ins, given in order of time and id: the first that is not marked as a second one.
 * Null without one.
 */
export function primaryOf(weighIns: readonly WeighIn[]): WeighIn | null {
  return weighIns.find(({ primary }) => primary !== false) ?? null;
}

/** Middle value of a list, the mean of the middle two when the count is even; NaN for an empty one. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

export function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
