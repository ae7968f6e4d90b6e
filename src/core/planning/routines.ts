import { dateOf, mustDay, weekStartOf } from "../base/calendar/day";
import { compare } from "../base/text";
import type { AsOf } from "../log/asOf";
import type { Routine } from "../log/kinds/routines";
import type { Session } from "../log/kinds/sessions";
import type { StandardWeek } from "../log/kinds/standardWeeks";
import { put } from "../log/records";
import { untickedParts } from "../sessions/parts";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";
import { isOpen } from "./cycleSessions";
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

/** A planned session as a routine that was changed now has it; its day, its time and whether it is booked stay. */
function following(session: Session, routine: Routine, newId: () => string): Session {
  const {
    minutes: _minutes,
    effort: _effort,
    planned: _planned,
    distance: _distance,
    steps: _steps,
    items: _items,
    ...kept
  } = session;
  return { ...kept, ...plannedOn({ ...routine, title: routine.name }, session, newId) };
}

/** What planned sessions made of a routine come to when they follow a change of it; done and begun ones never do. */
export function routineFollowed(asOf: AsOf, { routine }: { routine: Routine }, newId: () => string): Proposal {
  const open = sessionsOf(asOf)
    .between(asOf.on, Infinity)
    .filter((session) => session.routineId === routine.id && isOpen(session) && mustDay(session.date) >= asOf.on);
  const next = open.map((session) => following(session, routine, newId));
  return proposal(`Planned sessions follow ${routine.name}`, {
    change: next.map((session, index) => put("sessions", session, open[index]!)),
    sessions: next.map((session) => ({
      date: session.date,
      title: titleOf(session),
      what: "changed",
      text: plannedText(session, strengthOf(asOf).exercises(), asOf.printer),
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
