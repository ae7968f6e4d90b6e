import type { AskedOf, DayTarget, Direction } from "../log/kinds/energySettings";
import { type Body, lacking } from "./resting";

/** The nutrients that have targets; fibre and sugars are parts of carbohydrate. */
export const askedNutrients = ["protein", "fat", "carbohydrate", "fibre", "sugars"] as const;
export type AskedNutrient = (typeof askedNutrients)[number];
/** Those that make the energy of a day. */
export const macros = ["protein", "fat", "carbohydrate"] as const;
export type Macro = (typeof macros)[number];

/** Energy of a gram, kilocalories: Regulation (EU) 1169/2011, Annex XIV. */
export const kcalPerGram: Readonly<Record<AskedNutrient, number>> = {
  protein: 4,
  fat: 9,
  carbohydrate: 4,
  fibre: 2,
  sugars: 4,
};

/** Which way a target is meant where its setting does not say: over on protein and fibre is good, over on sugars is not. */
export const usuallyMeant: Readonly<Record<AskedNutrient, Meant>> = {
  protein: "atLeast",
  fat: "about",
  carbohydrate: "about",
  fibre: "atLeast",
  sugars: "atMost",
};
export type Meant = Direction | "about";

/** What is asked of a nutrient on a day, grams, `to` being the other end of a range; or why it cannot be said. */
export type Asked = { grams: number; to: number | null; meant: Meant } | { reason: string };
export type AskedNutrients = Readonly<Record<AskedNutrient, Asked | null>>;

/** What grams are reckoned from: the day's energy, and the body. */
export interface AskedFrom {
  kcal: number | null;
  body: () => Pick<Body, "kg" | "fatFreeKg"> | null;
}

/** The grams that targets come to on a day. */
export function askedOn(targets: DayTarget, from: AskedFrom): AskedNutrients {
  const set = askedNutrients.map((nutrient) => [nutrient, settingOf(targets, nutrient)] as const);
  const read = new Map<AskedNutrient, Asked>();
  for (const [nutrient, setting] of set)
    if (setting !== null && setting.shareOfRest == null) read.set(nutrient, reckoned(nutrient, setting, from));
  const left = leftKcal(read, from.kcal);
  for (const [nutrient, setting] of set)
    if (setting?.shareOfRest != null)
      read.set(
        nutrient,
        typeof left === "object" ? left : inGrams(nutrient, setting, setting.shareOfRest, left / kcalPerGram[nutrient]),
      );
  return Object.fromEntries(askedNutrients.map((one) => [one, read.get(one) ?? null])) as AskedNutrients;
}

/** How a target is set; plain grams are the same as grams. */
export function settingOf(targets: DayTarget, nutrient: AskedNutrient): AskedOf | null {
  const setting = targets[nutrient] ?? null;
  return typeof setting === "number" ? { grams: setting } : setting;
}

/** Grams that stand for a target in a sum: the middle of a range. */
export function middleOf(asked: Exclude<Asked, { reason: string }>): number {
  return asked.to === null ? asked.grams : (asked.grams + asked.to) / 2;
}

function reckoned(nutrient: AskedNutrient, setting: AskedOf, { kcal, body }: AskedFrom): Asked {
  if (setting.grams != null) return inGrams(nutrient, setting, setting.grams, 1);
  if (setting.share != null)
    return kcal === null
      ? { reason: "the energy of the day is not known" }
      : inGrams(nutrient, setting, setting.share, kcal / kcalPerGram[nutrient]);
  const its = body();
  if (its === null) return { reason: "no weight is written" };
  if (setting.gramsPerKg != null) return inGrams(nutrient, setting, setting.gramsPerKg, its.kg);
  return its.fatFreeKg === null
    ? { reason: lacking.fat }
    : inGrams(nutrient, setting, setting.gramsPerLeanKg!, its.fatFreeKg);
}

function inGrams(nutrient: AskedNutrient, { direction, to }: AskedOf, value: number, grams: number): Asked {
  return {
    grams: value * grams,
    to: direction === "between" && to != null ? to * grams : null,
    meant: direction ?? usuallyMeant[nutrient],
  };
}

/** The energy that protein, fat and carbohydrate leave of a day's. */
function leftKcal(read: ReadonlyMap<AskedNutrient, Asked>, kcal: number | null): number | { reason: string } {
  if (kcal === null) return { reason: "the energy of the day is not known" };
  let left = kcal;
  for (const macro of macros) {
    const asked = read.get(macro);
    if (asked === undefined) continue;
    if ("reason" in asked) return asked;
    left -= middleOf(asked) * kcalPerGram[macro];
  }
  return left < 0 ? { reason: "the others take more than the energy of the day" } : left;
}
