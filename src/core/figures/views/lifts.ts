import { dateOf, mustDay, weekStartOf } from "../../calendar/day";
import type { Exercise, Session } from "../../log/records";
import { estimateMaximum, formulaNames, recordUpTo, type FormulaName } from "../../strength/e1rm";
import { describeSets } from "../../strength/describe";
import type { LiftMaximum } from "../../strength/maximum";
import { bodyShare } from "../../strength/sets";
import { workOf, type Volume } from "../../strength/volume";
import { Printer, unitsOf } from "../../units/printer";
import type { Figures } from "../figures";
import { setsIn } from "./sessionCard";

export interface MaximumFigure { e1rmKg: number; date: string; kg: number; reps: number; rpe: number | null; rough: boolean }

export interface LiftRow { exercise: Exercise; best: MaximumFigure | null; latest: MaximumFigure | null; lastDone: string; sessions: number; added: boolean }

/** One time a lift was done. */
export interface LiftTime { sessionId: string; date: string; text: string; e1rmKg: number | null; volumeLoadKg: number; numberOfLifts: number }

/** The highest estimate of a day on which a lift was done. */
export interface LiftPoint { date: string; e1rmKg: number; kg: number; reps: number }

export interface WeekVolume extends Volume { weekStart: string; open: boolean }

export interface LiftsView {
  lifts: LiftRow[];
  /** The last twelve weeks in which something was lifted, oldest first. */
  weeks: WeekVolume[];
  chosen: {
    exercise: Exercise;
    /** The latest times it was done, newest first. */
    times: LiftTime[];
    /** Its estimated maximum over the whole log, oldest first, thinned to what a chart can show. */
    course: LiftPoint[];
    inForceKg: number | null; byFormula: { name: FormulaName; kg: number }[]; bestSet: MaximumFigure | null;
  } | null;
}

/** At most so many points are drawn; more could not be told apart on a screen. */
const pointsAtMost = 300;

/** At most so many times of a lift are told one by one. */
const timesAtMost = 12;

/** Lifts with their maxima, weekly volume, the most often done first, and the history of one: the chosen, else the first. */
export function liftsView(figures: Figures, chosenId: string | null): LiftsView {
  const { exercises } = figures;
  const lifts = figures.lifts.map(({ exerciseId, best, latest, lastDone, sessions }): LiftRow => ({
    exercise: exercises.get(exerciseId)!, best: maximumFigure(best), latest: maximumFigure(latest), lastDone: dateOf(lastDone), sessions, added: bodyShare(exercises.get(exerciseId)!) !== null,
  }));
  lifts.sort((a, b) => b.sessions - a.sessions || (b.best?.e1rmKg ?? 0) - (a.best?.e1rmKg ?? 0));
  const thisWeek = weekStartOf(figures.on, figures.weekStart);
  const weeks = figures.liftedWeeks.slice(-12).map((start) => ({ ...figures.volumeOf(start), weekStart: dateOf(start), open: start === thisWeek }));
  const chosen = chosenId === null ? lifts[0]?.exercise : exercises.get(chosenId);
  return { lifts, weeks, chosen: chosen === undefined ? null : history(figures, chosen) };
}

export function maximumFigure(maximum: LiftMaximum | null): MaximumFigure | null {
  return maximum === null ? null : { e1rmKg: maximum.e1rmKg, date: dateOf(maximum.set.day), kg: maximum.set.typedKg, reps: maximum.set.reps, rpe: maximum.set.rpe, rough: maximum.limitReps > recordUpTo };
}

function history(figures: Figures, exercise: Exercise): LiftsView["chosen"] {
  const days = figures.liftCourse(exercise.id);
  const times = days.slice(-timesAtMost).flatMap(({ day, sessionIds }) => sessionIds.map((id) => timeOf(figures, exercise, figures.sessionOn(day, id)!))).reverse().slice(0, timesAtMost);
  const course = highestOfEach(days.flatMap(({ maximum }) => maximum ?? []), pointsAtMost).map(({ e1rmKg, set }): LiftPoint => ({ date: dateOf(set.day), e1rmKg, kg: set.typedKg, reps: set.reps }));
  const best = figures.liftOf(exercise.id)?.best ?? null;
  const share = (bodyShare(exercise) ?? 0) * (best === null ? 0 : (figures.bodyWeightOn(best.set.day) ?? 0));
  const byFormula = best === null ? [] : formulaNames.flatMap((name) => {
    const estimate = estimateMaximum(name, best.set.totalKg ?? 0, best.set.reps, best.set.rpe);
    return "kg" in estimate ? [{ name, kg: estimate.kg - share }] : [];
  });
  return { exercise, times, course, inForceKg: figures.maximumOn(exercise.id, figures.on), byFormula, bestSet: maximumFigure(best) };
}

/** At most so many maxima, oldest first: the highest of each of as many runs of neighbours, so that none above its neighbours is left out. */
function highestOfEach(maxima: readonly LiftMaximum[], atMost: number): LiftMaximum[] {
  const length = Math.ceil(maxima.length / atMost);
  return Array.from({ length: Math.ceil(maxima.length / Math.max(1, length)) }, (_, index) => maxima.slice(index * length, (index + 1) * length).reduce((best, one) => (one.e1rmKg > best.e1rmKg ? one : best)));
}

function timeOf(figures: Figures, exercise: Exercise, session: Session): LiftTime {
  const done = figures.setsOf(session).filter((set) => set.exercise.id === exercise.id);
  const { volumeLoadKg, numberOfLifts } = workOf(done, figures.settings);
  return {
    sessionId: session.id, date: session.date, text: describeSets(setsIn(session, exercise.id), "done", exercise, new Printer(unitsOf(figures.person.units))),
    e1rmKg: figures.liftsIn(mustDay(session.date), [session]).find(({ exerciseId }) => exerciseId === exercise.id)?.maximum?.e1rmKg ?? null, volumeLoadKg, numberOfLifts,
  };
}
