import { dateOf } from "../base/calendar/day";
import { printNumber } from "../base/units/number";
import { isMark, isWord } from "../entry/amounts";
import { namesIn, nameStandingAt, nearTo } from "../entry/names";
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
import type { Token } from "../entry/tokens";
import { type Change, put } from "../log/records";
import { amounted, isWithinAmount, nameOf } from "./amounts";
import { addUp } from "./energy";
import { usualMeals } from "./mealNames";
import { type Eaten, readPiece, type Thing } from "./piece";
import { nutrientsIn, statedIn } from "./stated";

const usual = [...usualMeals.map((name) => ({ id: name, name })), { id: "dinner", name: "supper" }];
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
  const { day, context } = line;
  const things: Thing[] = [...context.foods, ...context.recipes];
  const { meal, from, to } = mealOfLine(line);
  const pieces = withTheirNutrients(piecesOf(line.tokens.slice(from, to), things));
  const date = dateOf(day);
  if (pieces.length === 0) {
    if (meal === null) return null;
    const place = placeOf(line.tokens, 0, line.tokens.length);
    return reading("meals", date, {
      problems: [{ ...place, message: "Foods are missing, for example 80 g oats, 2 eggs." }],
    });
  }
  // `breakfast 80 g oats, lunch 200 g salmon`: what stands behind another meal's name is that one's.
  let of = meal;
  const results = pieces.map((piece) => {
    const next = mealAt({ ...line, tokens: piece }, 0);
    const tokens = next === null || next.to >= piece.length ? piece : piece.slice(next.to);
    if (tokens !== piece) of = next!.meal;
    return { tokens, result: readPiece(tokens, of, line, things) };
  });
  const isKnown = (tokens: readonly Token[]) =>
    nearTo(nameOf(tokens, line.text), things).length > 0 ||
    tokens.some((token, at) => token.kind === "number" && isWord(tokens[at + 1], "g", "gr", "gram", "grams", "ml"));
  if (meal === null && results.every(({ result }) => result === null) && !pieces.some(isKnown)) return null;
  const eaten = results.flatMap(({ result }) => (result !== null && "meal" in result ? [result] : []));
  const problems: EntryProblem[] = [];
  const choices: EntryChoice[] = [];
  for (const { tokens, result } of results) {
    if (result !== null && "meal" in result) continue;
    const place = placeOf(tokens, 0, tokens.length);
    const { message, offered, makes } =
      result === null ? unknown(tokens, line.text, things) : { makes: null, ...result };
    problems.push({ ...place, message, ...(makes === null ? {} : { makes }) });
    if (choices.length === 0)
      choices.push(...offered.map(({ label, text }) => ({ label, text: rewritten(line.text, [{ ...place, text }]) })));
  }
  const doubtful = line.tokens.findIndex((token) => isMark(token, "?"));
  if (doubtful >= 0)
    problems.push({
      ...placeOf(line.tokens, doubtful, doubtful + 1),
      message: "Is it sure? Without the question mark it is written.",
    });
  const change: Change = eaten.map(({ meal: record }) => put("meals", record));
  const total = context.printer.energy(addUp(eaten.map(({ nutrients }) => nutrients)).kcal);
  return reading("meals", date, {
    fields: fieldsOf(eaten, line),
    problems,
    choices,
    change: problems.length > 0 ? null : change,
    label: `${eaten.map(({ text }) => text).join(", ")}, ${total}`,
    written: {
      ...nothingWritten,
      meals: eaten.map(({ name, grams, portions, meal: record }) => ({
        name,
        grams,
        portions,
        meal: record.meal ?? null,
        ...(record.name == null ? {} : { kcal: record.nutrients!.kcal! }),
      })),
    },
  });
}

