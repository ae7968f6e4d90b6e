import { printNumber } from "./number";

export type DistanceUnit = "km" | "mi";

/** The international mile, exact by definition. */
export const METRES_PER_MILE = 1609.344;

/** Metres in one of the trainee's distance units. */
export function metresPer(unit: DistanceUnit): number {
  return unit === "mi" ? METRES_PER_MILE : 1000;
}

/** Heights that are taken, centimetres. */
export const [shortest, tallest] = [50, 280];

/**
 * A body's height as it is written: `179`, `179 cm`, `1.79 m`, `5'11"`, `5 ft 11`, `71 in`, in centimetres. Null when
 * it is none, and for a bare number that may be inches: which it is, is asked.
 */
export function parseHeight(text: string): number | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(",", ".")
    .replace(/[’′]/g, "'")
    .replace(/[”″]|''/g, '"');
  const feet = /^(\d)\s*(?:'|ft|feet|foot)\s*(?:(\d{1,2}(?:\.\d+)?)\s*(?:"|in|inches)?)?$/.exec(plain);
  if (feet) return Number(feet[2] ?? 0) < 12 ? (Number(feet[1]) * 12 + Number(feet[2] ?? 0)) * 2.54 : null;
  const one = /^(\d+(?:\.\d+)?)\s*(cm|m|in|inches|")?$/.exec(plain);
  if (!one) return null;
  const value = Number(one[1]) * { cm: 1, m: 100, in: 2.54, inches: 2.54, '"': 2.54 }[one[2] ?? "cm"]!;
  return value >= shortest && value <= tallest && (one[2] !== undefined || Number(one[1]) > 96) ? value : null;
}

/** A distance in the trainee's unit: two decimals below 100, one above. */
export function printDistance(metres: number, unit: DistanceUnit): string {
  const value = metres / metresPer(unit);
  return printNumber(value, value < 100 ? 2 : 1);
}
