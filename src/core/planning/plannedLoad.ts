import { type Day, mustDay, weekStartOf } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import { sessionLoad } from "../endurance/distance";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { sessionsOf } from "../sessions/slice";

/** What is planned of a week before it is trained. */
export interface PlannedLoad {
  weekStart: Day;
  /** Σ planned minutes × planned effort, over the sessions that have both. */
  sessionLoad: number;
  /** Σ planned minutes. */
  minutes: number;
}

/** Planned minutes and effort of a session; of one that is only planned, what is written of it is the plan. */
export function plannedEffort({ status, planned, minutes, effort, distance }: Session): {
  minutes: number | null;
  effort: number | null;
} {
  const isPlan = status === "planned";
  const seconds = distance?.planned?.seconds;
  return {
    minutes: planned?.minutes ?? (isPlan ? minutes : null) ?? (seconds == null ? null : seconds / 60),
    effort: planned?.effort ?? (isPlan ? effort : null) ?? null,
  };
}

/** Whether a session is planned with minutes; a skipped one is out. */
function isReckoned(session: Session): boolean {
  return session.status !== "skipped" && plannedEffort(session).minutes !== null;
}

/** What is planned of some sessions. Skipped ones are out. */
export function plannedLoadOf(sessions: readonly Session[]): Omit<PlannedLoad, "weekStart"> {
  const sum = { sessionLoad: 0, minutes: 0 };
  for (const session of sessions.filter(isReckoned)) {
    const { minutes, effort } = plannedEffort(session);
    sum.minutes += minutes!;
    sum.sessionLoad += sessionLoad(effort ?? 0, minutes!);
  }
  return sum;
}

/** The planned load of this week and of those to come, of each that has planned minutes. Skipped sessions are out. */
export function plannedLoads(asOf: AsOf): PlannedLoad[] {
  const ahead = sessionsOf(asOf).between(weekStartOf(asOf.on, asOf.weekStart), Infinity).filter(isReckoned);
  return [...groupBy(ahead, ({ date }) => weekStartOf(mustDay(date), asOf.weekStart))].map(([weekStart, sessions]) => ({
    weekStart,
    ...plannedLoadOf(sessions),
  }));
}
