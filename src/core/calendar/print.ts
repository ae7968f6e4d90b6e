import { dateOf, mustDay, type Day } from "./day";

const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** Names of the weekdays, Monday first. */
export const weekdayNames = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;

/** A day in words, as a working names it: `4 Jun 2026`. */
export function printDay(day: Day): string {
  const [year, month, date] = dateOf(day).split("-").map(Number) as [number, number, number];
  return `${date} ${months[month - 1]} ${year}`;
}

/** The same from a date that is known to be one. */
export function printDate(date: string): string {
  return printDay(mustDay(date));
}
