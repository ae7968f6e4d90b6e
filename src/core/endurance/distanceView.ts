import { dateOf, weekStartOf, type Day } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import { pacePerKm, type DistanceTotal } from "./distance";
import type { Session } from "../log/kinds/sessions";
import type { Figures } from "../figures/figures";
import { coveredBy, dailyLoads, distanceTotals } from "./distances";
import { sessionCard, type SessionCard } from "../training/sessionCard";

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
export function distanceView(figures: Figures, days: number | null): DistanceView {
  const from = days === null ? -Infinity : figures.on - days + 1;
  const thisWeek = weekStartOf(figures.on, figures.weekStart);
  const loads = groupBy(dailyLoads(figures, thisWeek - 77, figures.on), ({ day }) =>
    weekStartOf(day, figures.weekStart),
  );
  const weeks = Array.from({ length: 12 }, (_, index) => thisWeek - 7 * (11 - index)).map((start) => {
    const done = figures.sessionsOfWeek(start).flatMap((session) => {
      const covered = coveredBy(session, figures.on);
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
    totals: distanceTotals(figures, from),
    sessions: latestSessions(figures, from).map((session) => sessionCard(figures, session)),
    weeks,
  };
}

/** The latest sessions with a distance, newest first. */
function latestSessions(figures: Figures, from: Day): Session[] {
  const latest: Session[] = [];
  for (const day of figures.sessionDays.toReversed()) {
    if (day < from || latest.length >= sessionsAtMost) break;
    latest.push(
      ...figures
        .sessionsOn(day)
        .filter(({ distance }) => distance)
        .toReversed(),
    );
  }
  return latest.slice(0, sessionsAtMost);
}
