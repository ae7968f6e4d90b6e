import { lastWeighedAgo } from "./projection";
import type { Day } from "../base/calendar/day";
import { usualMeasureOf } from "./usualMeasures";
import { centimetres, tapeBodyFat, tapeStandardError, waistToHeight, type Tape } from "./tape";
import { z80 } from "./trend";
import type { Sex } from "../energy/resting";
import { measureSd, rateDays, type MeasureGoal, type MeasureTrend, type Reading } from "./measureGoal";
import type { RecordOf } from "../log/records";
import type { MeasureNames } from "../ledger/columns";
import type { Figures } from "../figures/figures";
import { measureNames } from "../ledger/ledgerView";

export interface MeasureRow {
  id: string;
  name: string;
  unit: string;
  count: number;
  latest: { date: string; value: number; method: string | null };
  first: { date: string; value: number };
  /** Straight line through the latest twelve weeks, a week, with its 80 % interval; null while there is too little. */
  perWeek: { rate: number; half80: number; readings: number } | null;
  /** That line, a week a point, with its 80 % band. */
  line: { day: Day; value: number; low80: number; high80: number }[];
  /** The goal on it in force; null without one. */
  goal: MeasureGoal | null;
  /** All readings, oldest first. */
  points: { date: string; value: number }[];
  /** The same as they are written, for changing and removing them. */
  readings: RecordOf<"readings">[];
}

/** Fat and lean mass on a day. */
export interface Composition {
  percent: number;
  low80: number;
  high80: number;
  fatKg: number;
  leanKg: number;
  by: "measured" | "tape";
  method: string | null;
  date: string;
}

export interface MeasuresView {
  measures: MeasureRow[];
  /** Measures of the household, those without a reading of this person included. */
  known: MeasureNames[];
  composition: Composition | { reason: string };
  waistToHeight: { ratio: number; date: string } | { reason: string };
}

/** A measure that has one of these words as its name. */
function named(figures: Figures, ...words: string[]): RecordOf<"measures">[] {
  return [...figures.measures.values()].filter(
    ({ name }) =>
      words.includes(name.trim().toLowerCase()) || words.includes(usualMeasureOf(name)?.name.toLowerCase() ?? ""),
  );
}

/** The latest reading in centimetres of a measure by its name; null without one. */
function latestCm(figures: Figures, ...words: string[]): { cm: number; date: string } | null {
  const found = named(figures, ...words).flatMap((measure) =>
    figures.readingsOf(measure.id).flatMap((reading) => {
      const cm = centimetres(reading.value, measure.unit);
      return cm === null ? [] : [{ cm, date: reading.date }];
    }),
  );
  return found.sort((a, b) => (a.date < b.date ? -1 : 1)).at(-1) ?? null;
}

/** What the tape says, as it last lay on each place. */
export function tapeOf(figures: Figures): { tape: Tape; date: string | null } {
  const [waist, neck, hip] = [latestCm(figures, "waist"), latestCm(figures, "neck"), latestCm(figures, "hip", "hips")];
  return {
    tape: {
      waistCm: waist?.cm ?? null,
      neckCm: neck?.cm ?? null,
      hipCm: hip?.cm ?? null,
      heightCm: figures.person.heightCm ?? null,
    },
    date: waist?.date ?? null,
  };
}

/** Fat and lean mass: from the latest measured body fat, else from the tape. */
export function compositionOf(figures: Figures): Composition | { reason: string } {
  const kg = figures.levelOn(figures.on);
  if (kg === null)
    return { reason: figures.trend === null ? "no weight is written" : lastWeighedAgo(figures.trend, figures.on) };
  const of = (
    percent: number,
    half: number,
    by: Composition["by"],
    method: string | null,
    date: string,
  ): Composition => ({
    percent,
    low80: Math.max(0, percent - half),
    high80: Math.min(100, percent + half),
    fatKg: (kg * percent) / 100,
    leanKg: kg * (1 - percent / 100),
    by,
    method,
    date,
  });
  const measured = figures.bodyFatOn(figures.on);
  if (measured !== null)
    return of(measured.percent, z80 * tapeStandardError, "measured", measured.method, measured.date);
  const { tape, date } = tapeOf(figures);
  const estimate = tapeBodyFat((figures.person.sex ?? "unspecified") as Sex, tape);
  return "reason" in estimate
    ? { reason: `no body fat is measured, and from the tape ${estimate.reason}` }
    : of(estimate.percent, z80 * tapeStandardError, "tape", null, date!);
}

/** Every measure with a reading, and what follows from them. */
export function measuresView(figures: Figures): MeasuresView {
  const all = [...figures.measures.values()].sort((a, b) => (a.name < b.name ? -1 : 1));
  const waist = latestCm(figures, "waist");
  const heightCm = figures.person.heightCm ?? null;
  return {
    measures: all.flatMap((measure) => rowOf(figures, measure) ?? []),
    known: measureNames(figures),
    composition: compositionOf(figures),
    waistToHeight:
      waist === null
        ? { reason: "no waist is written" }
        : heightCm === null
          ? { reason: "no height is written" }
          : { ratio: waistToHeight(waist.cm, heightCm), date: waist.date },
  };
}

function rowOf(figures: Figures, { id, name, unit }: RecordOf<"measures">): MeasureRow | null {
  const readings = figures.readingsOf(id);
  const [first, latest] = [readings[0], readings.at(-1)];
  if (first === undefined || latest === undefined) return null;
  const trend = figures.measureTrend(id);
  return {
    id,
    name,
    unit: unit ?? "",
    count: readings.length,
    latest: { date: latest.date, value: latest.value, method: latest.method ?? null },
    first: { date: first.date, value: first.value },
    perWeek: weeklyRate(trend),
    line: lineThrough(trend, figures.valuesOf(id)),
    goal: figures.measureGoal(id),
    points: readings.map(({ date, value }) => ({ date, value })),
    readings,
  };
}

/** Weekly rate of the line through the latest twelve weeks, with its 80 % interval. */
export function weeklyRate(trend: MeasureTrend | null): MeasureRow["perWeek"] {
  return trend === null
    ? null
    : { rate: trend.perWeek, half80: z80 * Math.sqrt(trend.covariance[0]![0]!), readings: trend.readings };
}

function lineThrough(trend: MeasureTrend | null, readings: readonly Reading[]): MeasureRow["line"] {
  if (trend === null) return [];
  const first = readings.find(({ day }) => day > trend.on - rateDays)!.day;
  const weeks = Math.ceil((trend.on - first) / 7);
  return Array.from({ length: weeks + 1 }, (_, index) => {
    const back = (trend.on - first) * (1 - index / weeks);
    const [value, sd] = [trend.value - (trend.perWeek * back) / 7, measureSd(trend, -back)];
    return { day: trend.on - back, value, low80: value - z80 * sd, high80: value + z80 * sd };
  });
}
