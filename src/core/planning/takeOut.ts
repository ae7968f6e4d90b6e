import type { Log } from "../log/log";
import { put } from "../log/records";
import type { Removing } from "../log/removal";
import { firstDateOf } from "../sessions/firstPlan";
import { titleOf } from "../sessions/title";

/**
 * A session removed by hand. A standard week of which it was laid goes on knowing that, so that it is not laid there
 * again.
 * @returns null when it is not in the log
 */
export function takingOut(log: Log, id: string): Removing | null {
  const session = log.records.sessions.get(id);
  if (session === undefined) return null;
  const { date, standardWeekId, status } = session;
  const title = titleOf(session);
  const week = standardWeekId == null ? undefined : log.records.standardWeeks.get(standardWeekId);
  const isPlan = status !== "done" && status !== "partly";
  const noted =
    week === undefined || !isPlan
      ? []
      : [
          put(
            "standardWeeks",
            { ...week, leftOut: [...(week.leftOut ?? []), { date: firstDateOf(session), title }].slice(-2000) },
            week,
          ),
        ];
  return { change: [{ remove: { kind: "sessions", id, date } }, ...noted], label: `${title} removed` };
}
