import { dateOf } from "../base/calendar/day";
import { capitalised } from "../base/text";
import { printNumber, printPlain } from "../base/units/number";
import { isWord, thousandsAt } from "../entry/amounts";
import { candidatesFor, sameName } from "../entry/names";
import type { Line } from "../entry/parsedEntry";
import { type Token, tokensOf } from "../entry/tokens";
import type { Food } from "../log/kinds/foods";
import type { Meal } from "../log/kinds/meals";
import type { Recipe } from "../log/kinds/recipes";
import { type Amounted, amounted, gramsOf } from "./amounts";
import { complete, type FullNutrients, gramsOfPortion, ofFood, ofRecipe } from "./energy";
import { usualMeals } from "./mealNames";
import { type Stated, statedIn, tooMuchFor, withoutEnergy } from "./stated";

/** What can be eaten. */
export type Thing = Food | Recipe;

/** A piece that is not understood: what is asked, and what may be written instead. */
interface Unread {
  message: string;
  offered: { label: string; text: string }[];
}

/** What one piece of a list of foods puts into the log. */
export interface Eaten {
  meal: Meal;
  nutrients: FullNutrients;
  text: string;
  name: string;
  grams: number | null;
  portions: number | null;
}

type Portion = NonNullable<Food["portions"]>[number];
/** A food whose portion stands in front of its name: `slices of rye bread`. */
interface Portioned {
  food: Food;
  portion: Portion;
  name: string;
}

/**
 * One piece of a list of foods, such as `80 g oats`.
 * @param meal what it was eaten at, where that is said
 * @returns null when nothing in it is called as a food is
 */
export function readPiece(
  tokens: readonly Token[],
  meal: string | null,
  line: Line,
  things: readonly Thing[],
): Eaten | Unread | null {
  const stated = statedIn(tokens);
  if (stated !== null) return statedEaten(stated, tokens, meal, line, things);
  const without = withoutEnergy(tokens);
  if (without !== null) return energyBesideFood(without, meal, line, things);
  const mark = tokens.findIndex((_, at) => thousandsAt(tokens, at) !== null);
  if (mark >= 0) {
    const plain = thousandsAt(tokens, mark)!;
    const [front, behind] = [tokens.slice(0, mark), tokens.slice(mark + 1)].map((part) => saidBy(part, line.text));
    return {
      message: `Is that ${plain}?`,
      offered: [{ label: `${plain} ${behind}`, text: [front, plain, behind].filter(Boolean).join(" ") }],
    };
  }
  const piece = amounted(tokens);
  if (piece === null || piece.words.length === 0) return null;
  const whole = line.text.slice(tokens[0]!.start, tokens.at(-1)!.end);
  const words = withoutCut(piece, line, things);
  const found = thingNamed(words, whole, piece.amount, line, things);
  if (found === null) return noSuchPortion(piece, line, things);
  if ("message" in found) return found;
  const base = baseOf(meal, line);
  const { thing, portioned } = found;
  return isRecipe(thing)
    ? recipeEaten(thing, piece, base, line.context.foods)
    : foodEaten(thing, piece, base, portioned.find(({ food }) => food === thing)?.portion);
}

function isCounted({ unit }: Amounted): boolean {
  return unit === null || /^(?:portion|serving)/.test(unit);
}

/** `140 g salmon fillet`: what it is cut in says nothing beside its weight. */
function withoutCut(piece: Amounted, { text, context }: Line, things: readonly Thing[]): readonly Token[] {
  const { words } = piece;
  const last = words.at(-1)!.text;
  const isCut =
    !isCounted(piece) &&
    words.length > 1 &&
    context.foods.some(({ portions }) => portions?.some(({ name }) => sameName(name, last))) &&
    wholeWords(saidBy(words, text), things).length === 0;
  return isCut ? words.slice(0, -1) : words;
}

