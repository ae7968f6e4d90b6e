/**
 * Probability that a standard normal variable is at most z, to about 1e-15: a Taylor series near the middle, a
 * continued fraction in the tails. Source: the expansions 26.2.11 and 26.2.14 of Abramowitz & Stegun, Handbook of
 * Mathematical Functions.
 */
export function normalCdf(z: number): number {
  if (Number.isNaN(z)) return NaN;
  const size = Math.abs(z);
  if (size > 38) return z > 0 ? 1 : 0;
  const density = Math.exp((-size * size) / 2) / Math.sqrt(2 * Math.PI);
  if (size < 3.5) {
    let term = size;
    let sum = size;
    for (let odd = 3; Math.abs(term) > 1e-17 * sum; odd += 2) {
      term *= (size * size) / odd;
      sum += term;
    }
    return z > 0 ? 0.5 + density * sum : 0.5 - density * sum;
  }
  let fraction = size;
  for (let k = 120; k >= 1; k--) fraction = size + k / fraction;
  return z > 0 ? 1 - density / fraction : density / fraction;
}
