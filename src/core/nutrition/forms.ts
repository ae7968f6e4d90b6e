import * as z from "zod";
import { printNumber } from "../base/units/number";
import {
  civilDate,
  energyUnits,
  figure,
  type FormContext,
  gramUnits,
  inUnit,
  millilitreUnits,
  minuteUnits,
  nameText,
  optional,
  read,
  timeOfDay,
  readFigure,
  type Units,
  unread,
  words,
} from "../entry/form";
import { boundTyped, endsTyped } from "../entry/range";
import type { Food } from "../log/kinds/foods";
import { energyKcal, grams, portions, waterMl } from "../log/kinds/fields";
import type { MealGuides } from "../log/kinds/people";
import type { Guided } from "./guides";
import { amountSaid } from "./amounts";
import { tooMuchFor } from "./stated";
import { isGtin } from "./label";
import { readMealNames } from "./mealNames";

/**
 * Reads names, each with a figure behind it: `slice 38, cup 80 g`, `vitamin B6 0.1`, `1 cup 240`, `"cup, cooked" 160`. The last number is the figure.
 * Null where a name or a figure is missing.
 * @param unit that may stand behind a figure
 */
function namedFigures(typed: string, unit: RegExp, isSound: (value: number) => boolean): [string, number][] | null {
  const found: [string, number][] = [];
  const parts = typed.match(/(?:"[^"]*"|[^",;\n]|,(?=\d))+|"/g) ?? [];
  for (const part of parts.map((one) => one.trim()).filter((one) => one !== "")) {
    const figure = /\s([\d.,]+)$/.exec(part.replace(unit, ""));
    const name =
      figure === null
        ? ""
        : part
            .slice(0, figure.index)
            .trim()
            .replace(/^"(.*)"$/, "$1")
            .trim();
    const value = figure === null ? null : readFigure(figure[1]!);
    if (value === null || !isSound(value) || name.includes('"') || !/\p{L}/u.test(name)) return null;
    found.push([name, value]);
  }
  return found;
}

/**
 * A food by its label, of 100 g, of 100 ml or of a portion, with what those weigh. @param context with the names that foods
 * have, in small letters
 */
export function foodForm(
  { units, taken }: FormContext & { taken: ReadonlySet<string> },
  { basis, carbohydrate, per, weighs }: { basis: string; carbohydrate: string; per: string; weighs: string },
) {
  const [lightest, heaviest] = per === "ml" ? [10, 500] : [1, 5000];
  const read100 = per === "g" ? 100 : readFigure(weighs, gramUnits);
  const weight = read100 !== null && read100 >= lightest && read100 <= heaviest ? read100 : heaviest;
  const part = optional(figure("It", grams.max(weight), gramUnits));
  const whole = basis === "total" ? readFigure(carbohydrate, gramUnits) : null;
  /** Sugars (and, on a label that counts it in, fibre) are parts of the carbohydrate. */
  const inside = part.refine(
    (value) => value === null || whole === null || value <= whole,
    "It is a part of the carbohydrate and cannot be more.",
  );
  return z.object({
    name: nameText("A name", (name) => (taken.has(name.toLowerCase()) ? "There is one of that name." : null)),
    basis: z.enum(["total", "available"]),
    per: z.enum(["g", "ml", "portion"]),
    weighs:
      per === "g"
        ? unread
        : figure(
            per === "ml" ? "The weight of 100 ml" : "The weight of a portion",
            grams.min(lightest).max(heaviest),
            gramUnits,
          ),
    // Pure fat, the densest there is, has 900 kcal in 100 g.
    energy: optional(figure("Energy", energyKcal.max(9.5 * weight), energyUnits(units.energy))),
    protein: part,
    fat: part,
    carbohydrate: part,
    fibre: inside,
    sugars: inside,
    alcohol: part,
    portions: read(
      (typed, no) =>
        namedFigures(typed, /\s*g$/i, (grams) => grams > 0 && grams <= 20_000)?.map(([name, grams]) => ({
          name,
          grams,
        })) ?? no("Portions with their grams, such as slice 38, cup 80"),
    ),
    others: read(
      (typed, no) =>
        namedFigures(typed, /\s*mg$/i, (mg) => mg >= 0 && mg <= 100_000)?.map(([name, mg]) => ({ name, mg })) ??
        no("Names with their milligrams, such as caffeine 40, iron 2"),
    ),
    gtin: read((typed, no) => {
      const digits = typed.replaceAll(/[\s-]/g, "");
      return digits === "" || isGtin(digits)
        ? digits || null
        : no("Its last digit does not fit the others: look again.");
    }),
    source: words,
  });
}

