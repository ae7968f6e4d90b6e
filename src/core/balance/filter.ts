/**
 * One state-space model over weight and intake. The state of a day: tissue weight (kg), expenditure at the first weight
 * (kcal a day), water and gut content around the tissue (kg), and the level about which the intake varies (kcal a day).
 *
 *     tissue(t + 1)      = tissue(t) + (intake(t) − expenditure(t)) ÷ density + what is logged wrong
 *     expenditure(t)     = base(t) + 22 × (tissue(t) − first tissue) + 0.1 × (eaten of late − first expenditure)
 *     base(t + 1)        = base(t) + 0.003 × (formula − base(t)) + a slow wandering
 *     water(t + 1)       = memory × water(t) + shock
 *     stored(t + 1)      = stored(t) + (0.5 kg for each 1000 kcal over the first expenditure − stored(t)) ÷ 4
 *     weighed(t)         = tissue(t) + water(t) + stored(t) + reading
 *     intake(t)          = level(t) + the day's own;                    level(t + 1) = level(t) + wandering
 *
 * A day whose intake is not wholly written has its level for an intake, with all that is uncertain of it: it is missing, not
 * zero. Several ways for water to move are run side by side, each weighed by how well it has foretold the
 * mornings so far, so that nothing is fitted that a later day could change.
 *
 * Source of the filter: Harvey 1989, Forecasting, Structural Time Series Models and the Kalman Filter; of running several
 * side by side: Bar-Shalom, Li and Kirubarajan 2001, Estimation with Applications to Tracking and Navigation (static
 * multiple models). How far each wanders is our judgement, tried on simulated trainees (tests/checks).
 */

import { digests } from "./dynamic";

/** Kilocalories a day that a kilogram of body weight costs: Hall et al. 2011, Lancet 378:826 (100 kJ for each kilogram), less what intake itself costs. */
const kcalPerKgDay = 22;

/** What is eaten over or under the first expenditure takes more or less to digest, by the mean of about so many days. */
const fedDays = 10;

/**
 * Ways in which water may move: its standard deviation, kilograms, and its memory from day to day. From a quiet body on a
 * good scale to one whose water stays for a week.
 */
const ways = [
  { water: 0.25, memory: 0.1 },
  { water: 0.45, memory: 0.2 },
  { water: 0.45, memory: 0.7 },
  { water: 0.8, memory: 0.8 },
] as const;
type Way = (typeof ways)[number];

/**
 * The expenditure wanders about what the formula says: it comes back to it by this share a day, halfway in eight months
 * without data, and strays from day to day so far that in the end it stands as far from it as the formula is off (10 % of 2500
 * kcal make 19 kcal a day, some 145 in eight weeks).
 */
const backToFormula = 0.003;
/** One reading against the water-laden weight, kg. */
const readingKg = 0.2;
/** What a whole day's log misses either way, kcal. */
const loggedKcal = 150;
/** How far the intake of a day strays from its level, and the level from day to day, kcal. */
const dayKcal = 350;
const levelKcal = 40;
/** How far the level of the weight may jump on a marked day, kg. */
const jumpKg = 1.5;
/** Innovations beyond so many standard deviations lose weight. */
const robustLimit = 3;
/** What a way foretold longer ago counts less: by this share a morning. */
const forgetting = 0.98;
/**
 * Glycogen with its water, and salt, follow a changed intake within days: kilograms for each 1000 kcal a day over what is
 * spent, reached by a quarter a day, and how far that may be off over the fortnight (after Hall et al. 2011, from memory:
 * some half a kilogram to one). It is no tissue.
 */
const storedKg = 0.5;
const storedDays = 4;
const storedKgOff = 0.3;

/** Of each way: mean of tissue, base, water and level; their covariance; the logarithm of its weight. */
const size = 15;
const [M, D, W, L, MM, MD, MW, ML, DD, DW, DL, WW, WL, LL, LOG] = [
  0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14,
] as const;

/** After all ways: what of the weight is stored beside the tissue, kilograms. */
const stored = ways.length * size;
/** Then: what the formula says at the first weight, with what the trainee said of a change since, kcal. */
const anchor = stored + 1;
/** Then: by how much more or less than the first expenditure has been eaten of late, kcal a day. */
const fed = anchor + 1;

/** What is known at the start: the first weight, and the expenditure that the formula gives with its error. */
export interface Start {
  kg: number;
  kcal: number;
  kcalSd: number;
  /** Kilocalories that a kilogram of weight change holds. */
  density: number;
}

