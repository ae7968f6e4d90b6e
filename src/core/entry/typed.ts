import type { Day } from "../base/calendar/day";
import { tokensOf } from "./tokens";
import { dayInFront } from "./when";

/** Longer than this nothing that is typed for a date is one. */
const longest = 40;

/**
 * A date as it is typed into a field of its own: `3 Mar`, `3/3`, `3.3.26`, `2026-03-03`, `yesterday`, `last Friday`.
 * @param order whether a date of figures alone has its day or its month first where the trainee lives; null where that
 *   is not known, and it is asked
 * @param lean which way a date without its year is taken: the last such day, or the next from today on
 * @returns the day, or why it is none in words
 */
export function typedDate(
  text: string,
  today: Day,
  order: "dmy" | "mdy" | null,
  lean: "back" | "ahead",
): Day | { problem: string } {
  const unread = { problem: `"${text.trim()}" is no date. Write it such as 3 Mar, 2026-03-03 or yesterday.` };
  if (text.trim().length > longest) return unread;
  // With the colon that a date of figures has in front of what belongs to it.
  const line = `${text.trim()}:`;
  const tokens = tokensOf(line);
  const found = dayInFront(line, tokens, today, order);
  if (found === null || found.to !== tokens.length) return unread;
  if (found.next !== null) return lean === "ahead" && found.day !== today ? found.next : found.day;
  return found.problem === null ? found.day : { problem: found.problem };
}

/**
 * A time of day as it is typed into a field of its own: `6:40`, `06.40`, `0640`, `6 am`, `6:40 pm`.
 * @returns HH:MM, or null when it is none
 */
export function typedTime(text: string): string | null {
  const match = /^(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?\s*(am|pm)?$/i.exec(text.trim());
  if (match === null) return null;
  const [hours, minutes] = [Number(match[1]), Number(match[2] ?? 0)];
  const half = match[3]?.toLowerCase();
  if (half === undefined && match[2] === undefined) return null;
  if (minutes > 59 || (half === undefined ? hours > 23 : hours < 1 || hours > 12)) return null;
  return clock(hours, minutes, half ?? null);
}

/** HH:MM of an hour and its minutes, of the morning or the afternoon where `half` says so. */
export function clock(hours: number, minutes: number, half: string | null): string {
  const hour = half === null ? hours : (hours % 12) + (half === "pm" ? 12 : 0);
  return `${String(hour).padStart(2, "0")}:${String(minutes).padStart(2, "0")}`;
}