/** What an amount is counted in: of a food grams and its portions, of a recipe portions and, where it was weighed, grams. */
export type Counted = { of: "food"; portions: Food["portions"] } | { of: "recipe"; gramsOfPortion: number | null };

/** So much of a food, in grams or its own portions, or of a recipe, in portions. @param context with what each is counted in */
export function mealForm(
  { countedIn }: FormContext & { countedIn: (thing: string) => Counted },
  { thing }: { thing: string },
) {
  return z.object({
    meal: z.string(),
    thing: z.string().min(1, "Choose a food or a recipe."),
    amount: amountIn(countedIn(thing)),
  });
}

type StatedParts = Record<"protein" | "fat" | "carbohydrate", string>;

/** Something whose energy is said, and that need be no food of the log: its name, energy, protein, fat and carbohydrate. */
function statedFields({ units }: FormContext, typed: StatedParts) {
  const part = optional(figure("It", grams.max(2000), gramUnits));
  const [protein, fat, carbohydrate] = [typed.protein, typed.fat, typed.carbohydrate].map((one) =>
    readFigure(one, gramUnits),
  );
  return {
    name: nameText("A name"),
    energy: figure("Energy", energyKcal.min(1).max(10_000), energyUnits(units.energy)).refine(
      (kcal) => tooMuchFor(kcal, { protein, fat, carbohydrate }) === null,
      "Its protein, fat and carbohydrate alone make more.",
    ),
    protein: part,
    fat: part,
    carbohydrate: part,
  };
}

/** Something by its energy alone, at a meal. */
export function statedForm(context: FormContext, typed: StatedParts) {
  return z.object({ meal: z.string(), ...statedFields(context, typed) });
}

/** Units an amount of a food may be written in: those of weight, and its own portions (`2 slices`). */
function unitsOf(portions: NonNullable<Food["portions"]>): Units {
  const own = portions
    .map(({ name, grams }) => [name.toLowerCase(), grams] as const)
    .filter(([name]) => /^[a-z]+$/.test(name))
    .flatMap(([name, grams]): [string, Units[string]][] => [
      [name, [grams, 1]],
      [`${name}s`, [grams, 1]],
    ]);
  return { ...gramUnits, ...Object.fromEntries(own) };
}

/** An amount as the line takes it as well: `half a slice`, `1 1/2`, `a third`, `3 x 55 g`. */
function readAmount(typed: string, units?: Units): number | null {
  const figure = readFigure(typed, units);
  const said = figure === null ? amountSaid(typed) : null;
  return said === null || units === undefined ? figure : inUnit(said.value, said.unit, units);
}

/** Grams of a food, or portions of a recipe. */
function amountIn(counted: Counted): z.ZodType<number, string> {
  if (counted.of === "food")
    return figure("The amount", grams.min(1).max(20_000), unitsOf(counted.portions ?? []), readAmount);
  const weighed: Units = counted.gramsOfPortion === null ? {} : { g: [1, counted.gramsOfPortion] };
  return figure(
    "The amount",
    portions.min(0.1).max(100),
    {
      "": [1, 1],
      portion: [1, 1],
      portions: [1, 1],
      ...weighed,
    },
    readAmount,
  );
}

const daysInARow = figure("The days", z.number().int().min(1).max(31));

/**
 * Something eaten or planned, on another day, at another meal or of another amount; what was eaten stays on a day that has come.
 * @param context with what its amount is counted in; null where its energy is said instead
 */
export function mealChangeForm(
  context: FormContext & { counted: Counted | null; isEaten: boolean },
  typed: StatedParts,
) {
  const { counted, isEaten, today } = context;
  const { name, energy, protein, fat, carbohydrate } = statedFields(context, typed);
  const stated = <T>(field: z.ZodType<T, string>) => (counted === null ? field : unread);
  return z.object({
    date: civilDate("The day", context, isEaten ? today : undefined),
    meal: nameText("A meal"),
    amount: counted === null ? unread : amountIn(counted),
    name: stated(optional(name)),
    energy: stated(optional(energy)),
    protein: stated(protein),
    fat: stated(fat),
    carbohydrate: stated(carbohydrate),
  });
}

