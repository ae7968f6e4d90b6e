// Sources: the definition of generalised least squares, worked with the whole covariance of the mornings (nothing of
// the filter in it); the
// table of χ² of Abramowitz & Stegun, Handbook of Mathematical Functions, table 26.8; simple-statistics (registry) for
// a straight line; and
// simulation with effects that are known.
import { type Day, weekdayOf } from "@/core/base/calendar/day";
import { inverseOf, leastSquares } from "@/core/base/numeric/regression";
import { type Scatter, startOf, type Trend, weightModel, weightTrend } from "@/core/body/trend";
import {
  afterTraining,
  chiSquaredAbove6,
  effectMornings,
  weekdayEffects,
  weekdayMeans,
  type WhiteMornings,
  whitened,
} from "@/core/body/weekday";
import type { Weighed } from "@/core/body/weighIns";
import { Random } from "@/demo/random";
import { linearRegression } from "simple-statistics";
import { describe, expect, it } from "vitest";

const shape = [0.25, 0.1, -0.05, -0.2, -0.3, -0.1, 0.3];
const scatter: Scatter = { scale: 0.2, water: 0.3, memory: 0.5, level: 0.02, slope: 0.004 };

/** Mornings of the model itself, weekday effects put on top, some missed. */
function mornings(
  seed: number,
  days: number,
  effects: readonly number[],
  afterTraining = 0,
  trained: (day: Day) => boolean = () => false,
) {
  const random = new Random(seed);
  let [level, slope, water] = [78, -0.03, 0];
  return Array.from({ length: days }, (_, index) => {
    const day = 20_000 + index;
    level += slope + random.normal(scatter.level);
    slope = 0.998 * slope + random.normal(scatter.slope);
    water = scatter.memory * water + random.normal(scatter.water * Math.sqrt(1 - scatter.memory ** 2));
    const kg =
      level +
      water +
      random.normal(scatter.scale) +
      effects[weekdayOf(day) - 1]! +
      (trained(day - 1) ? afterTraining : 0);
    return { day, kg, id: String(day), missed: random.chance(0.12) };
  }).filter(({ missed }) => !missed);
}

/** What is said of the plain mornings, or why nothing is. */
function onMornings<T>(
  trend: Trend | null,
  weighed: Weighed[],
  say: (white: WhiteMornings) => T,
): T | { reason: string } {
  const plain = effectMornings(trend, weighed, []);
  return "reason" in plain ? plain : say(whitened(plain));
}

const told = <T extends object>(result: T | { reason: string }): T => {
  if ("reason" in result) throw new Error(result.reason as string);
  return result;
};

/** Generalised least squares by the book: the covariance of all mornings written out from the model, and inverted. */
function byTheBook(
  weighed: { day: Day; kg: number }[],
  regressors: (day: Day) => number[],
): { coefficients: number[]; covariance: number[][] } {
  const { start, damping, memory, levelVariance, slopeVariance, waterVariance, scaleVariance } = weightModel(
    scatter,
    startOf(weighed.map((one) => ({ ...one, id: "" }))),
  );
  const n = weighed.length;
  const first = weighed[0]!.day;
  // What each disturbance adds to the morning t days later: a slope's lasts as a sum of its damping.
  const fromSlope = (t: number) => (1 - damping ** t) / (1 - damping);
  const covariance = weighed.map(({ day: a }, i) =>
    weighed.map(({ day: b }, j) => {
      const [s, t] = [Math.min(a, b) - first, Math.max(a, b) - first];
      let sum =
        start.levelLevel +
        start.slopeSlope * fromSlope(s) * fromSlope(t) +
        start.waterWater * memory ** (s + t) +
        (i === j ? scaleVariance : 0);
      for (let k = 1; k <= s; k++)
        sum +=
          levelVariance +
          slopeVariance * fromSlope(s - k) * fromSlope(t - k) +
          waterVariance * memory ** (s - k + t - k);
      return sum;
    }),
  );
  const inverse = inverseOf(covariance)!;
  const y = weighed.map(({ kg }) => kg - start.level);
  const x = weighed.map(({ day }) => regressors(day));
  const times = (left: number[], right: number[]) =>
    left.reduce((sum, value, i) => sum + value * inverse[i]!.reduce((inner, one, j) => inner + one * right[j]!, 0), 0);
  const column = (index: number) => x.map((row) => row[index]!);
  const size = x[0]!.length;
  const moments = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (__, j) => times(column(i), column(j))),
  );
  const back = inverseOf(moments)!;
  const coefficients = back.map((row) => row.reduce((sum, value, i) => sum + value * times(column(i), y), 0));
  const left = y.map((value, row) => value - x[row]!.reduce((sum, one, i) => sum + one * coefficients[i]!, 0));
  const scale = times(left, left) / (n - size);
  return { coefficients, covariance: back.map((row) => row.map((value) => value * scale)) };
}

