import { dateOf, type Day } from "../calendar/day";
import { put, type Change, type Food, type Meal, type Recipe } from "../log/records";
import { addUp, ofFood, ofRecipe, type FullNutrients } from "../nutrition/energy";
import { printNumber } from "../units/number";
import { parseDecimal } from "../units/number";
import { candidatesFor } from "./names";
import { after, folded, problemAt, reading, splitList, type EntryChoice, type EntryContext, type Part, type Reading } from "./reading";

const mealNames = ["breakfast", "lunch", "dinner", "snack"];
const amountPattern = /^(\d+(?:[.,]\d+)?|½|half(?:\s+an?)?|an?)\s*(kg|g|ml|l|portions?)?(?=\s|$|[a-z½])\s*(.*)$/i;

type Line = { meal: Meal; nutrients: FullNutrients; text: string };
type LineResult = Line | { message: string; choices: (line: string) => EntryChoice[] };

/** Foods and recipes with their amounts: `breakfast: 80 g oats, 2 eggs, half a portion lentil soup`. Null when nothing in it is a food. */
export function readFood(part: Part, day: Day, context: EntryContext, prefix: string): Reading | null {
  const named = new RegExp(`^(${mealNames.join("|")})\\s*:?\\s+`, "i").exec(`${part.text} `);
  const meal = named?.[1]?.toLowerCase() ?? null;
  const list = named ? after(part, Math.min(named[0].length, part.text.length)) : part;
  const pieces = splitList(list);
  if (pieces.length === 0) return meal === null ? null : reading("meals", dateOf(day), { problems: [problemAt(part, "Foods are missing, for example 80 g oats, 2 eggs.")] });
  const results = pieces.map((piece) => ({ piece, result: readLine(piece, day, meal, context) }));
  if (meal === null && results.every(({ result }) => result === null)) return null;
  const lines: Line[] = [];
  const problems: Reading["problems"] = [];
  const choices: EntryChoice[] = [];
  for (const { piece, result } of results) {
    if (result === null) problems.push(problemAt(piece, `No food or recipe of yours is called "${piece.text}". Add it under Food.`));
    else if ("message" in result) {
      problems.push(problemAt(piece, result.message));
      if (choices.length === 0) choices.push(...result.choices(`${prefix}${part.text.slice(0, piece.start - part.start)}\u0000${part.text.slice(piece.start - part.start + piece.text.length)}`));
    } else lines.push(result);
  }
  const total = addUp(lines.map(({ nutrients }) => nutrients));
  const planned = day > context.today;
  const change: Change = lines.map(({ meal: record }) => put("meals", record));
  return reading("meals", dateOf(day), {
    fields: [
      ...(meal ? [{ label: "meal", text: meal }] : []), ...lines.map(({ text, nutrients }) => ({ label: planned ? "planned" : "eaten", text: `${text}, ${context.printer.energy(nutrients.kcal)}` })),
      ...(lines.length > 0 ? [{ label: "in all", text: `${context.printer.energy(total.kcal)}, protein ${printNumber(total.protein, 0)} g, carbohydrate ${printNumber(total.carbohydrate, 0)} g (fibre ${printNumber(total.fibre, 0)}), fat ${printNumber(total.fat, 0)} g` }] : []),
    ],
    problems, choices, change: problems.length > 0 ? null : change, label: `${lines.map(({ text }) => text).join(", ")}, ${context.printer.energy(total.kcal)}`,
  });
}

function readLine(piece: Part, day: Day, meal: string | null, context: EntryContext): LineResult | null {
  const match = amountPattern.exec(piece.text);
  const amount = match ? amountOf(match[1]!) : null;
  const unit = match?.[2]?.toLowerCase();
  const words = (match ? match[3]! : piece.text).replace(/^(?:of|an?)\s+/i, "");
  const things: (Food | Recipe)[] = [...context.foods, ...context.recipes];
  const portioned = context.foods.filter((food) => (food.portions ?? []).some(({ name }) => portionWord(words, name) !== null && candidatesFor(portionWord(words, name)!, [food]).length === 1));
  const exact = things.filter(({ name }) => folded(name) === folded(words));
  const candidates = exact.length > 0 ? exact : portioned.length > 0 ? portioned : candidatesFor(words, things);
  if (words.trim() === "" || candidates.length === 0) return null;
  if (candidates.length > 1) {
    return { message: `"${words}" is the name of several. Which one?`, choices: (line) => candidates.slice(0, 6).map(({ name }) => ({ label: name, text: line.replace("\u0000", `${piece.text.slice(0, piece.text.length - (portioned.length > 0 ? portionWord(words, portionName(portioned[0]!, words))!.length : words.length))}${name}`) })) };
  }
  const thing = candidates[0]!;
  const base = { id: context.newId(), personId: context.personId, date: dateOf(day), ...(meal ? { meal } : {}), status: day > context.today ? ("planned" as const) : ("eaten" as const) };
  if (isRecipe(thing)) {
    if (unit !== undefined && !unit.startsWith("portion")) return { message: `${thing.name} is counted in portions, for example 1 portion.`, choices: () => [] };
    const portions = amount ?? 1;
    const parts = ofRecipe(thing, portions, new Map(context.foods.map((food) => [food.id, food])));
    return { meal: { ...base, ...parts }, nutrients: parts.nutrients, text: `${printNumber(portions, portions % 1 === 0 ? 0 : 1)} × ${thing.name}` };
  }
  const grams = gramsOf(thing, amount, unit, words);
  if (grams === null) {
    return { message: `How much ${thing.name}? Write grams, for example 100 g.`, choices: (line) => [{ label: `100 g ${thing.name}`, text: line.replace("\u0000", `100 g ${thing.name}`) }] };
  }
  if (!(grams > 0) || grams > 20_000) return { message: "That amount is not taken: more than nothing, at most 20 kg.", choices: () => [] };
  const parts = ofFood(thing, grams);
  return { meal: { ...base, ...parts }, nutrients: parts.nutrients, text: `${printNumber(grams, grams % 1 === 0 ? 0 : 1)} g ${thing.name}` };
}

function isRecipe(thing: Food | Recipe): thing is Recipe {
  return "ingredients" in thing;
}

function amountOf(text: string): number {
  const word = text.toLowerCase();
  if (word === "½" || word.startsWith("half")) return 0.5;
  return /^an?$/.test(word) ? 1 : parseDecimal(text)!;
}

/** Grams of an amount: by weight, or by the food's own portion (the one named, else its first). */
function gramsOf(food: Food, amount: number | null, unit: string | undefined, words: string): number | null {
  if (unit === "g" || unit === "ml") return amount;
  if (unit === "kg" || unit === "l") return amount! * 1000;
  const portions = food.portions ?? [];
  const portion = portions.find(({ name }) => portionWord(words, name) !== null) ?? portions[0];
  return amount === null || portion === undefined ? null : amount * portion.grams;
}

function portionName(food: Food, words: string): string {
  return (food.portions ?? []).find(({ name }) => portionWord(words, name) !== null)?.name ?? "";
}

/** What is left of `slices of rye bread` without its portion's name, or null when that name is not in it. */
function portionWord(words: string, portion: string): string | null {
  const match = new RegExp(`^${escaped(folded(portion))}(?:e?s)?\\s+(?:of\\s+)?(.+)$`).exec(folded(words));
  return match ? match[1]! : null;
}

function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
}
