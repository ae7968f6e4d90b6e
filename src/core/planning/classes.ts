import { dateOf, mustDay } from "../base/calendar/day";
import { folded } from "../base/text";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { type Change, put } from "../log/records";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";
import { isOpen } from "./cycleSessions";
import { movedTo } from "./movedTo";
import { plannedText } from "./plannedText";
import { type Proposal, proposal, type ProposedSession } from "./proposal";

/** An event of a calendar on its day, in the civil time of the trainee. */
export interface CalendarEvent {
  /** What it is in its calendar: of one that recurs, with the day it was first meant for. */
  source: string;
  date: string;
  time: string | null;
  minutes: number | null;
  title: string;
  place: string;
  note: string;
  link: string;
  cancelled: boolean;
}

/** What follows the id of a session in the calendars that are written here. */
export const ownEvents = "@oat-column";

/** A year ahead is planned from a calendar, and no more (our judgement). */
export const calendarDays = 366;

/**
 * Events of a calendar as booked classes. An event that was brought in before changes its session, and one that is cancelled
 * takes it out; a session that came from here goes where its event is now. What is done or begun stays.
 */
export function classesFrom(asOf: AsOf, events: readonly CalendarEvent[], newId: () => string): Proposal {
  const change: Change = [];
  const sessions: ProposedSession[] = [];
  const all = sessionsOf(asOf).between(asOf.on - calendarDays, Infinity);
  const bySource = new Map(all.flatMap((one) => (one.source == null ? [] : [[one.source as string, one] as const])));
  const byId = new Map(all.map((one) => [one.id, one]));
  const [first, last] = [dateOf(asOf.on), dateOf(asOf.on + calendarDays)];
  for (const event of events) {
    if (event.date < first || event.date > last) continue;
    const own = event.source.endsWith(ownEvents) ? byId.get(event.source.slice(0, -ownEvents.length)) : undefined;
    const held = own ?? bySource.get(event.source);
    const say = (session: Session, what: ProposedSession["what"], text: string) =>
      sessions.push({ date: session.date, title: titleOf(session), what, text });
    const textOf = (session: Session) => plannedText(session, strengthOf(asOf).exercises(), asOf.printer);
    if (held === undefined) {
      if (event.cancelled) continue;
      const next = classOf(asOf, event, newId());
      const isThere = sessionsOf(asOf)
        .on(mustDay(event.date))
        .some((one) => titleOf(one) === event.title);
      if (isThere) say(next, "stays", "is planned already");
      else {
        change.push(put("sessions", next));
        say(next, "new", textOf(next));
      }
      continue;
    }
    if (!isOpen(held)) {
      say(held, "stays", held.status === "planned" ? "begun" : held.status);
      continue;
    }
    if (event.cancelled) {
      change.push({ remove: { kind: "sessions", id: held.id, date: held.date } });
      say(held, "removed", "cancelled in its calendar");
      continue;
    }
    const next = withEvent(held, event, own !== undefined);
    if (JSON.stringify(next) === JSON.stringify(held)) say(held, "stays", "as it is planned");
    else {
      change.push(put("sessions", next, held));
      say(next, next.date === held.date ? "changed" : "moved", textOf(next));
    }
  }
  return proposal("Classes from a calendar", { change, sessions });
}

function classOf(asOf: AsOf, event: CalendarEvent, id: string): Session {
  const { source, date, time, minutes, title, place, note, link } = event;
  const known = [...asOf.index.all("kinds").values()].map(({ name }) => name);
  const kind = ["strength", "run", "row", "swim", ...known].find((one) => folded(title).includes(folded(one)));
  return {
    id,
    personId: asOf.personId,
    date,
    kind: kind ?? "class",
    title,
    status: "planned",
    booked: true,
    source,
    planned: minutes === null ? {} : { minutes },
    ...(time === null ? {} : { time }),
    ...(place ? { place } : {}),
    ...(note ? { note } : {}),
    ...(link ? { links: [link] } : {}),
  };
}

/** A session as its event now is; of one that is from here only its day and time are the calendar's to say. */
function withEvent(held: Session, event: CalendarEvent, isOwn: boolean): Session {
  const { date, time, minutes, title, place } = event;
  const moved = date === held.date ? held : movedTo(held, date);
  return {
    ...moved,
    ...(time === null || time === held.time ? {} : { time }),
    ...(isOwn
      ? {}
      : {
          ...(title === held.title ? {} : { title }),
          ...(place === (held.place ?? "") ? {} : { place }),
          ...(minutes === null || minutes === held.planned?.minutes ? {} : { planned: { ...held.planned, minutes } }),
        }),
  };
}
