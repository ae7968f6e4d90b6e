import { printEnergy } from "../base/units/energy";
import { printNumber, printTyped } from "../base/units/number";
import { energyUnits, figure, type FormContext, millilitreUnits, optional } from "../entry/form";
import type { AskedOf, DayTarget } from "../log/kinds/energySettings";
import { energyKcal, waterMl } from "../log/kinds/fields";
import {
  type AskedFrom,
  type AskedNutrient,
  askedNutrients,
  askedOn,
  kcalPerGram,
  type Macro,
  macros,
  middleOf,
} from "./asked";
import { askedTyped, printAsked } from "./askedTyped";
import { lacking } from "./resting";

/** The targets of a kind of day as they are typed; empty where none is set. */
export type TargetsTyped = Record<"kcal" | AskedNutrient | "water", string>;

export interface TargetsRead {
  targets: DayTarget;
  /** What is wrong, by the field. */
  problems: Partial<Record<keyof TargetsTyped, string>>;
  /** What they make of the day's energy, in words; empty where too little is typed to say it. */
  said: string;
}

/** What targets are reckoned with: the body, and the energy of the day where none of its own is typed. */
export interface TargetsContext {
  units: FormContext["units"];
  body: { kg: number; fatFreeKg: number | null } | null;
  dayKcal: number | null;
}

/** What a day can hold: its energy in kilocalories, grams, and water. */
const target = (unit: FormContext["units"]["energy"]) =>
  figure("The target", energyKcal.min(500).max(15_000), energyUnits(unit));
const water = figure("Water", waterMl.min(1).max(20_000), millilitreUnits);
const most: Readonly<Record<AskedNutrient, number>> = {
  protein: 600,
  fat: 1500,
  carbohydrate: 1500,
  fibre: 200,
  sugars: 1500,
};

/** They may be off the day's energy by so much: what rounding to grams and shares can do. */
const sumOff = 0.02;
/** Shares are written to so much. */
const shareOff = 0.0005;

/**
 * Targets of a kind of day, each as {@link askedTyped} reads it. Protein, fat and carbohydrate together must make the
 * energy of the day: three shares 100 %, shares of the rest 100 % of it, grams what it holds.
 */
export function targetsTyped(typed: TargetsTyped, { units, body, dayKcal }: TargetsContext): TargetsRead {
  const read: TargetsRead = { targets: {}, problems: {}, said: "" };
  const { targets, problems } = read;
  for (const [field, schema] of [
    ["kcal", target(units.energy)],
    ["water", water],
  ] as const) {
    const own = optional(schema).safeParse(typed[field]);
    if (!own.success) problems[field] = own.error.issues[0]!.message;
    else if (own.data !== null) targets[field] = own.data;
  }
  for (const nutrient of askedNutrients) {
    if (typed[nutrient].trim() === "") continue;
    const asked = askedTyped(typed[nutrient]);
    if (typeof asked === "string") problems[nutrient] = asked;
    else if (asked.shareOfRest != null && !isMacro(nutrient))
      problems[nutrient] = "It is a part of carbohydrate, so it cannot be what the others leave.";
    else targets[nutrient] = asked;
  }
  const kcal = targets.kcal ?? dayKcal;
  checkGrams(read, { kcal, body: () => body });
  if (Object.keys(problems).length === 0) checkSum(read, { kcal, body: () => body }, units.energy);
  return read;
}

function isMacro(nutrient: AskedNutrient): nutrient is Macro {
  return macros.some((macro) => macro === nutrient);
}

/** What is asked of a nutrient, how it was typed. */
function setIn(targets: DayTarget, nutrient: AskedNutrient): AskedOf | null {
  return (targets[nutrient] as AskedOf | undefined) ?? null;
}

/** Says of each target why its grams cannot be known, or that no day holds them. */
function checkGrams({ targets, problems }: TargetsRead, from: AskedFrom): void {
  const asked = askedOn(targets, from);
  for (const nutrient of askedNutrients) {
    const one = asked[nutrient];
    if (one === null || setIn(targets, nutrient)?.shareOfRest != null) continue;
    if ("reason" in one)
      problems[nutrient] =
        one.reason === lacking.fat
          ? "No body fat is measured: write grams for each kg of body weight."
          : setIn(targets, nutrient)!.share == null
            ? "No body weight is written: write grams."
            : "The energy of the day is not known: write its target, or grams.";
    else if (!(one.grams >= 0 && (one.to ?? one.grams) <= most[nutrient]))
      problems[nutrient] = `It must be from 0 to ${printNumber(most[nutrient], 0)} g.`;
  }
}

