import { mustDay, type Day } from "../base/calendar/day";
import { sessionLoad, totalsByPurpose, type Covered, type DistanceTotal } from "./distance";
import { sessionMinutes } from "../energy/exercise";
import type { Session } from "../log/kinds/sessions";
import { standing, wasPerformed, wasPlanned } from "../sessions/adherence";
import type { Figures } from "../figures/figures";

/** Distance and time of a session that was performed, or null. */
export function coveredBy(session: Session, on: Day): Covered | null {
  if (!wasPerformed(session, on) || !session.distance) return null;
  return { metres: session.distance.done?.metres ?? null, seconds: session.distance.done?.seconds ?? null };
}

/** Totals by kind and purpose over the sessions with a distance, from a day (or from the beginning) up to the day asked about. */
export function distanceTotals(figures: Figures, from = -Infinity): DistanceTotal[] {
  return totalsByPurpose(
    figures.distancesFrom(from).map((session) => ({
      kind: session.kind,
      purpose: session.distance?.purpose ?? null,
      planned: wasPlanned(session) || standing(session, figures.on) === "missed",
      done: coveredBy(session, figures.on),
    })),
  );
}

/** Session load of each day from one to another on which a session with an effort and a duration was performed, oldest first. */
export function dailyLoads(figures: Figures, from: Day, to: Day): { day: Day; sessionLoad: number }[] {
  const days = new Map<Day, number>();
  for (const session of figures.sessionsBetween(from, to)) {
    const minutes = sessionMinutes(session);
    if (!wasPerformed(session, figures.on) || session.effort == null || minutes === null) continue;
    const day = mustDay(session.date);
    days.set(day, (days.get(day) ?? 0) + sessionLoad(session.effort, minutes));
  }
  return [...days].map(([day, load]) => ({ day, sessionLoad: load }));
}
