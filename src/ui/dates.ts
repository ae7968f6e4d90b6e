import { dateOf, mustDay } from "@/core/base/calendar/day";
import { printDate } from "@/core/base/calendar/print";
import dayjs from "dayjs";

/** Days from now within which a date without its year cannot be taken for another one. */
const nearDays = 300;
const isNear = (date: string): boolean => Math.abs(dayjs().diff(date, "day")) <= nearDays;

/**
 * `Thursday 11 June` over a view or in a sentence about the day itself, and `Thursday 11 June 2019` when that is long
 * ago or far ahead.
 */
export function longDate(date: string): string {
  return dayjs(date).format(isNear(date) ? "dddd D MMMM" : "dddd D MMMM YYYY");
}
/** `11 Jun 2026` on what is kept or printed: notices, files, the report, workings, photographs. */
export function fullDate(date: string): string {
  return printDate(date);
}
/** `11 Jun 2026, 06:45` of an instant, by this machine's clock. */
export function instantText(instant: string): string {
  return dayjs(instant).format("D MMM YYYY, HH:mm");
}
/** `11 Jun` in tables and sentences, and `11 Jun 2019` when that is long ago or far ahead. */
export function shortDate(date: string): string {
  return dayjs(date).format(isNear(date) ? "D MMM" : "D MMM YYYY");
}
/** The first day of the seven that close on a date, as a week is called: `1 Jun`. */
export function weekName(closingDate: string): string {
  return shortDate(addDays(closingDate, -6));
}
/** `Thu 11 Jun 2026` */
export function ledgerDate(date: string): string {
  return dayjs(date).format("ddd D MMM YYYY");
}
/** `Thu 11` */
export function columnDate(date: string): string {
  return dayjs(date).format("ddd D");
}
/** `Thu 11 Jun` where the day of the week matters, with the year as in `shortDate`. */
export function weekdayDate(date: string): string {
  return `${dayjs(date).format("ddd")} ${shortDate(date)}`;
}
const weekdayNames = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** `Mon` for 1, as ISO counts them. */
export function weekdayShort(weekday: number): string {
  return weekdayNames[weekday - 1]!;
}
/** `June 2026` */
export function monthName(date: string): string {
  return dayjs(date).format("MMMM YYYY");
}
/** `Jun 2026` */
export function monthShort(date: string): string {
  return dayjs(date).format("MMM YYYY");
}
/** The date it is, by this machine's clock. */
export function dateHere(): string {
  return dayjs().format("YYYY-MM-DD");
}
/** The date so many days later. */
export function addDays(date: string, days: number): string {
  return dateOf(mustDay(date) + days);
}
/** The date so many months later; the last of a month that has no such day. */
export function monthsLater(date: string, months: number): string {
  return dayjs(date).add(months, "month").format("YYYY-MM-DD");
}
/** Days from one date to another. */
export function daysBetween(from: string, to: string): number {
  return mustDay(to) - mustDay(from);
}

/**
 * Whether a date of figures alone has its day or its month first where the trainee lives; null where the year comes
 * first.
 */
export function dateOrder(): "dmy" | "mdy" | null {
  const order = new Intl.DateTimeFormat(navigator.language, { dateStyle: "short" })
    .formatToParts()
    .flatMap(({ type }) => (type === "day" || type === "month" || type === "year" ? [type[0]] : []))
    .join("");
  return order === "dmy" || order === "mdy" ? order : null;
}