/** Says what the three make together, and refuses what makes more or less than there is. */
function checkSum(read: TargetsRead, from: AskedFrom, unit: FormContext["units"]["energy"]): void {
  const { targets, problems } = read;
  const set = macros.filter((macro) => setIn(targets, macro) !== null);
  const ofRest = set.filter((macro) => setIn(targets, macro)!.shareOfRest != null);
  const problem = problemOfShares(targets, set, ofRest);
  if (problem !== null) problems[problem.of] = problem.said;
  const { kcal } = from;
  if (problem !== null || set.length === 0) return;
  if (kcal === null) {
    if (ofRest[0] !== undefined) problems[ofRest[0]] = "The energy of the day is not known: write its target.";
    return;
  }
  const asked = askedOn(targets, from);
  const grams = (macro: Macro) => {
    const one = asked[macro];
    return one === null || "reason" in one ? 0 : middleOf(one);
  };
  const sum = set.reduce((all, macro) => all + grams(macro) * kcalPerGram[macro], 0);
  const energy = (value: number) => printEnergy(value, unit);
  const made = `${energy(sum)} ${unit} of ${energy(kcal)}`;
  const lost = ofRest.find((macro) => "reason" in (asked[macro] ?? {}));
  if (lost !== undefined) {
    problems[lost] = `Nothing is left: the others make ${made}.`;
    return;
  }
  const left = kcal - sum;
  const share = `${printNumber((sum / kcal) * 100, 0)} %`;
  const list = set.map((macro) => `${printNumber(grams(macro), 0)} g of ${macro}`).join(", ");
  read.said =
    Math.abs(left) <= sumOff * kcal
      ? `${list} make ${made}.`
      : `${list} make ${made}, ${share}: ${energy(Math.abs(left))} ${unit} ${left > 0 ? "are left" : "too many"}.`;
  if (left < -sumOff * kcal) problems[set.at(-1)!] = `Together they make ${share} of the day's energy.`;
  else if (set.length === macros.length && left > sumOff * kcal)
    problems.carbohydrate = `Together they make ${share} of the day's energy: ${printNumber(left / 4, 0)} g more carbohydrate would make it up.`;
}

/** What is wrong with shares whatever the energy of the day is. */
function problemOfShares(
  targets: DayTarget,
  set: readonly Macro[],
  ofRest: readonly Macro[],
): { of: Macro; said: string } | null {
  const of = ofRest.at(-1);
  if (of !== undefined) {
    if (set.length < macros.length) {
      const open = macros.find((macro) => !set.includes(macro))!;
      return { of, said: `What the others leave is known only once ${open} is set too.` };
    }
    const rest = ofRest.reduce((sum, macro) => sum + setIn(targets, macro)!.shareOfRest!, 0);
    if (ofRest.length > 1 && ofRest.filter((macro) => setIn(targets, macro)!.shareOfRest === 1).length > 1)
      return { of, said: "Only one of them can be the rest." };
    return Math.abs(rest - 1) <= shareOff
      ? null
      : { of, said: `The shares of the rest make ${printTyped(rest * 100, 1)} %, not 100.` };
  }
  const shares = set.map((macro) => setIn(targets, macro)!.share ?? null);
  if (set.length < macros.length || shares.includes(null)) return null;
  const sum = set.reduce((all, macro) => {
    const { share, to } = setIn(targets, macro)!;
    return all + (to == null ? share! : (share! + to) / 2);
  }, 0);
  if (Math.abs(sum - 1) <= shareOff) return null;
  const off = printTyped(Math.abs(sum - 1) * 100, 1);
  return {
    of: set.at(-1)!,
    said: `The shares make ${printTyped(sum * 100, 1)} %: ${off} % ${sum < 1 ? "are left" : "too many"}.`,
  };
}

/**
 * What the other shares become once one was changed, so that together they stay 100 %: they move in proportion, to a
 * tenth of a per cent, the last taking what rounding leaves. Only where all that are left are shares of the same kind.
 */
export function sharesMoved(typed: Pick<TargetsTyped, Macro>, changed: Macro): Partial<Record<Macro, string>> {
  const read = new Map(macros.map((macro) => [macro, askedTyped(typed[macro])]));
  const way = (["share", "shareOfRest"] as const).find((one) => shareIn(read.get(changed), one) !== null);
  if (way === undefined) return {};
  const others = macros.filter((macro) => macro !== changed && shareIn(read.get(macro), way) !== null);
  if (others.length < (way === "share" ? 2 : 1)) return {};
  const [own, before] = [
    shareIn(read.get(changed), way)!,
    others.reduce((sum, macro) => sum + shareIn(read.get(macro), way)!, 0),
  ];
  let left = Math.round((1 - own) * 1000);
  const moved = others.map((macro, at): [Macro, string] => {
    const part = before === 0 ? 1 / others.length : shareIn(read.get(macro), way)! / before;
    const tenths = at === others.length - 1 ? left : Math.round(part * (1 - own) * 1000);
    left -= tenths;
    return [macro, printAsked({ ...(read.get(macro) as AskedOf), [way]: tenths / 1000 })];
  });
  return Object.fromEntries(moved);
}

/** A share without a range, or null. */
function shareIn(asked: AskedOf | string | undefined, way: "share" | "shareOfRest"): number | null {
  return typeof asked === "object" && asked.to == null ? (asked[way] ?? null) : null;
}

/** Targets as they are written in the fields of their form. @param energy writes kilocalories in the trainee's unit */
export function targetFields(targets: DayTarget, energy: (kcal: number) => string): TargetsTyped {
  const one = (nutrient: AskedNutrient) => {
    const asked = targets[nutrient] ?? null;
    return asked === null ? "" : printAsked(typeof asked === "number" ? { grams: asked } : asked);
  };
  return {
    kcal: targets.kcal == null ? "" : energy(targets.kcal),
    protein: one("protein"),
    fat: one("fat"),
    carbohydrate: one("carbohydrate"),
    fibre: one("fibre"),
    sugars: one("sugars"),
    water: targets.water == null ? "" : printTyped(targets.water, 0),
  };
}
