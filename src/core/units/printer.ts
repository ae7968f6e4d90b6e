import { fromKcal, printEnergy, type EnergyUnit } from "./energy";
import { metresPer, printDistance, type DistanceUnit } from "./length";
import { fromKg, printLoad, printMass, type MassUnit } from "./mass";
import { printNumber, printSigned } from "./number";
import { printDuration } from "./time";

/** The trainee's units. */
export interface Units { mass: MassUnit; distance: DistanceUnit; energy: EnergyUnit }

export const metricUnits: Units = { mass: "kg", distance: "km", energy: "kcal" };

/** Prints quantities in one trainee's units. Every method takes canonical units (kg, m, s, kcal, g). */
export class Printer {
  constructor(readonly units: Units) {}

  /** `71.9 kg` */
  mass(kg: number, decimals = 1): string { return `${printMass(kg, this.units.mass, decimals)} ${this.units.mass}`; }
  /** `71.9`, for a column that names its unit. */
  massNumber(kg: number, decimals = 1): string { return printMass(kg, this.units.mass, decimals); }
  /** `−0.42 kg a week` */
  rate(kgPerWeek: number): string { return `${printSigned(fromKg(kgPerWeek, this.units.mass), 2)} ${this.units.mass} a week`; }
  /** `+0.3 kg` */
  massChange(kg: number, decimals = 1): string { return `${printSigned(fromKg(kg, this.units.mass), decimals)} ${this.units.mass}`; }
  /** `72.5 kg` as a load, without idle zeros. */
  load(kg: number): string { return `${printLoad(kg, this.units.mass)} ${this.units.mass}`; }
  loadNumber(kg: number): string { return printLoad(kg, this.units.mass); }
  /** `6,200 kg`, whole. */
  volumeLoad(kg: number): string { return `${this.volumeLoadNumber(kg)} ${this.units.mass}`; }
  /** The same without its unit. */
  volumeLoadNumber(kg: number): string { return printNumber(fromKg(kg, this.units.mass), 0); }
  /** `6.00 km` */
  distance(metres: number): string { return `${printDistance(metres, this.units.distance)} ${this.units.distance}`; }
  /** `5:18 /km` or per mile. */
  pace(secondsPerKm: number): string { return `${printDuration((secondsPerKm / 1000) * metresPer(this.units.distance))} /${this.units.distance}`; }
  /** `1:52.0 /500 m`, the rowing split. */
  split(secondsPerKm: number): string { return `${printDuration(secondsPerKm / 2, 1)} /500 m`; }
  /** Pace the way a kind of activity quotes it. */
  paceOf(kind: string, secondsPerKm: number): string { return kind === "row" ? this.split(secondsPerKm) : this.pace(secondsPerKm); }
  /** `1,118 kcal` */
  energy(kcal: number): string { return `${printEnergy(kcal, this.units.energy)} ${this.units.energy}`; }
  energyNumber(kcal: number): string { return printEnergy(kcal, this.units.energy); }
  /** `−550 kcal` */
  energyChange(kcal: number): string { return `${printSigned(fromKcal(kcal, this.units.energy), 0)} ${this.units.energy}`; }
  grams(grams: number): string { return `${printNumber(grams, 0)} g`; }
  duration(seconds: number): string { return printDuration(seconds); }
  percent(share: number): string { return `${printNumber(share * 100, 0)} %`; }
}

/** A person's units with what they left open as metric. */
export function unitsOf(units: { mass?: MassUnit; distance?: DistanceUnit; energy?: EnergyUnit } | null | undefined): Units {
  return { mass: units?.mass ?? "kg", distance: units?.distance ?? "km", energy: units?.energy ?? "kcal" };
}
