import type { Day } from "../base/calendar/day";
import { z80 } from "../body/trend";
import { type Factor, maximumFactor } from "./e1rm";
import {
  dayOf,
  daysIn,
  firstSet,
  hasFailed,
  isAsManyAsPossible,
  type LiftRun,
  repsOf,
  repsToFailureOf,
  rpeOf,
  totalKgOf,
} from "./liftRun";

/** A hard set: how many repetitions were left is known. */
export interface CurveSet {
  day: Day;
  totalKg: number;
  repsToFailure: number;
  reserve: number;
}

/** A maximum that was tested, as a total load. */
export interface CurveTest {
  day: Day;
  totalKg: number;
}

/** A lift's own relation of repetitions to load. */
export interface RepCurve {
  /**
   * How steeply load falls with repetitions, as a multiple of the population's: above 1 for one who loses load faster
   * with each repetition, below for one who keeps it.
   */
  steepness: number;
  /** Its standard deviation: the population's own spread until hard sets narrow it. */
  steepnessSd: number;
  /** Hard sets it rests on, on how many days, and tested maxima beside them. */
  sets: number;
  days: number;
  tests: number;
}

/** The relation itself, as a curve of the given steepness has it. */
export function curveFactor({ steepness }: Pick<RepCurve, "steepness">): Factor {
  return (reps) => maximumFactor("mean", reps) ** steepness;
}

/**
 * Spread of the steepness between people and lifts (our judgement: it lets 80 % of the maximum be anything from 6 to 14
 * repetitions).
 */
const populationSd = 0.25;
/**
 * A set against the day's strength, a day's strength against the weeks', and what a day's change of strength may be
 * (shares of the load; our judgement).
 */
const setSd = 0.02;
const daySd = 0.02;
const driftSdPerDay = 0.004;
/**
 * A judgement of reps in reserve is off by half a repetition at the limit and by more the further off it is (our
 * judgement).
 */
const reserveSd = (reserve: number) => 0.5 + 0.25 * reserve;
/** A tested maximum says little of today's strength after about three months: its variance grows by e in that time. */
const testFadesDays = 90;
/** A hard set counts half as much after a year. */
const setHalvesDays = 365;
/** Sets with at most so many in reserve are hard enough to tell the relation. */
const curveReserve = 3;

/**
 * How far load has fallen at so many repetitions in the population, as a logarithm (of the mean of the seven formulas),
 * and how fast it falls there.
 */
function fallAt(reps: number): { fall: number; perRep: number } {
  let known = falls.get(reps);
  if (known === undefined) {
    const [low, high] = [Math.max(1, reps - 0.5), Math.min(20, reps + 0.5)];
    const fall = (at: number) => Math.log(maximumFactor("mean", at));
    falls.set(reps, (known = { fall: fall(reps), perRep: (fall(high) - fall(low)) / (high - low) }));
  }
  return known;
}
const falls = new Map<number, { fall: number; perRep: number }>();

/**
 * Fits a lift's own relation of repetitions to load from its hard sets: load = strength of the day ÷ factor(reps to the
 * limit)^steepness. Strength wanders from day to day, the steepness is one number for the lift, drawn towards 1 (the
 * mean of the seven formulas) as far as the sets say little: the exact posterior of a linear Gaussian model in the
 * logarithm of the load, by a Kalman filter over (strength, steepness, the day's form). Monotone for every steepness
 * above 0, and 1 at one repetition, like the formulas.
 * @param sets hard sets, oldest first; @param tests tested maxima, oldest first; @param on day the relation is asked
 *   for
 */