/** Which food or recipe some words mean, and the foods whose portions stand in front of them. */
function thingNamed(
  words: readonly Token[],
  whole: string,
  amount: number | null,
  { text, context }: Line,
  things: readonly Thing[],
): { thing: Thing; portioned: readonly Portioned[] } | Unread | null {
  const said = saidBy(words, text);
  const exact = things.filter(({ name }) => sameName(name, said));
  const portioned = exact.length > 0 ? [] : portionedIn(words, text, context.foods);
  const candidates =
    exact.length > 0
      ? exact
      : portioned.length > 0
        ? [...new Set(portioned.map(({ food }) => food))]
        : wholeWords(said, things);
  const named = portioned[0]?.name ?? said;
  const offer = (offered: readonly Thing[]) =>
    offered.slice(0, 6).map(({ name }) => {
      const at = whole.lastIndexOf(named);
      return { label: name, text: `${whole.slice(0, at)}${name}${whole.slice(at + named.length)}` };
    });
  const [thing, another] = candidates;
  if (another !== undefined)
    return { message: `"${named}" is the name of several. Which one?`, offered: offer(candidates) };
  if (thing !== undefined) return { thing, portioned };
  const begun = candidatesFor(said, things);
  return begun.length === 0 || amount === null
    ? null
    : { message: `"${said}" is no whole name. Which one is it?`, offered: offer(begun) };
}

/** Foods whose portion's name stands in front of their own; those that are named whole, where some are. */
function portionedIn(words: readonly Token[], text: string, foods: readonly Food[]): Portioned[] {
  const found = foods.flatMap((food) =>
    (food.portions ?? []).flatMap((portion) => {
      const name = behindPortion(words, portion.name, text);
      return name !== null && candidatesFor(name, [food]).length === 1 ? [{ food, portion, name }] : [];
    }),
  );
  const whole = found.filter(({ food, name }) => sameName(food.name, name));
  return whole.length > 0 ? whole : found;
}

/** `1 tbsp olive oil`: a food that is known, behind a portion that it has not. */
function noSuchPortion({ amount, unit, words }: Amounted, { text }: Line, things: readonly Thing[]): Unread | null {
  if (amount === null || unit !== null) return null;
  for (let from = 1; from < words.length; from++) {
    const [food, another] = wholeWords(saidBy(words.slice(from), text), things);
    if (food === undefined || another !== undefined || isRecipe(food)) continue;
    const portion = saidBy(words.slice(0, from), text);
    return {
      message: `${food.name} has no portion called "${portion}". Write grams, or give it one under Food.`,
      offered: portionsOffered(food, amount),
    };
  }
  return null;
}

/** So many of each portion of a food. */
function portionsOffered({ name, portions }: Food, amount: number): Unread["offered"] {
  const number = printPlain(amount, 2);
  return (portions ?? []).slice(0, 4).map((portion) => ({
    label: `${number} × ${portion.name}, ${printNumber(amount * portion.grams, 0)} g`,
    text: `${number} ${portion.name}${sameName(portion.name, name) ? "" : ` ${name}`}`,
  }));
}

function baseOf(meal: string | null, { day, context }: Line): MealBase {
  return {
    id: context.newId(),
    personId: context.personId,
    date: dateOf(day),
    ...(meal ? { meal } : {}),
    status: day > context.today ? ("planned" as const) : ("eaten" as const),
  };
}

/** Something by its energy alone, at a meal that is said. */
function statedEaten(
  { words, nutrients }: Stated,
  tokens: readonly Token[],
  meal: string | null,
  line: Line,
  things: readonly Thing[],
): Eaten | Unread {
  const { text, context } = line;
  const whole = text.slice(tokens[0]!.start, tokens.at(-1)!.end);
  const called = saidBy(words, text);
  // `700 kcal lunch`
  const named = meal === null ? [...usualMeals, ...context.meals.map(({ name }) => name)] : [];
  const itself = named.find((name) => sameName(name, called)) ?? null;
  const said = itself === null ? called : "";
  const kcal = nutrients.kcal!;
  if (!(kcal > 0) || kcal > 10_000)
    return { message: "That much energy is not taken: more than nothing, at most 10,000 kcal.", offered: [] };
  const parts = tooMuchFor(kcal, nutrients);
  if (parts !== null)
    return {
      message: `Its parts alone make ${context.printer.energy(parts)}, which is more. Which of them is it?`,
      offered: [],
    };
  const known = things.find(({ name }) => sameName(name, said));
  if (known !== undefined) {
    const weight = isRecipe(known) ? null : (100 * kcal) / ofFood(known, 100).nutrients.kcal;
    return {
      message: `${known.name} has an energy of its own. How much of it was eaten?`,
      offered:
        weight === null || !Number.isFinite(weight)
          ? []
          : [
              {
                label: `${printNumber(weight, 0)} g, ${context.printer.energy(kcal)}`,
                text: `${Math.round(weight)} g ${known.name}`,
              },
            ],
    };
  }
  const at = meal ?? itself;
  if (at === null)
    return {
      message: "Was that eaten? Say at which meal.",
      offered: usualMeals.map((name) => ({ label: name, text: `${name}: ${whole}` })),
    };
  const name = capitalised(said || at);
  return {
    meal: { ...baseOf(at, line), name, nutrients },
    nutrients: complete(nutrients),
    text: name,
    name,
    grams: null,
    portions: null,
  };
}

