import { type Day, type Weekday, weekdayOf } from "../base/calendar/day";
import { dot, inverseOf, leastSquares, type Observation, type Regression } from "../base/numeric/regression";
import { printNumber } from "../base/units/number";
import { jumpColumn, type Scatter, startOf, type Trend, weightModel, z80 } from "./trend";
import type { Weighed } from "./weighIns";
import { innovationsOf } from "./weightFilter";

/** What one weekday does, against the mean of the seven, with its 80 % interval. */
export interface WeekdayEffect {
  weekday: Weekday;
  effect: number;
  low80: number;
  high80: number;
  days: number;
}

/**
 * Effects of the seven weekdays, which sum to zero, with the probability that chance alone would make them differ as
 * much.
 */
export interface WeekdayEffects {
  effects: WeekdayEffect[];
  chance: number;
  days: number;
  from: Day;
  to: Day;
}

/** How much heavier (or more) the day after training is than the day after rest: an association, not a cause. */
export interface AfterTraining {
  effect: number;
  low80: number;
  high80: number;
  afterTraining: number;
  afterRest: number;
}

/** Effects are estimated over at most so many days: habits change. */
export const effectDays = 730;
/** Fewer days from first to last, and nothing is said. */
export const effectNeedsDays = 56;
/** Each weekday must have been seen so often. */
const timesEach = 4;
/** Above this probability what is seen is left to chance (common practice, no source). */
export const chanceLimit = 0.05;

const weekdays = [1, 2, 3, 4, 5, 6, 7] as const satisfies readonly Weekday[];

/**
 * Contrasts by which six numbers stand for seven effects that sum to zero: the seventh is minus the sum of the others.
 */
function contrasts(day: Day): number[] {
  const weekday = weekdayOf(day);
  return weekdays.slice(0, 6).map((one) => (weekday === 7 ? -1 : Number(weekday === one)));
}

/**
 * The weigh-ins on which effects are estimated, with the scatter by which they are weighed: what changes elsewhere
 * leaves the effects alone.
 */
export interface EffectMornings {
  scatter: Scatter;
  weighed: Weighed[];
  jumps: readonly Day[];
}

/**
 * The weigh-ins of the last two years that the trend took for plain ones; those more than three standard deviations off
 * are left out.
 */
export function effectMornings(
  trend: Trend | null,
  weighed: readonly Weighed[],
  jumps: readonly Day[],
): EffectMornings | { reason: string } {
  if (trend === null) return { reason: "no weight is written" };
  const plain = weighed.filter(({ day }) => day > trend.last - effectDays && trend.weight[day - trend.first]! > 0.999);
  const reason = tooFew(plain.map(({ day }) => day));
  return reason === null
    ? {
        scatter: trend.scatter,
        weighed: plain,
        jumps: jumps.filter((day) => day > plain[0]!.day && day <= plain.at(-1)!.day),
      }
    : { reason };
}

/**
 * Mornings made independent of each other: for each its innovation, those of the weekday contrasts, and its variance;
 * and the way to do so with one more column.
 */
export interface WhiteMornings {
  days: Day[];
  rows: Observation[];
  along: (column: readonly number[]) => number[];
}

/**
 * Sends the mornings and the weekday contrasts through the trend's own filter. Least squares on what comes out is the
 * exact generalised least-squares estimate, together with the trend, given the scatter.
 * Source: de Jong 1991, The Annals of Statistics 19:1073 (augmented Kalman filter).
 */
export function whitened({ scatter, weighed, jumps }: EffectMornings): WhiteMornings {
  const first = weighed[0]!.day;
  const length = weighed.at(-1)!.day - first + 1;
  const jumping = jumpColumn(jumps, first, length);
  const filtered = (startKg: number, values: readonly number[]) => {
    const column = new Float64Array(length).fill(NaN);
    weighed.forEach(({ day }, row) => {
      column[day - first] = values[row]!;
    });
    return innovationsOf(weightModel(scatter, startKg), column, jumping);
  };
  const days = weighed.map(({ day }) => day);
  const along = (values: readonly number[]) => {
    const { innovation } = filtered(0, values);
    return days.map((day) => innovation[day - first]!);
  };
  const { innovation, variance } = filtered(
    startOf(weighed),
    weighed.map(({ kg }) => kg),
  );
  const shares = days.map(contrasts);
  const columns = weekdays.slice(0, 6).map((_, index) => along(shares.map((row) => row[index]!)));
  return {
    days,
    along,
    rows: days.map((day, row) => ({
      y: innovation[day - first]!,
      x: columns.map((column) => column[row]!),
      variance: variance[day - first]!,
    })),
  };
}

/**
 * Weekday effects on weight. Test of all at once: Wald's, by F. Intervals know that they are shown only when they stand
 * out: towards none they reach to the effect shrunk by 1 − 5 ÷ Wald (after James & Stein 1961).
 */
