/**
 * The weight model as a filter takes it: a damped local linear trend under water that fades from day to day, y = level
 * + water + ε, ε ~ N(0, scaleVariance); level′ = level + slope + η, slope′ = damping·slope + ζ, water′ = memory·water +
 * ω. Written out for these three parts, since a general filter takes twenty times as long over twenty years of
 * mornings.
 */
export interface WeightModel {
  damping: number;
  memory: number;
  scaleVariance: number;
  levelVariance: number;
  slopeVariance: number;
  waterVariance: number;
  /** State on the first day, before its weigh-in. */
  start: WeightState;
}

/** Mean and covariance of (level, slope, water): kilograms, kilograms a day, kilograms. */
export interface WeightState {
  level: number;
  slope: number;
  water: number;
  levelLevel: number;
  levelSlope: number;
  levelWater: number;
  slopeSlope: number;
  slopeWater: number;
  waterWater: number;
}

/**
 * What the filter keeps of each day: state before the weigh-in, innovation (NaN without one) and its variance, enlarged
 * where the weigh-in was taken for an error; and what it tells of the day (`filtered`, `weight`).
 */
type Kept = {
  [K in keyof WeightState | "damping" | "innovation" | "innovationVariance" | "filtered" | "weight"]: Float64Array;
};

/** What is known of each day, a column a quantity. */
export interface SmoothedWeights {
  /** Given all weigh-ins, with variances. */
  level: Float64Array;
  levelVariance: Float64Array;
  slope: Float64Array;
  slopeVariance: Float64Array;
  /** Level as it was known on the day. */
  filtered: Float64Array;
  /** Share of its usual weight a weigh-in kept: 1 for a plain one, near 0 for a gross error. */
  weight: Float64Array;
  /** State after the last day's weigh-in. */
  end: WeightState;
}

/**
 * After so many days without a weigh-in a rate is no longer carried on: it fades by `gapDamping` a day, to half in 23
 * days. Four weeks are as far as a rate is quoted ahead elsewhere; carried on through months and years that nobody
 * weighed, the rates before and behind would bend the level between them far below (or above) both (74 kg, and five
 * years later 84 kg, made 56 kg in the middle). Our judgement, no source.
 */
export const gapDays = 28;
export const gapDamping = 0.97;

/**
 * Kalman filter over one weight a day, NaN where none was taken, and fixed-interval smoother.
 * @param robustLimit an innovation beyond this many standard deviations has its variance enlarged until it stands
 *   exactly at the limit, so that the pull of a gross error fades the wilder it is
 * @param jumps variance added to the level's on its way to each day, where a jump was marked; null for none
 * Source: Harvey 1989, ch. 3; Durbin & Koopman 2012, ch. 4 (section 4.4 for the smoother, equal to
 * Rauch–Tung–Striebel).
 */
export function smoothWeights(
  model: WeightModel,
  weights: Float64Array,
  robustLimit = Infinity,
  jumps: Float64Array | null = null,
): SmoothedWeights {
  const days = weights.length;
  const { kept, end } = filter(model, weights, robustLimit, jumps, true);
  const column = () => new Float64Array(days);
  const result = {
    level: column(),
    levelVariance: column(),
    slope: column(),
    slopeVariance: column(),
    filtered: kept.filtered.slice(0, days),
    weight: kept.weight.slice(0, days),
    end,
  };
  smooth(model, days, kept, result);
  return result;
}

/** Room that one run leaves to the next: years of mornings would else be a megabyte of garbage at every edit. */
let room: { kept: Kept; noJumps: Float64Array } | null = null;

function roomFor(days: number): { kept: Kept; noJumps: Float64Array } {
  if (room === null || room.noJumps.length < days) {
    const column = () => new Float64Array(Math.ceil(days * 1.25));
    const kept = {
      level: column(),
      slope: column(),
      water: column(),
      levelLevel: column(),
      levelSlope: column(),
      levelWater: column(),
      slopeSlope: column(),
      slopeWater: column(),
      waterWater: column(),
      damping: column(),
      innovation: column(),
      innovationVariance: column(),
      filtered: column(),
      weight: column(),
    };
    room = { kept, noJumps: column() };
  }
  return room;
}

