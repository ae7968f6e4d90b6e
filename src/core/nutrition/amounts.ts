import { byWord } from "../base/byWord";
import { type At, isMark, isWhole, isWord } from "../entry/amounts";
import type { Food } from "../log/kinds/foods";
import { type Token, tokensOf } from "../entry/tokens";

/** Units of volume among those of an amount. */
const volumes = new Set(["ml", "cl", "dl", "l", "litre", "litres", "liter", "liters"]);

/** Grams of one of a unit; of a volume by what a millilitre of the food weighs, as water where that is not written. */
export function gramsOf(unit: string, { gramsPerMl }: Pick<Food, "gramsPerMl">): number {
  return grams[unit]! * (volumes.has(unit) ? (gramsPerMl ?? 1) : 1);
}

/** Grams of each unit an amount of food is written in; a millilitre is taken for a gram. */
export const grams: Readonly<Record<string, number>> = byWord({
  g: 1,
  gr: 1,
  gram: 1,
  grams: 1,
  gramme: 1,
  grammes: 1,
  kg: 1000,
  ml: 1,
  cl: 10,
  dl: 100,
  l: 1000,
  litre: 1000,
  litres: 1000,
  liter: 1000,
  liters: 1000,
  oz: 28.349523125,
  ounce: 28.349523125,
  ounces: 28.349523125,
  lb: 453.59237,
  lbs: 453.59237,
});
/** Parts of a whole, as they are called. */
const parts: Readonly<Record<string, number>> = byWord({
  half: 1 / 2,
  third: 1 / 3,
  thirds: 1 / 3,
  quarter: 1 / 4,
  quarters: 1 / 4,
});
const countWords: Readonly<Record<string, number>> = byWord({
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  ...parts,
});

/** An amount at a place: `80`, `1,5`, `½`, `1/2`, `1 1/2`, `half a`, `a third of`, `two`, `one and a half`. */
function amountAt(tokens: readonly Token[], at: number): At<number> | null {
  const first = tokens[at];
  if (first === undefined) return null;
  const count = first.kind === "word" ? countWords[first.text] : undefined;
  const more = (first.kind === "number" && isWhole(first)) || (count !== undefined && count >= 1);
  // `one and a half`, `2 and a third`
  if (more && isWord(tokens[at + 1], "and") && isWord(tokens[at + 2], "a") && isWord(tokens[at + 3], ...partWords))
    return { value: (count ?? first.value) + parts[tokens[at + 3]!.text]!, to: at + 4 };
  if (first.kind === "number") {
    if (isMark(tokens[at + 1], "/") && isWhole(first) && isWhole(tokens[at + 2]) && tokens[at + 2]!.value > 0)
      return { value: first.value / tokens[at + 2]!.value, to: at + 3 };
    const fraction =
      isWhole(first) &&
      isWhole(tokens[at + 1]) &&
      isMark(tokens[at + 2], "/") &&
      isWhole(tokens[at + 3]) &&
      tokens[at + 3]!.value > tokens[at + 1]!.value;
    if (fraction) return { value: first.value + tokens[at + 1]!.value / tokens[at + 3]!.value, to: at + 4 };
    if (
      isWhole(first) &&
      tokens[at + 1]?.kind === "number" &&
      tokens[at + 1]!.value === 0.5 &&
      tokens[at + 1]!.end - tokens[at + 1]!.start === 1
    )
      return { value: first.value + 0.5, to: at + 2 };
    return { value: first.value, to: at + 1 };
  }
  if (count === undefined) return null;
  // `a third of a`, `two thirds of`, `half an`
  const part = count < 1 ? { value: count, to: at + 1 } : partBehind(tokens, at + 1, count);
  if (part === null) return { value: count, to: at + 1 };
  let { to } = part;
  if (isWord(tokens[to], "of")) to += 1;
  if (isWord(tokens[to], "a", "an", "the")) to += 1;
  return { value: part.value, to };
}

const partWords = Object.keys(parts);

function partBehind(tokens: readonly Token[], at: number, count: number): At<number> | null {
  return isWord(tokens[at], ...partWords) ? { value: count * parts[tokens[at]!.text]!, to: at + 1 } : null;
}

