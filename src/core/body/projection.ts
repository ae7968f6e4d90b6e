import type { Day } from "../base/calendar/day";
import { normalCdf } from "../base/numeric/normal";
import { counted } from "../base/units/number";
import { holdingBand, isHolding, type PlanLine } from "../goals/plan";
import { type Trend, trendDay, z80 } from "./trend";

/** Days beyond which nothing is carried forward. */
export const horizonDays = 1095;

/** Below so many days from first to last weigh-in nothing is said about a goal's date: the rate is not known. */
const projectionNeedsDays = 7;

/** The trend carried forward to one day. */
export interface Ahead {
  day: Day;
  kg: number;
  sd: number;
  low80: number;
  high80: number;
  kgPerWeek: number;
}

/**
 * Share of a change of pace still to come that is left a day later: it fades to half in 17 days, as people return to
 * their habits. (Our judgement, no source. Within the log the pace wanders freely, which fits any course; carried on
 * like that it would call nearly every arrival beyond a few weeks unknown: intervals twelve weeks ahead then hold the
 * truth 96 times in 100, not 80.)
 */
export const fading = 0.96;

/**
 * Level and damped slope carried forward, day by day, from the trend's last day to `until`. What is not known of
 * today's level and slope is carried with them; each day ahead adds its wander of the level, and a change of pace that
 * fades.
 */
export function carryForward(trend: Trend, until: Day): Ahead[] {
  const course: Ahead[] = [];
  const days = Math.max(0, until - trend.last);
  const { levelVariance, slopeVariance, damping } = trend.model;
  let { level, slope } = trend.end;
  // Days of today's slope by which the level has moved, and the level's variance from changes of pace to come.
  let [lever, change, changes] = [0, 0, 0];
  for (let ahead = 1; ahead <= days; ahead++) {
    level += slope;
    lever += damping ** (ahead - 1);
    slope *= damping;
    changes += slopeVariance * change ** 2;
    change += fading ** (ahead - 1);
    const sd = Math.sqrt(
      trend.end.levelLevel +
        2 * lever * trend.end.levelSlope +
        lever ** 2 * trend.end.slopeSlope +
        ahead * levelVariance +
        changes,
    );
    course.push({
      day: trend.last + ahead,
      kg: level,
      sd,
      low80: level - z80 * sd,
      high80: level + z80 * sd,
      kgPerWeek: slope * 7,
    });
  }
  return course;
}

/**
 * The same for one day alone, however far: the sums of `carryForward` in closed form. (Σ dᵏ for k < n is (1 − dⁿ) ÷ (1
 * − d); the variance of changes of pace to come is slopeVariance × Σ ((1 − fᵏ) ÷ (1 − f))².)
 */
export function carriedTo(trend: Trend, day: Day): Ahead {
  const { levelVariance, slopeVariance, damping } = trend.model;
  const { level, slope, levelLevel, levelSlope, slopeSlope } = trend.end;
  const ahead = day - trend.last;
  const lever = (1 - damping ** ahead) / (1 - damping);
  const faded = 1 - fading;
  const changes =
    (slopeVariance * (ahead - (2 * (1 - fading ** ahead)) / faded + (1 - fading ** (2 * ahead)) / (1 - fading ** 2))) /
    faded ** 2;
  const kg = level + slope * lever;
  const sd = Math.sqrt(levelLevel + 2 * lever * levelSlope + lever ** 2 * slopeSlope + ahead * levelVariance + changes);
  return { day, kg, sd, low80: kg - z80 * sd, high80: kg + z80 * sd, kgPerWeek: slope * damping ** ahead * 7 };
}

/**
 * So many days after the last weigh-in the level is carried forward, with its interval; after that it is not known. By
 * then half the 80 % interval has grown to more than half a kilogram in an ordinary log, wider than the band of a plan,
 * and a rate of the last weeks says little of the present one. (Our judgement, no source.)
 */
export const carriedDays = 28;
/** After so many days without a weigh-in a pace is no longer called too fast or too slow. */
export const paceKnownDays = 7;

/** What is told where the last weigh-in is too old. */
export function lastWeighedAgo(trend: Trend, on: Day): string {
  return `the last weigh-in is ${counted(on - trend.last, "day")} old`;
}

/**
 * Level of the trend on a day: smoothed up to its last day, carried forward for some weeks after it; null before the
 * first weigh-in and later.
 */
export function levelOn(trend: Trend, day: Day): Ahead | null {
  return day - trend.last > carriedDays ? null : carriedLevel(trend, day);
}

/**
 * The level that what rests on a weight goes by, in kilograms: smoothed up to the last weigh-in, the last one held
 * after it. Nothing is eaten, burned or pulled up by a weight that nobody weighed. Null before the first weigh-in.
 */
export function heldLevel(trend: Trend, day: Day): number | null {
  return day < trend.first ? null : trend.level[Math.min(day, trend.last) - trend.first]!;
}

/** The level carried forward however far, for what lies ahead; null before the first weigh-in. */
export function carriedLevel(trend: Trend, day: Day): Ahead | null {
  if (day < trend.first) return null;
  return (
    trendDay(trend, day) ??
    (day - trend.last > horizonDays ? carriedTo(trend, day) : (carryForward(trend, day).at(-1) ?? null))
  );
}

/** Days between two that are looked at beyond the horizon. */
const farStep = 28;

/**
 * The course from the day after one up to another: day by day up to the horizon, beyond it now and then, so that a far
 * deadline costs no more than a near one.
 */
