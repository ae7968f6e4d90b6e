import type { Food } from "../log/kinds/foods";
import { energyFromNutrients, per100g } from "./energy";

/** How far a number on a label may be from what it was rounded from: to a gram from ten grams on, to a tenth below. */
const roundedBy = (grams: number) => (grams >= 10 ? 0.5 : 0.05);
/** Energy of a gram, kilocalories: Regulation (EU) 1169/2011, Annex XIV. */
const factors = { protein: 4, fat: 9, carbohydrate: 4, fibre: 2, alcohol: 7 } as const;

/**
 * The energy that a label states beside the one that its nutrients make, where they are further apart than rounding can put
 * them; null where they agree, or where too little is stated to say.
 */
export function labelDisagrees(food: Food): { statedKcal: number; computedKcal: number } | null {
  const { kcal: stated, protein, fat, carbohydrate } = food.per100g;
  if (stated == null || protein == null || fat == null || carbohydrate == null) return null;
  const { kcal: _, ...nutrients } = per100g(food);
  const computed = energyFromNutrients(nutrients);
  const slack = Object.entries(factors).reduce(
    (sum, [name, factor]) => sum + factor * roundedBy(nutrients[name as keyof typeof factors]),
    // The energy itself is rounded, and fibre may be counted for nothing or left out.
    0.5 + 2 * nutrients.fibre,
  );
  return Math.abs(stated - computed) > slack ? { statedKcal: stated, computedKcal: computed } : null;
}

/**
 * Whether the number under a bar code is one: 8, 12, 13 or 14 digits of which the last makes the sum of the others, by turns
 * times 3 and 1 from the right, a multiple of ten. Source: GS1 General Specifications, section on check digits.
 */
export function isGtin(text: string): boolean {
  if (!/^(?:\d{8}|\d{12,14})$/.test(text)) return false;
  const sum = [...text].reduceRight(
    (total, digit, at) => total + Number(digit) * ((text.length - at) % 2 === 0 ? 3 : 1),
    0,
  );
  return sum % 10 === 0;
}
