import { type EnergyUnit, fromKcal, printEnergy } from "./energy";
import { type DistanceUnit, metresPer, printDistance } from "./length";
import { fromKg, type MassUnit, printLoad, printMass } from "./mass";
import { printNumber, printSigned } from "./number";
import { printDuration } from "./time";

/** The trainee's units. */
export interface Units {
  mass: MassUnit;
  distance: DistanceUnit;
  energy: EnergyUnit;
}

export const metricUnits: Units = { mass: "kg", distance: "km", energy: "kcal" };

/** Prints quantities in one trainee's units. Every method takes canonical units (kg, m, s, kcal, g). */
export class Printer {
  constructor(readonly units: Units) {}

  /** `71.9 kg` */
  mass(kg: number, decimals = 1): string {
    return `${printMass(kg, this.units.mass, decimals)} ${this.units.mass}`;
  }
  /** `71.9`, for a column that names its unit. */
  massNumber(kg: number, decimals = 1): string {
    return printMass(kg, this.units.mass, decimals);
  }
  /** `−0.42 kg a week` */
  rate(kgPerWeek: number, decimals = 2): string {
    return `${printSigned(fromKg(kgPerWeek, this.units.mass), decimals)} ${this.units.mass} a week`;
  }
  /** `+0.34 kg`: a change of body weight has a decimal more than the weights it parts. */
  massChange(kg: number, decimals = 2): string {
    return `${printSigned(fromKg(kg, this.units.mass), decimals)} ${this.units.mass}`;
  }
  /** `72.5 kg` as a load, without idle zeros. */
  load(kg: number): string {
    return `${printLoad(kg, this.units.mass)} ${this.units.mass}`;
  }
  loadNumber(kg: number): string {
    return printLoad(kg, this.units.mass);
  }
  /** `6,200 kg`, whole. */
  volumeLoad(kg: number): string {
    return `${this.volumeLoadNumber(kg)} ${this.units.mass}`;
  }
  /** The same without its unit. */
  volumeLoadNumber(kg: number): string {
    return printNumber(fromKg(kg, this.units.mass), 0);
  }
  /** `6.00 km` */
  distance(metres: number): string {
    return `${printDistance(metres, this.units.distance)} ${this.units.distance}`;
  }
  /** A distance the way a kind of activity quotes it: rowing and swimming in metres, `2,000 m`. */
  distanceOf(kind: string, metres: number): string {
    return kind === "row" || kind === "swim"
      ? `${printNumber(metres, Number.isInteger(metres) ? 0 : 1)} m`
      : this.distance(metres);
  }
  /** `5:18 /km` or per mile. */
  pace(secondsPerKm: number): string {
    return `${printDuration((secondsPerKm / 1000) * metresPer(this.units.distance))} /${this.units.distance}`;
  }
  /** `1:52.0 /500 m`, the rowing split. */
  split(secondsPerKm: number): string {
    return `${printDuration(secondsPerKm / 2, 1)} /500 m`;
  }
  /** Pace the way a kind of activity quotes it: rowing over 500 m, swimming over 100 m, all else by the log's unit (common practice, no source). */
  paceOf(kind: string, secondsPerKm: number): string {
    if (kind === "swim") return `${printDuration(secondsPerKm / 10, 1)} /100 m`;
    return kind === "row" ? this.split(secondsPerKm) : this.pace(secondsPerKm);
  }
  /** `1,118 kcal` */
  energy(kcal: number): string {
    return `${printEnergy(kcal, this.units.energy)} ${this.units.energy}`;
  }
  energyNumber(kcal: number): string {
    return printEnergy(kcal, this.units.energy);
  }
  /** `−550 kcal` */
  energyChange(kcal: number): string {
    return `${printSigned(fromKcal(kcal, this.units.energy), 0)} ${this.units.energy}`;
  }
  grams(grams: number): string {
    return `${printNumber(grams, 0)} g`;
  }
  /** `33:10`, and `7:32.4` where tenths were typed. */
  duration(seconds: number): string {
    const tenths = seconds * 10;
    return printDuration(seconds, tenths % 10 !== 0 && Math.abs(tenths - Math.round(tenths)) < 1e-6 ? 1 : 0);
  }
  /** Kilograms that an equation is given: `80.00 kg`, in a log of pounds `176.37 lb = 80.00 kg`. */
  inKilograms(kg: number, decimals = 2): string {
    return `${this.units.mass === "kg" ? "" : `${this.mass(kg, decimals)} = `}${printNumber(kg, decimals)} kg`;
  }
  /** Kilocalories that an equation gives: `1,780 kcal`, in a log of kilojoules `1,780 kcal = 7,447 kJ`. */
  inKilocalories(kcal: number, decimals = 0): string {
    return `${printNumber(kcal, decimals)} kcal${this.units.energy === "kcal" ? "" : ` = ${this.energy(kcal)}`}`;
  }
  /** Energy of a mass: `7,700 kcal/kg`, `3,493 kcal/lb`, `32,217 kJ/kg`. */
  energyPerMass(kcalPerKg: number): string {
    return `${printNumber(fromKcal(kcalPerKg / fromKg(1, this.units.mass), this.units.energy), 0)} ${this.units.energy}/${this.units.mass}`;
  }
  percent(share: number): string {
    return `${printNumber(share * 100, 0)} %`;
  }
}

/** A person's units with what they left open as metric. */
export function unitsOf(
  units: { mass?: MassUnit; distance?: DistanceUnit; energy?: EnergyUnit } | null | undefined,
): Units {
  return { mass: units?.mass ?? "kg", distance: units?.distance ?? "km", energy: units?.energy ?? "kcal" };
}
