import { dayOf, entryDayOf, outsideYears, weekdayOf, type Day } from "../calendar/day";
import { after, problemAt, type EntryProblem, type Part } from "./reading";

const weekdays = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];

/** The day a line is for, and what follows it. `problem`: it begins with a date that cannot be taken. */
export interface When { day: Day; rest: Part; said: boolean; problem: EntryProblem | null }

/** The day a line begins with (`yesterday:`, `mon:`, `2026-05-01:`; a weekday is the latest one, today included), and what follows. */
export function readWhen(part: Part, chosen: Day, today: Day): When {
  const match = /^(today|yesterday|tomorrow|\d{4}-\d{2}-\d{2}|[a-z]{3,9})\s*:/i.exec(part.text);
  const word = match?.[1]?.toLowerCase();
  const none = { day: chosen, rest: part, said: false, problem: null };
  if (word === undefined) return none;
  const rest = after(part, match![0].length);
  if (/^\d/.test(word)) {
    const day = entryDayOf(word);
    const why = dayOf(word) === null ? `There is no day ${word}.` : `${word} cannot be written: ${outsideYears}.`;
    return { day: day ?? chosen, rest, said: true, problem: day === null ? problemAt({ text: word, start: part.start }, why) : null };
  }
  const day = named(word, today);
  return day === null ? none : { day, rest, said: true, problem: null };
}

function named(word: string, today: Day): Day | null {
  if (word === "today") return today;
  if (word === "yesterday") return today - 1;
  if (word === "tomorrow") return today + 1;
  const weekday = weekdays.findIndex((name) => name.startsWith(word)) + 1;
  return weekday === 0 ? null : today - ((weekdayOf(today) - weekday + 7) % 7);
}
