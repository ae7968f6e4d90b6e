import { printNumber } from "../base/units/number";
import type { Sex } from "../log/kinds/people";

/** What a tape measures, centimetres. */
export interface Tape {
  waistCm: number | null;
  neckCm: number | null;
  hipCm: number | null;
  heightCm: number | null;
}

/**
 * Standard error of the estimate against weighing under water, percentage points (Hodgdon & Beckett 1984) (from
 * memory).
 */
export const tapeStandardError = 3.5;

/**
 * Body fat from circumferences: body density by Hodgdon & Beckett 1984 (Naval Health Research Center, reports 84-11 and
 * 84-29), then Siri 1961, 495 ÷ density − 450. Coefficients from memory.
 * @returns percentage of body weight, or the reason why there is none
 */
export function tapeBodyFat(
  sex: Sex,
  { waistCm, neckCm, hipCm, heightCm }: Tape,
): { percent: number; density: number } | { reason: string } {
  if (sex === "unspecified")
    return {
      reason: "the estimate has one formula for men and one for women; say under the person's settings which to use",
    };
  const missing = [
    ...(heightCm === null ? ["height"] : []),
    ...(waistCm === null ? ["waist"] : []),
    ...(neckCm === null ? ["neck"] : []),
    ...(sex === "female" && hipCm === null ? ["hip"] : []),
  ];
  if (missing.length > 0) return { reason: `it needs ${missing.join(", ")}` };
  const girth = waistCm! - neckCm! + (sex === "female" ? hipCm! : 0);
  if (!(girth > 0)) return { reason: "the neck is wider than the waist; one of the two is mistyped" };
  const density =
    sex === "male"
      ? 1.0324 - 0.19077 * Math.log10(girth) + 0.15456 * Math.log10(heightCm!)
      : 1.29579 - 0.35004 * Math.log10(girth) + 0.221 * Math.log10(heightCm!);
  const percent = 495 / density - 450;
  return percent < 2 || percent > 60
    ? { reason: `the tape gives ${printNumber(percent, 0)} %, outside what the formula was made for` }
    : { percent, density };
}

/**
 * Waist over height, both in centimetres. Above 0.5 is commonly taken as a sign of central fat (Ashwell & Hsieh 2005).
 */
export function waistToHeight(waistCm: number, heightCm: number): number {
  return waistCm / heightCm;
}

/** Centimetres of a value written in a measure's unit; null when the unit is no length. */
export function centimetres(value: number, unit: string | null | undefined): number | null {
  const plain = (unit ?? "").trim().toLowerCase();
  return plain === "cm"
    ? value
    : plain === "mm"
      ? value / 10
      : plain === "m"
        ? value * 100
        : plain === "in" || plain === "inch" || plain === '"'
          ? value * 2.54
          : null;
}
