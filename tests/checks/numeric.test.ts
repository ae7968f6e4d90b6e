import { describe, expect, it } from "vitest";
import { minimise } from "@/core/base/numeric/minimise";
import { normalCdf } from "@/core/base/numeric/normal";
import { leastSquares } from "@/core/base/numeric/regression";

describe("least squares", () => {
  // Anscombe 1973, Graphs in statistical analysis, The American Statistician 27:17, set 1; estimates from memory.
  const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
  const y = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
  const rows = x.map((value, index) => ({ y: y[index]!, x: [1, value], variance: 1 }));

  it("finds the line of Anscombe's first set, and how sure it is", () => {
    const { coefficients, covariance } = leastSquares(rows)!;
    expect(coefficients[0]).toBeCloseTo(3.0001, 4);
    expect(coefficients[1]).toBeCloseTo(0.5001, 4);
    expect(Math.sqrt(covariance[0]![0]!)).toBeCloseTo(1.1247, 4);
    expect(Math.sqrt(covariance[1]![1]!)).toBeCloseTo(0.1179, 4);
    expect(covariance[0]![1]).toBeCloseTo(covariance[1]![0]!, 12);
  });

  it("weighs an observation by its variance: one of half the variance counts as two", () => {
    const doubled = leastSquares([...rows, rows[2]!])!;
    const weighted = leastSquares(rows.map((row, index) => (index === 2 ? { ...row, variance: 0.5 } : row)))!;
    expect(weighted.coefficients[0]).toBeCloseTo(doubled.coefficients[0]!, 10);
    expect(weighted.coefficients[1]).toBeCloseTo(doubled.coefficients[1]!, 10);
  });

  it("tells regressors apart by their own size: large ones that differ by a hair are the same", () => {
    const near = (share: number) =>
      leastSquares(rows.map((row, index) => ({ ...row, x: [1e6 * row.x[1]!, 1e6 * row.x[1]! + (index % 2) * share] })));
    expect(near(1e-3)).toBeNull();
    expect(near(1e6)).not.toBeNull();
  });

  it("has no answer where the regressors cannot be told apart, or there are too few observations", () => {
    expect(leastSquares(rows.map((row) => ({ ...row, x: [row.x[1]!, 2 * row.x[1]!] })))).toBeNull();
    expect(leastSquares(rows.slice(0, 2))).toBeNull();
    expect(leastSquares(rows.slice(0, 3))).not.toBeNull();
    expect(leastSquares([])).toBeNull();
  });
});

describe("the least of a function", () => {
  // Rosenbrock 1960, An automatic method for finding the greatest or least value of a function, from its own start.
  const valley = ([a, b]: readonly number[]) => 100 * (b! - a! ** 2) ** 2 + (1 - a!) ** 2;

  it("is found at the end of Rosenbrock's valley", () => {
    const [a, b] = minimise(valley, [-1.2, 1], 0.5, 400, 1e-14);
    expect(a).toBeCloseTo(1, 4);
    expect(b).toBeCloseTo(1, 4);
  });

  it("is found in three dimensions, and in one", () => {
    const bowl = (point: readonly number[]) =>
      point.reduce((sum, one, axis) => sum + (axis + 1) * (one - axis) ** 2, 0);
    minimise(bowl, [5, -3, 8], 1, 500, 1e-14).forEach((one, axis) => expect(one).toBeCloseTo(axis, 5));
    expect(minimise(([one]) => (one! - 7) ** 2, [0], 1, 200, 1e-14)[0]).toBeCloseTo(7, 5);
  });

  it("ends after so many rounds, and as soon as its costs are alike", () => {
    const calls = (rounds: number, tolerance: number) => {
      let count = 0;
      minimise((point) => ((count += 1), valley(point)), [-1.2, 1], 0.5, rounds, tolerance);
      return count;
    };
    expect(calls(0, 1e-9)).toBe(3);
    expect(calls(10, 1e-9)).toBeLessThan(calls(20, 1e-9));
    expect(calls(400, 1e-3)).toBeLessThan(calls(400, 1e-12));
  });
});

it("the normal distribution's share below a value is that of the standard table", () => {
  // Table of the standard normal distribution, four places (any statistics handbook; from memory).
  for (const [z, share] of [
    [0, 0.5],
    [0.5, 0.6915],
    [1, 0.8413],
    [1.2816, 0.9],
    [1.6449, 0.95],
    [1.96, 0.975],
    [2.5758, 0.995],
    [3, 0.9987],
  ] as const) {
    expect(normalCdf(z)).toBeCloseTo(share, 4);
    expect(normalCdf(-z)).toBeCloseTo(1 - share, 4);
  }
});