/** What a day brings. */
interface DayOfBalance {
  /** Weighed that morning; null without it. */
  kg: number | null;
  /** Eaten, where the whole day is written; null where it is not. */
  kcal: number | null;
  /** The level of the weight may jump on this morning. */
  jumps: boolean;
  /** A change of the intake that the body is still answering with water, kcal a day; 0 without one. */
  unsettledKcal: number;
  /** By how much the trainee says the expenditure has changed since the day before (another activity factor), kcal. */
  saidKcal: number;
  /** Sessions of the day that the expenditure leaves out, since they are credited each by itself, kcal. */
  creditKcal: number;
}

/** The filter's state: a plain column of numbers, so that it can be kept and compared. */
export type BalanceState = Float64Array;

export function beginBalance({ kg, kcal, kcalSd }: Start): BalanceState {
  const state = new Float64Array(fed + 1);
  state[anchor] = kcal;
  ways.forEach((way, index) => {
    const o = index * size;
    state[o + M] = kg;
    state[o + D] = kcal;
    state[o + L] = kcal;
    state[o + MM] = way.water ** 2 + 1;
    state[o + DD] = kcalSd ** 2;
    state[o + WW] = way.water ** 2;
    state[o + LL] = 800 ** 2;
  });
  return state;
}

/**
 * The state as it is handed on from one stretch of days to the next: to five significant digits, the weights of the ways to a
 * twentieth against the best. So what an edit no longer changes there stays as it is, and nothing after it is computed anew.
 */
export function handedOn(state: BalanceState): BalanceState {
  let best = -Infinity;
  for (let o = 0; o < stored; o += size) best = Math.max(best, state[o + LOG]!);
  const next = state.map(roughly);
  for (let o = 0; o < stored; o += size) next[o + LOG] = Math.round((state[o + LOG]! - best) * 20) / 20;
  return next;
}

/** A number to sixteen binary digits: five significant decimal ones. */
function roughly(value: number): number {
  if (value === 0) return value;
  const scale = 2 ** (16 - Math.floor(Math.log2(Math.abs(value))));
  return Math.round(value * scale) / scale;
}

/** What is known of the expenditure once the morning has been weighed: kcal a day and its standard deviation. */
interface Measured {
  kcal: number;
  sd: number;
}

/**
 * Takes a day into the state, in place: first its morning, then what was eaten.
 * @returns the expenditure as it was known that morning
 */
export function takeDay(state: BalanceState, start: Start, day: DayOfBalance): Measured {
  state[anchor]! += day.saidKcal;
  for (let o = 0; o < stored; o += size) {
    if (day.jumps) state[o + MM]! += jumpKg ** 2;
    if (day.saidKcal !== 0) {
      state[o + D]! += day.saidKcal;
      state[o + DD]! += (0.6 * day.saidKcal) ** 2;
    }
    if (day.kg !== null) weigh(state, o, day.kg - state[stored]!);
  }
  const digesting = digests * state[fed]!;
  const known = mixed(state, start.kg, digesting);
  const over = (day.kcal ?? state[L]!) - start.kcal;
  state[fed]! += (over - state[fed]!) / fedDays;
  state[stored]! += ((storedKg * over) / 1000 - state[stored]!) / storedDays;
  for (let index = 0; index < ways.length; index++)
    passDay(state, index * size, ways[index]!, day, day.creditKcal + digesting, start);
  return known;
}

/** Takes a morning's weight into one way. */
function weigh(s: BalanceState, o: number, kg: number): void {
  const hm = s[o + MM]! + s[o + MW]!;
  const hd = s[o + MD]! + s[o + DW]!;
  const hw = s[o + MW]! + s[o + WW]!;
  const hl = s[o + ML]! + s[o + WL]!;
  const miss = kg - s[o + M]! - s[o + W]!;
  const plain = hm + hw + readingKg ** 2;
  const far = (miss * miss) / plain;
  const limit = robustLimit ** 2;
  // Beyond the limit the reading counts as one with so much error that it lies on it.
  const variance = far > limit ? (miss * miss) / limit : plain;
  s[o + LOG] =
    forgetting * s[o + LOG]! - 0.5 * (Math.log(plain) + (far > limit ? 2 * robustLimit * Math.sqrt(far) - limit : far));
  update(s, o, miss / variance, hm, hd, hw, hl, variance);
}

