import { dateOf, type Day, mustDay } from "./day";

const months = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

/** The month from 1 that a word names, whole or by its first letters, three at least; 0 when it names none. */
export function monthNamed(word: string): number {
  const plain = word.toLowerCase();
  return plain.length < 3
    ? 0
    : months.findIndex((name) => name.toLowerCase().startsWith(plain === "sept" ? "september" : plain)) + 1;
}

/** Names of the weekdays, Monday first. */
export const weekdayNames = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;

/** A day in words, as a working names it: `4 Jun 2026`. */
export function printDay(day: Day): string {
  const [year, month, date] = dateOf(day).split("-").map(Number) as [number, number, number];
  return `${date} ${months[month - 1]!.slice(0, 3)} ${year}`;
}

/** The same from a date that is known to be one. */
export function printDate(date: string): string {
  return printDay(mustDay(date));
}
