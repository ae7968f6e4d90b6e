import { type Day, monthStartOf } from "../base/calendar/day";
import { minimise } from "../base/numeric/minimise";
import { median, type Weighed } from "./weighIns";
import { smoothWeights, weightLikelihood, type WeightModel, type WeightState } from "./weightFilter";

/** Half-width of an 80 % interval in standard deviations of a normal distribution. */
export const z80 = 1.2815515655446004;

/**
 * Standard deviations of the weight model, kilograms. `scale`: one reading against the water-laden weight. `water`:
 * water and gut content around the tissue, fading with `memory` from day to day. `level` and `slope`: how far the
 * tissue weight and its daily rate wander in a day.
 */
export interface Scatter {
  scale: number;
  water: number;
  memory: number;
  level: number;
  slope: number;
}

/**
 * Where scatter is put before the data speak, and how firmly: standard deviations of the logarithms (our judgement, no
 * source). The memory of water is held loosely: held at 0.6 the level's 80 % interval kept the truth 65 times in 100
 * where water stayed on (memory 0.85), at 1.5 it is 74.
 */
const prior: Scatter = { scale: 0.25, water: 0.35, memory: 0.5, level: 0.02, slope: 0.003 };
const firmness: Scatter = { scale: 0.5, water: 0.5, memory: 1.5, level: 0.5, slope: 0.6 };
const keys = ["scale", "water", "memory", "level", "slope"] as const;

/**
 * Daily damping of the slope. At a constant intake the body spends some 24 kcal a day less for each kilogram lost (Hall
 * et al. 2011, Lancet 378:826), so a rate carried forward halves in ln 2 × 7700 ÷ 24 = 222 days. Half a change a year,
 * as the same paper's rule of thumb has it, made dates too early: of trainees who adapt, 40 in 100 had arrived by the
 * median date, now 51 (simulated here).
 */
export const damping = 0.5 ** (1 / 222);

/**
 * How far the level may jump on a day that the trainee marks (a start of creatine, a diet break): standard deviation,
 * kilograms (our judgement, no source; a jump of two or three kilograms still fits).
 */
const jumpKg = 1.5;

/** Innovations beyond so many standard deviations lose weight (our judgement; 3 is the usual choice, no source). */
const robustLimit = 3;
/** A weigh-in that kept less of its weight than this is flagged as a gross error. */
const grossBelow = 0.1;
/** Variances are fitted on at most so many days before the month that holds the day asked about. */
const fitDays = 730;
const fitAtLeast = 28;

export interface TrendDay {
  day: Day;
  /** Smoothed level: the best account today of the tissue weight on that day. */
  kg: number;
  sd: number;
  low80: number;
  high80: number;
  /** Smoothed rate and its standard deviation, kilograms a week. */
  kgPerWeek: number;
  kgPerWeekSd: number;
  /** The level as it was known on that day. */
  filteredKg: number;
  weighedKg: number | null;
  gross: boolean;
}

/** The smoothed weight from the first to the last weigh-in, a column a quantity and a day an element. */
export interface Trend {
  first: Day;
  last: Day;
  level: Float64Array;
  sd: Float64Array;
  slope: Float64Array;
  slopeSd: Float64Array;
  filtered: Float64Array;
  /** Weighed that morning; NaN without a weigh-in. */
  weighed: Float64Array;
  /** Share of its usual weight a weigh-in kept. */
  weight: Float64Array;
  /** Mean square of weigh-in less trend over the plain weigh-ins; 0 without one. */
  residualVariance: number;
  scatter: Scatter;
  /** Weigh-ins on which the scatter was fitted; 0 while it is the prior. */
  fittedOn: number;
  model: WeightModel;
  /** State on the last day. */
  end: WeightState;
}

/** One day of a trend; null outside it. */
export function trendDay(trend: Trend | null, day: Day): TrendDay | null {
  if (trend === null || day < trend.first || day > trend.last) return null;
  const t = day - trend.first;
  const [kg, sd, weighed] = [trend.level[t]!, trend.sd[t]!, trend.weighed[t]!];
  return {
    day,
    kg,
    sd,
    low80: kg - z80 * sd,
    high80: kg + z80 * sd,
    kgPerWeek: trend.slope[t]! * 7,
    kgPerWeekSd: trend.slopeSd[t]! * 7,
    filteredKg: trend.filtered[t]!,
    weighedKg: Number.isNaN(weighed) ? null : weighed,
    gross: isGross(trend, t),
  };
}

/** All days of a trend, oldest first. */
export function trendDays(trend: Trend | null): TrendDay[] {
  return trend === null ? [] : Array.from(trend.level, (_, t) => trendDay(trend, trend.first + t)!);
}

/** Whether the weigh-in of element `t` was flagged as a gross error. */
export function isGross(trend: Trend, t: number): boolean {
  return trend.weight[t]! < grossBelow;
}

/** The model of a scatter, as the filter takes it. */
export function weightModel(scatter: Scatter, startKg: number): WeightModel {
  const water = scatter.water ** 2;
  return {
    damping,
    memory: scatter.memory,
    scaleVariance: scatter.scale ** 2,
    levelVariance: scatter.level ** 2,
    slopeVariance: scatter.slope ** 2,
    waterVariance: water * (1 - scatter.memory ** 2),
    start: {
      level: startKg,
      slope: 0,
      water: 0,
      levelLevel: 4,
      levelSlope: 0,
      levelWater: 0,
      slopeSlope: 0.07 ** 2,
      slopeWater: 0,
      waterWater: water,
    },
  };
}

