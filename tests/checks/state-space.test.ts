// Sources: the Nile series (R's data set `Nile`, Cobb 1978, Biometrika 65:243), the worked example of Durbin & Koopman,
// Time Series
// Analysis by State Space Methods, 2nd ed., ch. 2: maximum-likelihood variances 15098.6 and 1469.15. Smoothed columns
// made with
// R 4.2's StructTS and KalmanSmooth. General library: `kalman-filter` from the registry, same model. Least squares: the
// smoother of a
// Gaussian model is the solution of its normal equations, solved here by plain elimination.
import { minimise } from "@/core/base/numeric/minimise";
import { carryForward, fading } from "@/core/body/projection";
import { fitOf, weightModel, weightTrend } from "@/core/body/trend";
import { smoothWeights, weightLikelihood, type WeightModel } from "@/core/body/weightFilter";
import { Random } from "@/demo/random";
import fc from "fast-check";
import { KalmanFilter, State } from "kalman-filter";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { kalmanFilter, kalmanSmoother, logLikelihood, type StateSpace, stepForward } from "./generalStateSpace";

function columns(file: string): Record<string, number[]> {
  const [head = "", ...lines] = readFileSync(new URL(file, import.meta.url), "utf8")
    .trim()
    .split("\n");
  const names = head.replaceAll('"', "").split(",");
  return Object.fromEntries(
    names.map((name, index) => [
      name,
      lines.map((line) => {
        const cell = line.split(",")[index]!;
        return cell === "" ? NaN : Number(cell);
      }),
    ]),
  );
}

const localLevel = (level: number, noise: number, start: number, spread: number): StateSpace => ({
  size: 1,
  transition: [1],
  observation: [1],
  stateNoise: [level],
  observationVariance: noise,
  initialMean: [start],
  initialCovariance: [spread],
});

describe("the Nile, local level", () => {
  const nile = columns("nile-level.csv");
  it("smooths as R does", () => {
    const model = localLevel(1469.147, 15098.58, 1120, 1e9);
    const smoothed = kalmanSmoother(model, kalmanFilter(model, nile.flow!));
    nile.level!.forEach((level, t) => {
      expect(Math.abs(smoothed.mean[t]! / level - 1)).toBeLessThan(1e-6);
      expect(Math.abs(Math.sqrt(smoothed.covariance[t]!) / nile.sd![t]! - 1)).toBeLessThan(1e-6);
    });
  });
  it("finds the published maximum-likelihood variances", () => {
    const cost = ([a, b]: readonly number[]) =>
      -logLikelihood(localLevel(Math.exp(a!), Math.exp(b!), 0, 1e7), nile.flow!);
    const [level, noise] = minimise(cost, [7, 9], 0.5, 400).map(Math.exp) as [number, number];
    expect(Math.abs(noise / 15098.6 - 1)).toBeLessThan(0.002);
    expect(Math.abs(level / 1469.15 - 1)).toBeLessThan(0.005);
  });
});

describe("the Nile with gaps, local linear trend", () => {
  it("smooths level and slope as R does, through twenty missing years", () => {
    const nile = columns("nile-trend-gaps.csv");
    const model: StateSpace = {
      size: 2,
      transition: [1, 1, 0, 1],
      observation: [1, 0],
      stateNoise: [1469, 0, 0, 12],
      observationVariance: 15099,
      initialMean: [1120, 0],
      initialCovariance: [1e7, 0, 0, 1e4],
    };
    const smoothed = kalmanSmoother(model, kalmanFilter(model, nile.flow!));
    nile.level!.forEach((level, t) => {
      expect(smoothed.mean[t * 2]!).toBeCloseTo(level, 7);
      expect(smoothed.mean[t * 2 + 1]!).toBeCloseTo(nile.slope![t]!, 7);
      expect(Math.sqrt(smoothed.covariance[t * 4]!)).toBeCloseTo(nile.sdLevel![t]!, 6);
      expect(Math.sqrt(smoothed.covariance[t * 4 + 3]!)).toBeCloseTo(nile.sdSlope![t]!, 6);
    });
  });
});

/** The weight model in matrices. */
function general(model: WeightModel): StateSpace {
  const { damping, memory, start } = model;
  return {
    size: 3,
    transition: [1, 1, 0, 0, damping, 0, 0, 0, memory],
    observation: [1, 0, 1],
    stateNoise: [model.levelVariance, 0, 0, 0, model.slopeVariance, 0, 0, 0, model.waterVariance],
    observationVariance: model.scaleVariance,
    initialMean: [start.level, start.slope, start.water],
    initialCovariance: [
      start.levelLevel,
      start.levelSlope,
      start.levelWater,
      start.levelSlope,
      start.slopeSlope,
      start.slopeWater,
      start.levelWater,
      start.slopeWater,
      start.waterWater,
    ],
  };
}

