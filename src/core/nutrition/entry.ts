import { dateOf } from "../base/calendar/day";
import { printNumber } from "../base/units/number";
import { type At, isMark, isWhole, isWord } from "../entry/amounts";
import { candidatesFor, namesIn, nameStandingAt, nearTo, sameName } from "../entry/names";
import {
  type EntryChoice,
  type EntryProblem,
  type Line,
  nothingWritten,
  type ParsedEntry,
  placeOf,
  reading,
  rewritten,
} from "../entry/parsedEntry";
import { type Token, tokensOf } from "../entry/tokens";
import type { Food } from "../log/kinds/foods";
import type { Meal } from "../log/kinds/meals";
import type { Recipe } from "../log/kinds/recipes";
import { type Change, put } from "../log/records";
import { addUp, type FullNutrients, ofFood, ofRecipe } from "./energy";
import { usualMeals } from "./mealNames";

type Thing = Food | Recipe;
type Unread = { message: string; offered: { label: string; text: string }[] };
interface Eaten {
  meal: Meal;
  nutrients: FullNutrients;
  text: string;
  name: string;
  grams: number | null;
  portions: number | null;
}

const usual = [...usualMeals.map((name) => ({ id: name, name })), { id: "dinner", name: "supper" }];
const grams: Readonly<Record<string, number>> = {
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
};
const countWords: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  half: 0.5,
  quarter: 0.25,
};
const eating = [
  "had",
  "ate",
  "eaten",
  "have",
  "eat",
  "i",
  "some",
  "of",
  "for",
  "at",
  "tonight",
  "morning",
  "afternoon",
  "evening",
  "night",
];

/**
 * Foods and recipes with their amounts: `breakfast: 80 g oats, 2 eggs and half a portion lentil soup`. Null when
 * nothing in it is a food.
 */
export function readFood(line: Line): ParsedEntry | null {
  const { day, context, text } = line;
  const things: Thing[] = [...context.foods, ...context.recipes];
  let [from, to] = [0, line.tokens.length];
  while (from < to && (isWord(line.tokens[from], ...eating) || (from > 0 && isMark(line.tokens[from], ":")))) from += 1;
  let meal: string | null = null;
  const named = mealAt(line, from);
  if (named !== null) {
    meal = named.meal;
    from = named.to;
    while (isWord(line.tokens[from], "i", "had", "ate", "was")) from += 1;
  } else {
    const last = line.tokens.findLastIndex((token, at) => at > from && isWord(token, "for", "at"));
    const behind = last < 0 ? null : mealAt(line, last + 1, true);
    if (behind !== null && behind.to === to) [meal, to] = [behind.meal, last];
  }
  const pieces = piecesOf(line.tokens.slice(from, to), things);
  if (pieces.length === 0)
    return meal === null
      ? null
      : reading("meals", dateOf(day), {
          problems: [
            {
              ...placeOf(line.tokens, 0, line.tokens.length),
              message: "Foods are missing, for example 80 g oats, 2 eggs.",
            },
          ],
        });
  // `breakfast 80 g oats, lunch 200 g salmon`: what stands behind another meal's name is that one's.
  let of = meal;
  const results = pieces.map((piece) => {
    const next = mealAt({ ...line, tokens: piece }, 0);
    const tokens = next === null || next.to >= piece.length ? piece : piece.slice(next.to);
    if (tokens !== piece) of = next!.meal;
    return { tokens, result: readPiece(tokens, text, of, line, things) };
  });
  const known = (tokens: readonly Token[]) =>
    nearTo(nameOf(tokens, text), things).length > 0 ||
    tokens.some((token, at) => token.kind === "number" && isWord(tokens[at + 1], "g", "gr", "gram", "grams", "ml"));
  if (meal === null && results.every(({ result }) => result === null) && !pieces.some(known)) return null;
  const eaten: Eaten[] = [];
  const problems: EntryProblem[] = [];
  const choices: EntryChoice[] = [];
  for (const { tokens, result } of results) {
    const place = placeOf(tokens, 0, tokens.length);
    if (result !== null && "meal" in result) {
      eaten.push(result);
      continue;
    }
    const name = nameOf(tokens, text);
    if (result === null && namesIn(tokens, things).length > 1) {
      problems.push({ ...place, message: "Write a comma between two foods." });
      continue;
    }
    const near = result === null ? nearTo(name, things).slice(0, 4) : [];
    problems.push({
      ...place,
      message:
        result?.message ??
        `No food or recipe of yours is called "${name || text.slice(place.start, place.end)}".${near.length > 0 ? " Did you mean one of these?" : " Add it under Food."}`,
    });
    const offered =
      result?.offered ??
      near.map((thing) => ({ label: thing.name, text: text.slice(place.start, place.end).replace(name, thing.name) }));
    if (choices.length === 0)
      choices.push(
        ...offered.map((one) => ({ label: one.label, text: rewritten(text, [{ ...place, text: one.text }]) })),
      );
  }
  const doubtful = line.tokens.findIndex((token) => isMark(token, "?"));
  if (doubtful >= 0)
    problems.push({
      ...placeOf(line.tokens, doubtful, doubtful + 1),
      message: "Is it sure? Without the question mark it is written.",
    });
  const total = addUp(eaten.map(({ nutrients }) => nutrients));
  const change: Change = eaten.map(({ meal: record }) => put("meals", record));
  return reading("meals", dateOf(day), {
    fields: [
      ...[...new Set(eaten.flatMap(({ meal: record }) => record.meal ?? []))].map((name) => ({
        label: "meal",
        text: name,
      })),
      ...eaten.map(({ text: said, nutrients }) => ({
        label: day > context.today ? "planned" : "eaten",
        text: `${said}, ${context.printer.energy(nutrients.kcal)}`,
      })),
      ...(eaten.length > 0
        ? [
            {
              label: "in all",
              text: `${context.printer.energy(total.kcal)}, protein ${printNumber(total.protein, 0)} g, carbohydrate ${printNumber(total.carbohydrate, 0)} g (fibre ${printNumber(total.fibre, 0)}), fat ${printNumber(total.fat, 0)} g`,
            },
          ]
        : []),
    ],
    problems,
    choices,
    change: problems.length > 0 ? null : change,
    label: `${eaten.map(({ text: said }) => said).join(", ")}, ${context.printer.energy(total.kcal)}`,
    written: {
      ...nothingWritten,
      meals: eaten.map(({ name, grams: g, portions, meal: record }) => ({
        name,
        grams: g,
        portions,
        meal: record.meal ?? null,
      })),
    },
  });
}