export function fitRepCurve(sets: readonly CurveSet[], tests: readonly CurveTest[], on: Day): RepCurve {
  // Sets and tests in one run, in order of their days.
  const count = sets.length + tests.length;
  const [day, logKg, fallen, variance] = [
    new Float64Array(count),
    new Float64Array(count),
    new Float64Array(count),
    new Float64Array(count),
  ];
  let days = 0;
  for (let at = 0, nextSet = 0, nextTest = 0; at < count; at++) {
    const [set, test] = [sets[nextSet], tests[nextTest]];
    if (test !== undefined && (set === undefined || test.day <= set.day)) {
      nextTest += 1;
      day[at] = test.day;
      logKg[at] = Math.log(test.totalKg);
      variance[at] = setSd ** 2 * Math.exp((on - test.day) / testFadesDays);
    } else {
      if (nextSet === 0 || set!.day !== sets[nextSet - 1]!.day) days += 1;
      nextSet += 1;
      const { fall, perRep } = fallAt(set!.repsToFailure);
      day[at] = set!.day;
      logKg[at] = Math.log(set!.totalKg);
      fallen[at] = fall;
      variance[at] = (setSd ** 2 + (perRep * reserveSd(set!.reserve)) ** 2) * 2 ** ((on - set!.day) / setHalvesDays);
    }
  }
  // Means and covariances of strength (m), steepness (k) and the day's form (d), written out: a log of many years has
  // tens of thousands of sets.
  let [m, k, d] = [logKg[0] ?? 0, 1, 0];
  let [mm, mk, md, kk, kd, dd] = [1, 0, 0, populationSd ** 2, 0, 0];
  for (let at = 0; at < count; at++) {
    if (at === 0 || day[at] !== day[at - 1]) {
      // A new day: strength has wandered, the day's form is drawn anew.
      if (at > 0) mm += driftSdPerDay ** 2 * (day[at]! - day[at - 1]!);
      d = md = kd = 0;
      dd = daySd ** 2;
    }
    const x = fallen[at]!;
    const gm = mm - mk * x + md;
    const gk = mk - kk * x + kd;
    const gd = md - kd * x + dd;
    const spread = gm - gk * x + gd + variance[at]!;
    const miss = (logKg[at]! - (m - k * x + d)) / spread;
    m += gm * miss;
    k += gk * miss;
    d += gd * miss;
    mm -= (gm * gm) / spread;
    mk -= (gm * gk) / spread;
    md -= (gm * gd) / spread;
    kk -= (gk * gk) / spread;
    kd -= (gk * gd) / spread;
    dd -= (gd * gd) / spread;
  }
  // Far out in the tail of what the model allows the relation would turn over; there it is held.
  return { steepness: Math.max(0.2, k), steepnessSd: Math.sqrt(kk), sets: sets.length, days, tests: tests.length };
}

/**
 * The hard sets among those on the fronts of a lift's days: at most 3 in reserve as rated, or to the limit because the
 * set failed or went for as many repetitions as possible.
 */
export function curveSets(run: LiftRun): CurveSet[] {
  const hard: CurveSet[] = [];
  for (let index = 0, at = 0; index < daysIn(run); index++)
    for (const end = firstSet(run, index + 1); at < end; at++) {
      const failed = hasFailed(run, at);
      const rpe = rpeOf(run, at);
      // How many were left: NaN where nothing tells.
      const reserve = failed || (Number.isNaN(rpe) && isAsManyAsPossible(run, at)) ? 0 : 10 - rpe;
      if (reserve <= curveReserve && repsToFailureOf(run, at) > 0 && totalKgOf(run, at) > 0)
        hard.push({
          day: dayOf(run, index),
          totalKg: totalKgOf(run, at),
          repsToFailure: failed ? repsOf(run, at) : repsToFailureOf(run, at),
          reserve,
        });
    }
  return hard;
}

/**
 * How far an estimated maximum may be off, as the share to multiply and divide it by for an 80 % interval: form of the
 * day, the judged reserve, and what is not known of the relation. An unrated set is a lower bound, and the interval
 * then says only what its repetitions were worth.
 */
export function estimateSpread(curve: RepCurve, repsToFailure: number, rpe: number | null): number {
  const { fall, perRep } = fallAt(repsToFailure);
  const unsure = rpe === null ? 0 : curve.steepness * perRep * reserveSd(10 - rpe);
  return Math.exp(z80 * Math.sqrt(setSd ** 2 + daySd ** 2 + unsure ** 2 + (fall * curve.steepnessSd) ** 2));
}
