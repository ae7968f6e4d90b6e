import { counted } from "../base/units/number";

/** The published formulas for a one-repetition maximum estimated from a load and the repetitions done with it. */
export const formulaNames = ["epley", "brzycki", "lombardi", "oConner", "mayhew", "wathan", "lander"] as const;
export type FormulaName = (typeof formulaNames)[number];

/** A relation that is the same for everybody: one formula, or the mean of all seven. */
export type CommonFormula = FormulaName | "mean";

/** What the trainee may choose: a common relation, or each lift's own. */
export type FormulaChoice = CommonFormula | "personal";

/**
 * Estimated maximum as a multiple of the load, by repetitions to the limit (1 to 20, halves allowed); 1 at one
 * repetition.
 */
export type Factor = (repsToFailure: number) => number;

interface Formula {
  /** Estimated maximum as a multiple of the load, for r whole repetitions to the limit. */
  factor: (reps: number) => number;
  title: string;
  written: string;
  source: string;
}

/** Each formula as its author wrote it, before it is joined to the load itself at one repetition. */
export const formulas: Record<FormulaName, Formula> = {
  epley: { factor: (r) => 1 + r / 30, title: "Epley", written: "w (1 + r/30)", source: "Epley 1985, Poundage Chart" },
  brzycki: {
    factor: (r) => 36 / (37 - r),
    title: "Brzycki",
    written: "36 w / (37 − r)",
    source: "Brzycki 1993, JOPERD 64:88",
  },
  lombardi: {
    factor: (r) => r ** 0.1,
    title: "Lombardi",
    written: "w r^0.10",
    source: "Lombardi 1989, Beginning Weight Training",
  },
  oConner: {
    factor: (r) => 1 + r / 40,
    title: "O'Conner",
    written: "w (1 + r/40)",
    source: "O'Conner et al. 1989, Weight Training Today",
  },
  mayhew: {
    factor: (r) => 100 / (52.2 + 41.9 * Math.exp(-0.055 * r)),
    title: "Mayhew",
    written: "100 w / (52.2 + 41.9 e^(−0.055 r))",
    source: "Mayhew et al. 1992, J Appl Sport Sci Res 6:200",
  },
  wathan: {
    factor: (r) => 100 / (48.8 + 53.8 * Math.exp(-0.075 * r)),
    title: "Wathan",
    written: "100 w / (48.8 + 53.8 e^(−0.075 r))",
    source: "Wathan 1994, Load assignment",
  },
  lander: {
    factor: (r) => 100 / (101.3 - 2.67123 * r),
    title: "Lander",
    written: "100 w / (101.3 − 2.67123 r)",
    source: "Lander 1985, NSCA Journal 6:60",
  },
};

/** Above this many repetitions to the limit (done plus in reserve) an estimate is called rough. */
export const roughAbove = 12;
/** Above this many it is no record, and a maximum standing on it is shown as rough. */
export const recordUpTo = 10;
/** Above this many no estimate is given. */
export const estimateUpTo = 20;

/**
 * The multiple of the load that a formula gives for `reps` repetitions to the limit. One repetition is the load itself,
 * whatever the formula says there; between one and two the factor runs straight to the formula's own value at two, so
 * nothing jumps.
 * @param reps 1 to 20, halves allowed
 */
export function maximumFactor(choice: CommonFormula, reps: number): number {
  const known = factors[choice];
  let factor = known.get(reps);
  if (factor === undefined) known.set(reps, (factor = computeFactor(choice, reps)));
  return factor;
}

/** Factors worked out so far, by repetitions: a log of many years asks for the same few again and again. */
const factors = Object.fromEntries(
  ["mean", ...formulaNames].map((name) => [name, new Map<number, number>()]),
) as Record<CommonFormula, Map<number, number>>;

function computeFactor(choice: CommonFormula, reps: number): number {
  if (choice === "mean")
    return formulaNames.reduce((sum, name) => sum + maximumFactor(name, reps), 0) / formulaNames.length;
  const { factor } = formulas[choice];
  return reps >= 2 ? factor(reps) : 1 + (factor(2) - 1) * (reps - 1);
}

/** The common relations, each as a function of the repetitions alone. */
export const factorOf = Object.fromEntries(
  ["mean" as const, ...formulaNames].map((name): [CommonFormula, Factor] => [
    name,
    (reps) => maximumFactor(name, reps),
  ]),
) as Record<CommonFormula, Factor>;

export type Estimate = { kg: number; repsToFailure: number; rough: boolean } | { reason: string };

/**
 * Estimated one-repetition maximum of a set.
 * @param factor the relation of repetitions to load, such as `factorOf.mean`
 * @param kg total load moved, kilograms, above 0
 * @param reps repetitions done
 * @param rpe effort of the set, 6 to 10; below 6 it says too little about the reserve and is ignored. Absent: reserve
 *   unknown, the estimate is then a lower bound
 * @returns the estimate with `repsToFailure` = reps + reserve, or the reason why there is none
 * Source of reps in reserve = 10 − RPE: Helms et al. 2016, Strength Cond J 38:42 (from memory).
 */
export function estimateMaximum(factor: Factor, kg: number, reps: number, rpe?: number | null): Estimate {
  if (!(reps >= 1)) return { reason: "no repetition was completed" };
  if (!(kg > 0)) return { reason: "no load was moved" };
  const repsToFailure = reps + (repsInReserve(rpe) ?? 0);
  if (repsToFailure > estimateUpTo)
    return { reason: `${counted(repsToFailure, "repetition")} to the limit; formulas hold up to ${estimateUpTo}` };
  return { kg: kg * factor(repsToFailure), repsToFailure, rough: repsToFailure > roughAbove };
}

/** Repetitions in reserve of an effort: 10 − RPE, or null when the effort is absent or below 6. */
export function repsInReserve(rpe: number | null | undefined): number | null {
  return rpe === null || rpe === undefined || rpe < 6 ? null : 10 - rpe;
}
