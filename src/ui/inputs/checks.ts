import { dayOf, entryDayOf, mustDay, outsideYears } from "@/core/base/calendar/day";
import { type MassUnit, parseMass } from "@/core/base/units/mass";
import { parseDecimal } from "@/core/base/units/number";
import { parseDuration } from "@/core/base/units/time";
import { typedDate, typedTime } from "@/core/entry/typed";
import { dateHere, dateOrder } from "../dates";

/** Says what is wrong with a text, or nothing. */
export type Check = (text: string) => string | null;

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

/** Why what was typed for a date cannot be read as one. */
function notADate(text: string): string {
  const read = typedDate(text, mustDay(dateHere()), dateOrder(), "back");
  return typeof read === "number" ? outsideYears : read.problem;
}

/** A time of day as HH:MM, or none. */
export const aTime: Check = (text) =>
  text.trim() === "" || typedTime(text) !== null ? null : "Write a time of day such as 6:40.";

export const aDate =
  (what: string, latest?: string): Check =>
  (text) => {
    if (text.trim() === "") return `${what} is missing.`;
    if (dayOf(text) === null) return notADate(text);
    if (entryDayOf(text) === null) return `${what} is out of range: ${outsideYears}.`;
    return latest !== undefined && text > latest ? `${what} cannot be in the future.` : null;
  };

export const aDuration: Check = (text) =>
  parseDuration(text) === null ? "Write a time such as 33:10 or 45 min." : null;
