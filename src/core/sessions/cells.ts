import type { Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { effectiveStatus, wasPerformed } from "./adherence";
import type { sessionColumns } from "./columns";
import { sessionsOf } from "./slice";

/** A day's sessions in words, each that was not performed with what became of it. */
export function sessionCells(asOf: AsOf, day: Day): Record<(typeof sessionColumns)[number]["id"], string> {
  const told = sessionsOf(asOf)
    .on(day)
    .map(
      (session) =>
        `${session.title ?? session.kind}${wasPerformed(session, asOf.on) ? "" : ` (${effectiveStatus(session, asOf.on)})`}`,
    );
  return { sessions: told.join(", ") };
}
