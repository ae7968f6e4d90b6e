import dayjs from "dayjs";

/** `Thursday 11 June` */
export function longDate(date: string): string {
  return dayjs(date).format("dddd D MMMM");
}
/** `11 June 2026` */
export function fullDate(date: string): string {
  return dayjs(date).format("D MMMM YYYY");
}
/** `11 Jun` */
export function shortDate(date: string): string {
  return dayjs(date).format("D MMM");
}
/** `Thu 11` */
export function columnDate(date: string): string {
  return dayjs(date).format("ddd D");
}
/** `June 2026` */
export function monthName(date: string): string {
  return dayjs(date).format("MMMM YYYY");
}
/** The date so many days later. */
export function addDays(date: string, days: number): string {
  return dayjs(date).add(days, "day").format("YYYY-MM-DD");
}
/** Days from one date to another. */
export function daysBetween(from: string, to: string): number {
  return (Date.parse(to) - Date.parse(from)) / 86_400_000;
}
