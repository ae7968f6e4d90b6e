import { dateOf, mustDay } from "../../calendar/day";
import { printDay, printDate } from "../../calendar/print";
import { estimateMaximum, formulaNames, formulas, maximumFactor, recordUpTo } from "../../strength/e1rm";
import { bodyShare } from "../../strength/sets";
import { printNumber } from "../../units/number";
import { Printer, unitsOf } from "../../units/printer";
import { coveredBy } from "../distances";
import { pacePerKm } from "../../endurance/distance";
import type { Figures } from "../figures";
import type { WorkingResult } from "./working";

export function maximumWorking(figures: Figures, exerciseId: string, which: "best" | "latest"): WorkingResult {
  const standing = figures.liftOf(exerciseId);
  const maximum = standing?.[which];
  if (!maximum) return { reason: "No set so far may stand for a maximum: it takes a working set of at most twelve repetitions to the limit." };
  const p = new Printer(unitsOf(figures.person.units));
  const { set, limitReps, e1rmKg } = maximum;
  const share = bodyShare(set.exercise);
  const total = set.totalKg!;
  const names = figures.formula === "mean" ? formulaNames : [figures.formula];
  const factors = names.map((name) => `${formulas[name].title} ${printNumber(maximumFactor(name, limitReps), 4)}`);
  const estimates = formulaNames.flatMap((name) => { const one = estimateMaximum(name, total, set.reps, set.rpe); return "kg" in one ? [`${formulas[name].title} ${p.loadNumber(one.kg - (share ?? 0) * (figures.bodyWeightOn(set.day) ?? 0))}`] : []; });
  return {
    title: `${set.exercise.name}, ${which} estimated maximum`, value: `${share === null ? "" : "+"}${p.mass(e1rmKg)}`,
    formula: figures.formula === "mean" ? "load × mean of the seven formulas' factors" : formulas[figures.formula].written,
    steps: [
      `repetitions to the limit = ${set.reps} done${set.rpe === null ? ", reserve unknown" : ` + ${printNumber(limitReps - set.reps, 1)} in reserve (RPE ${set.rpe})`} = ${printNumber(limitReps, 1)}`,
      ...(share === null ? [] : [`total load = ${printNumber(share * 100, 0)} % of body weight ${p.massNumber(figures.bodyWeightOn(set.day) ?? 0)} ${set.exercise.measure === "assisted-reps" ? "−" : "+"} ${p.load(set.typedKg)} = ${p.load(total)}`]),
      `factors: ${factors.join(", ")}`,
      `${p.loadNumber(total)} × ${printNumber(maximumFactor(figures.formula, limitReps), 4)} = ${p.mass(total * maximumFactor(figures.formula, limitReps), 2)}${share === null ? "" : `, less the body's share: +${p.mass(e1rmKg, 2)}`}`,
      `each formula alone: ${estimates.join(", ")}`,
    ],
    inputs: [{ label: printDay(set.day), value: `${p.load(set.typedKg)} × ${set.reps}${set.rpe === null ? "" : ` at RPE ${set.rpe}`}`, date: dateOf(set.day) }],
    assumptions: [set.rpe === null ? "The set is not rated: its repetitions count as done with an unknown reserve, so this is a lower bound." : "Reps in reserve = 10 − RPE (Helms et al. 2016).", "One repetition is the load itself; between one and two each formula is joined to it without a jump.", which === "latest" ? "Latest: the best eligible set of the last session that has one." : "Best: the highest of all eligible sets."],
    source: names.map((name) => formulas[name].source).join("; "),
    sureness: limitReps > recordUpTo ? `Rough: above ${recordUpTo} repetitions the formulas part ways.` : "The formulas differ by as much as shown above; a tested single is surer.",
  };
}

export function volumeWorking(figures: Figures, weekStart: string): WorkingResult {
  const volume = figures.volumeOf(mustDay(weekStart));
  if (volume.sets === 0) return { reason: "Nothing was lifted in that week." };
  const p = new Printer(unitsOf(figures.person.units));
  const names = figures.exercises;
  const lifts = Object.entries(volume.byExercise).sort(([, a], [, b]) => b.volumeLoadKg - a.volumeLoadKg);
  return {
    title: `Volume, week from ${printDate(weekStart)}`, value: `${p.volumeLoad(volume.volumeLoadKg)}, ${volume.numberOfLifts} lifts`,
    formula: "volume load = Σ reps × total load;  number of lifts = Σ reps;  intensity = Σ(reps × load ÷ maximum in force) ÷ Σ reps",
    steps: [...lifts.map(([id, { volumeLoadKg, numberOfLifts, sets }]) => `${names.get(id)?.name ?? id}: ${sets} sets, ${numberOfLifts} lifts, ${p.volumeLoad(volumeLoadKg)}`), volume.averageIntensity === null ? "No lift of the week has a maximum." : `average intensity ${p.percent(volume.averageIntensity)} of the maximum in force on each day`],
    inputs: [...new Set(figures.setsOfWeek(mustDay(weekStart)).map(({ day }) => dateOf(day)))].map((date) => ({ label: "Session", value: printDate(date), date })),
    assumptions: [figures.settings.countWarmUps ? "Warm-ups are counted, as set." : "Warm-ups are not counted.", "Only what was performed counts. One-sided work counts both sides. Bodyweight movements carry their share of body weight."],
    source: "Common practice, no source.", sureness: "Exact, given what was written.",
  };
}

export function paceWorking(figures: Figures, kind: string, purpose: string | null, days: number | null): WorkingResult {
  const from = days === null ? -Infinity : figures.on - days + 1;
  const done = figures.sessionsBetween(from, figures.on).flatMap((session) => {
    const covered = coveredBy(session, figures.on);
    return covered && session.kind === kind && (session.distance?.purpose ?? null) === purpose ? [{ session, covered }] : [];
  });
  const pace = pacePerKm(done.map(({ covered }) => covered));
  if (pace === null) return { reason: "No session here has both a distance and a time." };
  const p = new Printer(unitsOf(figures.person.units));
  const both = done.filter(({ covered }) => covered.metres && covered.seconds !== null);
  const metres = both.reduce((sum, { covered }) => sum + covered.metres!, 0);
  const seconds = both.reduce((sum, { covered }) => sum + covered.seconds!, 0);
  return {
    title: `Pace, ${kind}${purpose ? ` ${purpose}` : ""}`, value: p.paceOf(kind, pace), formula: kind === "row" ? "split = Σ time ÷ Σ distance × 500 m" : "pace = Σ time ÷ Σ distance",
    steps: [`${p.duration(seconds)} ÷ ${p.distance(metres)} = ${p.paceOf(kind, pace)}`],
    inputs: both.slice(-12).reverse().map(({ session, covered }) => ({ label: printDate(session.date), value: `${p.distance(covered.metres!)} in ${p.duration(covered.seconds!)}`, date: session.date })),
    assumptions: ["Never a mean of paces: long sessions weigh more."], source: "Arithmetic.", sureness: `Exact over ${both.length} sessions.`,
  };
}
