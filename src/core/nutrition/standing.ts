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

/** A nutrient that has a target on a day, in words. */
export interface NutrientStanding extends Standing {
  nutrient: AskedNutrient;
  said: string;
}

/** How a day stands to each of its targets in grams, in words; what cannot be said says why. */
export function standings(
  eaten: FullNutrients,
  asked: AskedNutrients,
): (NutrientStanding | { nutrient: AskedNutrient; said: string })[] {
  return askedNutrients.flatMap((nutrient) => {
    const one = asked[nutrient];
    if (one === null) return [];
    if ("reason" in one) return [{ nutrient, said: `${nutrient}: ${one.reason}` }];
    const standing = standingOf(eaten[nutrient], one);
    return [{ nutrient, ...standing, said: words(nutrient, standing, one.meant) }];
  });
}

function words(nutrient: AskedNutrient, { is, by }: Standing, meant: string): string {
  const grams = `${printNumber(by, 0)} g`;
  if (is === "toGo") return `${grams} of ${nutrient} to go, at least`;
  if (is === "there") return `${nutrient} ${nutrient === "sugars" ? "are" : "is"} there, ${grams} over`;
  if (is === "within") return `${nutrient} within its range, ${grams} below its top`;
  if (is === "over") return meant === "about" ? `${grams} of ${nutrient} over` : `${grams} of ${nutrient} too much`;
  return `${grams} of ${nutrient} left${meant === "atMost" ? ", at most" : ""}`;
}