const square = (flat: readonly number[]) => [0, 1, 2].map((i) => flat.slice(i * 3, (i + 1) * 3));
/** A model of three parts as the general library takes it, and its state before the first weight. */
const libraryOf = (model: StateSpace) =>
  new KalmanFilter({
    observation: { dimension: 1, stateProjection: [[...model.observation]], covariance: [[model.observationVariance]] },
    dynamic: {
      dimension: 3,
      transition: square(model.transition),
      covariance: square(model.stateNoise),
      init: { mean: model.initialMean.map((value) => [value]), covariance: square(model.initialCovariance), index: -1 },
    },
  });
const startOfLibrary = (model: StateSpace) =>
  new State({ mean: model.initialMean.map((value) => [value]), covariance: square(model.initialCovariance), index: 0 });

/** Equal but for rounding, whatever the size of the numbers. */
const near = (value: number | undefined, wanted: number) =>
  expect(Math.abs(value! - wanted) / (1 + Math.abs(wanted))).toBeLessThan(1e-8);

describe("the weight filter, written out for its three parts", () => {
  it("is the general filter and smoother, whatever the scatter, the gaps and the errors", () => {
    const positive = fc.double({ min: 0.002, max: 1, noNaN: true });
    const scatters = fc.record({
      scale: positive,
      water: positive,
      memory: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      level: positive,
      slope: fc.double({ min: 0.0005, max: 0.05, noNaN: true }),
    });
    const mornings = fc.array(
      fc.oneof(
        { weight: 3, arbitrary: fc.double({ min: 60, max: 90, noNaN: true }) },
        { weight: 1, arbitrary: fc.constant(NaN) },
      ),
      { minLength: 1, maxLength: 60 },
    );
    fc.assert(
      fc.property(scatters, mornings, fc.constantFrom(3, Infinity), (scatter, values, limit) => {
        const weights = Float64Array.from(values);
        const model = weightModel(scatter, 75);
        const [written, reference] = [
          smoothWeights(model, weights, limit),
          kalmanFilter(general(model), weights, limit),
        ];
        const whole = kalmanSmoother(general(model), reference);
        near(weightLikelihood(model, weights, limit), logLikelihood(general(model), weights, limit));
        for (let t = 0; t < weights.length; t++) {
          near(written.filtered[t], reference.filteredMean[t * 3]!);
          near(written.weight[t], reference.weight[t]!);
          near(written.level[t], whole.mean[t * 3]!);
          near(written.slope[t], whole.mean[t * 3 + 1]!);
          near(written.levelVariance[t], whole.covariance[t * 9]!);
          near(written.slopeVariance[t], whole.covariance[t * 9 + 4]!);
        }
      }),
      { numRuns: 150 },
    );
  });
  it("is carried forward as the general one, a change of pace to come being a part of its own that fades", () => {
    const weighed = Array.from({ length: 60 }, (_, index) => ({
      day: 20_000 + index,
      kg: 80 - 0.05 * index + 0.4 * Math.sin(index * 7),
      id: String(index),
    }));
    const trend = weightTrend(weighed);
    const { model, end, last } = trend;
    const ahead = {
      ...general(model),
      transition: [1, 1, 1, 0, model.damping, 0, 0, 0, fading],
      stateNoise: [model.levelVariance, 0, 0, 0, 0, 0, 0, 0, model.slopeVariance],
    };
    const mean = Float64Array.from([end.level, end.slope, 0]);
    const covariance = Float64Array.from([
      end.levelLevel,
      end.levelSlope,
      0,
      end.levelSlope,
      end.slopeSlope,
      0,
      0,
      0,
      0,
    ]);
    const course = carryForward(trend, last + 200);
    expect(course).toHaveLength(200);
    for (const { kg, sd, kgPerWeek } of course) {
      stepForward(ahead, mean, covariance);
      near(kg, mean[0]!);
      near(kgPerWeek, mean[1]! * 7);
      near(sd ** 2, covariance[0]!);
    }
  });
  it("takes under 5 ms for twenty years of mornings with its smoother, a hundredth of the general library's filter, and its fit under 100 ms", () => {
    const days = 7300;
    const random = new Random(20);
    const weighed = Array.from({ length: days }, (_, index) => ({
      day: 20_000 + index,
      kg: 80 + 3 * Math.sin(index / 300) + random.normal(0.4),
      id: String(index),
    }));
    const weights = Float64Array.from(weighed, ({ kg }) => kg);
    const model = weightModel({ scale: 0.2, water: 0.35, memory: 0.5, level: 0.02, slope: 0.003 }, 80);
    const best = (rounds: number, work: () => void) =>
      Math.min(
        ...Array.from({ length: rounds }, () => {
          const start = performance.now();
          work();
          return performance.now() - start;
        }),
      );
    const ours = best(30, () => smoothWeights(model, weights, 3));
    const fit = best(5, () => fitOf(weighed));
    const theirs = best(1, () => {
      const library = libraryOf(general(model));
      let previous = library.correct({ predicted: startOfLibrary(general(model)), observation: [[weights[0]!]] });
      for (let t = 1; t < days; t++)
        previous = library.correct({
          predicted: library.predict({ previousCorrected: previous, index: t }),
          observation: [[weights[t]!]],
        });
      expect(previous.mean[0]![0]).toBeCloseTo(smoothWeights(model, weights).filtered[days - 1]!, 6);
    });
    if (process.env.REPORT)
      console.info(
        `filter and smoother ${ours.toFixed(2)} ms, fit ${fit.toFixed(1)} ms, the general library's filter ${theirs.toFixed(0)} ms`,
      );
    expect(ours).toBeLessThan(5);
    expect(fit).toBeLessThan(100);
    expect(ours).toBeLessThan(theirs / 40);
  });
});

