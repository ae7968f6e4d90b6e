import { byWord } from "../../base/byWord";
import { printPlain } from "../../base/units/number";
import type { Printer } from "../../base/units/printer";

/** Prints a number of a record in its person's units. `kind`: of what activity it is, for a session's distance. */
type Print = (printer: Printer, value: number, kind: string) => string;

const load: Print = (printer, kg) => printer.load(kg);
const grams: Print = (_, value) => `${printPlain(value, 1)} g`;
const energy: Print = (printer, kcal) => printer.energy(kcal);
const duration: Print = (printer, seconds) => printer.duration(seconds);
const share: Print = (_, value) => `${printPlain(value * 100, 1)} %`;
const minutes: Print = (_, value) => `${printPlain(value, 1)} min`;
const millilitres: Print = (_, value) => `${printPlain(value, 0)} ml`;
const distance: Print = (printer, metres, kind) => printer.distanceOf(kind, metres);
const inUnit =
  (unit: string): Print =>
  (_, value) =>
    `${printPlain(value, 2)} ${unit}`;
const bare: Print = (_, value) => printPlain(value, 4);

/**
 * What each number of a record is, by its field's name. A test walks the schemas of all kinds: a number without its line
 * here does not pass.
 */
export const quantities: Record<string, Print> = byWord({
  kg: load,
  startKg: load,
  targetKg: load,
  milestonesKg: load,
  barKg: load,
  incrementKg: load,
  lb: inUnit("lb"),
  rateKgPerWeek: (printer, value) => printer.rate(value),
  grams,
  cookedGrams: grams,
  protein: grams,
  fat: grams,
  carbohydrate: grams,
  fibre: grams,
  sugars: grams,
  polyols: grams,
  alcohol: grams,
  gramsPerKg: inUnit("g/kg"),
  gramsPerLeanKg: inUnit("g/kg of lean mass"),
  gramsPerMl: inUnit("g/ml"),
  mg: inUnit("mg"),
  kcal: energy,
  measuredKcal: energy,
  water: millilitres,
  ml: millilitres,
  glassMl: millilitres,
  metres: distance,
  secondsPerKm: (printer, value, kind) => printer.paceOf(kind, value),
  seconds: duration,
  restSeconds: duration,
  minutes,
  heightCm: inUnit("cm"),
  percent: share,
  bodyShare: share,
  ratio: share,
  share,
  shareOfRest: share,
  trainingMaximumShare: share,
  watts: inUnit("W"),
  heartRate: inUnit("/min"),
  met: inUnit("MET"),
  activityFactor: bare,
  // Counts, places in an order, points of a scale, and readings in the unit that their measure names.
  value: bare,
  startValue: bare,
  targetValue: bare,
  revision: bare,
  weekStart: bare,
  week: bare,
  weekday: bare,
  weekdays: bare,
  weeks: bare,
  easyWeeks: bare,
  days: bare,
  everyDays: bare,
  hour: bare,
  count: bare,
  times: bare,
  done: bare,
  superset: bare,
  reps: bare,
  repsTo: bare,
  rpe: bare,
  effort: bare,
  feel: bare,
  portions: bare,
  from: bare,
  to: bare,
});

/** A number of a record as it is read. */
export function printQuantity(name: string, value: number, printer: Printer, kind: string): string {
  return (quantities[name] ?? bare)(printer, value, kind);
}
