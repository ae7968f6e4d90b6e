import { dateOf, mustDay, weekStartOf } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import { AsOf } from "../log/asOf";
import { adherence } from "./adherence";
import { sessionsOf } from "./slice";

/** Adherence of every week that holds a session, up to the week of the day asked about. */
function adherenceSection(asOf: AsOf) {
  return [
    ...groupBy(sessionsOf(asOf).between(-Infinity, asOf.on), ({ date }) => weekStartOf(mustDay(date), asOf.weekStart)),
  ].map(([start, sessions]) => {
    const counts = adherence(sessions, asOf.on);
    return { weekStart: dateOf(start), ...counts, ...(counts.share === null ? { reason: "nothing was planned" } : {}) };
  });
}

/** The contract's figures of how the plan was kept. */
export function sessionsContract(asOf: AsOf) {
  return {
    adherence: adherenceSection(asOf),
  };
}
