// First of all, before any schema is built.
import "../log/kinds/withoutEval";

import * as z from "zod";
import { dayOf, entryDayOf, mustDay, outsideYears } from "../base/calendar/day";
import { type EnergyUnit, KJ_PER_KCAL } from "../base/units/energy";
import { type DistanceUnit, METRES_PER_MILE, metresPer } from "../base/units/length";
import { KG_PER_LB, type MassUnit } from "../base/units/mass";
import { parseDecimal, printPlain } from "../base/units/number";
import type { Printer } from "../base/units/printer";
import { parseDuration } from "../base/units/time";
import { heaviest, lightest } from "../log/bounds";
import { name, text } from "../log/kinds/fields";
import { sumOf } from "./sums";
import { typedDate, typedTime } from "./typed";

// The parts of which the schemas of forms are made: text in as it was typed, a typed value out, and the reason in words
// where there is none. Bounds are those of the records, or, where a slip of the finger would lie within them, narrower.

/** What the texts of a form are read with. */
export interface FormContext {
  units: Printer["units"];
  today: string;
  /** The order in which the trainee's dates are written; null where it is not known. */
  order: "dmy" | "mdy" | null;
}

/**
 * The schema of a form, made for what it holds: one field can decide what another asks for.
 * @typeParam C what the texts are read with
 * @typeParam F the fields as they are typed
 * @typeParam V what they come to
 */
export type FormSchema<C, F, V> = (context: C, fields: F) => z.ZodType<V, F>;

/**
 * Names that may stand behind a number, and what one of each is in the unit that is kept, as a fraction, so that nothing
 * is lost in reading it; the first is meant without a name.
 */
export type Units = Readonly<Record<string, Fraction>>;
type Fraction = readonly [times: number, by: number];

const one: Fraction = [1, 1];
const pound: Fraction = [KG_PER_LB, 1];
const kilojoule: Fraction = [1, KJ_PER_KCAL];
export const massUnits = (unit: MassUnit): Units =>
  unit === "lb" ? { lb: pound, lbs: pound, kg: one, kgs: one } : { kg: one, kgs: one, lb: pound, lbs: pound };
export const distanceUnits = (unit: DistanceUnit): Units => ({
  [unit]: [metresPer(unit), 1],
  km: [1000, 1],
  mi: [METRES_PER_MILE, 1],
  m: one,
});
export const energyUnits = (unit: EnergyUnit): Units =>
  unit === "kJ" ? { kj: kilojoule, kcal: one } : { kcal: one, kj: kilojoule };
export const gramUnits: Units = { g: one, kg: [1000, 1], mg: [1, 1000] };
export const millilitreUnits: Units = { ml: one, l: [1000, 1], cl: [10, 1] };
export const minuteUnits: Units = { min: one, minutes: one, h: [60, 1] };
export const percentUnits: Units = { "%": [1, 100] };
const bare: Units = { "": one };

/**
 * What a text says in the unit that is kept: a number or a small sum, with either decimal mark, and its unit or none.
 * @returns null where it is no number, or has a unit that is not one of these
 */
export function readFigure(typed: string, units: Units = bare): number | null {
  const [, number, unit] = /^(.*?)\s*([a-z%]*)$/i.exec(typed.trim())!;
  const sum = sumOf(typed);
  if (sum === null && isThousands(number!) && small.has(unit!.toLowerCase() || Object.keys(units)[0]!)) return null;
  return inUnit(sum === null ? parseDecimal(number!) : sum.value, sum?.unit ?? unit!, units);
}

/** Units so small that three decimals of one are never meant: `1,200 kcal` are twelve hundred somewhere. It is asked, not guessed. */
const small: ReadonlySet<string> = new Set(["kcal", "kj", "g", "ml"]);

function isThousands(number: string): boolean {
  return /^\s*[1-9]\d{0,2}[.,]\d{3}\s*$/.test(number);
}

/** So much of a unit, as it is kept; null where there is no such unit. Without one it is the first. */
export function inUnit(value: number | null, unit: string, units: Units): number | null {
  const factor = unit === "" ? Object.values(units)[0]! : own(units, unit.toLowerCase());
  return value === null || factor === null ? null : (value * factor[0]) / factor[1];
}