/** Log-likelihood of the weights alone, for searching over variances. */
export function weightLikelihood(
  model: WeightModel,
  weights: Float64Array,
  robustLimit = Infinity,
  jumps: Float64Array | null = null,
): number {
  return filter(model, weights, robustLimit, jumps, false).likelihood;
}

const parts = [
  "level",
  "slope",
  "water",
  "levelLevel",
  "levelSlope",
  "levelWater",
  "slopeSlope",
  "slopeWater",
  "waterWater",
] as const satisfies readonly (keyof WeightState)[];

/**
 * Sends weights through the filter: what it keeps of each day (until the next call), the state after the last weigh-in,
 * and the log-likelihood.
 * @param keeping whether anything is to be kept; where only the likelihood is asked for, keeping would take more than
 *   half of the time
 */
function filter(
  model: WeightModel,
  weights: Float64Array,
  robustLimit: number,
  jumps: Float64Array | null,
  keeping: boolean,
): { kept: Kept; end: WeightState; likelihood: number } {
  const { kept, noJumps } = roomFor(weights.length);
  const { damping, memory, scaleVariance, levelVariance, slopeVariance, waterVariance, start } = model;
  const state = Float64Array.from(parts, (part) => start[part]);
  const likelihood = run(
    Float64Array.of(
      damping,
      memory,
      scaleVariance,
      levelVariance,
      slopeVariance,
      waterVariance,
      robustLimit,
      Number(keeping),
    ),
    state,
    weights,
    jumps ?? noJumps,
    kept,
  );
  return {
    kept,
    end: Object.fromEntries(parts.map((part, index) => [part, state[index]!])) as unknown as WeightState,
    likelihood,
  };
}

/**
 * Runs through the days, `state` becoming that after the last weigh-in; log-likelihood. It is given columns of numbers
 * alone and does the same each time, since a machine that had compiled it for one kind of call would throw that away at
 * the next; nothing is allocated, and what would box a number on each day is avoided (destructured numbers, `Math.max`,
 * `Number.isNaN`).
 */
function run(
  parameters: Float64Array,
  state: Float64Array,
  weights: Float64Array,
  jumps: Float64Array,
  keep: Kept,
): number {
  const usualDamping = parameters[0]!,
    m = parameters[1]!,
    scaleVariance = parameters[2]!,
    levelVariance = parameters[3]!,
    slopeVariance = parameters[4]!,
    waterVariance = parameters[5]!,
    robustLimit = parameters[6]!,
    keeping = parameters[7] === 1;
  let level = state[0]!,
    slope = state[1]!,
    water = state[2]!,
    ll = state[3]!,
    ls = state[4]!,
    lw = state[5]!,
    ss = state[6]!,
    sw = state[7]!,
    ww = state[8]!;
  // −2 log L = n log 2π + log Π F + Σ v²/F; the product is turned into a logarithm only when it grows too large or
  // small.
  let count = 0;
  let product = 1;
  let logarithms = 0;
  let squares = 0;
  const days = weights.length;
  let missing = 0;
  for (let t = 0; t < days; t++) {
    const d = missing < gapDays ? usualDamping : gapDamping;
    if (t > 0) {
      level += slope;
      slope *= d;
      water *= m;
      ll += 2 * ls + ss + levelVariance;
      ll += jumps[t]!;
      ls = d * (ls + ss);
      lw = m * (lw + sw);
      ss = d * d * ss + slopeVariance;
      sw = d * m * sw;
      ww = m * m * ww + waterVariance;
    }
    if (keeping) {
      keep.level[t] = level;
      keep.slope[t] = slope;
      keep.water[t] = water;
      keep.levelLevel[t] = ll;
      keep.levelSlope[t] = ls;
      keep.levelWater[t] = lw;
      keep.slopeSlope[t] = ss;
      keep.slopeWater[t] = sw;
      keep.waterWater[t] = ww;
      keep.damping[t] = d;
      keep.innovation[t] = NaN;
      keep.weight[t] = 1;
    }
    const kg = weights[t]!;
    missing += 1;
    if (kg === kg) {
      missing = 0;
      const gainLevel = ll + lw;
      const gainSlope = ls + sw;
      const gainWater = lw + ww;
      const stateVariance = gainLevel + gainWater;
      const v = kg - (level + water);
      const far = v / robustLimit;
      const usual = stateVariance + scaleVariance;
      const F = far * far > usual ? far * far : usual;
      if (keeping) {
        keep.innovation[t] = v;
        keep.innovationVariance[t] = F;
        keep.weight[t] = scaleVariance / (F - stateVariance);
      }
      const trust = 1 / F;
      const pull = v * trust;
      count += 1;
      squares += v * pull;
      product *= F;
      if (product > 1e200 || product < 1e-200) {
        logarithms += Math.log(product);
        product = 1;
      }
      level += gainLevel * pull;
      slope += gainSlope * pull;
      water += gainWater * pull;
      ll -= gainLevel * gainLevel * trust;
      ls -= gainLevel * gainSlope * trust;
      lw -= gainLevel * gainWater * trust;
      ss -= gainSlope * gainSlope * trust;
      sw -= gainSlope * gainWater * trust;
      ww -= gainWater * gainWater * trust;
    }
    if (keeping) keep.filtered[t] = level;
  }
  state.set([level, slope, water, ll, ls, lw, ss, sw, ww]);
  return -0.5 * (count * Math.log(2 * Math.PI) + logarithms + Math.log(product) + squares);
}

