import dayjs from "dayjs";
import { dateOf, mustDay } from "@/core/calendar/day";

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
  return dateOf(mustDay(date) + days);
}
/** Days from one date to another. */
export function daysBetween(from: string, to: string): number {
  return mustDay(to) - mustDay(from);
}
