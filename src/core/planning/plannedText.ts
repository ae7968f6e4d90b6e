import { capitalised } from "../base/text";
import type { Printer } from "../base/units/printer";
import type { Exercise } from "../log/kinds/exercises";
import type { Session } from "../log/kinds/sessions";
import { askedItems } from "../sessions/firstPlan";
import { partText } from "../sessions/parts";
import { describeSets } from "../strength/describe";
import { plannedEffort } from "./plannedLoad";

/** What is planned of a session, in words: its exercises with their sets, its distance, its minutes and effort. */
export function plannedText(session: Session, exercises: ReadonlyMap<string, Exercise>, printer: Printer): string {
  const lifts = askedItems(session.items ?? []).map(({ exerciseId, sets }) => {
    const exercise = exercises.get(exerciseId);
    return `${exercise?.name ?? exerciseId} ${describeSets(sets, "planned", exercise, printer)}`.trim();
  });
  const { minutes, effort } = plannedEffort(session);
  const planned = session.distance?.planned;
  return [
    session.time ?? "",
    ...lifts,
    planned?.metres == null ? "" : printer.distanceOf(session.kind, planned.metres),
    session.distance?.purpose ?? "",
    (session.steps ?? []).map((part) => partText(part, session.kind, printer)).join("; "),
    minutes === null ? "" : `${Math.round(minutes)} min`,
    effort === null ? "" : `effort ${effort}`,
    session.optional ? "optional" : "",
    session.booked ? "booked" : "",
  ]
    .filter(Boolean)
    .join(" · ");
}

/** A title of what is lifted: `Front squat, bench pull`. */
export function titleOfLifts(exerciseIds: readonly string[], exercises: ReadonlyMap<string, Exercise>): string {
  const names = [...new Set(exerciseIds)].slice(0, 2).map((id) => (exercises.get(id)?.name ?? id).toLowerCase());
  return capitalised(names.join(", "));
}
