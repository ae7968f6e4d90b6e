import { parseIngredient } from "parse-ingredient";
import type { IngredientLine } from "@/core/nutrition/ingredientMatch";

/** Sizes that the parser takes for units. */
const sizes = new Set(["large", "medium", "small"]);

/**
 * A line of ingredients as a page has it, read for its amount, its unit and its food; null for the head of a group. `1,5 kg` is
 * one and a half; `1,500 g` may be either and has no amount that is known.
 */
export function ingredientLine(text: string): IngredientLine | null {
  const isUnsure = /\d,\d{3}(?!\d)/.test(text);
  const [read] = parseIngredient([text.replaceAll(/(\d),(\d{1,2})(?!\d)/g, "$1.$2")], {
    descriptionMeasurements: true,
  });
  if (read === undefined || read.isGroupHeader) return null;
  const unit = read.unitOfMeasureID === null || sizes.has(read.unitOfMeasureID) ? null : read.unitOfMeasureID;
  const inside = (read.descriptionMeasurements ?? []).filter(({ quantity2 }) => quantity2 === null);
  return {
    text,
    quantity: isUnsure ? null : read.quantity,
    to: read.quantity2,
    unit,
    /** `1 tin (400 g)`: what one of it weighs. */
    each: inside.length === 1 ? { quantity: inside[0]!.quantity, unit: inside[0]!.unitOfMeasureID } : null,
    food: read.description,
  };
}
