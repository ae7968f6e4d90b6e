import { dateOf, mustDay } from "../base/calendar/day";
import { concatMap } from "../base/calendar/groupBy";
import { printDate, printDay } from "../base/calendar/print";
import { counted, printNumber } from "../base/units/number";
import type { WorkingResult } from "../base/working";
import { weightOf } from "../body/slice";
import { z80 } from "../body/trend";
import type { AsOf } from "../log/asOf";
import { estimateMaximum, factorOf, formulaNames, formulas, maximumFactor, recordUpTo } from "./e1rm";
import { curveFactor, curveSets, estimateSpread } from "./repCurve";
import { bodyShare } from "./sets";
import { strengthOf } from "./slice";
import { liftWorkOf } from "./workSlice";

export function maximumWorking(asOf: AsOf, exerciseId: string, which: "best" | "latest"): WorkingResult {
  const standing = strengthOf(asOf).liftOf(exerciseId);
  const maximum = standing?.[which];
  if (!maximum)
    return {
      reason:
        "No set so far may stand for a maximum: it takes a working set of at most twelve repetitions to the limit.",
    };
  const p = asOf.printer;
  const { set, e1rmKg } = maximum;
  const { repsToFailure } = set;
  const share = bodyShare(set.exercise);
  const total = set.totalKg!;
  const formula = strengthOf(asOf).formula();
  const factor = strengthOf(asOf).factorFor(exerciseId);
  const curve = strengthOf(asOf).curveOf(exerciseId);
  const names = formula === "mean" || formula === "personal" ? formulaNames : [formula];
  const factors = names.map((name) => `${formulas[name].title} ${printNumber(maximumFactor(name, repsToFailure), 4)}`);
  const body = (share ?? 0) * (weightOf(asOf).on(set.day) ?? 0);
  const estimates = formulaNames.flatMap((name) => {
    const one = estimateMaximum(factorOf[name], total, set.reps, set.rpe);
    return "kg" in one ? [`${formulas[name].title} ${p.loadNumber(one.kg - body)}`] : [];
  });
  const spread = estimateSpread(curve, repsToFailure, set.rpe);
  return {
    title: `${set.exercise.name}, ${which} estimated maximum`,
    value: `${share === null ? "" : "+"}${p.mass(e1rmKg)}`,
    formula:
      formula === "mean"
        ? "load × mean of the seven formulas' factors"
        : formula === "personal"
          ? "load × (mean of the seven formulas' factors)^steepness"
          : formulas[formula].written,
    steps: [
      `repetitions to the limit = ${set.reps} done${set.rpe === null ? ", reserve unknown" : ` + ${printNumber(repsToFailure - set.reps, 1)} in reserve (RPE ${set.rpe})`} = ${printNumber(repsToFailure, 1)}`,
      ...(share === null
        ? []
        : [
            `total load = ${printNumber(share * 100, 0)} % of body weight ${p.massNumber(weightOf(asOf).on(set.day) ?? 0)} ${set.exercise.measure === "assisted-reps" ? "−" : "+"} ${p.load(set.typedKg)} = ${p.load(total)}`,
          ]),
      `factors: ${factors.join(", ")}`,
      ...(formula === "personal"
        ? [
            `${printNumber(maximumFactor("mean", repsToFailure), 4)}^${printNumber(curve.steepness, 3)} = ${printNumber(factor(repsToFailure), 4)}, from ${curve.sets} hard sets on ${counted(curve.days, "day")}`,
          ]
        : []),
      `${p.loadNumber(total)} × ${printNumber(factor(repsToFailure), 4)} = ${p.mass(total * factor(repsToFailure), 2)}${share === null ? "" : `, less the body's share: +${p.mass(e1rmKg, 2)}`}`,
      `each formula alone: ${estimates.join(", ")}`,
      `80 % interval: divided and multiplied by ${printNumber(spread, 3)}, ${p.massNumber((e1rmKg + body) / spread - body)} to ${p.mass((e1rmKg + body) * spread - body)}`,
    ],
    inputs: [
      {
        label: printDay(set.day),
        value: `${p.load(set.typedKg)} × ${set.reps}${set.rpe === null ? "" : ` at RPE ${set.rpe}`}`,
        date: dateOf(set.day),
      },
    ],
    assumptions: [
      set.rpe === null
        ? "The set is not rated: its repetitions count as done with an unknown reserve, so this is a lower bound."
        : "Reps in reserve = 10 − RPE (Helms et al. 2016).",
      "One repetition is the load itself; between one and two each formula is joined to it without a jump.",
      which === "latest"
        ? "Latest: the best eligible set of the last session that has one."
        : "Best: the highest of all eligible sets.",
      "The interval holds the day's form (2 %), the judged reserve, and what is not known of this lift's own curve; these are our judgement, narrowed by hard sets.",
    ],
    source: names.map((name) => formulas[name].source).join("; "),
    sureness:
      repsToFailure > recordUpTo
        ? `Rough: above ${counted(recordUpTo, "repetition")} the formulas part ways.`
        : "The formulas differ by as much as shown above; a tested single is surer.",
  };
}