/**
 * A meal's name that stands at a place in the line, and where what belongs to it begins. A name of the trainee's own
 * may be a food's too: it needs a colon or a dash behind it, unless it stands alone.
 */
export function mealAt(
  { tokens, context }: Line,
  at: number,
  alone = false,
): { meal: string; own: boolean; to: number } | null {
  const own = nameStandingAt(tokens, at, context.meals);
  if (own !== null && (alone || isMark(tokens[own.to], ":", "-")))
    return { meal: own.things[0]!.id, own: true, to: own.to + (alone ? 0 : 1) };
  const word = nameStandingAt(tokens, at, usual);
  return word === null
    ? null
    : {
        meal: word.things[0]!.id,
        own: false,
        to: word.to + (!alone && isMark(tokens[word.to], ":", "-", ",") ? 1 : 0),
      };
}

/** Parts of a list of foods: parted by marks and by `and`, where that is not within a name. */
function piecesOf(tokens: readonly Token[], things: readonly Thing[]): Token[][] {
  const within = new Set(
    namesIn(tokens, things).flatMap(({ from, to }) =>
      Array.from({ length: Math.max(0, to - from - 1) }, (_, index) => from + index),
    ),
  );
  const pieces: Token[][] = [[]];
  tokens.forEach((token, at) => {
    const parts = isMark(token, ",", ";", "&", "+", ".", "!") || isWord(token, "and", "with", "plus", "then");
    if (parts && !within.has(at)) pieces.push([]);
    else pieces.at(-1)!.push(token);
  });
  return pieces.filter((piece) => piece.length > 0);
}

