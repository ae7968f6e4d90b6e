import { fromKg, type MassUnit } from "@/core/base/units/mass";
import type { BodyView } from "@/core/body/bodyView";
import { dayNumber, domainOf } from "@/ui/charts/axis";

/** The strip of sessions and notes under the plot, as a share of it. */
export const strip = 0.05;

/** One day, or the days that one point stands for, as it is drawn: in the trainee's unit, pairs from low to high. */
export interface BodyDatum {
  day: number;
  weighed: number | null;
  second: number | null;
  trend: number | null;
  plan: number | null;
  ahead: number | null;
  catchUp: number | null;
  band: [number, number] | null;
  aheadBand: [number, number] | null;
  planBand: [number, number] | null;
  /** On every point, so that the strip and the notes in it are there without a session too. */
  strip: number;
  sessions: number;
}

/** What the body chart draws, and the axes that hold it. */
export interface BodySeries {
  data: BodyDatum[];
  first: number;
  last: number;
  /** The weights' axis goes from `bottom` to `high`; below its lowest tick lies the strip. */
  bottom: number;
  high: number;
  ticks: number[];
  target: number | null;
  /** Whether the goal is a limit on one morning. */
  limit: boolean;
  lastTrend: BodyDatum | undefined;
  /** Days by which the goal is met with a chance of 10, 50 and 90 %; null where not known or not on the chart. */
  arrival: { p10: number | null; p50: number | null; p90: number | null };
  medians: { from: number; to: number; value: number }[];
}

export function bodySeries({ points, medians, arrival, targetKg }: BodyView, unit: MassUnit): BodySeries {
  const inUnit = (kg: number | null) => (kg === null ? null : fromKg(kg, unit));
  const pair = (low: number | null, high: number | null): [number, number] | null =>
    low === null || high === null ? null : [fromKg(low, unit), fromKg(high, unit)];
  const data = points.map((point): BodyDatum => ({
    day: dayNumber(point.date),
    weighed: point.gross ? null : inUnit(point.weighedKg),
    second: inUnit(point.secondKg),
    trend: inUnit(point.trendKg),
    plan: inUnit(point.planKg),
    ahead: inUnit(point.aheadKg),
    catchUp: inUnit(point.catchUpKg),
    band: pair(point.low80, point.high80),
    aheadBand: pair(point.aheadLow, point.aheadHigh),
    planBand: pair(point.planLow, point.planHigh),
    strip: strip / 2,
    sessions: point.sessions,
  }));
  const target = inUnit(targetKg);
  const values = data
    .flatMap(({ weighed, second, trend, plan, ahead }) => [weighed, second, trend, plan, ahead])
    .filter((value) => value !== null);
  const [low, high] = domainOf([...values, ...(target === null ? [] : [target])], 1);
  const [first, last] = [data[0]?.day ?? 0, data.at(-1)?.day ?? 0];
  const shown = (date: string | null) => {
    const day = date === null ? null : dayNumber(date);
    return day !== null && day >= first && day <= last ? day : null;
  };
  const coming = "reason" in arrival || arrival.arrived ? { p10: null, p50: null, p90: null } : arrival;
  return {
    data,
    first,
    last,
    bottom: low - Math.max(0.5, (high - low) * strip * 1.6),
    high,
    ticks: Array.from({ length: high - low + 1 }, (_, index) => low + index).filter(
      (tick) => (tick - low) % Math.ceil((high - low) / 8) === 0,
    ),
    target,
    limit: !("reason" in arrival) && arrival.onMorning !== null,
    lastTrend: data.findLast(({ trend }) => trend !== null),
    arrival: { p10: shown(coming.p10), p50: shown(coming.p50), p90: shown(coming.p90) },
    medians: medians.map(({ from, closingDate, kg }) => ({
      from: dayNumber(from),
      // A week of one day is a mark as well.
      to: Math.max(dayNumber(closingDate), dayNumber(from) + 0.5),
      value: fromKg(kg, unit),
    })),
  };
}