function own(units: Units, unit: string): Fraction | null {
  return Object.hasOwn(units, unit) ? units[unit]! : null;
}

/** A field whose text is read to a value; `no` says why it is none. */
export function read<V>(reading: (typed: string, no: (why: string) => never) => V): z.ZodType<V, string> {
  return z.string().transform((typed, context) =>
    reading(typed, (why) => {
      context.addIssue(why);
      return z.NEVER;
    }),
  );
}

/** A field that may be left empty, and then is null. */
export function optional<V>(field: z.ZodType<V, string>): z.ZodType<V | null, string> {
  return z
    .string()
    .transform((typed) => (typed.trim() === "" ? null : typed))
    .pipe(field.nullable());
}

/** A field that is not asked for as the form stands: whatever it holds is let be. */
export const unread: z.ZodType<null, string> = z.string().transform(() => null);

/**
 * A figure between the bounds of its record, both included.
 * @param within bounds in the unit that is kept
 * @param readIt how its text is read
 */
export function figure(
  what: string,
  within: z.ZodNumber,
  units: Units = bare,
  readIt: typeof readFigure = readFigure,
): z.ZodType<number, string> {
  return read((typed, no) => {
    const value = readIt(typed, units);
    if (value === null)
      return no(
        typed.trim() === ""
          ? `${what} is missing.`
          : isThousands(typed.replace(/[a-z]+\s*$/i, ""))
            ? `Write ${typed.replace(/[.,]/, "").trim()} without a mark, or with fewer decimals.`
            : "Write a number, with a point or a comma.",
      );
    if (within.safeParse(value).success) return value;
    const [[unit, [times, by]]] = Object.entries(units) as [[string, Fraction]];
    const [low, high] = [within.minValue, within.maxValue].map((bound) => printPlain((bound! * by) / times, 2));
    return no(`${what} must be from ${low} to ${high}${unit === "" ? "" : ` ${unit === "kj" ? "kJ" : unit}`}.`);
  });
}

/** A mass in kilograms, typed in the trainee's unit or with another. */
export function mass(what: string, { units }: FormContext, within: z.ZodNumber): z.ZodType<number, string> {
  return figure(what, within, massUnits(units.mass));
}

/** The weight of a body that is believed, kilograms. */
const believed = z.number().min(lightest).max(heaviest);

export function bodyWeight(what: string, context: FormContext): z.ZodType<number, string> {
  return mass(what, context, believed);
}

/** A civil date that a log takes. @param latest the last that is let through */
export function civilDate(what: string, { today, order }: FormContext, latest?: string): z.ZodType<string, string> {
  return read((typed, no) => {
    if (typed.trim() === "") return no(`${what} is missing.`);
    if (dayOf(typed) === null) {
      const said = typedDate(typed, mustDay(today), order, "back");
      return no(typeof said === "number" ? `${what} is out of range: ${outsideYears}.` : said.problem);
    }
    if (entryDayOf(typed) === null) return no(`${what} is out of range: ${outsideYears}.`);
    return latest !== undefined && typed > latest ? no(`${what} cannot be in the future.`) : typed;
  });
}

/** A time of day, HH:MM, or null. */
export const timeOfDay: z.ZodType<string | null, string> = read((typed, no) =>
  typed.trim() === "" ? null : (typedTime(typed) ?? no("Write a time of day such as 6:40.")),
);

/** A duration in seconds. */
export const duration: z.ZodType<number, string> = read(
  (typed, no) => parseDuration(typed) ?? no("Write a time such as 33:10 or 45 min."),
);

/** A name: something, and no more than a log takes. @param taken says why it cannot be had */
export function nameText(
  what: string,
  taken: (typed: string) => string | null = () => null,
): z.ZodType<string, string> {
  return read((typed, no) => {
    const value = typed.trim();
    if (value === "") return no(`${what} is missing.`);
    if (value.length > name.maxLength!) return no(`${what} is too long: ${name.maxLength} letters at most.`);
    const why = taken(value);
    return why === null ? value : no(why);
  });
}

/** Words, or none: an empty text. */
export const words: z.ZodType<string, string> = z
  .string()
  .trim()
  .max(text.maxLength!, `It is too long: ${text.maxLength} letters at most.`);