/** An amount at a place: `80`, `1,5`, `½`, `1/2`, `1 1/2`, `half a`, `two`. */
function amountAt(tokens: readonly Token[], at: number): At<number> | null {
  const first = tokens[at];
  if (first === undefined) return null;
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
  const count = first.kind === "word" ? countWords[first.text] : undefined;
  if (count === undefined) return null;
  let to = at + 1;
  if (count < 1 && isWord(tokens[to], "of")) to += 1;
  if (count < 1 && isWord(tokens[to], "a", "an", "the")) to += 1;
  if (count === 1 && isWord(tokens[to], "half")) return { value: 0.5, to: to + 1 };
  return { value: count, to };
}

function nameOf(tokens: readonly Token[], text: string): string {
  const amount = amountAt(tokens, 0);
  let from = amount?.to ?? 0;
  if (amount && isMark(tokens[from], "x")) from += 1;
  if (tokens[from]?.kind === "word" && grams[tokens[from]!.text] !== undefined) from += 1;
  if (isWord(tokens[from], "of")) from += 1;
  const rest = tokens.slice(from);
  const end = rest.findIndex(({ kind }) => kind === "number");
  const words = end < 0 ? rest : rest.slice(0, end);
  return words.length === 0 ? "" : text.slice(words[0]!.start, words.at(-1)!.end);
}

interface Amounted {
  amount: number | null;
  unit: string | null;
  words: readonly Token[];
}