/** Whether `and` at a place is within an amount: `one and a half`. */
export function isWithinAmount(tokens: readonly Token[], at: number): boolean {
  const before = tokens[at - 1];
  return (
    isWord(tokens[at], "and") &&
    isWord(tokens[at + 1], "a") &&
    isWord(tokens[at + 2], ...partWords) &&
    before !== undefined &&
    (before.kind === "number" || (countWords[before.text] ?? 0) >= 1)
  );
}

function isPortion(token: Token | undefined): boolean {
  return isWord(token, "portion", "portions", "serving", "servings");
}

/** `3 x 55`: so many of so much, behind the first of the two; null where there is no second. */
function productAt(tokens: readonly Token[], { value, to }: At<number>): At<number> | null {
  const each = isMark(tokens[to], "x") ? amountAt(tokens, to + 1) : null;
  return each === null ? null : { value: value * each.value, to: each.to };
}

/** An amount with at most one word behind it, its unit: `half a slice`, `1 1/2 eggs`, `3 x 55 g`; null where it is none. */
export function amountSaid(text: string): { value: number; unit: string } | null {
  const tokens = tokensOf(text);
  const front = amountAt(tokens, 0);
  if (front === null) return null;
  const { value, to } = productAt(tokens, front) ?? front;
  const rest = tokens.slice(to);
  return rest.length > 1 || (rest[0] !== undefined && rest[0].kind !== "word")
    ? null
    : { value, unit: rest[0]?.text ?? "" };
}

/** The words of a piece without its amount, as they were written. */
export function nameOf(tokens: readonly Token[], text: string): string {
  const amount = amountAt(tokens, 0);
  let from = amount?.to ?? 0;
  if (amount && isMark(tokens[from], "x")) from += 1;
  if (tokens[from]?.kind === "word" && grams[tokens[from]!.text] !== undefined) from += 1;
  else if (amount && isPortion(tokens[from])) from += 1;
  if (isWord(tokens[from], "of")) from += 1;
  const rest = tokens.slice(from);
  const end = rest.findIndex(({ kind }) => kind === "number");
  const words = end < 0 ? rest : rest.slice(0, end);
  return words.length === 0 ? "" : text.slice(words[0]!.start, words.at(-1)!.end);
}

/** A piece of a list of foods: its amount, the unit of it, and the words of its name. */
export interface Amounted {
  amount: number | null;
  unit: string | null;
  words: readonly Token[];
}

/** The amount of a piece and the words of its name, the amount before the name or behind it. */
export function amounted(tokens: readonly Token[]): Amounted | null {
  const unitAt = (at: number) =>
    tokens[at]?.kind === "word" && (grams[tokens[at]!.text] !== undefined || isPortion(tokens[at]))
      ? tokens[at]!.text
      : null;
  const front = amountAt(tokens, 0);
  if (front !== null) {
    const product = productAt(tokens, front);
    const isWeighed = product !== null && grams[tokens[product.to]?.text ?? ""] !== undefined;
    const { value, to: behind } = isWeighed ? product : front;
    let to = isMark(tokens[behind], "x") ? behind + 1 : behind;
    const unit = unitAt(to);
    if (unit !== null) to += 1;
    while (isWord(tokens[to], "of", "a", "an", "the")) to += 1;
    return { amount: value, unit, words: tokens.slice(to) };
  }
  for (let at = 1; at < tokens.length; at++) {
    const start =
      isMark(tokens[at], "x", ":", "-", "=") && !(isMark(tokens[at], "-") && tokens[at]!.glued && tokens[at + 1]?.glued)
        ? at + 1
        : at;
    const number = tokens[start];
    if (number?.kind !== "number") continue;
    const amount = amountAt(tokens, start)!;
    const unit = unitAt(amount.to);
    if (amount.to + (unit === null ? 0 : 1) === tokens.length)
      return { amount: amount.value, unit, words: tokens.slice(0, at) };
    // `rye bread 2 slices`
    const rest = tokens.slice(amount.to);
    if (unit === null && rest.every(({ kind }) => kind === "word"))
      return { amount: amount.value, unit, words: [...rest, ...tokens.slice(0, at)] };
  }
  return { amount: null, unit: null, words: tokens };
}
