import { printNumber } from "./number";

export type EnergyUnit = "kcal" | "kJ";

/** The thermochemical calorie of Regulation (EU) 1169/2011, Annex I: 1 kcal = 4.184 kJ. */
export const KJ_PER_KCAL = 4.184;

/** Kilocalories expressed in the trainee's unit. */
export function fromKcal(kcal: number, unit: EnergyUnit): number {
  return unit === "kJ" ? kcal * KJ_PER_KCAL : kcal;
}

/** Kilocalories of an energy given in the trainee's unit. */
export function toKcal(value: number, unit: EnergyUnit): number {
  return unit === "kJ" ? value / KJ_PER_KCAL : value;
}

/** An energy in the trainee's unit, whole. */
export function printEnergy(kcal: number, unit: EnergyUnit): string {
  return printNumber(fromKcal(kcal, unit), 0);
}
