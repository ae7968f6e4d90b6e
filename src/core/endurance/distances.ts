import { type Day, mustDay } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { effectiveStatus, wasPerformed, wasPlanned } from "../sessions/adherence";
import { coveredBy } from "../sessions/covered";
import { sessionMinutes } from "../sessions/minutes";
import { sessionsOf } from "../sessions/slice";
import { type DistanceTotal, sessionLoad, totalsByPurpose } from "./distance";
import { enduranceOf } from "./slice";

/**
 * Totals by kind and purpose over the sessions with a distance, from a day (or from the beginning) up to the day asked
 * about.
 */
export function distanceTotals(asOf: AsOf, from = -Infinity): DistanceTotal[] {
  return totalsByPurpose(
    enduranceOf(asOf)
      .from(from)
      .map((session) => ({
        kind: session.kind,
        purpose: session.distance?.purpose ?? null,
        planned: wasPlanned(session) || effectiveStatus(session, asOf.on) === "missed",
        done: coveredBy(session, asOf.on),
      })),
  );
}

/**
 * Session load of each day from one to another on which a session with an effort and a duration was performed, oldest
 * first.
 */
export function dailyLoads(asOf: AsOf, from: Day, to: Day): { day: Day; sessionLoad: number }[] {
  const days = new Map<Day, number>();
  for (const session of sessionsOf(asOf).between(from, to)) {
    const minutes = sessionMinutes(session);
    if (!wasPerformed(session, asOf.on) || session.effort == null || minutes === null) continue;
    const day = mustDay(session.date);
    days.set(day, (days.get(day) ?? 0) + sessionLoad(session.effort, minutes));
  }
  return [...days].map(([day, load]) => ({ day, sessionLoad: load }));
}
