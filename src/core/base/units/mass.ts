import { parseDecimal, printNumber, printPlain } from "./number";

export type MassUnit = "kg" | "lb";

/** The international avoirdupois pound, exact by definition (1959 agreement). */
export const KG_PER_LB = 0.45359237;

/** Kilograms of a mass given in `unit`; stored so, at full precision. */
export function toKg(value: number, unit: MassUnit): number {
  return unit === "lb" ? value * KG_PER_LB : value;
}

/** A mass in kilograms expressed in `unit`. */
export function fromKg(kg: number, unit: MassUnit): number {
  return unit === "lb" ? kg / KG_PER_LB : kg;
}

/** A mass with `decimals` places (1 when not said) in the trainee's unit, without the unit's name. */
export function printMass(kg: number, unit: MassUnit, decimals = 1): string {
  return printNumber(fromKg(kg, unit), decimals);
}

/** A load as lifters write it: no trailing zeros, at most two decimals (72.5, 100, 41.25). */
export function printLoad(kg: number, unit: MassUnit): string {
  return printPlain(fromKg(kg, unit), 2);
}

/** A typed mass, with its unit or in the trainee's own, in kilograms; null when it is not a mass. */
export function parseMass(text: string, unit: MassUnit): number | null {
  const match = /^(.*?)\s*(kg|kgs|lb|lbs)?$/i.exec(text.trim());
  const value = parseDecimal(match?.[1] ?? "");
  if (value === null) return null;
  const named = match?.[2]?.toLowerCase();
  return toKg(value, named === undefined ? unit : named.startsWith("lb") ? "lb" : "kg");
}