describe("the weight model in matrices", () => {
  const weights = [72.8, 72.9, NaN, 72.2, 72.7, 72.1, NaN, NaN, 72.5, 72.3, 72.8, 71.8, 72.5, 72.0, 71.8];
  const model = general(weightModel({ scale: 0.25, water: 0.35, memory: 0.5, level: 0.02, slope: 0.005 }, 72.7));
  const filtered = kalmanFilter(model, weights);
  const smoothed = kalmanSmoother(model, filtered);

  it("filters as a general Kalman library does", () => {
    const n = 3;
    const library = libraryOf(model);
    let previous: State | null = null;
    weights.forEach((kg, t) => {
      const predicted =
        previous === null ? startOfLibrary(model) : library.predict({ previousCorrected: previous, index: t });
      previous = Number.isNaN(kg) ? predicted : library.correct({ predicted, observation: [[kg]] });
      previous!.mean.forEach((row: number[], i: number) =>
        expect(filtered.filteredMean[t * n + i]!).toBeCloseTo(row[0]!, 8),
      );
      previous!.covariance.forEach((row: number[], i: number) =>
        row.forEach((value, j) => expect(filtered.filteredCovariance[t * 9 + i * n + j]!).toBeCloseTo(value, 8)),
      );
    });
  });

  it("smooths to the least-squares solution of its own equations", () => {
    const n = 3;
    const size = weights.length * n;
    const A = Array.from({ length: size }, () => new Array<number>(size + 1).fill(0));
    const add = (coefficients: [number, number][], value: number, variance: number) => {
      for (const [i, a] of coefficients) {
        for (const [j, b] of coefficients) A[i]![j]! += (a * b) / variance;
        A[i]![size]! += (a * value) / variance;
      }
    };
    model.initialMean.forEach((value, i) => add([[i, 1]], value, model.initialCovariance[i * n + i]!));
    weights.forEach((kg, t) => {
      if (!Number.isNaN(kg))
        add(
          [
            [t * n, 1],
            [t * n + 2, 1],
          ],
          kg,
          model.observationVariance,
        );
      if (t === 0) return;
      for (let i = 0; i < n; i++) {
        const coefficients: [number, number][] = [[t * n + i, 1]];
        for (let j = 0; j < n; j++)
          if (model.transition[i * n + j] !== 0) coefficients.push([(t - 1) * n + j, -model.transition[i * n + j]!]);
        add(coefficients, 0, model.stateNoise[i * n + i]!);
      }
    });
    solve(A).forEach((value, i) => expect(smoothed.mean[i]!).toBeCloseTo(value, 6));
  });
});

function solve(A: number[][]): number[] {
  const size = A.length;
  for (let i = 0; i < size; i++) {
    const pivot = A[i]![i]!;
    for (let k = i + 1; k < size; k++) {
      const factor = A[k]![i]! / pivot;
      if (factor !== 0) for (let j = i; j <= size; j++) A[k]![j]! -= factor * A[i]![j]!;
    }
  }
  const x = new Array<number>(size).fill(0);
  for (let i = size - 1; i >= 0; i--) {
    let sum = A[i]![size]!;
    for (let j = i + 1; j < size; j++) sum -= A[i]![j]! * x[j]!;
    x[i] = sum / A[i]![i]!;
  }
  return x;
}
