import { dateOf, mustDay, weekStartOf } from "../base/calendar/day";
import { compare } from "../base/text";
import type { AsOf } from "../log/asOf";
import type { Routine } from "../log/kinds/routines";
import type { Session } from "../log/kinds/sessions";
import type { StandardWeek } from "../log/kinds/standardWeeks";
import { sameJson } from "../log/canonical";
import { put } from "../log/records";
import { untickedParts } from "../sessions/parts";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { liftingOf } from "../strength/lifting";
import { nearestStep } from "../strength/loading";
import { strengthOf } from "../strength/slice";
import { isOpen } from "./cycleSessions";
import { following } from "./follow";
import { plannedItems, plannedOrDone } from "./moves";
import { plannedOn } from "./plannedOn";
import { plannedText } from "./plannedText";
import { itemsText, readItems } from "./routineText";
import { type Proposal, proposal } from "./proposal";

/** The routines of the household, by name. */
export function routinesOf(asOf: AsOf): Routine[] {
  return [...asOf.index.all("routines").values()].sort((a, b) => compare(a.name, b.name) || compare(a.id, b.id));
}

/** A session without its day, to be used again: as it was planned, what was not planned as it was done. */
export function routineOf(session: Session, newId: () => string): Routine {
  const { minutes, effort } = plannedOrDone(session);
  const { kind, instructor, links, items, distance, steps } = session;
  const covered = distance?.planned ?? distance?.done;
  return {
    id: newId(),
    name: titleOf(session),
    kind,
    ...(minutes === null ? {} : { minutes }),
    ...(effort === null ? {} : { effort }),
    ...(instructor == null ? {} : { instructor }),
    ...(links == null ? {} : { links }),
    ...(items == null || items.length === 0 ? {} : { items: plannedItems(items) }),
    ...(covered == null && steps == null
      ? {}
      : {
          distance: {
            ...(covered == null ? {} : { planned: covered }),
            ...(distance?.purpose == null ? {} : { purpose: distance.purpose }),
            ...(steps == null ? {} : { steps: untickedParts(steps) }),
          },
        }),
  };
}

/** A routine as it now stands, and as it stood before it was changed. */
export interface RoutineChange {
  routine: Routine;
  before: Routine;
}

/** What planned sessions made of a routine come to when they follow a change of it; done and begun ones never do. */
export function routineFollowed(asOf: AsOf, { routine, before }: RoutineChange, newId: () => string): Proposal {
  const exercises = strengthOf(asOf).exercises();
  const loadable = (kg: number, exerciseId: string) => {
    const exercise = exercises.get(exerciseId);
    return exercise === undefined ? kg : nearestStep(kg, liftingOf(asOf).step(exercise));
  };
  const open = sessionsOf(asOf)
    .between(asOf.on, Infinity)
    .filter((session) => session.routineId === routine.id && isOpen(session) && mustDay(session.date) >= asOf.on);
  const next = open.map((session) => ({ session, next: following(session, before, routine, loadable, newId) }));
  return proposal(`Planned sessions follow ${routine.name}`, {
    change: next.flatMap((one) => (sameJson(one.session, one.next) ? [] : [put("sessions", one.next, one.session)])),
    sessions: next.map((one) => ({
      date: one.next.date,
      title: titleOf(one.next),
      ...(sameJson(one.session, one.next)
        ? { what: "stays", text: "changed by hand, or without what changed" }
        : { what: "changed", text: plannedText(one.next, exercises, asOf.printer) }),
    })),
  });
}

/** The standard weeks of a person, by name. */
export function standardWeeksOf(asOf: AsOf): StandardWeek[] {
  return asOf.own("standardWeeks").sort((a, b) => compare(a.name, b.name) || compare(a.id, b.id));
}

/** Planned sessions from today on that were made of a standard week, and of which nothing is done. */
export function followersOf(asOf: AsOf, standardWeekId: string): Session[] {
  return sessionsOf(asOf)
    .between(asOf.on, Infinity)
    .filter((session) => session.standardWeekId === standardWeekId && isOpen(session));
}

/** The routines and the standard weeks that there are, and how many planned sessions each routine would change. */
export interface RoutinesView {
  routines: { routine: Routine; text: string; items: string; followers: number }[];
  standardWeeks: { week: StandardWeek; followers: number }[];
  /** The first day of next week. */
  next: string;
}

export function routinesView(asOf: AsOf): RoutinesView {
  const exercises = strengthOf(asOf).exercises();
  const open = sessionsOf(asOf)
    .between(asOf.on, Infinity)
    .filter((session) => session.routineId != null && isOpen(session));
  return {
    routines: routinesOf(asOf).map((routine) => ({
      routine,
      text: plannedText(
        { id: "", personId: "", date: "", status: "planned", ...plannedOn(routine, undefined, () => "") },
        exercises,
        asOf.printer,
      ),
      items: itemsText(routine.items ?? [], exercises, asOf.units.mass),
      followers: open.filter(({ routineId }) => routineId === routine.id).length,
    })),
    standardWeeks: standardWeeksOf(asOf).map((week) => ({ week, followers: followersOf(asOf, week.id).length })),
    next: dateOf(weekStartOf(asOf.on, asOf.weekStart) + 7),
  };
}

/** A routine with its exercises as they were typed, or what is wrong with them. */
export function routineTyped(
  asOf: AsOf,
  { routine, items }: { routine: Routine; items: string },
): { routine: Routine } | { why: string } {
  const read = readItems(items, routine.items ?? [], strengthOf(asOf).exercises(), asOf.units.mass);
  if ("why" in read) return read;
  const { items: _, ...others } = routine;
  return { routine: read.length === 0 ? others : { ...others, items: read } };
}

/** A session of the log as a routine. */
export function sessionAsRoutine(
  asOf: AsOf,
  { date, sessionId }: { date: string; sessionId: string },
  newId: () => string,
): { routine: Routine } | null {
  const session = sessionsOf(asOf).find(mustDay(date), sessionId);
  return session === null ? null : { routine: routineOf(session, newId) };
}
