/** Coefficients of a linear regression with their covariance, scaled by the mean square of what is left over. */
export interface Regression {
  coefficients: number[];
  covariance: number[][];
}

/** One observation: its value, its regressors, and the variance it has up to a common factor. */
export interface Observation {
  y: number;
  x: readonly number[];
  variance: number;
}

/**
 * Weighted least squares by the normal equations.
 * @returns null when the regressors cannot be told apart, or there are no more observations than regressors
 */
export function leastSquares(rows: readonly Observation[]): Regression | null {
  const size = rows[0]?.x.length ?? 0;
  if (rows.length <= size) return null;
  const moments = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  const right = new Array<number>(size).fill(0);
  for (const { y, x, variance } of rows)
    for (let i = 0; i < size; i++) {
      const share = x[i]! / variance;
      const row = moments[i]!;
      right[i]! += share * y;
      for (let j = 0; j < size; j++) row[j]! += share * x[j]!;
    }
  const inverse = inverseOf(moments);
  if (inverse === null) return null;
  const coefficients = inverse.map((row) => dot(row, right));
  const scatter =
    rows.reduce((sum, { y, x, variance }) => sum + (y - dot(x, coefficients)) ** 2 / variance, 0) /
    (rows.length - size);
  return { coefficients, covariance: inverse.map((row) => row.map((value) => value * scatter)) };
}

/**
 * Inverse of a symmetric positive definite matrix, by Gauss and Jordan with the largest pivot; null when it has none.
 */
export function inverseOf(matrix: readonly (readonly number[])[]): number[][] | null {
  const size = matrix.length;
  const work = matrix.map((row, index) => [
    ...row,
    ...Array.from({ length: size }, (_, column) => Number(column === index)),
  ]);
  const largest = Math.max(...matrix.flat().map(Math.abs));
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++)
      if (Math.abs(work[row]![column]!) > Math.abs(work[pivot]![column]!)) pivot = row;
    if (!(Math.abs(work[pivot]![column]!) > 1e-10 * largest)) return null;
    [work[column], work[pivot]] = [work[pivot]!, work[column]!];
    const scale = work[column]![column]!;
    work[column] = work[column]!.map((value) => value / scale);
    for (let row = 0; row < size; row++) {
      const factor = row === column ? 0 : work[row]![column]!;
      if (factor !== 0) work[row] = work[row]!.map((value, index) => value - factor * work[column]![index]!);
    }
  }
  return work.map((row) => row.slice(size));
}

export function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0;
  for (let index = 0; index < a.length; index++) sum += a[index]! * b[index]!;
  return sum;
}
