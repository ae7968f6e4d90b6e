import { printNumber } from "../base/units/number";
import { type Asked, type AskedNutrient, askedNutrients, type AskedNutrients } from "../energy/asked";
import type { FullNutrients } from "./energy";

/** How what was eaten stands to a target, so many grams or kilocalories from it; over is as it should be where it is `there`. */
export interface Standing {
  is: "toGo" | "there" | "left" | "within" | "over";
  by: number;
}

/** How an amount stands to a target. */
export function standingOf(eaten: number, { grams, to, meant }: Exclude<Asked, { reason: string }>): Standing {
  if (meant === "atLeast")
    return eaten < grams ? { is: "toGo", by: grams - eaten } : { is: "there", by: eaten - grams };
  if (meant === "between" && to !== null) {
    if (eaten < grams) return { is: "toGo", by: grams - eaten };
    return eaten <= to ? { is: "within", by: to - eaten } : { is: "over", by: eaten - to };
  }
  return eaten <= grams ? { is: "left", by: grams - eaten } : { is: "over", by: eaten - grams };
}

/** A nutrient that has a target on a day: how it stands, and in words what the amount is of. */
interface NutrientStanding extends Standing {
  nutrient: AskedNutrient;
  words: string;
}

export type NutrientStands = NutrientStanding | { nutrient: AskedNutrient; reason: string };

/** How a day stands to each of its targets in grams; what cannot be said says why. */
export function standings(eaten: FullNutrients, asked: AskedNutrients): NutrientStands[] {
  return askedNutrients.flatMap((nutrient): NutrientStands[] => {
    const one = asked[nutrient];
    if (one === null) return [];
    if ("reason" in one) return [{ nutrient, reason: one.reason }];
    const standing = standingOf(eaten[nutrient], one);
    return [{ nutrient, ...standing, words: words(standing.is, one) }];
  });
}

/** What so many grams are, after them: over on fibre is good, over on sugars is not. */
function words(is: Standing["is"], { grams, to, meant }: Exclude<Asked, { reason: string }>): string {
  const whole = (value: number) => printNumber(value, 0);
  const range = to === null ? `${whole(grams)} g` : `${whole(grams)} to ${whole(to)} g`;
  const asked = `${meant === "atLeast" ? "at least " : meant === "atMost" ? "at most " : ""}${range}`;
  if (is === "toGo") return `to go of ${asked}`;
  if (is === "there") return `over ${asked}, which is good`;
  if (is === "over") return meant === "about" ? `over ${asked}` : `too much: ${asked}`;
  return `left ${is === "within" ? "within" : "of"} ${asked}`;
}
