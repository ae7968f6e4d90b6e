import { byWord } from "../base/byWord";
import { sameName } from "../entry/names";
import type { Food } from "../log/kinds/foods";
import { grams } from "./amounts";

/** A line of a recipe's ingredients as it was read. */
export interface IngredientLine {
  /** The line as it is written. */
  text: string;
  quantity: number | null;
  /** The most, where two amounts are written (2–3); null where it is one. */
  to: number | null;
  /** A unit of mass, volume or count in singular: `gram`, `cup`, `clove`; null where it is counted without one. */
  unit: string | null;
  /** What one of it is said to weigh: `1 tin (400 g)`. */
  each: { quantity: number; unit: string } | null;
  /** The words of the food. */
  food: string;
}

/** What a millilitre of a food weighs where nothing says it, grams: as water does. */
const perMillilitre = 1;
const units: Readonly<Record<string, number>> = byWord({
  milligram: 0.001,
  gram: 1,
  kilogram: 1000,
  ounce: grams.oz!,
  pound: grams.lb!,
});
const volumes: Readonly<Record<string, number>> = byWord({
  milliliter: 1,
  centiliter: 10,
  deciliter: 100,
  liter: 1000,
});
/** Portions by which a spoon of the kitchen goes. */
const spoons: Readonly<Record<string, readonly string[]>> = byWord({
  tablespoon: ["tablespoon", "tbsp", "spoon"],
  teaspoon: ["teaspoon", "tsp"],
});

const own = <V>(record: Readonly<Record<string, V>>, key: string | null): V | null =>
  key !== null && Object.hasOwn(record, key) ? record[key]! : null;

/**
 * Grams of a line where it is of a food: by its mass, or by the food's own portions. A volume is taken for water's where the
 * food has no portion for it, and said so.
 * @returns the grams, with what was taken for granted; or why they are not known
 */
export function gramsOfLine(
  { quantity, to, unit, each }: IngredientLine,
  food: Food,
): { grams: number; by: string } | { why: string } {
  if (quantity === null) return { why: "no amount is written" };
  if (to !== null) return { why: `${quantity} or ${to}?` };
  if (!(quantity > 0)) return { why: "the amount is nothing" };
  const mass = own(units, unit);
  if (mass !== null) return { grams: quantity * mass, by: "" };
  const weighs = each === null ? null : own(units, each.unit);
  if (weighs !== null)
    return quantity === 1 ? { grams: each!.quantity * weighs, by: "" } : { why: "is that each, or all together?" };
  const portion = (food.portions ?? []).find(({ name }) =>
    unit === null
      ? sameName(name, food.name) || food.name.toLowerCase().startsWith(name.toLowerCase())
      : (own(spoons, unit) ?? [unit]).some((one) => sameName(one, name)),
  );
  if (portion !== undefined) return { grams: quantity * portion.grams, by: `${portion.name} of ${portion.grams} g` };
  const volume = own(volumes, unit);
  if (volume !== null && food.gramsPerMl != null)
    return { grams: quantity * volume * food.gramsPerMl, by: `${food.gramsPerMl} g a ml` };
  if (volume !== null) return { grams: quantity * volume * perMillilitre, by: "1 g a ml, as water" };
  return { why: unit === null ? "how many grams is one?" : `how many grams is a ${unit}?` };
}

/** What to look for among foods, by the words of an ingredient, the nearest first. */
export function lookedFor(food: string): string[] {
  const bare = food
    .replaceAll(/\([^)]*\)/g, " ")
    .replaceAll(/\s+/g, " ")
    .trim();
  const [front] = bare.split(/,| - |;|\bor\b/) as [string];
  const words = front
    .trim()
    .split(" ")
    .filter((word) => /\p{L}{3}/u.test(word));
  return [...new Set([bare, front.trim(), words.slice(-2).join(" "), words.at(-1) ?? "", words[0] ?? ""])].filter(
    (one) => one !== "",
  );
}