/** Where the level is put before the first weigh-in: the middle of the first seven. */
export function startOf(weighed: readonly Weighed[]): number {
  return median(weighed.slice(0, 7).map(({ kg }) => kg));
}

/** Scatter with the number of weigh-ins it was fitted on; 0 while it is the prior. */
export interface Fit {
  scatter: Scatter;
  fittedOn: number;
}

/** Fits the scatter by maximum a posteriori; too few weigh-ins leave the prior. */
export function fitScatter(weighed: readonly Weighed[], jumps: readonly Day[]): Fit {
  return weighed.length < fitAtLeast
    ? { scatter: prior, fittedOn: 0 }
    : { scatter: searchScatter(weighed, jumps), fittedOn: weighed.length };
}

/**
 * The weigh-ins on which the scatter is fitted for a month: those before it, so that today's number does not shift all
 * the past.
 */
export function settledBefore(weighed: readonly Weighed[], month: Day): Weighed[] {
  return weighed.filter(({ day }) => day < month && day >= month - fitDays);
}

/** The fit for the month of the last weigh-in. */
export function fitOf(weighed: readonly Weighed[], jumps: readonly Day[] = []): Fit {
  return fitScatter(settledBefore(weighed, monthStartOf(weighed.at(-1)!.day)), jumps);
}

/**
 * Trend of the primary weigh-ins: one day after another from the first to the last, by Kalman filter and smoother.
 * @param weighed primary weigh-ins, oldest first, at least one
 * @param jumps days on which the level may jump, as the trainee marked them
 * @param fit scatter fitted on the closed months
 * Source: Harvey 1989; Durbin & Koopman 2012 (intervention as a large variance of the level on that day).
 */
export function weightTrend(
  weighed: readonly Weighed[],
  jumps: readonly Day[] = [],
  { scatter, fittedOn }: Fit = fitOf(weighed, jumps),
): Trend {
  const [first, last] = [weighed[0]!, weighed.at(-1)!];
  const model = weightModel(scatter, startOf(weighed));
  const observations = daily(weighed);
  const { levelVariance, slopeVariance, ...smoothed } = smoothWeights(
    model,
    observations,
    robustLimit,
    jumpColumn(jumps, first.day, observations.length),
  );
  return {
    first: first.day,
    last: last.day,
    ...smoothed,
    sd: deviations(levelVariance),
    slopeSd: deviations(slopeVariance),
    weighed: observations,
    residualVariance: residualVariance(observations, smoothed),
    scatter,
    fittedOn,
    model,
  };
}

/** Standard deviations in the place of variances. */
function deviations(variances: Float64Array): Float64Array {
  for (let t = 0; t < variances.length; t++) variances[t] = Math.sqrt(Math.max(0, variances[t]!));
  return variances;
}

/** Mean square of weigh-in less trend over the plain weigh-ins; 0 without one. */
function residualVariance(weighed: Float64Array, { level, weight }: Pick<Trend, "level" | "weight">): number {
  let sum = 0;
  let count = 0;
  for (let t = 0; t < level.length; t++) {
    const off = weighed[t]! - level[t]!;
    if (off !== off || weight[t]! < grossBelow) continue;
    sum += off * off;
    count++;
  }
  return count === 0 ? 0 : sum / count;
}

/** Variance that marked jumps add to the level, day by day from `first`; null when none falls into those days. */
export function jumpColumn(jumps: readonly Day[], first: Day, days: number): Float64Array | null {
  const within = jumps.filter((day) => day > first && day < first + days);
  if (within.length === 0) return null;
  const column = new Float64Array(days);
  for (const day of within) column[day - first] = jumpKg ** 2;
  return column;
}

function daily(weighed: readonly Weighed[]): Float64Array {
  const start = weighed[0]!.day;
  const observations = new Float64Array(weighed.at(-1)!.day - start + 1).fill(NaN);
  for (let index = 0; index < weighed.length; index++) observations[weighed[index]!.day - start] = weighed[index]!.kg;
  return observations;
}

function searchScatter(weighed: readonly Weighed[], jumps: readonly Day[]): Scatter {
  const observations = daily(weighed);
  const jumping = jumpColumn(jumps, weighed[0]!.day, observations.length);
  const start = startOf(weighed);
  const centre = keys.map((key) => free(key, prior[key]));
  const cost = (point: readonly number[]) => {
    const scatter = scatterOf(point);
    const penalty = keys.reduce(
      (sum, key, index) => sum + 0.5 * ((point[index]! - centre[index]!) / firmness[key]) ** 2,
      0,
    );
    return penalty - weightLikelihood(weightModel(scatter, start), observations, robustLimit, jumping);
  };
  return scatterOf(minimise(cost, centre, 0.4, 160, 1e-2));
}

/** Scatter on a scale without bounds: logarithms, and the log-odds of the memory. */
function free(key: keyof Scatter, value: number): number {
  return key === "memory" ? Math.log(value / (1 - value)) : Math.log(value);
}

function scatterOf(point: readonly number[]): Scatter {
  const value = (key: keyof Scatter) => {
    const raw = point[keys.indexOf(key)]!;
    return key === "memory" ? 1 / (1 + Math.exp(-raw)) : Math.exp(raw);
  };
  return {
    scale: value("scale"),
    water: value("water"),
    memory: value("memory"),
    level: value("level"),
    slope: value("slope"),
  };
}
