import { dateOf, mustDay } from "../../calendar/day";
import { pacePerKm, type Covered } from "../../endurance/distance";
import type { Session, TrainingSet } from "../../log/records";
import { standing } from "../../planning/adherence";
import { describeSets } from "../../strength/describe";
import { volumeOf } from "../../strength/volume";
import { Printer, unitsOf } from "../../units/printer";
import type { Figures } from "../figures";

/** One exercise of a session as a view shows it. */
export interface CardItem {
  id: string;
  exerciseId: string;
  name: string;
  planned: string;
  done: string;
  /** What was done the last time before this session. */
  last: { date: string; text: string } | null;
  sets: TrainingSet[];
  note: string | null;
}

/** A session as a view shows it, with the record itself for changing it. */
export interface SessionCard {
  session: Session;
  status: Session["status"];
  title: string;
  items: CardItem[];
  planned: Covered | null;
  done: Covered | null;
  secondsPerKm: number | null;
  plannedSecondsPerKm: number | null;
  volumeLoadKg: number;
  numberOfLifts: number;
}

export function sessionCard(figures: Figures, session: Session): SessionCard {
  const printer = new Printer(unitsOf(figures.person.units));
  const sets = figures.setsBySession.get(session.id) ?? [];
  const { volumeLoadKg, numberOfLifts } = volumeOf(sets, figures.settings, figures.maximumOn, figures.bodyWeightOn);
  const planned = covered(session.distance?.planned);
  const done = covered(session.distance?.done);
  return {
    session, status: standing(session, figures.on), title: session.title || capitalised(session.kind),
    items: (session.items ?? []).map((item) => {
      const exercise = figures.log.records.exercises.get(item.exerciseId);
      return {
        id: item.id, exerciseId: item.exerciseId, name: exercise?.name ?? item.exerciseId, planned: describeSets(item.sets, "planned", exercise, printer), done: describeSets(item.sets, "done", exercise, printer),
        last: lastTime(figures, session, item.exerciseId, printer), sets: item.sets, note: item.note ?? null,
      };
    }),
    planned, done, secondsPerKm: done && pacePerKm([done]), plannedSecondsPerKm: planned && pacePerKm([planned]), volumeLoadKg, numberOfLifts,
  };
}

export function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function covered(written: { metres?: number | null; seconds?: number | null } | null | undefined): Covered | null {
  return written ? { metres: written.metres ?? null, seconds: written.seconds ?? null } : null;
}

function lastTime(figures: Figures, session: Session, exerciseId: string, printer: Printer): CardItem["last"] {
  const before = (figures.setsByExercise.get(exerciseId) ?? []).findLast(({ day, sessionId, warmUp }) => day < mustDay(session.date) && sessionId !== session.id && !warmUp);
  const earlier = before && figures.log.records.sessions.get(before.sessionId);
  if (!before || !earlier) return null;
  const sets = (earlier.items ?? []).filter((item) => item.exerciseId === exerciseId).flatMap((item) => item.sets);
  return { date: dateOf(before.day), text: describeSets(sets, "done", before.exercise, printer) };
}
