import { dayOf, weekdayOf, type Day } from "../calendar/day";
import { after, type Part } from "./reading";

const weekdays = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];

/** The day a line begins with (`yesterday:`, `mon:`, `2026-05-01:`; a weekday is the latest one, today included), and what follows. */
export function readWhen(part: Part, chosen: Day, today: Day): { day: Day; rest: Part; said: boolean } {
  const match = /^(today|yesterday|tomorrow|\d{4}-\d{2}-\d{2}|[a-z]{3,9})\s*:/i.exec(part.text);
  const word = match?.[1]?.toLowerCase();
  const day = word === undefined ? null : named(word, today);
  return day === null ? { day: chosen, rest: part, said: false } : { day, rest: after(part, match![0].length), said: true };
}

function named(word: string, today: Day): Day | null {
  if (word === "today") return today;
  if (word === "yesterday") return today - 1;
  if (word === "tomorrow") return today + 1;
  const date = dayOf(word);
  if (date !== null) return date;
  const weekday = weekdays.findIndex((name) => name.startsWith(word)) + 1;
  return weekday === 0 ? null : today - ((weekdayOf(today) - weekday + 7) % 7);
}