export function weekdayEffects({ rows, days }: WhiteMornings): WeekdayEffects | { reason: string } {
  return effectsOf(leastSquares(rows), days);
}

/**
 * The same for any daily quantity without a trend, such as what was eaten, by plain least squares: days are taken as
 * independent.
 */
export function weekdayMeans(values: readonly { day: Day; value: number }[]): WeekdayEffects | { reason: string } {
  const last = values.at(-1)?.day;
  const window = last === undefined ? [] : values.filter(({ day }) => day > last - effectDays);
  const reason = tooFew(window.map(({ day }) => day));
  if (reason !== null) return { reason };
  const fit = leastSquares(window.map(({ day, value }) => ({ y: value, x: [...contrasts(day), 1], variance: 1 })));
  return effectsOf(
    fit,
    window.map(({ day }) => day),
  );
}

/**
 * Weight on mornings after training against mornings after rest, weekdays held apart so that the one does not stand for
 * the other.
 */
export function afterTraining(
  { rows, days, along }: WhiteMornings,
  trained: (day: Day) => boolean,
): AfterTraining | { reason: string } {
  const after = days.map((day) => trained(day - 1));
  const times = after.filter(Boolean).length;
  if (Math.min(times, days.length - times) < 2 * timesEach)
    return { reason: `mornings after training and after rest, at least ${2 * timesEach} of each, are needed` };
  const both = weekdays.some((one) => new Set(after.filter((_, row) => weekdayOf(days[row]!) === one)).size === 2);
  const column = along(after.map(Number));
  const fit = both
    ? leastSquares(rows.map(({ y, x, variance }, row) => ({ y, x: [...x, column[row]!], variance })))
    : null;
  if (fit === null) return { reason: "training always falls on the same weekdays, so the two cannot be told apart" };
  const [effect, half] = [fit.coefficients[6]!, z80 * Math.sqrt(fit.covariance[6]![6]!)];
  return { effect, low80: effect - half, high80: effect + half, afterTraining: times, afterRest: days.length - times };
}

function tooFew(days: readonly Day[]): string | null {
  if (days.length === 0 || days.at(-1)! - days[0]! + 1 < effectNeedsDays)
    return "weekday effects need eight weeks of days";
  return weekdays.some((weekday) => days.filter((day) => weekdayOf(day) === weekday).length < timesEach)
    ? `each weekday must be there at least ${timesEach} times`
    : null;
}

function effectsOf(fit: Regression | null, days: readonly Day[]): WeekdayEffects | { reason: string } {
  const covariance = fit?.covariance.slice(0, 6).map((row) => row.slice(0, 6));
  const inverse = covariance && inverseOf(covariance);
  if (!fit || !covariance || !inverse) return { reason: "the days cannot be told apart" };
  const six = fit.coefficients.slice(0, 6);
  const wald = dot(
    six,
    inverse.map((row) => dot(row, six)),
  );
  // The variance is estimated from the same days: their test is F's, not χ²'s.
  const chance = fAbove6(wald / 6, days.length - six.length - 1);
  if (chance >= chanceLimit)
    return {
      reason: `the weekdays do not differ by more than chance would make them (probability ${printNumber(chance, 2)})`,
    };
  // Effects are shown only when they stand out, and what stands out is in part chance: each interval reaches as much
  // farther towards none.
  const drawnIn = Math.min(1, 5 / wald);
  const effects = weekdays.map((weekday): WeekdayEffect => {
    const share = weekdays.slice(0, 6).map((one) => (weekday === 7 ? -1 : Number(weekday === one)));
    const effect = dot(share, six);
    const half =
      z80 *
      Math.sqrt(
        dot(
          share,
          covariance.map((row) => dot(row, share)),
        ),
      );
    return {
      weekday,
      effect,
      low80: effect - half - Math.max(0, effect) * drawnIn,
      high80: effect + half + Math.max(0, -effect) * drawnIn,
      days: days.filter((day) => weekdayOf(day) === weekday).length,
    };
  });
  return { effects, chance, days: days.length, from: days[0]!, to: days.at(-1)! };
}

/**
 * Probability that F with six and so many degrees of freedom exceeds x: the closed form for an even first number
 * (Abramowitz & Stegun 26.6.4), P = u^a (1 + a(1 − u) + a(a + 1)/2 (1 − u)²) with a = ν/2 and u = ν ÷ (ν + 6x).
 */
export function fAbove6(x: number, freedom: number): number {
  const a = freedom / 2;
  const u = freedom / (freedom + 6 * x);
  return u ** a * (1 + a * (1 - u) + ((a * (a + 1)) / 2) * (1 - u) ** 2);
}

/**
 * Probability that χ² with six degrees of freedom exceeds x: the closed form for an even number of degrees (Abramowitz
 * & Stegun 26.4.5).
 */
export function chiSquaredAbove6(x: number): number {
  const half = x / 2;
  return Math.exp(-half) * (1 + half + (half * half) / 2);
}