/** `2 eggs 140 kcal`: what is a food of the log has an energy already. */
function energyBesideFood(
  without: readonly Token[],
  meal: string | null,
  line: Line,
  things: readonly Thing[],
): Unread | null {
  const read = readPiece(without, meal, line, things);
  if (read === null || "message" in read) return read;
  return {
    message: `${read.name} has an energy of its own, ${line.context.printer.energy(read.nutrients.kcal)} for that much.`,
    offered: [{ label: read.text, text: saidBy(without, line.text) }],
  };
}

type MealBase = Pick<Meal, "id" | "personId" | "date" | "meal" | "status">;

function recipeEaten(recipe: Recipe, piece: Amounted, base: MealBase, foods: readonly Food[]): Eaten | Unread {
  const weighed = isCounted(piece) ? null : gramsOfPortion(recipe);
  if (!isCounted(piece) && weighed === null)
    return {
      message: `${recipe.name} is counted in portions, for example 1 portion. With its cooked weight, under Recipes, in grams too.`,
      offered: [],
    };
  const amount = piece.amount ?? 1;
  const portions = weighed === null ? amount : (amount * gramsOf(piece.unit!, {})) / weighed;
  if (!(portions > 0) || portions > 100)
    return { message: "That many portions are not taken: more than nothing, at most 100.", offered: [] };
  const parts = ofRecipe(recipe, portions, new Map(foods.map((food) => [food.id, food])));
  return {
    meal: { ...base, ...parts },
    nutrients: parts.nutrients,
    text: `${printNumber(portions, portions % 1 === 0 ? 0 : 2).replace(/(\.\d)0$/, "$1")} × ${recipe.name}`,
    name: recipe.name,
    grams: null,
    portions,
  };
}

/** @param named the portion that is named in the piece, where one is */
function foodEaten(food: Food, piece: Amounted, base: MealBase, named: Portion | undefined): Eaten | Unread {
  const weight = weightOf(food, piece, named);
  if (typeof weight !== "number") return weight;
  if (!(weight > 0) || weight > 20_000)
    return { message: "That amount is not taken: more than nothing, at most 20 kg.", offered: [] };
  const parts = ofFood(food, weight);
  return {
    meal: { ...base, ...parts },
    nutrients: parts.nutrients,
    text: `${printNumber(weight, weight % 1 === 0 ? 0 : 1)} g ${food.name}`,
    name: food.name,
    grams: weight,
    portions: null,
  };
}

/** Grams of a piece. */
function weightOf(food: Food, piece: Amounted, named: Portion | undefined): number | Unread {
  const { amount, unit } = piece;
  if (amount !== null && unit !== null && !isCounted(piece)) return amount * gramsOf(unit, food);
  const portion = named ?? food.portions?.[0];
  // `handful of almonds` is one.
  if (amount === null && named !== undefined) return named.grams;
  if (amount === null || portion === undefined)
    return {
      message: `How much ${food.name}? Write grams, for example 100 g.`,
      offered: [...portionsOffered(food, 1), { label: `100 g ${food.name}`, text: `100 g ${food.name}` }],
    };
  // A number alone counts what is counted by its own name (`2 eggs`); `80 oats` may be grams.
  const isBare = unit === null && named === undefined;
  if (!isBare || (sameName(portion.name, food.name) && amount <= 20)) return amount * portion.grams;
  const number = printNumber(amount, amount % 1 === 0 ? 0 : 2);
  return {
    message: `Is ${number} of ${food.name} in grams, or ${number} times a ${portion.name}?`,
    offered: [
      { label: `${number} g`, text: `${amount} g ${food.name}` },
      {
        label: `${number} × ${portion.name}, ${printNumber(amount * portion.grams, 0)} g`,
        text: `${amount} ${portion.name} ${food.name}`,
      },
    ],
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
