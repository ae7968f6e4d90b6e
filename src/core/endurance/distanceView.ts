import { dateOf, type Day, weekStartOf } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { coveredBy, pacePerKm } from "../sessions/covered";
import { sessionsOf } from "../sessions/slice";
import { sessionCard, type SessionCard } from "../training/sessionCard";
import { type DistanceTotal } from "./distance";
import { dailyLoads, distanceTotals } from "./distances";

export interface DistanceView {
  totals: DistanceTotal[];
  /** Runs, rows and the like, newest first, planned ones to come included; the last sixty. */
  sessions: SessionCard[];
  /** The last twelve weeks: distance per kind and session load of everything, oldest first. */
  weeks: {
    weekStart: string;
    open: boolean;
    byKind: { kind: string; metres: number; secondsPerKm: number | null }[];
    load: number;
  }[];
}

/** At most so many sessions are listed. */
const sessionsAtMost = 60;

/** @param days how far back totals and sessions reach; null for the whole log */
export function distanceView(asOf: AsOf, days: number | null): DistanceView {
  const from = days === null ? -Infinity : asOf.on - days + 1;
  const thisWeek = weekStartOf(asOf.on, asOf.weekStart);
  const loads = groupBy(dailyLoads(asOf, thisWeek - 77, asOf.on), ({ day }) => weekStartOf(day, asOf.weekStart));
  const weeks = Array.from({ length: 12 }, (_, index) => thisWeek - 7 * (11 - index)).map((start) => {
    const done = sessionsOf(asOf)
      .ofWeek(start)
      .flatMap((session) => {
        const covered = coveredBy(session, asOf.on);
        return covered ? [{ kind: session.kind, covered }] : [];
      });
    const byKind = [...groupBy(done, ({ kind }) => kind)]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([kind, pieces]) => ({
        kind,
        metres: pieces.reduce((sum, { covered }) => sum + (covered.metres ?? 0), 0),
        secondsPerKm: pacePerKm(pieces.map(({ covered }) => covered)),
      }));
    return {
      weekStart: dateOf(start),
      open: start === thisWeek,
      byKind,
      load: (loads.get(start) ?? []).reduce((sum, { sessionLoad }) => sum + sessionLoad, 0),
    };
  });
  return {
    totals: distanceTotals(asOf, from),
    sessions: latestSessions(asOf, from).map((session) => sessionCard(asOf, session)),
    weeks,
  };
}

/** The latest sessions with a distance, newest first. */
function latestSessions(asOf: AsOf, from: Day): Session[] {
  const latest: Session[] = [];
  for (const day of sessionsOf(asOf).days().toReversed()) {
    if (day < from || latest.length >= sessionsAtMost) break;
    latest.push(
      ...sessionsOf(asOf)
        .on(day)
        .filter(({ distance }) => distance)
        .toReversed(),
    );
  }
  return latest.slice(0, sessionsAtMost);
}
