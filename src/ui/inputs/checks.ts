import { dayOf, entryDayOf, outsideYears } from "@/core/base/calendar/day";
import { type MassUnit, parseMass } from "@/core/base/units/mass";
import { parseDecimal } from "@/core/base/units/number";
import { parseDuration } from "@/core/base/units/time";
import type { Check } from "./Field";

/** Lets an empty field pass. */
export const optional =
  (check: Check): Check =>
  (text) =>
    text.trim() === "" ? null : check(text);

/** A name: something, and no more than a log takes. */
export const required =
  (what: string): Check =>
  (text) =>
    text.trim() === ""
      ? `${what} is missing.`
      : text.trim().length > 200
        ? `${what} is too long: 200 letters at most.`
        : null;

/** A number between two bounds, both included. */
export const between =
  (what: string, low: number, high: number): Check =>
  (text) => {
    const value = parseDecimal(text);
    if (value === null) return text.trim() === "" ? `${what} is missing.` : "Write a number, with a point or a comma.";
    return value < low || value > high ? `${what} must be from ${low} to ${high}.` : null;
  };

/** A mass in the trainee's unit (or another one named) between bounds in kilograms. */
export const massBetween =
  (what: string, unit: MassUnit, lowKg: number, highKg: number): Check =>
  (text) => {
    const kg = parseMass(text, unit);
    if (kg === null) return text.trim() === "" ? `${what} is missing.` : "Write a weight such as 71.4 or 71,4.";
    return kg < lowKg || kg > highKg ? `${what} is out of range.` : null;
  };

export const aDate =
  (what: string, latest?: string): Check =>
  (text) => {
    if (dayOf(text) === null) return `${what} is missing.`;
    if (entryDayOf(text) === null) return `${what} is out of range: ${outsideYears}.`;
    return latest !== undefined && text > latest ? `${what} cannot be in the future.` : null;
  };

export const aDuration: Check = (text) =>
  parseDuration(text) === null ? "Write a time such as 33:10 or 45 min." : null;
