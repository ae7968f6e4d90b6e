import { type Day, weekStartOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { wasPerformed } from "../sessions/adherence";
import { sessionMinutes } from "../sessions/minutes";
import { sessionsOf } from "../sessions/slice";
import type { Volume } from "../strength/volume";
import { liftWorkOf } from "../strength/workSlice";
import { plannedEffort } from "./plannedLoad";
import type { PlannedSum } from "./proposal";

/** What was trained in the whole weeks before the one that holds a day, a week each, oldest first. */
export function trainedWeeks(asOf: AsOf, weeks: number): (PlannedSum & { start: Day })[] {
  const end = weekStartOf(asOf.on, asOf.weekStart);
  return Array.from({ length: weeks }, (_, index) => end - 7 * (weeks - index)).map((start) => {
    const sessions = sessionsOf(asOf).ofWeek(start);
    return { start, ...doneSum(asOf, sessions, liftWorkOf(asOf).ofWeek(start).volume) };
  });
}

/** The last four weeks as they were trained, their mean. */
export function usualWeek(asOf: AsOf): PlannedSum {
  const weeks = trainedWeeks(asOf, 4);
  const mean = (of: (week: PlannedSum) => number) => weeks.reduce((sum, week) => sum + of(week), 0) / weeks.length;
  return {
    numberOfLifts: mean(({ numberOfLifts }) => numberOfLifts),
    volumeLoadKg: mean(({ volumeLoadKg }) => volumeLoadKg),
    minutes: mean(({ minutes }) => minutes),
    metres: mean(({ metres }) => metres),
  };
}

/** What some sessions hold as planned. */
export function plannedSum(asOf: AsOf, sessions: readonly Session[]): PlannedSum {
  const { numberOfLifts, volumeLoadKg } = liftWorkOf(asOf).plannedOf(sessions);
  return {
    numberOfLifts,
    volumeLoadKg,
    minutes: sessions.reduce((sum, session) => sum + (plannedEffort(session).minutes ?? 0), 0),
    metres: sessions.reduce((sum, { distance }) => sum + (distance?.planned?.metres ?? 0), 0),
  };
}

/**
 * What was done of some sessions: what was lifted in them, and minutes and distance of those that were performed.
 * @param volume what was lifted in them, where it is known already
 */
export function doneSum(
  asOf: AsOf,
  sessions: readonly Session[],
  { numberOfLifts, volumeLoadKg }: Pick<Volume, "numberOfLifts" | "volumeLoadKg"> = liftWorkOf(asOf).of(sessions)
    .volume,
): PlannedSum {
  const performed = sessions.filter((session) => wasPerformed(session, asOf.on));
  return {
    numberOfLifts,
    volumeLoadKg,
    minutes: performed.reduce((sum, session) => sum + (sessionMinutes(session) ?? 0), 0),
    metres: performed.reduce((sum, { distance }) => sum + (distance?.done?.metres ?? 0), 0),
  };
}
