/**
 * A time-invariant linear Gaussian model with one observation a step: y = Z·x + ε, ε ~ N(0, R);  x′ = T·x + η, η ~ N(0,
 * Q). Matrices are rows one after another.
 */
export interface StateSpace {
  size: number;
  transition: readonly number[];
  observation: readonly number[];
  stateNoise: readonly number[];
  observationVariance: number;
  /** Mean and covariance of the state at the first step, before its observation. */
  initialMean: readonly number[];
  initialCovariance: readonly number[];
}

/** What the filter knew at each step before (`predicted`) and after (`filtered`) seeing that step's observation. */
export interface Filtered {
  steps: number;
  predictedMean: Float64Array;
  predictedCovariance: Float64Array;
  filteredMean: Float64Array;
  filteredCovariance: Float64Array;
  /** Innovation (observed less predicted); NaN where nothing was observed. */
  innovation: Float64Array;
  /** Variance of the innovation, with the observation's own variance enlarged where it was taken for an error. */
  innovationVariance: Float64Array;
  /** Share of its usual weight an observation kept: 1 for a plain one, near 0 for a gross error. */
  weight: Float64Array;
  logLikelihood: number;
}

/**
 * Kalman filter with exact handling of missing observations (NaN).
 * @param robustLimit when given, an innovation beyond this many standard deviations has its observation variance
 *   enlarged until it stands exactly at the limit, so that the pull of a gross error fades the wilder it is
 * Source: Harvey 1989, ch. 3; Durbin & Koopman 2012, ch. 4.
 */
export function kalmanFilter(model: StateSpace, observations: ArrayLike<number>, robustLimit = Infinity): Filtered {
  return filter(model, observations, robustLimit, observations.length);
}

/** Log-likelihood of the observations alone: the filter without keeping its steps, for searching over variances. */
export function logLikelihood(model: StateSpace, observations: ArrayLike<number>, robustLimit = Infinity): number {
  return filter(model, observations, robustLimit, 0).logLikelihood;
}

/** @param steps how many steps to keep: all, or none */
function filter(model: StateSpace, observations: ArrayLike<number>, robustLimit: number, steps: number): Filtered {
  const { size: n, transition: T, observation: Z, stateNoise: Q } = model;
  const result: Filtered = {
    steps,
    predictedMean: new Float64Array(steps * n),
    predictedCovariance: new Float64Array(steps * n * n),
    filteredMean: new Float64Array(steps * n),
    filteredCovariance: new Float64Array(steps * n * n),
    innovation: new Float64Array(steps).fill(NaN),
    innovationVariance: new Float64Array(steps),
    weight: new Float64Array(steps).fill(1),
    logLikelihood: 0,
  };
  const mean = Float64Array.from(model.initialMean);
  const covariance = Float64Array.from(model.initialCovariance);
  const gain = new Float64Array(n);
  const scratch = new Float64Array(n * n);
  for (let t = 0; t < observations.length; t++) {
    if (t < steps) {
      result.predictedMean.set(mean, t * n);
      result.predictedCovariance.set(covariance, t * n * n);
    }
    const y = observations[t]!;
    if (!Number.isNaN(y)) {
      let predicted = 0;
      let stateVariance = 0;
      for (let i = 0; i < n; i++) {
        let sum = 0;
        for (let j = 0; j < n; j++) sum += covariance[i * n + j]! * Z[j]!;
        gain[i] = sum;
        predicted += Z[i]! * mean[i]!;
        stateVariance += Z[i]! * sum;
      }
      const v = y - predicted;
      const F = Math.max(stateVariance + model.observationVariance, (v / robustLimit) ** 2);
      if (t < steps) {
        result.innovation[t] = v;
        result.innovationVariance[t] = F;
        result.weight[t] = model.observationVariance / (F - stateVariance);
      }
      result.logLikelihood -= 0.5 * (Math.log(2 * Math.PI * F) + (v * v) / F);
      for (let i = 0; i < n; i++) {
        mean[i]! += (gain[i]! * v) / F;
        for (let j = 0; j < n; j++) covariance[i * n + j]! -= (gain[i]! * gain[j]!) / F;
      }
    }
    if (t < steps) {
      result.filteredMean.set(mean, t * n);
      result.filteredCovariance.set(covariance, t * n * n);
    }
    propagate(T, mean, covariance, Q, n, scratch);
  }
  return result;
}

