import { dateOf, type Day, weekStartOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { type Covered, coveredIn } from "../sessions/covered";
import { sessionsOf } from "../sessions/slice";
import { titleOf } from "../sessions/title";
import { strengthOf } from "../strength/slice";

/** A session that is planned for a day to come. */
export interface SessionAhead {
  sessionId: string;
  date: string;
  /** Days from the day asked about. */
  inDays: number;
  kind: string;
  title: string;
  time: string | null;
  optional: boolean;
  /** What is lifted in it, in order. */
  lifts: string[];
  distance: Covered | null;
}

/** What comes after a day of rest. */
export interface Ahead {
  /** The sessions of the next day that has any; empty when nothing is planned. */
  next: SessionAhead[];
  /** Those that the week still holds, the next among them when it is in it. */
  week: SessionAhead[];
}

/** What is planned after a day, skipped sessions left out. */
export function aheadOf(asOf: AsOf, day: Day): Ahead {
  const sessions = sessionsOf(asOf);
  const plannedOn = (on: Day) => sessions.on(on).filter(({ status }) => status === "planned");
  const said = (on: Day) => plannedOn(on).map((session) => sessionAhead(asOf, session, on, day));
  const nextDay = sessions.days().find((one) => one > day && plannedOn(one).length > 0);
  const weekEnd = weekStartOf(day, asOf.weekStart) + 6;
  return {
    next: nextDay === undefined ? [] : said(nextDay),
    week: Array.from({ length: weekEnd - day }, (_, index) => said(day + 1 + index)).flat(),
  };
}

function sessionAhead(asOf: AsOf, session: Session, on: Day, day: Day): SessionAhead {
  return {
    sessionId: session.id,
    date: dateOf(on),
    inDays: on - day,
    kind: session.kind,
    title: titleOf(session),
    time: session.time ?? null,
    optional: session.optional === true,
    lifts: (session.items ?? []).flatMap(({ exerciseId }) => strengthOf(asOf).exercises().get(exerciseId)?.name ?? []),
    distance: coveredIn(session.distance?.planned),
  };
}
