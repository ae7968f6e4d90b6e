import { printPlain } from "../base/units/number";
import type { Food } from "../log/kinds/foods";

/** So many portions at most are told, and grams may be so far from whole and half ones, as a share. */
const [mostTold, off] = [12, 0.01];

/** Grams in the portions of a food, where they are whole or half ones: `4 × egg`, `1.5 × slice`; null where they are none. */
export function inPortions(grams: number, portions: Food["portions"]): string | null {
  for (const { name, grams: each } of portions ?? []) {
    const count = Math.round((2 * grams) / each) / 2;
    if (count > 0 && count <= mostTold && Math.abs(count * each - grams) <= off * each)
      return `${printPlain(count, 1)} × ${name.toLowerCase()}`;
  }
  return null;
}