/** How a lift's own relation of repetitions to load came to be. */
export function curveWorking(asOf: AsOf, exerciseId: string): WorkingResult {
  const exercise = strengthOf(asOf).exercises().get(exerciseId);
  if (exercise === undefined) return { reason: "That exercise is no longer in the log." };
  const { steepness, steepnessSd, sets, days, tests } = strengthOf(asOf).curveOf(exerciseId);
  const [own, common] = [curveFactor({ steepness }), factorOf.mean];
  return {
    title: `${exercise.name}, repetitions and load`,
    value: `steepness ${printNumber(steepness, 2)} ± ${printNumber(z80 * steepnessSd, 2)}`,
    formula: "load = strength of the day ÷ (mean of the seven formulas' factors)^steepness",
    steps: [
      `${sets} hard sets on ${counted(days, "day")}, ${tests} tested maxima`,
      ...[3, 5, 8, 10].map(
        (reps) =>
          `${counted(reps, "repetition")}: ${printNumber(100 / own(reps), 1)} % of the maximum, on the common curve ${printNumber(100 / common(reps), 1)} %`,
      ),
    ],
    inputs: concatMap(strengthOf(asOf).courseOf(exerciseId), ({ run }) => curveSets(run))
      .slice(-8)
      .reverse()
      .map(({ day, repsToFailure }) => ({
        label: printDay(day),
        value: `${printNumber(repsToFailure, repsToFailure % 1 === 0 ? 0 : 1)} to the limit`,
        date: dateOf(day),
      })),
    assumptions: [
      "Hard sets only: rated with at most three in reserve, failed, or for as many repetitions as possible. Of each day the best by load and repetitions.",
      "Strength wanders from day to day (0.4 %), and each day has its form (2 %). The steepness is drawn towards 1, the common curve, with a spread of 0.25 between people (our judgement). A set counts half after a year; a test fades over three months.",
      "Above 1: load falls faster with each repetition than for most.",
    ],
    source:
      "Linear Gaussian model in the logarithm of the load, by a Kalman filter; the common curve is the mean of the seven published formulas.",
    sureness: `With an 80 % interval; ${sets < 8 ? "so few hard sets say little, and the common curve rules" : "hard sets at both few and many repetitions narrow it most"}.`,
  };
}

export function volumeWorking(asOf: AsOf, weekStart: string): WorkingResult {
  const { volume } = liftWorkOf(asOf).ofWeek(mustDay(weekStart));
  if (volume.sets === 0) return { reason: "Nothing was lifted in that week." };
  const p = asOf.printer;
  const names = strengthOf(asOf).exercises();
  const lifts = Object.entries(volume.byExercise).sort(([, a], [, b]) => b.volumeLoadKg - a.volumeLoadKg);
  return {
    title: `Volume, week from ${printDate(weekStart)}`,
    value: `${p.volumeLoad(volume.volumeLoadKg)}, ${volume.numberOfLifts} lifts`,
    formula:
      "volume load = Σ reps × total load;  number of lifts = Σ reps;  intensity = Σ(reps × load ÷ maximum in force) ÷ Σ reps",
    steps: [
      ...lifts.map(
        ([id, { volumeLoadKg, numberOfLifts, sets }]) =>
          `${names.get(id)?.name ?? id}: ${counted(sets, "set")}, ${numberOfLifts} lifts, ${p.volumeLoad(volumeLoadKg)}`,
      ),
      volume.averageIntensity === null
        ? "No lift of the week has a maximum."
        : `average intensity ${p.percent(volume.averageIntensity)} of the maximum in force on each day`,
    ],
    inputs: [
      ...new Set(
        strengthOf(asOf)
          .setsOfWeek(mustDay(weekStart))
          .map(({ day }) => dateOf(day)),
      ),
    ].map((date) => ({
      label: "Session",
      value: printDate(date),
      date,
    })),
    assumptions: [
      asOf.settings.countWarmUps ? "Warm-ups are counted, as set." : "Warm-ups are not counted.",
      "Only what was performed counts. One-sided work counts both sides. Bodyweight movements carry their share of body weight.",
    ],
    source: "Common practice, no source.",
    sureness: "Exact, given what was written.",
  };
}

/** The workings of this domain, by the figure's name in a reference to it. */
export const strengthWorkings = {
  maximum: (asOf: AsOf, { exerciseId, which }: { exerciseId: string; which: "best" | "latest" }) =>
    maximumWorking(asOf, exerciseId, which),
  repCurve: (asOf: AsOf, { exerciseId }: { exerciseId: string }) => curveWorking(asOf, exerciseId),
  volume: (asOf: AsOf, { weekStart }: { weekStart: string }) => volumeWorking(asOf, weekStart),
};