function courseTo(trend: Trend, on: Day, until: Day): Ahead[] {
  const near = carryForward(trend, Math.min(until, Math.max(on, trend.last) + horizonDays)).filter(
    ({ day }) => day > on,
  );
  const far: Ahead[] = [];
  for (let day = Math.max(on, trend.last) + horizonDays + farStep; day < until; day += farStep)
    far.push(carriedTo(trend, day));
  if (until > Math.max(on, trend.last) + horizonDays) far.push(carriedTo(trend, until));
  return [...near, ...far];
}

/** When something crosses a target. */
export interface Crossing {
  /**
   * Days by which the target is crossed with probability 10, 50 and 90 %; null when that is not reached within three
   * years.
   */
  p10: Day | null;
  p50: Day | null;
  p90: Day | null;
  /** Probability of standing at or beyond the target by the deadline. */
  byDeadline: number;
}

export interface Projection extends Crossing {
  /** Whether the trend stands at or beyond the target already on the day asked about. */
  arrived: boolean;
  /**
   * For a limit on one morning: the chance that the scale then shows it, and the trend that would make that four times
   * in five. Null for other goals.
   */
  onMorning: MorningChance | null;
}

/**
 * `sd` is that of the scale's reading on the morning: the trend's own carried there, and what water and scale add to it
 * (`noise`).
 */
export interface MorningChance {
  chance: number;
  sd: number;
  noise: number;
  saferKg: number;
}

/** Below this point of the normal distribution lie four fifths of it. */
const z80OneSided = 0.8416212335729143;

/**
 * When the trend will cross the goal: on each day ahead, the probability that the level stands at or beyond the target,
 * from the carried-forward mean and variance; a probability once reached is kept. The median date is the day on which
 * the carried-forward trend itself meets the target, so it can be checked by hand. (A path that crosses and returns
 * before a day is not counted for that day, so early dates are on the cautious side.)
 * @returns the projection, or the reason why there is none
 */
export function project(trend: Trend | null, line: PlanLine, on: Day): Projection | { reason: string } {
  if (trend === null) return { reason: "no weight is written" };
  if (trend.last - trend.first < projectionNeedsDays)
    return { reason: "a goal's date needs weigh-ins over more than seven days" };
  if (on - trend.last > carriedDays)
    return { reason: `${lastWeighedAgo(trend, on)}; a goal's date needs one of the last ${carriedDays} days` };
  const now = levelOn(trend, on);
  const held = heldLevel(trend, on);
  if (isHolding(line)) return holding(trend, line, on);
  const course = [...(now === null ? [] : [now]), ...courseTo(trend, on, Math.max(on + horizonDays, line.deadline))];
  return {
    ...crossing(course, line, on),
    onMorning: line.limit ? morningChance(trend, line, on) : null,
    arrived: held !== null && (line.targetKg < line.startKg ? held <= line.targetKg : held >= line.targetKg),
  };
}

/**
 * Keeping a weight: nothing is to be crossed. The chance is that of standing within the band about it on the deadline,
 * and it is there while the level is.
 */
function holding(trend: Trend, line: PlanLine, on: Day): Projection {
  const band = holdingBand(line);
  const at = carriedLevel(trend, Math.max(line.deadline, on))!;
  const within =
    at.sd === 0
      ? Number(Math.abs(at.kg - line.targetKg) <= band)
      : normalCdf((line.targetKg + band - at.kg) / at.sd) - normalCdf((line.targetKg - band - at.kg) / at.sd);
  return {
    p10: null,
    p50: null,
    p90: null,
    byDeadline: within,
    onMorning: line.limit ? morningChance(trend, line, on) : null,
    arrived: Math.abs(heldLevel(trend, on)! - line.targetKg) <= band,
  };
}

/**
 * Days by which a course crosses a line's target with a probability of 10, 50 and 90 %, and the probability of having
 * done so by its deadline.
 * @param course day by day, with the standard deviation of each value
 */
export function crossing(course: Iterable<{ day: Day; kg: number; sd: number }>, line: PlanLine, on: Day): Crossing {
  const side = line.targetKg < line.startKg ? 1 : -1;
  const found: Crossing = { p10: null, p50: null, p90: null, byDeadline: 0 };
  let reached = 0;
  for (const { day, kg, sd } of course) {
    const distance = side * (line.targetKg - kg);
    reached = Math.max(reached, sd === 0 ? Number(distance >= 0) : normalCdf(distance / sd));
    for (const [key, level] of [
      ["p10", 0.1],
      ["p50", 0.5],
      ["p90", 0.9],
    ] as const)
      if (found[key] === null && reached >= level && day <= on + horizonDays) found[key] = day;
    if (day <= Math.max(line.deadline, on)) found.byDeadline = reached;
  }
  return found;
}

/**
 * On one morning the water of the day and the scale count too: their variance is added to the carried-forward level's.
 */
function morningChance(trend: Trend, line: PlanLine, on: Day): MorningChance | null {
  const level = carriedLevel(trend, Math.max(line.deadline, on));
  if (level === null) return null;
  const noise = Math.sqrt(trend.scatter.water ** 2 + trend.scatter.scale ** 2);
  const sd = Math.sqrt(level.sd ** 2 + noise ** 2);
  const side = line.targetKg < line.startKg ? 1 : -1;
  return {
    chance: normalCdf((side * (line.targetKg - level.kg)) / sd),
    sd,
    noise,
    saferKg: line.targetKg - side * z80OneSided * noise,
  };
}
