import { type Day, mustDay } from "../base/calendar/day";
import type { Session } from "../log/kinds/sessions";
import { hasPlan } from "./planned";

/** What a session counts as on a day: a past one still planned is missed; the record is not rewritten. */
export function effectiveStatus(session: Session, on: Day): Session["status"] {
  return session.status === "planned" && mustDay(session.date) < on ? "missed" : session.status;
}

/** Whether a session was performed, wholly or partly, by the day asked about. */
export function wasPerformed(session: Session, on: Day): boolean {
  return mustDay(session.date) <= on && (session.status === "done" || session.status === "partly");
}

/** Whether a session was on the plan: it says so, or some of its sets or its distance were planned. */
export function wasPlanned(session: Session): boolean {
  // A session that was begun and left without an exercise was no plan.
  if (session.status !== "done" && session.status !== "partly")
    return session.items == null || session.items.length > 0 || session.planned != null || session.distance != null;
  const written = session.planned != null || session.distance?.planned != null;
  return written || (session.items ?? []).some((item) => item.sets.some(hasPlan));
}

/** Whether what was planned of a session counts as planned: of an optional one only once it is done. */
export function countsAsPlanned(session: Session, on: Day): boolean {
  return session.optional !== true || wasPerformed(session, on);
}

export interface Adherence {
  planned: number;
  done: number;
  partly: number;
  skipped: number;
  missed: number;
  /** Moved to another week once theirs had begun: planned here, and not done here. */
  moved: number;
  extra: number;
  share: number | null;
}

/**
 * How much of the plan was done: (done + ½ partly) / (done + partly + skipped + missed + moved). Optional sessions count
 * only when done, unplanned ones are shown apart, those still to come count for nothing yet.
 * @param away sessions that stood on these days and were moved to another week once theirs had begun
 */
export function adherence(sessions: readonly Session[], on: Day, away: readonly Session[]): Adherence {
  const count = { done: 0, partly: 0, skipped: 0, missed: 0, extra: 0 };
  for (const session of sessions) {
    const status = effectiveStatus(session, on);
    const performed = status === "done" || status === "partly";
    if (status === "planned" || mustDay(session.date) > on || (session.optional && !performed)) continue;
    if (!wasPlanned(session)) count.extra += Number(performed);
    else count[status] += 1;
  }
  const moved = away.filter((session) => session.optional !== true && wasPlanned(session)).length;
  const planned = count.done + count.partly + count.skipped + count.missed + moved;
  return { planned, ...count, moved, share: planned === 0 ? null : (count.done + count.partly / 2) / planned };
}
