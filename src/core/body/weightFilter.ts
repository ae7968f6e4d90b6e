/**
 * The weight model as a filter takes it: a damped local linear trend under water that fades from day to day,
 * y = level + water + ε, ε ~ N(0, scaleVariance); level′ = level + slope + η, slope′ = damping·slope + ζ, water′ = memory·water + ω.
 * Written out for these three parts, since a general filter takes twenty times as long over twenty years of mornings.
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
  level: number; slope: number; water: number;
  levelLevel: number; levelSlope: number; levelWater: number; slopeSlope: number; slopeWater: number; waterWater: number;
}

/** What the filter keeps of each day for the smoother: state before the weigh-in, innovation (NaN without one) and its variance, enlarged where the weigh-in was taken for an error. */
type Kept = { [K in keyof WeightState | "innovation" | "innovationVariance"]: Float64Array };

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
 * Kalman filter over one weight a day, NaN where none was taken, and fixed-interval smoother.
 * @param robustLimit an innovation beyond this many standard deviations has its variance enlarged until it stands exactly at the
 *   limit, so that the pull of a gross error fades the wilder it is
 * @param jumps variance added to the level's on its way to each day, where a jump was marked; null for none
 * Source: Harvey 1989, ch. 3; Durbin & Koopman 2012, ch. 4 (section 4.4 for the smoother, equal to Rauch–Tung–Striebel).
 */
export function smoothWeights(model: WeightModel, weights: Float64Array, robustLimit = Infinity, jumps: Float64Array | null = null): SmoothedWeights {
  const column = () => new Float64Array(weights.length);
  const result = { level: column(), levelVariance: column(), slope: column(), slopeVariance: column(), filtered: column(), weight: column().fill(1), end: { ...model.start } };
  const kept = roomFor(weights.length);
  run(model, weights, robustLimit, jumps, result.end, kept, result);
  smooth(model, weights.length, kept, result);
  return result;
}

/** Room that one run leaves to the next: years of mornings would else be a megabyte of garbage at every edit. */
let room: Kept | null = null;

function roomFor(days: number): Kept {
  if (room === null || room.level.length < days) {
    const column = () => new Float64Array(Math.ceil(days * 1.25));
    room = { level: column(), slope: column(), water: column(), levelLevel: column(), levelSlope: column(), levelWater: column(), slopeSlope: column(), slopeWater: column(), waterWater: column(), innovation: column(), innovationVariance: column() };
  }
  return room;
}

/** Log-likelihood of the weights alone, for searching over variances. */
export function weightLikelihood(model: WeightModel, weights: Float64Array, robustLimit = Infinity, jumps: Float64Array | null = null): number {
  return run(model, weights, robustLimit, jumps, { ...model.start }, null, null);
}

/** Runs through the days, `state` becoming that after the last weigh-in. Nothing is allocated: what would box a number on each day, and take four times as long, is avoided (destructured numbers, `Math.max`, `Number.isNaN`). */
function run(model: WeightModel, weights: Float64Array, robustLimit: number, jumps: Float64Array | null, state: WeightState, keep: Kept | null, tell: Pick<SmoothedWeights, "filtered" | "weight"> | null): number {
  const { damping: d, memory: m, scaleVariance, levelVariance, slopeVariance, waterVariance } = model;
  let level = +state.level, slope = +state.slope, water = +state.water, ll = +state.levelLevel, ls = +state.levelSlope, lw = +state.levelWater, ss = +state.slopeSlope, sw = +state.slopeWater, ww = +state.waterWater;
  // −2 log L = n log 2π + log Π F + Σ v²/F; the product is turned into a logarithm only when it grows too large or small.
  let count = 0;
  let product = 1;
  let logarithms = 0;
  let squares = 0;
  const days = weights.length;
  for (let t = 0; t < days; t++) {
    if (t > 0) {
      level += slope;
      slope *= d;
      water *= m;
      ll += 2 * ls + ss + levelVariance;
      if (jumps !== null) ll += jumps[t]!;
      ls = d * (ls + ss);
      lw = m * (lw + sw);
      ss = d * d * ss + slopeVariance;
      sw = d * m * sw;
      ww = m * m * ww + waterVariance;
    }
    if (keep !== null) {
      keep.level[t] = level;
      keep.slope[t] = slope;
      keep.water[t] = water;
      keep.levelLevel[t] = ll;
      keep.levelSlope[t] = ls;
      keep.levelWater[t] = lw;
      keep.slopeSlope[t] = ss;
      keep.slopeWater[t] = sw;
      keep.waterWater[t] = ww;
      keep.innovation[t] = NaN;
    }
    const kg = weights[t]!;
    if (kg === kg) {
      const gainLevel = ll + lw;
      const gainSlope = ls + sw;
      const gainWater = lw + ww;
      const stateVariance = gainLevel + gainWater;
      const v = kg - (level + water);
      const far = v / robustLimit;
      const usual = stateVariance + scaleVariance;
      const F = far * far > usual ? far * far : usual;
      if (keep !== null) {
        keep.innovation[t] = v;
        keep.innovationVariance[t] = F;
        if (tell !== null) tell.weight[t] = scaleVariance / (F - stateVariance);
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
    if (tell !== null) tell.filtered[t] = level;
  }
  Object.assign(state, { level, slope, water, levelLevel: ll, levelSlope: ls, levelWater: lw, slopeSlope: ss, slopeWater: sw, waterWater: ww });
  return -0.5 * (count * Math.log(2 * Math.PI) + logarithms + Math.log(product) + squares);
}

/** Goes back through the days, from what the filter kept. */
function smooth(model: WeightModel, days: number, P: Kept, smoothed: Pick<SmoothedWeights, "level" | "levelVariance" | "slope" | "slopeVariance">): void {
  const { damping: d, memory: m } = model;
  // r and N of the recursion: what later days say of the state, and how firmly.
  let rl = 0, rs = 0, rw = 0;
  let ll = 0, ls = 0, lw = 0, ss = 0, sw = 0, ww = 0;
  for (let t = days - 1; t >= 0; t--) {
    const pll = P.levelLevel[t]!;
    const pls = P.levelSlope[t]!;
    const plw = P.levelWater[t]!;
    const pss = P.slopeSlope[t]!;
    const psw = P.slopeWater[t]!;
    const pww = P.waterWater[t]!;
    // T′ r and T′ N T
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
    smoothed.levelVariance[t] = pll - (pll * pll * ll + pls * pls * ss + plw * plw * ww + 2 * (pll * pls * ls + pll * plw * lw + pls * plw * sw));
    smoothed.slopeVariance[t] = pss - (pls * pls * ll + pss * pss * ss + psw * psw * ww + 2 * (pls * pss * ls + pls * psw * lw + pss * psw * sw));
  }
}

/** Innovation of each day (NaN without a weight) and its variance. For fixed days with a weight it is linear in the weights and the start. */
export function innovationsOf(model: WeightModel, weights: Float64Array, jumps: Float64Array | null): { innovation: Float64Array; variance: Float64Array } {
  const kept = roomFor(weights.length);
  run(model, weights, Infinity, jumps, { ...model.start }, kept, null);
  return { innovation: kept.innovation.slice(0, weights.length), variance: kept.innovationVariance.slice(0, weights.length) };
}
