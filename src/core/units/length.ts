import { printNumber } from "./number";

export type DistanceUnit = "km" | "mi";

/** The international mile, exact by definition. */
export const METRES_PER_MILE = 1609.344;

/** Metres in one of the trainee's distance units. */
export function metresPer(unit: DistanceUnit): number {
  return unit === "mi" ? METRES_PER_MILE : 1000;
}

/** A distance in the trainee's unit: two decimals below 100, one above. */
export function printDistance(metres: number, unit: DistanceUnit): string {
  const value = metres / metresPer(unit);
  return printNumber(value, value < 100 ? 2 : 1);
}
