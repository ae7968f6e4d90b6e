import { monthStartOf, type Day } from "../calendar/day";
import { kalmanFilter, kalmanSmoother, logLikelihood, type StateSpace } from "./stateSpace";
import { minimise } from "./minimise";
import { median, type Weighed } from "./weighIns";

/** Half-width of an 80 % interval in standard deviations of a normal distribution. */
export const z80 = 1.2815515655446004;

/**
 * Standard deviations of the weight model, kilograms. `scale`: one reading against the water-laden weight. `water`: water and
 * gut content around the tissue, fading with `memory` from day to day. `level` and `slope`: how far the tissue weight and its
 * daily rate wander in a day.
 */
export interface Scatter { scale: number; water: number; memory: number; level: number; slope: number }

/** Where scatter is put before the data speak, and how firmly: standard deviations of the logarithms (our judgement, no source). */
const prior: Scatter = { scale: 0.25, water: 0.35, memory: 0.5, level: 0.02, slope: 0.005 };
const firmness: Scatter = { scale: 0.5, water: 0.5, memory: 0.6, level: 0.5, slope: 0.6 };
const keys = ["scale", "water", "memory", "level", "slope"] as const;

/**
 * Daily damping of the slope. At a constant intake half of a weight change is reached in about a year (Hall et al. 2011, Lancet
 * 378:826), so a rate carried forward halves in 365 days.
 */
export const damping = 0.5 ** (1 / 365);

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

export interface Trend {
  days: TrendDay[];
  scatter: Scatter;
  /** Weigh-ins on which the scatter was fitted; 0 while it is the prior. */
  fittedOn: number;
  model: StateSpace;
  /** State (level, daily slope, water) and its covariance on the last day. */
  lastMean: Float64Array;
  lastCovariance: Float64Array;
}

/** The damped local linear trend with short-memory water noise, as a state-space model. */
export function weightModel(scatter: Scatter, startKg: number): StateSpace {
  const water = scatter.water ** 2;
  return {
    size: 3,
    transition: [1, 1, 0, 0, damping, 0, 0, 0, scatter.memory],
    observation: [1, 0, 1],
    stateNoise: [scatter.level ** 2, 0, 0, 0, scatter.slope ** 2, 0, 0, 0, water * (1 - scatter.memory ** 2)],
    observationVariance: scatter.scale ** 2,
    initialMean: [startKg, 0, 0],
    initialCovariance: [4, 0, 0, 0, 0.07 ** 2, 0, 0, 0, water],
  };
}

/** Scatter already fitted, by the weigh-ins it was fitted on; fitting is the costly part, and a closed month seldom changes. */
export type FittedScatter = Map<string, Scatter>;

/**
 * Trend of the primary weigh-ins: one day after another from the first to the last, by Kalman filter and smoother with
 * maximum-a-posteriori scatter. The scatter is a function of the weigh-ins before the month of the last one, so that today's
 * number does not shift all the past.
 * @param weighed primary weigh-ins, oldest first
 * @param fitted what was fitted before; added to
 * @returns null without a weigh-in
 * Source: Harvey 1989; Durbin & Koopman 2012.
 */
export function weightTrend(weighed: readonly Weighed[], fitted: FittedScatter = new Map()): Trend | null {
  const [first, last] = [weighed[0], weighed.at(-1)];
  if (first === undefined || last === undefined) return null;
  const month = monthStartOf(last.day);
  const settled = weighed.filter(({ day }) => day < month && day >= month - fitDays);
  const scatter = settled.length < fitAtLeast ? prior : fitScatter(settled, fitted);
  const model = weightModel(scatter, median(weighed.slice(0, 7).map(({ kg }) => kg)));
  const observations = daily(weighed);
  const filtered = kalmanFilter(model, observations, robustLimit);
  const smoothed = kalmanSmoother(model, filtered);
  const days = Array.from(observations, (kg, t): TrendDay => {
    const level = smoothed.mean[t * 3]!;
    const sd = Math.sqrt(Math.max(0, smoothed.covariance[t * 9]!));
    return {
      day: first.day + t, kg: level, sd, low80: level - z80 * sd, high80: level + z80 * sd,
      kgPerWeek: smoothed.mean[t * 3 + 1]! * 7, kgPerWeekSd: Math.sqrt(Math.max(0, smoothed.covariance[t * 9 + 4]!)) * 7,
      filteredKg: filtered.filteredMean[t * 3]!, weighedKg: Number.isNaN(kg) ? null : kg, gross: filtered.weight[t]! < grossBelow,
    };
  });
  const end = observations.length - 1;
  return {
    days, scatter, fittedOn: scatter === prior ? 0 : settled.length, model,
    lastMean: filtered.filteredMean.slice(end * 3), lastCovariance: filtered.filteredCovariance.slice(end * 9),
  };
}

function daily(weighed: readonly Weighed[]): Float64Array {
  const start = weighed[0]!.day;
  const observations = new Float64Array(weighed.at(-1)!.day - start + 1).fill(NaN);
  for (const { day, kg } of weighed) observations[day - start] = kg;
  return observations;
}

function fitScatter(weighed: readonly Weighed[], fitted: FittedScatter): Scatter {
  const key = weighed.map(({ day, kg }) => `${day}:${kg}`).join(" ");
  const known = fitted.get(key) ?? searchScatter(weighed);
  fitted.set(key, known);
  return known;
}

function searchScatter(weighed: readonly Weighed[]): Scatter {
  const observations = daily(weighed);
  const start = median(weighed.slice(0, 7).map(({ kg }) => kg));
  const centre = keys.map((key) => free(key, prior[key]));
  const cost = (point: readonly number[]) => {
    const scatter = scatterOf(point);
    const penalty = keys.reduce((sum, key, index) => sum + 0.5 * ((point[index]! - centre[index]!) / firmness[key]) ** 2, 0);
    return penalty - logLikelihood(weightModel(scatter, start), observations, robustLimit);
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
  return { scale: value("scale"), water: value("water"), memory: value("memory"), level: value("level"), slope: value("slope") };
}