describe("weekday effects on weight", () => {
  it("are those of generalised least squares written out in full", () => {
    const weighed = mornings(4, 91, shape);
    const trend = weightTrend(weighed, [], { scatter, fittedOn: 0 });
    expect(Math.min(...weighed.map(({ day }) => trend.weight[day - trend.first]!))).toBeGreaterThan(0.999);
    const { effects } = told(onMornings(trend, weighed, weekdayEffects));
    const book = byTheBook(weighed, (day) =>
      [1, 2, 3, 4, 5, 6].map((one) => (weekdayOf(day) === 7 ? -1 : Number(weekdayOf(day) === one))),
    );
    for (let index = 0; index < 6; index++) {
      expect(effects[index]!.effect).toBeCloseTo(book.coefficients[index]!, 8);
      // Away from none the interval is that of the estimate; towards none it reaches farther, since effects are shown
      // only when they stand out.
      const { effect, low80, high80 } = effects[index]!;
      const half = 1.2815515655446004 * Math.sqrt(book.covariance[index]![index]!);
      expect(effect > 0 ? high80 - effect : effect - low80).toBeCloseTo(half, 8);
      expect(effect > 0 ? effect - low80 : high80 - effect).toBeGreaterThan(half);
    }
    expect(effects[6]!.effect).toBeCloseTo(-book.coefficients.reduce((sum, one) => sum + one, 0), 8);
    expect(effects.reduce((sum, { effect }) => sum + effect, 0)).toBeCloseTo(0, 10);
    expect(effects.reduce((sum, { days }) => sum + days, 0)).toBe(weighed.length);
  });

  it("hold the truth in their 80 % intervals about four times in five, and show an effect where there is none about once in twenty", () => {
    let inside = 0;
    let total = 0;
    let shown = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const weighed = mornings(seed, 200, shape);
      const { effects } = told(onMornings(weightTrend(weighed), weighed, weekdayEffects));
      for (const { weekday, low80, high80 } of effects) {
        const truth = shape[weekday - 1]!;
        inside += Number(low80 <= truth && truth <= high80);
        total += 1;
      }
      const plain = mornings(seed + 1000, 200, [0, 0, 0, 0, 0, 0, 0]);
      shown += Number(!("reason" in onMornings(weightTrend(plain), plain, weekdayEffects)));
    }
    expect(inside / total).toBeGreaterThan(0.74);
    expect(inside / total).toBeLessThan(0.86);
    expect(shown).toBeLessThan(22);
  });

  it("of the morning after training are told apart from those of the weekday", () => {
    let inside = 0;
    let sum = 0;
    for (let seed = 1; seed <= 100; seed++) {
      const random = new Random(seed + 500);
      const days = new Set(
        Array.from({ length: 201 }, (_, index) => 19_999 + index).filter((day) =>
          random.chance(weekdayOf(day) < 6 ? 0.6 : 0.1),
        ),
      );
      const weighed = mornings(seed, 200, shape, 0.25, (day) => days.has(day));
      const {
        effect,
        low80,
        high80,
        afterTraining: after,
        afterRest,
      } = told(onMornings(weightTrend(weighed), weighed, (white) => afterTraining(white, (day) => days.has(day))));
      inside += Number(low80 <= 0.25 && 0.25 <= high80);
      sum += effect;
      expect(after + afterRest).toBeLessThanOrEqual(weighed.length);
      expect(after + afterRest).toBeGreaterThan(0.95 * weighed.length);
    }
    expect(sum / 100).toBeCloseTo(0.25, 1);
    expect(inside).toBeGreaterThanOrEqual(70);
    expect(inside).toBeLessThanOrEqual(90);
  });

  it("are withheld below eight weeks, where a weekday is missing, and where training always falls on the same days", () => {
    const short = mornings(1, 55, shape);
    expect(onMornings(weightTrend(short), short, weekdayEffects)).toEqual({
      reason: "weekday effects need eight weeks of days",
    });
    const noSundays = mornings(1, 120, shape).filter(({ day }) => weekdayOf(day) !== 7);
    expect(onMornings(weightTrend(noSundays), noSundays, weekdayEffects)).toEqual({
      reason: "each weekday must be there at least 4 times",
    });
    const whole = mornings(1, 120, shape);
    expect(
      onMornings(weightTrend(whole), whole, (white) => afterTraining(white, (day) => weekdayOf(day) === 1)),
    ).toMatchObject({ reason: expect.stringContaining("cannot be told apart") as string });
    expect(onMornings(null, [], weekdayEffects)).toEqual({ reason: "no weight is written" });
  });
});

describe("weekday means", () => {
  it("are differences from the mean of the seven days' means, by hand", () => {
    const values = Array.from({ length: 70 }, (_, index) => ({
      day: 20_000 + index,
      value: 2000 + 100 * weekdayOf(20_000 + index) + (index % 2 === 0 ? 30 : -30),
    }));
    for (const { weekday, effect } of told(weekdayMeans(values)).effects)
      expect(effect).toBeCloseTo(100 * (weekday - 4), 9);
  });
});

describe("the tools of the estimate", () => {
  it("χ² with six degrees of freedom as tabled", () => {
    for (const [x, probability] of [
      [5.34812, 0.5],
      [12.5916, 0.05],
      [16.8119, 0.01],
      [22.4577, 0.001],
    ] as const)
      expect(chiSquaredAbove6(x)).toBeCloseTo(probability, 5);
  });
  it("a straight line as a general library fits it", () => {
    const points = [
      [1, 2.1],
      [2, 3.9],
      [3, 6.2],
      [4, 7.8],
      [5, 10.1],
    ];
    const { m, b } = linearRegression(points);
    const fit = leastSquares(points.map(([x, y]) => ({ y: y!, x: [x!, 1], variance: 1 })))!;
    expect(fit.coefficients[0]).toBeCloseTo(m, 12);
    expect(fit.coefficients[1]).toBeCloseTo(b, 12);
    expect(leastSquares(points.map(([x, y]) => ({ y: y!, x: [x!, 2 * x!], variance: 1 })))).toBeNull();
  });
});
