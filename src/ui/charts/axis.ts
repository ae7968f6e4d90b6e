import { dayOf } from "@/core/calendar/day";
import { shortDate } from "../dates";

/** Day number of a date, for a chart's time axis. */
export function dayNumber(date: string): number {
  return dayOf(date) ?? 0;
}

/** The date of a day number on a time axis, short. */
export function tickDate(day: number): string {
  return shortDate(new Date(day * 86_400_000).toISOString().slice(0, 10));
}

/** Ends of an axis that hold the values, at round steps. */
export function domainOf(values: readonly number[], step: number): [number, number] {
  if (values.length === 0) return [0, 1];
  return [Math.floor(Math.min(...values) / step) * step, Math.ceil(Math.max(...values) / step) * step];
}