/** Means and covariances of the state at each step given all observations. */
export interface Smoothed {
  mean: Float64Array;
  covariance: Float64Array;
}

/**
 * Fixed-interval smoother by backward recursion. Source: Durbin & Koopman 2012, section 4.4 (equal to
 * Rauch–Tung–Striebel).
 */
export function kalmanSmoother(model: StateSpace, filtered: Filtered): Smoothed {
  const { size: n, transition: T, observation: Z } = model;
  const mean = new Float64Array(filtered.steps * n);
  const covariance = new Float64Array(filtered.steps * n * n);
  let r = new Float64Array(n);
  let N = new Float64Array(n * n);
  for (let t = filtered.steps - 1; t >= 0; t--) {
    const P = filtered.predictedCovariance.subarray(t * n * n, (t + 1) * n * n);
    const v = filtered.innovation[t]!;
    const L = Float64Array.from(T);
    if (!Number.isNaN(v)) {
      const F = filtered.innovationVariance[t]!;
      // L = T (I − P Z Z′ / F)
      for (let i = 0; i < n; i++) {
        let tpz = 0;
        for (let k = 0; k < n; k++) for (let m = 0; m < n; m++) tpz += T[i * n + k]! * P[k * n + m]! * Z[m]!;
        for (let j = 0; j < n; j++) L[i * n + j]! -= (tpz * Z[j]!) / F;
      }
      r = transposeVector(L, r, n);
      N = congruence(L, N, n);
      for (let i = 0; i < n; i++) {
        r[i]! += (Z[i]! * v) / F;
        for (let j = 0; j < n; j++) N[i * n + j]! += (Z[i]! * Z[j]!) / F;
      }
    } else {
      r = transposeVector(L, r, n);
      N = congruence(L, N, n);
    }
    const PN = multiply(P, N, n);
    const PNP = multiply(PN, P, n);
    for (let i = 0; i < n; i++) {
      let sum = filtered.predictedMean[t * n + i]!;
      for (let j = 0; j < n; j++) sum += P[i * n + j]! * r[j]!;
      mean[t * n + i] = sum;
      for (let j = 0; j < n; j++) covariance[t * n * n + i * n + j] = P[i * n + j]! - PNP[i * n + j]!;
    }
  }
  return { mean, covariance };
}

/** One step forward without an observation: mean and covariance become those of the next state. */
export function stepForward(model: StateSpace, mean: Float64Array, covariance: Float64Array): void {
  propagate(model.transition, mean, covariance, model.stateNoise, model.size, new Float64Array(model.size ** 2));
}

function multiply(A: ArrayLike<number>, B: ArrayLike<number>, n: number): Float64Array<ArrayBuffer> {
  const C = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < n; k++) {
      const a = A[i * n + k]!;
      if (a !== 0) for (let j = 0; j < n; j++) C[i * n + j]! += a * B[k * n + j]!;
    }
  }
  return C;
}

function transpose(A: ArrayLike<number>, n: number): Float64Array {
  const B = new Float64Array(n * n);
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) B[j * n + i] = A[i * n + j]!;
  return B;
}

function transposeVector(A: ArrayLike<number>, x: ArrayLike<number>, n: number): Float64Array<ArrayBuffer> {
  const y = new Float64Array(n);
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) y[j]! += A[i * n + j]! * x[i]!;
  return y;
}

/** L′ N L */
function congruence(L: ArrayLike<number>, N: ArrayLike<number>, n: number): Float64Array<ArrayBuffer> {
  return multiply(transpose(L, n), multiply(N, L, n), n);
}

/** In place: x becomes T x, P becomes T P T′ + Q. The filter spends its time here, so nothing is allocated. */
function propagate(
  T: ArrayLike<number>,
  x: Float64Array,
  P: Float64Array,
  Q: ArrayLike<number>,
  n: number,
  scratch: Float64Array,
): void {
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let k = 0; k < n; k++) sum += T[i * n + k]! * x[k]!;
    scratch[i] = sum;
  }
  for (let i = 0; i < n; i++) x[i] = scratch[i]!;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      let sum = 0;
      for (let k = 0; k < n; k++) sum += T[i * n + k]! * P[k * n + j]!;
      scratch[i * n + j] = sum;
    }
  }
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      let sum = Q[i * n + j]!;
      for (let k = 0; k < n; k++) sum += scratch[i * n + k]! * T[j * n + k]!;
      P[i * n + j] = sum;
    }
  }
}
