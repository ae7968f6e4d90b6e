import { maximumFactor } from "@/core/strength/e1rm";
import type { CurveSet, CurveTest } from "@/core/strength/repCurve";

/**
 * The same linear Gaussian model as the repetition curve, with its whole covariance written out and solved at once:
 * strength at the first day (prior spread 1), its wander, each day's form and each set's own error make one normal
 * vector; the steepness is estimated against it.
 */
export function multivariateLeastSquares(
  sets: readonly CurveSet[],
  tests: readonly CurveTest[],
  on: number,
): { mean: number; sd: number } {
  const fall = (reps: number) => Math.log(maximumFactor("mean", reps));
  const slope = (reps: number) => {
    const [low, high] = [Math.max(1, reps - 0.5), Math.min(20, reps + 0.5)];
    return (fall(high) - fall(low)) / (high - low);
  };
  const seen = [
    ...sets.map(({ day, totalKg, repsToFailure, reserve }) => ({
      day,
      y: Math.log(totalKg),
      x: -fall(repsToFailure),
      own: (0.02 ** 2 + (slope(repsToFailure) * (0.5 + 0.25 * reserve)) ** 2) * 2 ** ((on - day) / 365),
    })),
    ...tests.map(({ day, totalKg }) => ({
      day,
      y: Math.log(totalKg),
      x: 0,
      own: 0.02 ** 2 * Math.exp((on - day) / 90),
    })),
  ].sort((a, b) => a.day - b.day);
  const first = seen[0]!.day;
  const cov = seen.map((a, i) =>
    seen.map(
      (b, j) =>
        1 + 0.004 ** 2 * (Math.min(a.day, b.day) - first) + (a.day === b.day ? 0.02 ** 2 : 0) + (i === j ? a.own : 0),
    ),
  );
  // Strength's prior mean is the first load; the steepness has prior 1 ± 0.25.
  const residual = seen.map(({ y, x }) => y - seen[0]!.y - x);
  const [solvedX, solvedR] = [
    solve(
      cov,
      seen.map(({ x }) => x),
    ),
    solve(cov, residual),
  ];
  const precision = seen.reduce((sum, { x }, i) => sum + x * solvedX[i]!, 0) + 1 / 0.25 ** 2;
  return {
    mean: 1 + seen.reduce((sum, { x }, i) => sum + x * solvedR[i]!, 0) / precision,
    sd: 1 / Math.sqrt(precision),
  };
}

/** Solves a symmetric positive definite system by Gaussian elimination with pivots. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const rows = matrix.map((row, index) => [...row, right[index]!]);
  for (let at = 0; at < rows.length; at++) {
    const pivot = rows.reduce(
      (best, row, index) => (index >= at && Math.abs(row[at]!) > Math.abs(rows[best]![at]!) ? index : best),
      at,
    );
    [rows[at], rows[pivot]] = [rows[pivot]!, rows[at]!];
    for (let below = at + 1; below < rows.length; below++) {
      const share = rows[below]![at]! / rows[at]![at]!;
      for (let column = at; column <= rows.length; column++) rows[below]![column]! -= share * rows[at]![column]!;
    }
  }
  const solution = Array<number>(rows.length).fill(0);
  for (let at = rows.length - 1; at >= 0; at--)
    solution[at] =
      (rows[at]![rows.length]! -
        rows[at]!.slice(at + 1, rows.length).reduce(
          (sum, value, index) => sum + value * solution[at + 1 + index]!,
          0,
        )) /
      rows[at]![at]!;
  return solution;
}
