import { printNumber } from "../base/units/number";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import type { Target } from "./expenditure";
import type { Resting } from "./resting";

/**
 * Protein below which a trainee is told, grams for each kilogram of body weight: 1.4 to 2.0 suits most who train (Jäger et al.
 * 2017, J Int Soc Sports Nutr 14:20); while weight is lost 1.6 at least (Morton et al. 2018, Br J Sports Med 52:376). From
 * memory.
 */
const leastProtein = { holding: 1.4, losing: 1.6 };

/** What speaks against the targets, each with its reason; never a block. */
export function targetWarnings(
  asOf: AsOf,
  kinds: readonly { name: string; target: Target }[],
  resting: Resting,
): string[] {
  const warnings: string[] = [];
  const p = asOf.printer;
  const kg = weightOf(asOf).on(asOf.on);
  const alike = new Set(kinds.map(({ target }) => ("reason" in target ? "" : `${target.kcal} ${proteinOf(target)}`)));
  const isOne = alike.size === 1;
  for (const { name, target } of isOne ? kinds.slice(0, 1) : kinds) {
    if ("reason" in target) continue;
    const day = isOne ? "a day" : `a ${name} day`;
    if ("kcal" in resting && target.kcal < resting.kcal)
      warnings.push(
        `${isOne ? "The daily target" : `The target of ${day}`}, ${p.energy(target.kcal)}, is under the resting expenditure of ${p.energy(resting.kcal)}.`,
      );
    const isLosing = target.expenditureKcal !== null && target.kcal < target.expenditureKcal;
    const least = isLosing ? leastProtein.losing : leastProtein.holding;
    const protein = proteinOf(target);
    if (protein !== null && kg !== null && protein < least * kg)
      warnings.push(
        `${printNumber(protein, 0)} g of protein on ${day} are ${printNumber(protein / kg, 1)} g for each kg of body weight; ${
          isLosing ? "while weight is lost, less than 1.6 costs muscle" : "1.4 to 2.0 suit most who train"
        }.`,
      );
  }
  return warnings;
}

/** Grams of protein that a target comes to, or null. */
function proteinOf(target: Exclude<Target, { reason: string }>): number | null {
  const { protein } = target.asked;
  return protein === null || "reason" in protein ? null : protein.grams;
}