/**
 * The usual step of the filter: `gain` is what was missed over its variance, `hm` to `hl` the covariance of each state with
 * it. Numbers and no list of them: it is done some thousand times an edit.
 */
function update(
  s: BalanceState,
  o: number,
  gain: number,
  hm: number,
  hd: number,
  hw: number,
  hl: number,
  variance: number,
): void {
  s[o + M]! += hm * gain;
  s[o + D]! += hd * gain;
  s[o + W]! += hw * gain;
  s[o + L]! += hl * gain;
  s[o + MM]! -= (hm * hm) / variance;
  s[o + MD]! -= (hm * hd) / variance;
  s[o + MW]! -= (hm * hw) / variance;
  s[o + ML]! -= (hm * hl) / variance;
  s[o + DD]! -= (hd * hd) / variance;
  s[o + DW]! -= (hd * hw) / variance;
  s[o + DL]! -= (hd * hl) / variance;
  s[o + WW]! -= (hw * hw) / variance;
  s[o + WL]! -= (hw * hl) / variance;
  s[o + LL]! -= (hl * hl) / variance;
}

/** From one morning to the next. @param besideKcal what is spent beside the expenditure of the state, kcal */
function passDay(
  s: BalanceState,
  o: number,
  way: Way,
  day: DayOfBalance,
  besideKcal: number,
  { kg: firstKg, kcalSd, density }: Start,
): void {
  if (day.kcal !== null) {
    const variance = s[o + LL]! + dayKcal ** 2;
    update(s, o, (day.kcal - s[o + L]!) / variance, s[o + ML]!, s[o + DL]!, s[o + WL]!, s[o + LL]!, variance);
  }
  const a = 1 - kcalPerKgDay / density;
  const b = -1 / density;
  const c = day.kcal === null ? 1 / density : 0;
  const m = way.memory;
  const mm = s[o + MM]!;
  const md = s[o + MD]!;
  const mw = s[o + MW]!;
  const ml = s[o + ML]!;
  const dd = s[o + DD]!;
  const dw = s[o + DW]!;
  const dl = s[o + DL]!;
  const ww = s[o + WW]!;
  const wl = s[o + WL]!;
  const ll = s[o + LL]!;
  const eaten = day.kcal ?? s[o + L]!;
  s[o + M] = s[o + M]! + (eaten - besideKcal - s[o + D]! - kcalPerKgDay * (s[o + M]! - firstKg)) / density;
  s[o + W] = m * s[o + W]!;
  const strays = (day.kcal === null ? dayKcal : loggedKcal) / density;
  const unsettled = ((storedKgOff / 1000) * day.unsettledKcal) ** 2 / 14;
  s[o + MM] =
    a * a * mm + b * b * dd + c * c * ll + 2 * (a * b * md + a * c * ml + b * c * dl) + strays ** 2 + unsettled;
  const r = 1 - backToFormula;
  s[o + D] = s[o + D]! + backToFormula * (s[anchor]! - s[o + D]!);
  s[o + MD] = r * (a * md + b * dd + c * dl);
  s[o + MW] = m * (a * mw + b * dw + c * wl);
  s[o + ML] = a * ml + b * dl + c * ll;
  s[o + DD] = r * r * dd + 2 * backToFormula * kcalSd ** 2;
  s[o + DW] = r * m * dw;
  s[o + DL] = r * dl;
  s[o + WW] = m * m * ww + way.water ** 2 * (1 - m * m);
  s[o + WL] = m * wl;
  s[o + LL] = ll + levelKcal ** 2;
}

/** The expenditure of the day over all ways, each by its weight, with what digesting takes. */
function mixed(s: BalanceState, firstKg: number, digesting: number): Measured {
  let best = -Infinity;
  for (let o = 0; o < stored; o += size) best = Math.max(best, s[o + LOG]!);
  let [sum, kcal, square] = [0, 0, 0];
  const k = kcalPerKgDay;
  for (let o = 0; o < stored; o += size) {
    const weight = Math.exp(s[o + LOG]! - best);
    const mean = s[o + D]! + digesting + k * (s[o + M]! - firstKg);
    sum += weight;
    kcal += weight * mean;
    square += weight * (mean * mean + s[o + DD]! + 2 * k * s[o + MD]! + k * k * s[o + MM]!);
  }
  kcal /= sum;
  return { kcal, sd: Math.sqrt(Math.max(0, square / sum - kcal * kcal)) };
}
