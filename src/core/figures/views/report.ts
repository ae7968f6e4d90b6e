import { dateOf, mustDay } from "../../calendar/day";
import { changePerWeek } from "../../body/familiar";
import { report, type Report } from "../../report/report";
import { heldLevel } from "../../goal/projection";
import { rounded } from "../../units/number";
import type { Figures } from "../figures";
import { photosView, type DayPhoto } from "./photos";

/** What a report can be of: the weight, or a measure by its id. */
export interface ReportChoice { of: string; name: string }

export interface ReportView {
  choices: ReportChoice[];
  /** What it is of; `unit` is null for the weight, which is in kilograms and printed in the trainee's unit. */
  of: string;
  name: string;
  unit: string | null;
  report: Report | null;
  /** For the weight: the trend on the first and the last day. */
  trend: { start: number; current: number; perWeek: number | null } | null;
  photos: { first: DayPhoto; latest: DayPhoto } | null;
}

/** @param from only what was read from this date on counts; null for all of it */
export function reportView(figures: Figures, { of, from }: { of: string; from: string | null }): ReportView {
  const measures = [...figures.measures.values()].filter(({ id }) => figures.readingsOf(id).length > 0).sort((a, b) => (a.name < b.name ? -1 : 1));
  const measure = measures.find(({ id }) => id === of);
  const begin = from === null ? -Infinity : mustDay(from);
  // A day's last reading stands for it.
  const readings = measure === undefined
    ? figures.weighed.map(({ day, kg }) => ({ day, value: kg }))
    : [...new Map(figures.valuesOf(measure.id).map((reading) => [reading.day, reading])).values()];
  const result = report(readings.filter(({ day }) => day >= begin), figures.weekStart, figures.on);
  const photos = photosView(figures).filter(({ date }) => mustDay(date) >= begin);
  const [first, latest] = [photos[0], photos.at(-1)];
  return {
    choices: [{ of: "weight", name: "Weight" }, ...measures.map(({ id, name }) => ({ of: id, name }))],
    of: measure?.id ?? "weight", name: measure?.name ?? "Weight", unit: measure === undefined ? null : (measure.unit ?? ""), report: result,
    trend: measure !== undefined || result === null ? null : trendBetween(figures, result), photos: first && latest && first !== latest ? { first, latest } : null,
  };
}

function trendBetween(figures: Figures, { start, current }: Report): ReportView["trend"] {
  const [from, to] = [start, current].map(({ day }) => (figures.trend === null ? null : heldLevel(figures.trend, day)));
  if (from == null || to == null) return null;
  return { start: from, current: to, perWeek: changePerWeek(to - from, current.day - start.day) };
}

/** The weeks of a report as rows for a spreadsheet, the first of them their heads. */
export function reportRows({ name, report: result }: ReportView, unit: string, inUnit: (value: number) => number): (string | number | null)[][] {
  const two = (value: number | null) => (value === null ? null : rounded(inUnit(value), 2));
  return [["week closing", "days", `${name}, mean (${unit})`, `median (${unit})`, `change (${unit})`], ...(result?.weeks ?? []).map(({ closingDay, days, mean, median, change }) => [dateOf(closingDay), days, two(mean), two(median), two(change)])];
}
