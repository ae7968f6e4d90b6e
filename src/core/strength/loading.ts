import { fromKg, type MassUnit, toKg } from "../base/units/mass";
import type { Exercise } from "../log/kinds/exercises";
import type { Settings } from "../log/kinds/people";

/** Plates at hand: how many there are of one weight, both sides together. */
export type PlateStock = { kg: number; count: number };

/** A bar when neither the exercise nor the settings name one, and plates to begin with (common practice, no source). */
export const usualBarKg = (unit: MassUnit) => toKg(unit === "lb" ? 45 : 20, unit);
export const usualPlates = (unit: MassUnit): PlateStock[] =>
  (unit === "lb"
    ? [
        [45, 6],
        [35, 2],
        [25, 4],
        [10, 4],
        [5, 4],
        [2.5, 2],
      ]
    : [
        [25, 2],
        [20, 4],
        [15, 2],
        [10, 4],
        [5, 4],
        [2.5, 4],
        [1.25, 2],
      ]
  ).map(([value, count]) => ({ kg: toKg(value!, unit), count: count! }));

/** Whether a weight is one of a unit's own: in quarters of it, as bars, plates and steps are made. */
function isMadeIn(kg: number, unit: MassUnit): boolean {
  const quarters = fromKg(kg, unit) * 4;
  return Math.abs(quarters - Math.round(quarters)) < 1e-3;
}

const otherUnit = (unit: MassUnit): MassUnit => (unit === "lb" ? "kg" : "lb");

/**
 * The unit in which a bar or a plate is made: the trainee's, unless it is round in the other one alone. Iron stays what
 * it is when the trainee changes units.
 */
export function madeIn(kg: number, unit: MassUnit): MassUnit {
  return !isMadeIn(kg, unit) && isMadeIn(kg, otherUnit(unit)) ? otherUnit(unit) : unit;
}

/** The bar a lift is done with, kilograms; null for what is not loaded with plates. */
export function barOf(exercise: Exercise, settings: Settings, unit: MassUnit): number | null {
  if (exercise.barKg != null) return exercise.barKg;
  return /barbell/i.test(exercise.equipment ?? "") ? (settings.barKg ?? usualBarKg(unit)) : null;
}

/** Steps as plates, dumbbells and stacks have them, in each unit (common practice, no source). */
const usualSteps: Readonly<Record<MassUnit, readonly number[]>> = {
  kg: [0.5, 1, 1.25, 2, 2.5, 4, 5, 10, 20],
  lb: [1, 2.5, 5, 10, 20, 45],
};

/**
 * The step in which a lift's load is changed: the exercise's own, else 2.5 kg or 5 lb. One that is round in the other
 * unit alone was written before the trainee changed units: the nearest usual step stands for it (2.5 kg becomes 5 lb,
 * not 5.51).
 */
export function loadStep(exercise: Exercise, unit: MassUnit): number {
  if (exercise.incrementKg == null) return toKg(unit === "lb" ? 5 : 2.5, unit);
  if (madeIn(exercise.incrementKg, unit) === unit) return exercise.incrementKg;
  const own = fromKg(exercise.incrementKg, unit);
  return toKg(
    usualSteps[unit].reduce((best, step) => (Math.abs(step - own) < Math.abs(best - own) ? step : best)),
    unit,
  );
}

/**
 * The nearest multiple of a step, a tie going down; never below zero. A value a hair off a step, as arithmetic leaves
 * it, is on it.
 */
export function nearestStep(kg: number, stepKg: number): number {
  return Math.max(0, Math.ceil(kg / stepKg - 0.5 - 1e-9)) * stepKg;
}

/** Plates for one side of the bar, heaviest first, and the weight of bar and plates together. */
export interface Loaded {
  kg: number;
  perSide: number[];
}

/** Sums closer together than this, kilograms, are one. */
const grain = 0.0005;

/**
 * Plates per side for a weight, from a stock: the fewest plates that make it exactly (of as many, the heavier first);
 * else the nearest loadable weights on either side.
 * @returns `exact` when it can be loaded; `below` and `above` are null where nothing lighter or heavier can be
 */
export function platesFor(
  targetKg: number,
  barKg: number,
  stock: readonly PlateStock[],
): { exact: Loaded | null; below: Loaded | null; above: Loaded | null } {
  const heaviest = Math.max(0, ...stock.map(({ kg }) => kg));
  const side = (targetKg - barKg) / 2;
  // The fewest plates for every sum one side can hold, up to just beyond the target.
  let sums = new Map<number, { kg: number; perSide: number[] }>([[0, { kg: 0, perSide: [] }]]);
  for (const { kg, count } of [...stock].sort((a, b) => b.kg - a.kg)) {
    const next = new Map(sums);
    for (const held of sums.values()) {
      for (let pairs = 1; pairs <= Math.floor(count / 2); pairs++) {
        const sum = held.kg + pairs * kg;
        if (sum > side + heaviest + grain) break;
        const key = Math.round(sum / grain);
        const perSide = [...held.perSide, ...Array<number>(pairs).fill(kg)];
        const known = next.get(key);
        if (known === undefined || isSimpler(perSide, known.perSide)) next.set(key, { kg: sum, perSide });
      }
    }
    sums = next;
  }
  let [exact, below, above]: [Loaded | null, Loaded | null, Loaded | null] = [null, null, null];
  for (const held of sums.values()) {
    const kg = barKg + 2 * held.kg;
    const loaded = { kg, perSide: held.perSide };
    if (Math.abs(kg - targetKg) < 2 * grain) exact = loaded;
    else if (kg < targetKg) below = below === null || kg > below.kg ? loaded : below;
    else above = above === null || kg < above.kg ? loaded : above;
  }
  return { exact, below, above };
}

/** Fewer plates, and of as many the heavier first. */
function isSimpler(a: readonly number[], b: readonly number[]): boolean {
  const differs = a.findIndex((kg, index) => kg !== b[index]);
  return a.length !== b.length ? a.length < b.length : differs >= 0 && a[differs]! > b[differs]!;
}

/** A warm-up set to do before the first working one. */
export interface RampSet {
  reps: number;
  kg: number;
}

/** Shares of the working load with their repetitions, after the empty bar (common practice, no source). */
const ramp = [
  { share: 0.4, reps: 5 },
  { share: 0.6, reps: 4 },
  { share: 0.75, reps: 3 },
  { share: 0.88, reps: 1 },
];

/**
 * Warm-up sets up to a working load: the empty bar, then rising shares of it in loadable steps. Shares that come out no
 * heavier than the set before, or that weigh less than the bar, are left out; a light load needs none.
 * @param startKg the lightest there is: the empty bar, or the first step
 */
export function warmUpRamp(workingKg: number, startKg: number, stepKg: number): RampSet[] {
  if (workingKg < startKg + 2 * stepKg) return [];
  const sets: RampSet[] = startKg > 0 ? [{ reps: 8, kg: startKg }] : [];
  for (const { share, reps } of ramp) {
    const kg = startKg + nearestStep(workingKg * share - startKg, stepKg);
    if (kg > (sets.at(-1)?.kg ?? 0) + stepKg / 2 && kg < workingKg - stepKg / 2) sets.push({ reps, kg });
  }
  return sets;
}