/** The amount of a piece and the words of its name, the amount before the name or behind it. */
function amounted(tokens: readonly Token[]): Amounted | null {
  const unitAt = (at: number) =>
    tokens[at]?.kind === "word" &&
    (grams[tokens[at]!.text] !== undefined || isWord(tokens[at], "portion", "portions", "serving", "servings"))
      ? tokens[at]!.text
      : null;
  const front = amountAt(tokens, 0);
  if (front !== null) {
    let to = front.to;
    if (isMark(tokens[to], "x")) to += 1;
    const unit = unitAt(to);
    if (unit !== null) to += 1;
    while (isWord(tokens[to], "of", "a", "an", "the")) to += 1;
    return { amount: front.value, unit, words: tokens.slice(to) };
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

function readPiece(
  tokens: readonly Token[],
  text: string,
  meal: string | null,
  { day, context }: Line,
  things: readonly Thing[],
): Eaten | Unread | null {
  const piece = amounted(tokens);
  if (piece === null || piece.words.length === 0) return null;
  const { amount, unit } = piece;
  const counted = unit === null || /^(?:portion|serving)/.test(unit);
  // `140 g salmon fillet`: what it is cut in says nothing beside its weight.
  const cut =
    !counted &&
    piece.words.length > 1 &&
    context.foods.some(({ portions }) => portions?.some(({ name }) => sameName(name, piece.words.at(-1)!.text))) &&
    wholeWords(saidBy(piece.words, text), things).length === 0;
  const words = cut ? piece.words.slice(0, -1) : piece.words;
  const said = saidBy(words, text);
  const whole = text.slice(tokens[0]!.start, tokens.at(-1)!.end);
  const exact = things.filter(({ name }) => sameName(name, said));
  const portioned =
    exact.length > 0
      ? []
      : context.foods.flatMap((food) =>
          (food.portions ?? []).flatMap((portion) => {
            const name = behindPortion(words, portion.name, text);
            return name !== null && candidatesFor(name, [food]).length === 1 ? [{ food, portion, name }] : [];
          }),
        );
  const bestPortioned = portioned.some(({ food, name }) => sameName(food.name, name))
    ? portioned.filter(({ food, name }) => sameName(food.name, name))
    : portioned;
  const shared = wholeWords(said, things);
  const candidates =
    exact.length > 0 ? exact : bestPortioned.length > 0 ? [...new Set(bestPortioned.map(({ food }) => food))] : shared;
  const rename = (name: string) => {
    const old = bestPortioned[0]?.name ?? said;
    const at = whole.lastIndexOf(old);
    return `${whole.slice(0, at)}${name}${whole.slice(at + old.length)}`;
  };
  if (candidates.length > 1)
    return {
      message: `"${bestPortioned[0]?.name ?? said}" is the name of several. Which one?`,
      offered: candidates.slice(0, 6).map(({ name }) => ({ label: name, text: rename(name) })),
    };
  const [thing] = candidates;
  if (thing === undefined) {
    const begun = candidatesFor(said, things);
    return begun.length === 0 || amount === null
      ? null
      : {
          message: `"${said}" is no whole name. Which one is it?`,
          offered: begun.slice(0, 6).map(({ name }) => ({ label: name, text: rename(name) })),
        };
  }
  const base = {
    id: context.newId(),
    personId: context.personId,
    date: dateOf(day),
    ...(meal ? { meal } : {}),
    status: day > context.today ? ("planned" as const) : ("eaten" as const),
  };
  if (isRecipe(thing)) {
    if (!counted) return { message: `${thing.name} is counted in portions, for example 1 portion.`, offered: [] };
    const portions = amount ?? 1;
    if (!(portions > 0) || portions > 100)
      return { message: "That many portions are not taken: more than nothing, at most 100.", offered: [] };
    const parts = ofRecipe(thing, portions, new Map(context.foods.map((food) => [food.id, food])));
    return {
      meal: { ...base, ...parts },
      nutrients: parts.nutrients,
      text: `${printNumber(portions, portions % 1 === 0 ? 0 : 2).replace(/(\.\d)0$/, "$1")} × ${thing.name}`,
      name: thing.name,
      grams: null,
      portions,
    };
  }
  const named = bestPortioned.find(({ food }) => food === thing)?.portion;
  const portion = named ?? (thing.portions ?? [])[0];
  // A number alone counts what is counted by its own name (`2 eggs`); `80 oats` may be grams.
  if (
    amount !== null &&
    unit === null &&
    named === undefined &&
    portion !== undefined &&
    (!sameName(portion.name, thing.name) || amount > 20)
  ) {
    const number = printNumber(amount, amount % 1 === 0 ? 0 : 2);
    return {
      message: `Is ${number} of ${thing.name} in grams, or ${number} times a ${portion.name}?`,
      offered: [
        { label: `${number} g`, text: `${amount} g ${thing.name}` },
        {
          label: `${number} × ${portion.name}, ${printNumber(amount * portion.grams, 0)} g`,
          text: `${amount} ${portion.name} ${thing.name}`,
        },
      ],
    };
  }
  const weight =
    amount === null
      ? null
      : unit !== null && !counted
        ? amount * grams[unit]!
        : portion === undefined
          ? null
          : amount * portion.grams;
  if (weight === null)
    return {
      message: `How much ${thing.name}? Write grams, for example 100 g.`,
      offered: [{ label: `100 g ${thing.name}`, text: `100 g ${thing.name}` }],
    };
  if (!(weight > 0) || weight > 20_000)
    return { message: "That amount is not taken: more than nothing, at most 20 kg.", offered: [] };
  const parts = ofFood(thing, weight);
  return {
    meal: { ...base, ...parts },
    nutrients: parts.nutrients,
    text: `${printNumber(weight, weight % 1 === 0 ? 0 : 1)} g ${thing.name}`,
    name: thing.name,
    grams: weight,
    portions: null,
  };
}

function isRecipe(thing: Thing): thing is Recipe {
  return "ingredients" in thing;
}

/** Things that have every typed word in their name as a whole word. */
function wholeWords(said: string, things: readonly Thing[]): Thing[] {
  const found = candidatesFor(said, things);
  const typed = tokensOf(said)
    .filter(({ kind }) => kind === "word")
    .map(({ text }) => text);
  const stems = (name: string) => tokensOf(name).map(({ text }) => text.replace(/(?:es|s)$/, ""));
  return found.filter(({ name }) => {
    const words = stems(name);
    return typed.every((word) => words.includes(word.replace(/(?:es|s)$/, "")));
  });
}

/** What is left of `slices of rye bread` without its portion's name, or null when that name is not in front. */
function behindPortion(words: readonly Token[], portion: string, text: string): string | null {
  const count = tokensOf(portion).length;
  if (words.length <= count) return null;
  const front = saidBy(words.slice(0, count), text);
  if (!sameName(front, portion)) return null;
  const rest = isWord(words[count], "of") ? words.slice(count + 1) : words.slice(count);
  return rest.length === 0 ? null : saidBy(rest, text);
}

/** Tokens as they were written, blanks between them where there are some, or where they were not side by side. */
function saidBy(tokens: readonly Token[], text: string): string {
  return tokens
    .map(({ start, end, glued }, index) => `${index === 0 || glued ? "" : " "}${text.slice(start, end)}`)
    .join("");
}
