import { printEnergy } from "../base/units/energy";
import { printNumber } from "../base/units/number";
import { energyUnits, figure, type FormContext, gramUnits, optional, readFigure } from "../entry/form";
import { energyKcal } from "../log/kinds/fields";

/** Energy of a gram: Regulation (EU) 1169/2011, Annex XIV. */
const kcalPerGram = { protein: 4, fat: 9, carbohydrate: 4 } as const;
export type Macro = keyof typeof kcalPerGram;
export const macros = ["protein", "fat", "carbohydrate"] as const;

/** The targets of a kind of day as they are typed; empty where none is set. */
export type TargetsTyped = Record<"kcal" | Macro, string>;

export interface TargetsRead {
  kcal: number | null;
  protein: number | null;
  fat: number | null;
  carbohydrate: number | null;
  /** What is wrong, by the field. */
  problems: Partial<Record<"kcal" | Macro, string>>;
  /** What they make of the day's energy, in words; empty where too little is typed to say it. */
  said: string;
}

/** What targets are reckoned with: the body weight, and the energy of the day where none of its own is typed. */
export interface TargetsContext {
  units: FormContext["units"];
  kg: number | null;
  dayKcal: number | null;
}

/** What a day can hold: its energy in kilocalories, and grams. */
const target = (unit: FormContext["units"]["energy"]) =>
  figure("The target", energyKcal.min(500).max(15_000), energyUnits(unit));
const most = { protein: 600, fat: 1500, carbohydrate: 1500 } as const;

/** They may be off the day's energy by so much: what rounding to grams and shares can do. */
const sumOff = 0.02;

/**
 * Targets of a kind of day: energy; protein, fat and carbohydrate in grams (`130`), in grams for each kilogram of body weight
 * (`1.8 g/kg`), as a share of the energy (`25 %`), or as `the rest` of it. All three must make the energy of the day.
 */
export function targetsTyped(typed: TargetsTyped, { units, kg, dayKcal }: TargetsContext): TargetsRead {
  const read: TargetsRead = { kcal: null, protein: null, fat: null, carbohydrate: null, problems: {}, said: "" };
  const own = optional(target(units.energy)).safeParse(typed.kcal);
  if (own.success) read.kcal = own.data;
  else read.problems.kcal = own.error.issues[0]!.message;
  const day = read.kcal ?? dayKcal;
  const resting = macros.filter((one) => /^(?:the )?rest$/i.test(typed[one].trim()));
  for (const one of macros) {
    const text = typed[one].trim();
    if (text === "" || resting.includes(one)) continue;
    const value = gramsOf(text, one, kg, day);
    if (typeof value === "string") read.problems[one] = value;
    else if (!(value >= 0 && value <= most[one]))
      read.problems[one] = `It must be from 0 to ${printNumber(most[one], 0)} g.`;
    else read[one] = value;
  }
  const kcalOf = () => macros.reduce((sum, one) => sum + (read[one] ?? 0) * kcalPerGram[one], 0);
  const energy = (kcal: number) => printEnergy(kcal, units.energy);
  const made = (of: number) => `${energy(kcalOf())} ${units.energy} of ${energy(of)}`;
  const [rest, another] = resting;
  if (another !== undefined) read.problems[another] = "Only one of them can be the rest.";
  else if (rest !== undefined) {
    if (day === null) read.problems[rest] = "The energy of the day is not known: write its target.";
    else if (kcalOf() > day) read.problems[rest] = `Nothing is left: the others make ${made(day)}.`;
    else read[rest] = (day - kcalOf()) / kcalPerGram[rest];
  }
  const set = macros.filter((one) => read[one] !== null);
  if (day === null || set.length === 0 || Object.keys(read.problems).length > 0) return read;
  const left = day - kcalOf();
  const sum = `${set.map((one) => `${printNumber(read[one]!, 0)} g of ${one}`).join(", ")} make ${made(day)}`;
  const share = `${printNumber((kcalOf() / day) * 100, 0)} %`;
  read.said =
    Math.abs(left) <= sumOff * day
      ? `${sum}.`
      : `${sum}, ${share}: ${energy(Math.abs(left))} ${units.energy} ${left > 0 ? "are left" : "too many"}.`;
  if (left < -sumOff * day) read.problems[set.at(-1)!] = `Together they make ${share} of the day's energy.`;
  else if (set.length === macros.length && left > sumOff * day)
    read.problems.carbohydrate = `Together they make ${share} of the day's energy: ${printNumber(left / 4, 0)} g more carbohydrate would make it up.`;
  return read;
}

/** Grams of a text, or why it says none. */
function gramsOf(text: string, of: Macro, kg: number | null, day: number | null): number | string {
  const perKg = /^(.*?)\s*g\s*\/\s*kg$/i.exec(text);
  if (perKg !== null) {
    const value = readFigure(perKg[1]!);
    if (value === null) return "Write it such as 1.8 g/kg.";
    return kg === null ? "No body weight is written: write grams." : value * kg;
  }
  const share = /^(.*?)\s*%$/.exec(text);
  if (share !== null) {
    const value = readFigure(share[1]!);
    if (value === null || value > 100) return "Write a share from 0 to 100 %.";
    return day === null
      ? "The energy of the day is not known: write its target, or grams."
      : ((value / 100) * day) / kcalPerGram[of];
  }
  return readFigure(text, gramUnits) ?? "Write grams, such as 130, 1.8 g/kg, 25 %, or the rest.";
}
