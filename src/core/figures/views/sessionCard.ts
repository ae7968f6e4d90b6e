import { dateOf, mustDay } from "../../calendar/day";
import { pacePerKm, type Covered } from "../../endurance/distance";
import type { Session, TrainingSet } from "../../log/records";
import { standing } from "../../planning/adherence";
import { describeSets } from "../../strength/describe";
import { workOf } from "../../strength/volume";
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
  const { volumeLoadKg, numberOfLifts } = workOf(figures.setsOf(session), figures.settings);
  const planned = covered(session.distance?.planned);
  const done = covered(session.distance?.done);
  return {
    session, status: standing(session, figures.on), title: session.title || capitalised(session.kind),
    items: (session.items ?? []).map((item) => {
      const exercise = figures.exercises.get(item.exerciseId);
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
  const before = mustDay(session.date);
  const days = figures.pastSessionDays;
  for (let index = days.length - 1; index >= 0; index--) {
    const day = days[index]!;
    const working = day < before ? figures.liftOn(exerciseId, day)?.lastWorking : null;
    if (working) return { date: dateOf(day), text: describeSets(setsIn(figures.sessionOn(day, working), exerciseId), "done", figures.exercises.get(exerciseId), printer) };
  }
  return null;
}

/** The sets of one exercise as they are written in a session. */
export function setsIn(session: Session | null, exerciseId: string): TrainingSet[] {
  return (session?.items ?? []).filter((item) => item.exerciseId === exerciseId).flatMap((item) => item.sets);
}
