import type { Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { coveredBy } from "../sessions/covered";
import { sessionsOf } from "../sessions/slice";
import type { enduranceColumns } from "./columns";

/** What a day's cells of the columns of distances say, in the trainee's units; empty where there is nothing. */
export function enduranceCells(asOf: AsOf, day: Day): Record<(typeof enduranceColumns)[number]["id"], string> {
  const metres = sessionsOf(asOf)
    .on(day)
    .reduce((sum, session) => sum + (coveredBy(session, asOf.on)?.metres ?? 0), 0);
  return { distance: metres > 0 ? asOf.printer.distance(metres).split(" ")[0]! : "" };
}
