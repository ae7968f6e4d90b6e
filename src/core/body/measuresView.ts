import type { Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Sex } from "../log/kinds/people";
import type { RecordOf } from "../log/records";
import { type DayValue, type MeasureGoal, measureSd, type MeasureTrend, rateDays } from "./measureGoal";
import type { MeasureNames } from "./measureNames";
import { measureNames } from "./measureNames";
import { measuresOf } from "./measuresSlice";
import { lastWeighedAgo } from "./projection";
import { weightOf } from "./slice";
import { centimetres, type Tape, tapeBodyFat, tapeStandardError, waistToHeight } from "./tape";
import { z80 } from "./trend";
import { usualMeasureOf } from "./usualMeasures";

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
function named(asOf: AsOf, ...words: string[]): RecordOf<"measures">[] {
  return [...measuresOf(asOf).all().values()].filter(
    ({ name }) =>
      words.includes(name.trim().toLowerCase()) || words.includes(usualMeasureOf(name)?.name.toLowerCase() ?? ""),
  );
}

/** The latest reading in centimetres of a measure by its name; null without one. */
function latestCm(asOf: AsOf, ...words: string[]): { cm: number; date: string } | null {
  const found = named(asOf, ...words).flatMap((measure) =>
    measuresOf(asOf)
      .readings(measure.id)
      .flatMap((reading) => {
        const cm = centimetres(reading.value, measure.unit);
        return cm === null ? [] : [{ cm, date: reading.date }];
      }),
  );
  return found.sort((a, b) => (a.date < b.date ? -1 : 1)).at(-1) ?? null;
}

/** What the tape says, as it last lay on each place. */
export function tapeOf(asOf: AsOf): { tape: Tape; date: string | null } {
  const [waist, neck, hip] = [latestCm(asOf, "waist"), latestCm(asOf, "neck"), latestCm(asOf, "hip", "hips")];
  return {
    tape: {
      waistCm: waist?.cm ?? null,
      neckCm: neck?.cm ?? null,
      hipCm: hip?.cm ?? null,
      heightCm: asOf.person.heightCm ?? null,
    },
    date: waist?.date ?? null,
  };
}

/** Fat and lean mass: from the latest measured body fat, else from the tape. */
export function compositionOf(asOf: AsOf): Composition | { reason: string } {
  const kg = weightOf(asOf).levelOn(asOf.on);
  const trend = weightOf(asOf).trend();
  if (kg === null) return { reason: trend === null ? "no weight is written" : lastWeighedAgo(trend, asOf.on) };
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
  const measured = measuresOf(asOf).bodyFatOn(asOf.on);
  if (measured !== null)
    return of(measured.percent, z80 * tapeStandardError, "measured", measured.method, measured.date);
  const { tape, date } = tapeOf(asOf);
  const estimate = tapeBodyFat((asOf.person.sex ?? "unspecified") as Sex, tape);
  return "reason" in estimate
    ? { reason: `no body fat is measured, and from the tape ${estimate.reason}` }
    : of(estimate.percent, z80 * tapeStandardError, "tape", null, date!);
}

/** Every measure with a reading, and what follows from them. */
export function measuresView(asOf: AsOf): MeasuresView {
  const all = [...measuresOf(asOf).all().values()].sort((a, b) => (a.name < b.name ? -1 : 1));
  const waist = latestCm(asOf, "waist");
  const heightCm = asOf.person.heightCm ?? null;
  return {
    measures: all.flatMap((measure) => rowOf(asOf, measure) ?? []),
    known: measureNames(asOf),
    composition: compositionOf(asOf),
    waistToHeight:
      waist === null
        ? { reason: "no waist is written" }
        : heightCm === null
          ? { reason: "no height is written" }
          : { ratio: waistToHeight(waist.cm, heightCm), date: waist.date },
  };
}

function rowOf(asOf: AsOf, { id, name, unit }: RecordOf<"measures">): MeasureRow | null {
  const readings = measuresOf(asOf).readings(id);
  const [first, latest] = [readings[0], readings.at(-1)];
  if (first === undefined || latest === undefined) return null;
  const trend = measuresOf(asOf).trend(id);
  return {
    id,
    name,
    unit: unit ?? "",
    count: readings.length,
    latest: { date: latest.date, value: latest.value, method: latest.method ?? null },
    first: { date: first.date, value: first.value },
    perWeek: weeklyRate(trend),
    line: lineThrough(trend, measuresOf(asOf).values(id)),
    goal: measuresOf(asOf).goal(id),
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

function lineThrough(trend: MeasureTrend | null, readings: readonly DayValue[]): MeasureRow["line"] {
  if (trend === null) return [];
  const first = readings.find(({ day }) => day > trend.on - rateDays)!.day;
  const weeks = Math.ceil((trend.on - first) / 7);
  return Array.from({ length: weeks + 1 }, (_, index) => {
    const back = (trend.on - first) * (1 - index / weeks);
    const [value, sd] = [trend.value - (trend.perWeek * back) / 7, measureSd(trend, -back)];
    return { day: trend.on - back, value, low80: value - z80 * sd, high80: value + z80 * sd };
  });
}
