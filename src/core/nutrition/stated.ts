import { byWord } from "../base/byWord";
import { energyAt, isMark, isWord } from "../entry/amounts";
import type { Token } from "../entry/tokens";
import type { Nutrients } from "../log/kinds/foods";
import { complete, energyFromNutrients } from "./energy";

const nutrientWords: Readonly<Record<string, keyof Nutrients>> = byWord({
  protein: "protein",
  fat: "fat",
  carbohydrate: "carbohydrate",
  carbohydrates: "carbohydrate",
  carbs: "carbohydrate",
  carb: "carbohydrate",
  fibre: "fibre",
  fiber: "fibre",
  sugar: "sugars",
  sugars: "sugars",
  alcohol: "alcohol",
});

const roughly = ["about", "around", "roughly", "approx", "approximately", "circa", "ca"];

/** Something eaten of which the energy is said, and that need be no food of the log. */
export interface Stated {
  words: readonly Token[];
  nutrients: Nutrients;
}

/** `pizza 900 kcal`, `900 kcal pizza 40 g protein`: its words and what it holds; null where no energy is said, or more than that. */
export function statedIn(typed: readonly Token[]): Stated | null {
  const tokens = typed.filter((token) => !isMark(token, ":", "~") && !isWord(token, ...roughly));
  const at = tokens.findIndex((_, index) => energyAt(tokens, index) !== null);
  if (at < 0) return null;
  const front = tokens.slice(0, at);
  const rest = tokens.slice(at + 2);
  const end = rest.findIndex(({ kind, text }) => kind === "number" || nutrientWords[text] !== undefined);
  const behind = front.length > 0 ? [] : rest.slice(isWord(rest[0], "of") ? 1 : 0, end < 0 ? rest.length : end);
  const words = [...front, ...behind].filter((token, place, all) => !(isMark(token, "-") && place === all.length - 1));
  const nutrients = nutrientsIn(front.length > 0 ? rest : rest.slice(end < 0 ? rest.length : end));
  return nutrients === null || words.some(({ kind }) => kind === "number" || kind === "clock")
    ? null
    : { words, nutrients: { kcal: energyAt(tokens, at)!.value, ...nutrients } };
}

/** Tokens without the first energy that is said among them; null where none is. */
export function withoutEnergy(tokens: readonly Token[]): Token[] | null {
  const at = tokens.findIndex((_, index) => energyAt(tokens, index) !== null);
  return at < 0 ? null : [...tokens.slice(0, at), ...tokens.slice(at + 2)];
}

/** `40 g protein 30 g fat`; null where something else stands among it. */
export function nutrientsIn(tokens: readonly Token[]): Nutrients | null {
  const found: Nutrients = {};
  let at = 0;
  while (at < tokens.length) {
    const named = nutrientWords[tokens[at]!.text];
    if (named !== undefined) at += 1;
    const number = tokens[at];
    if (number?.kind !== "number") return null;
    at += isWord(tokens[at + 1], "g", "gr", "grams") ? 2 : 1;
    const nutrient = named ?? nutrientWords[tokens[at]?.text ?? ""];
    if (nutrient === undefined || found[nutrient] !== undefined) return null;
    if (named === undefined) at += 1;
    found[nutrient] = number.value;
  }
  return found;
}

/** What protein, fat and carbohydrate make alone, kilocalories, where that is more than labels may round; else null. */
export function tooMuchFor(kcal: number, parts: Nutrients): number | null {
  const { protein, fat, carbohydrate, fibre, alcohol } = complete({ ...parts, kcal: null });
  const least = energyFromNutrients({ protein, fat, carbohydrate, fibre, alcohol });
  return least > 1.2 * kcal + 10 ? least : null;
}

/** What is kept of the fields in which an energy is said; what was left open is not zero but unknown. */
export function statedNutrients({
  energy: kcal,
  ...parts
}: {
  energy: number | null;
  protein: number | null;
  fat: number | null;
  carbohydrate: number | null;
}): Nutrients {
  return Object.fromEntries(Object.entries({ kcal, ...parts }).filter(([, value]) => value !== null));
}
