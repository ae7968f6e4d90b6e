import { dateOf, weekStartOf } from "../../calendar/day";
import { groupBy } from "../../calendar/groupBy";
import type { Exercise } from "../../log/records";
import { estimateMaximum, formulaNames, recordUpTo, type FormulaName } from "../../strength/e1rm";
import { describeSets } from "../../strength/describe";
import { eligibleMaxima, type LiftMaximum } from "../../strength/maximum";
import { bodyShare } from "../../strength/sets";
import { volumeOf, type Volume } from "../../strength/volume";
import { Printer, unitsOf } from "../../units/printer";
import type { Figures } from "../figures";

export interface MaximumFigure { e1rmKg: number; date: string; kg: number; reps: number; rpe: number | null; rough: boolean }

export interface LiftRow { exercise: Exercise; best: MaximumFigure | null; latest: MaximumFigure | null; lastDone: string; sessions: number; added: boolean }

/** One time a lift was done. */
export interface LiftTime { sessionId: string; date: string; text: string; e1rmKg: number | null; volumeLoadKg: number; numberOfLifts: number }

export interface WeekVolume extends Volume { weekStart: string; open: boolean }

export interface LiftsView {
  lifts: LiftRow[];
  /** The last twelve weeks in which something was lifted, oldest first. */
  weeks: WeekVolume[];
  chosen: { exercise: Exercise; times: LiftTime[]; inForceKg: number | null; byFormula: { name: FormulaName; kg: number }[]; bestSet: MaximumFigure | null } | null;
}

/** Lifts with their maxima, weekly volume, the most often done first, and the history of one: the chosen, else the first. */
export function liftsView(figures: Figures, chosenId: string | null): LiftsView {
  const { exercises } = figures.log.records;
  const lifts = figures.lifts.map(({ exerciseId, best, latest, lastDone }): LiftRow => ({
    exercise: exercises.get(exerciseId)!, best: maximumFigure(best), latest: maximumFigure(latest), lastDone: dateOf(lastDone),
    sessions: new Set(figures.setsByExercise.get(exerciseId)!.map(({ sessionId }) => sessionId)).size, added: bodyShare(exercises.get(exerciseId)!) !== null,
  }));
  lifts.sort((a, b) => b.sessions - a.sessions || (b.best?.e1rmKg ?? 0) - (a.best?.e1rmKg ?? 0));
  const thisWeek = weekStartOf(figures.on, figures.weekStart);
  const weeks = [...figures.volumes].slice(-12).map(([start, volume]) => ({ ...volume, weekStart: dateOf(start), open: start === thisWeek }));
  const chosen = chosenId === null ? lifts[0]?.exercise : exercises.get(chosenId);
  return { lifts, weeks, chosen: chosen === undefined ? null : history(figures, chosen) };
}

export function maximumFigure(maximum: LiftMaximum | null): MaximumFigure | null {
  return maximum === null ? null : { e1rmKg: maximum.e1rmKg, date: dateOf(maximum.set.day), kg: maximum.set.typedKg, reps: maximum.set.reps, rpe: maximum.set.rpe, rough: maximum.limitReps > recordUpTo };
}

function history(figures: Figures, exercise: Exercise): LiftsView["chosen"] {
  const printer = new Printer(unitsOf(figures.person.units));
  const sets = figures.setsByExercise.get(exercise.id) ?? [];
  const times = [...groupBy(sets, ({ sessionId }) => sessionId)].map(([sessionId, done]): LiftTime => {
    const written = (figures.log.records.sessions.get(sessionId)?.items ?? []).filter(({ exerciseId }) => exerciseId === exercise.id).flatMap((item) => item.sets);
    const maxima = eligibleMaxima(done, figures.formula, figures.bodyWeightOn);
    const { volumeLoadKg, numberOfLifts } = volumeOf(done, figures.settings, figures.maximumOn, figures.bodyWeightOn);
    return { sessionId, date: dateOf(done[0]!.day), text: describeSets(written, "done", exercise, printer), e1rmKg: maxima.length === 0 ? null : Math.max(...maxima.map(({ e1rmKg }) => e1rmKg)), volumeLoadKg, numberOfLifts };
  });
  const best = figures.lifts.find(({ exerciseId }) => exerciseId === exercise.id)?.best ?? null;
  const share = (bodyShare(exercise) ?? 0) * (best === null ? 0 : (figures.bodyWeightOn(best.set.day) ?? 0));
  const byFormula = best === null ? [] : formulaNames.flatMap((name) => {
    const estimate = estimateMaximum(name, best.set.totalKg ?? 0, best.set.reps, best.set.rpe);
    return "kg" in estimate ? [{ name, kg: estimate.kg - share }] : [];
  });
  return { exercise, times: times.reverse(), inForceKg: figures.maximumOn(exercise.id, figures.on), byFormula, bestSet: maximumFigure(best) };
}