/** A recipe; its ingredients are read by the line that reads foods. */
export function recipeForm({ taken }: FormContext & { taken: ReadonlySet<string> }) {
  return z.object({
    name: nameText("A name", (name) => (taken.has(name.toLowerCase()) ? "There is one of that name." : null)),
    portions: figure("The portions", z.number().min(0.5).max(1000)),
    cooked: optional(figure("The cooked weight", grams.min(10).max(100_000), gramUnits)),
    minutes: optional(figure("The minutes", z.number().min(0).max(10_000), minuteUnits)),
    ingredients: words.refine((typed) => typed.trim() !== "", "Write at least one, such as 320 g lentils."),
    steps: words,
    tags: words,
    source: words,
  });
}

/** A recipe from a page, whose ingredients are confirmed one by one beside it. */
export function pageRecipeForm(context: FormContext & { taken: ReadonlySet<string> }) {
  return recipeForm(context).pick({ name: true, portions: true, minutes: true });
}

/** A page with a recipe: pasted, or by its address. */
export function recipePageForm() {
  return z.object({ page: z.string().refine((typed) => typed.trim() !== "", "Paste the page, or write its address.") });
}

/** So much of a food or a recipe at a meal, on one day or several. @param context as of a meal */
export function mealOnDaysForm(
  context: FormContext & { countedIn: (thing: string) => Counted },
  fields: { thing: string },
) {
  return mealForm(context, fields).extend({ days: daysInARow });
}

/** A recipe eaten or planned: at which meal, how much of it, on how many days, and what takes an ingredient's place this once. */
export function recipeEatenForm({ counted }: FormContext & { counted: Counted }, { gone }: { gone: string }) {
  const isSwapped = gone !== "";
  return z.object({
    meal: z.string(),
    gone: z.string(),
    by: isSwapped ? z.string().min(1, "Choose what takes its place.") : unread,
    byGrams: isSwapped ? figure("The amount", grams.min(0.1).max(20_000), gramUnits) : unread,
    portions: amountIn(counted),
    days: daysInARow,
  });
}

export function waterForm({ glassMl }: FormContext & { glassMl: number | null }) {
  const glass: Units = glassMl === null ? {} : { glass: [glassMl, 1], glasses: [glassMl, 1] };
  return z.object({ ml: figure("Water", waterMl.min(1).max(20_000), { ...millilitreUnits, ...glass }) });
}

export function mealNamesForm() {
  return z.object({
    glass: optional(figure("The glass", waterMl.min(20).max(2000), millilitreUnits)),
    meals: read((typed, no) => {
      const names = readMealNames(typed);
      return typeof names === "string" ? no(names) : names;
    }),
  });
}

/** From when a meal is, and what it is to hold, each as a range, `at least` or `at most`; empty where nothing is wanted. */
export function guidesForm({ units }: FormContext) {
  const within = (most: number, unit: Units) =>
    read<MealGuides[Guided]>((typed, no) => {
      if (typed.trim() === "") return null;
      const [meant, text] = boundTyped(typed.trim());
      const ends = endsTyped(text).map((end) => readFigure(end, unit));
      const [from, to = null] = ends;
      if (from == null || ends.includes(null) || ends.length !== (meant === null ? 2 : 1))
        return no("Write a range such as 30 to 45, at least 30, or at most 45.");
      if (from < 0 || (to ?? from) > most) return no(`It must be from 0 to ${printNumber(most, 0)}.`);
      if (to !== null) return to > from ? { from, to } : no("A range goes from the lower number to the higher.");
      return meant === "atMost" ? { from: null, to: from } : { from, to: null };
    });
  return z.object({
    hour: timeOfDay.transform((time) => (time === null ? null : Number(time.slice(0, 2)) + Number(time.slice(3)) / 60)),
    kcal: within(10_000, energyUnits(units.energy)),
    protein: within(600, gramUnits),
    fat: within(600, gramUnits),
    carbohydrate: within(1500, gramUnits),
    fibre: within(200, gramUnits),
  });
}