/** Goes back through the days, from what the filter kept. */
function smooth(
  model: WeightModel,
  days: number,
  P: Kept,
  smoothed: Pick<SmoothedWeights, "level" | "levelVariance" | "slope" | "slopeVariance">,
): void {
  const { memory: m } = model;
  // r and N of the recursion: what later days say of the state, and how firmly.
  let rl = 0,
    rs = 0,
    rw = 0;
  let ll = 0,
    ls = 0,
    lw = 0,
    ss = 0,
    sw = 0,
    ww = 0;
  for (let t = days - 1; t >= 0; t--) {
    const pll = P.levelLevel[t]!;
    const pls = P.levelSlope[t]!;
    const plw = P.levelWater[t]!;
    const pss = P.slopeSlope[t]!;
    const psw = P.slopeWater[t]!;
    const pww = P.waterWater[t]!;
    // T′ r and T′ N T, with the transition to the day after
    const d = t + 1 < days ? P.damping[t + 1]! : 1;
    rs = rl + d * rs;
    rw = m * rw;
    ss = ll + 2 * d * ls + d * d * ss;
    ls = ll + d * ls;
    sw = m * (lw + d * sw);
    lw = m * lw;
    ww = m * m * ww;
    const v = P.innovation[t]!;
    if (v === v) {
      // (I − Z k′) r + Z v / F and (I − Z k′) N (I − k Z′) + Z Z′ / F, with k = P Z / F and Z = (1, 0, 1)
      const F = P.innovationVariance[t]!;
      const kl = (pll + plw) / F;
      const ks = (pls + psw) / F;
      const kw = (plw + pww) / F;
      const pull = v / F - (kl * rl + ks * rs + kw * rw);
      rl += pull;
      rw += pull;
      const gl = ll * kl + ls * ks + lw * kw;
      const gs = ls * kl + ss * ks + sw * kw;
      const gw = lw * kl + sw * ks + ww * kw;
      const firm = kl * gl + ks * gs + kw * gw + 1 / F;
      ll += firm - 2 * gl;
      lw += firm - gl - gw;
      ww += firm - 2 * gw;
      ls -= gs;
      sw -= gs;
    }
    smoothed.level[t] = P.level[t]! + pll * rl + pls * rs + plw * rw;
    smoothed.slope[t] = P.slope[t]! + pls * rl + pss * rs + psw * rw;
    smoothed.levelVariance[t] =
      pll - (pll * pll * ll + pls * pls * ss + plw * plw * ww + 2 * (pll * pls * ls + pll * plw * lw + pls * plw * sw));
    smoothed.slopeVariance[t] =
      pss - (pls * pls * ll + pss * pss * ss + psw * psw * ww + 2 * (pls * pss * ls + pls * psw * lw + pss * psw * sw));
  }
}

/**
 * Innovation of each day (NaN without a weight) and its variance. For fixed days with a weight it is linear in the
 * weights and the start.
 */
export function innovationsOf(
  model: WeightModel,
  weights: Float64Array,
  jumps: Float64Array | null,
): { innovation: Float64Array; variance: Float64Array } {
  const { kept } = filter(model, weights, Infinity, jumps, true);
  return {
    innovation: kept.innovation.slice(0, weights.length),
    variance: kept.innovationVariance.slice(0, weights.length),
  };
}
