import { type Day, mustDay, weekStartOf } from "../base/calendar/day";
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

/** The planned load of this week and of those to come, of each that has planned minutes. Skipped sessions are out. */
export function plannedLoads(asOf: AsOf): PlannedLoad[] {
  const weeks = new Map<Day, PlannedLoad>();
  for (const session of sessionsOf(asOf).between(weekStartOf(asOf.on, asOf.weekStart), Infinity)) {
    const { minutes, effort } = plannedEffort(session);
    if (minutes === null || session.status === "skipped") continue;
    const weekStart = weekStartOf(mustDay(session.date), asOf.weekStart);
    const week = weeks.get(weekStart) ?? { weekStart, sessionLoad: 0, minutes: 0 };
    week.minutes += minutes;
    week.sessionLoad += sessionLoad(effort ?? 0, minutes);
    weeks.set(weekStart, week);
  }
  return [...weeks.values()];
}