/** The meal that a line names in front or at its end, and where its foods stand. */
function mealOfLine(line: Line): { meal: string | null; from: number; to: number } {
  const { tokens } = line;
  let from = 0;
  while (from < tokens.length && (isWord(tokens[from], ...eating) || (from > 0 && isMark(tokens[from], ":"))))
    from += 1;
  const named = mealAt(line, from);
  if (named !== null) {
    from = named.to;
    while (isWord(tokens[from], "i", "had", "ate", "was")) from += 1;
    return { meal: named.meal, from, to: tokens.length };
  }
  const last = tokens.findLastIndex((token, at) => at > from && isWord(token, "for", "at"));
  const behind = last < 0 ? null : mealAt(line, last + 1, true);
  return behind !== null && behind.to === tokens.length
    ? { meal: behind.meal, from, to: last }
    : { meal: null, from, to: tokens.length };
}

/** What is said of a piece in which nothing is called as a food of the trainee's is. */
function unknown(
  tokens: readonly Token[],
  text: string,
  things: readonly Thing[],
): { message: string; offered: { label: string; text: string }[]; makes: string | null } {
  if (namesIn(tokens, things).length > 1)
    return { message: "Write a comma between two foods.", offered: [], makes: null };
  const { start, end } = placeOf(tokens, 0, tokens.length);
  const [name, whole] = [nameOf(tokens, text), text.slice(start, end)];
  const near = nearTo(name, things).slice(0, 4);
  return {
    message: `No food or recipe of yours is called "${name || whole}".${near.length > 0 ? " Did you mean one of these?" : " Add it under Food."}`,
    offered: near.map((thing) => ({ label: thing.name, text: whole.replace(name, thing.name) })),
    makes: name === "" ? null : name,
  };
}

/** What was understood: the meals, each food with its energy, and all of them together. */
function fieldsOf(eaten: readonly Eaten[], { day, context }: Line): ParsedEntry["fields"] {
  if (eaten.length === 0) return [];
  const { printer, today } = context;
  const { kcal, protein, carbohydrate, fibre, fat } = addUp(eaten.map(({ nutrients }) => nutrients));
  const meals = [...new Set(eaten.flatMap(({ meal }) => meal.meal ?? []))];
  return [
    ...meals.map((text) => ({ label: "meal", text })),
    ...eaten.map(({ text, nutrients }) => ({
      label: day > today ? "planned" : "eaten",
      text: `${text}, ${printer.energy(nutrients.kcal)}`,
    })),
    {
      label: "in all",
      text: `${printer.energy(kcal)}, protein ${printNumber(protein, 0)} g, carbohydrate ${printNumber(carbohydrate, 0)} g (fibre ${printNumber(fibre, 0)}), fat ${printNumber(fat, 0)} g`,
    },
  ];
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

/** `pizza 900 kcal, 40 g protein`: nutrients behind an energy are of the same thing. */
function withTheirNutrients(pieces: readonly Token[][]): Token[][] {
  const whole: Token[][] = [];
  for (const piece of pieces) {
    const before = whole.at(-1);
    if (before !== undefined && nutrientsIn(piece) !== null && statedIn(before) !== null) before.push(...piece);
    else whole.push(piece);
  }
  return whole;
}

/** An amount before words that no food is called by: `2 pancakes`, `half an avocado`. Null where it may be something else. */
export function readUnknownFood(line: Line): ParsedEntry | null {
  const { tokens, text, day, context } = line;
  const piece = amounted(tokens);
  const isCounted = piece?.amount != null && piece.amount < 30 && !isWord(tokens[0], "a", "an");
  if (!isCounted || piece.words.length === 0 || piece.words.includes(tokens[0]!)) return null;
  if (piece.words.some((word) => word.kind !== "word" || isWord(word, "water"))) return null;
  const { message, offered, makes } = unknown(tokens, text, [...context.foods, ...context.recipes]);
  const place = placeOf(tokens, 0, tokens.length);
  return reading("meals", dateOf(day), {
    problems: [{ ...place, message, ...(makes === null ? {} : { makes }) }],
    choices: offered.map(({ label, text: instead }) => ({
      label,
      text: rewritten(text, [{ ...place, text: instead }]),
    })),
  });
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
    if (parts && !within.has(at) && !isWithinAmount(tokens, at)) pieces.push([]);
    else pieces.at(-1)!.push(token);
  });
  return pieces.filter((piece) => piece.length > 0);
}
