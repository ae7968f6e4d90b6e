import { dateOf, dayOf } from "@/core/base/calendar/day";
import { monthShort, shortDate } from "../dates";

/** Day number of a date, for a chart's time axis. */
export function dayNumber(date: string): number {
  return dayOf(date) ?? 0;
}

/** Beyond so many days a time axis names months and years. */
const longAxis = 500;

/** Writes the date of a day number on a time axis over the given days: `11 Jun`, or `Jun 2019` on a long one. */
export function tickDates(days: readonly number[]): (day: number) => string {
  const long = days.length > 0 && days.at(-1)! - days[0]! > longAxis;
  return (day) => (long ? monthShort(dateOf(day)) : shortDate(dateOf(day)));
}

/** How every axis is drawn, and how a line or area that stands still is. */
export const axisStyle = (slate: string) => ({
  stroke: slate,
  tick: { fill: slate, fontSize: 13 },
  tickLine: false,
  axisLine: false,
});
export const still = { isAnimationActive: false, dot: false, activeDot: false } as const;

/** How what stands at a point is shown beside it. */
export const tooltipStyle = ({ paper, ink }: { paper: string; ink: string }) => ({
  contentStyle: { background: paper, border: `1px solid ${ink}`, borderRadius: 0, fontSize: 14 },
  itemStyle: { color: ink },
});

/** Ends of an axis that hold the values, at round steps. */
export function domainOf(values: readonly number[], step: number): [number, number] {
  if (values.length === 0) return [0, 1];
  return [Math.floor(Math.min(...values) / step) * step, Math.ceil(Math.max(...values) / step) * step];
}
