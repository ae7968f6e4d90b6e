import { mustDay, type Day } from "../calendar/day";
import type { WeighIn } from "../log/records";

/** One morning's weight. */
export interface Weighed { day: Day; kg: number; id: string }

/** The primary weigh-in of each day; of two on one day the earlier time (then the smaller id) counts. */
export function primaries(weighIns: readonly WeighIn[]): Map<Day, WeighIn> {
  const order = (a: WeighIn, b: WeighIn) => (a.time ?? "").localeCompare(b.time ?? "") || (a.id < b.id ? -1 : 1);
  const firsts = new Map<Day, WeighIn>();
  for (const weighIn of weighIns) {
    if (weighIn.primary === false) continue;
    const day = mustDay(weighIn.date);
    const held = firsts.get(day);
    if (held === undefined || order(weighIn, held) < 0) firsts.set(day, weighIn);
  }
  return firsts;
}

/** The days of a set of primary weigh-ins up to and including a day, oldest first. */
export function weighed(primary: ReadonlyMap<Day, WeighIn>, upTo: Day): Weighed[] {
  return [...primary].filter(([day]) => day <= upTo).sort(([a], [b]) => a - b).map(([day, { kg, id }]) => ({ day, kg, id }));
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
