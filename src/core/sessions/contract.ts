import { dateOf, mustDay, weekStartOf } from "../base/calendar/day";
import { AsOf } from "../log/asOf";
import { sessionsOf } from "./slice";

/** Adherence of every week that holds a session, or held one that was moved, up to the week of the day asked about. */
function adherenceSection(asOf: AsOf) {
  const held = sessionsOf(asOf).between(-Infinity, asOf.on);
  const left = sessionsOf(asOf).awayDays();
  const days = [...held.map(({ date }) => mustDay(date)), ...left.filter((day) => day <= asOf.on)];
  return [...new Set(days.map((day) => weekStartOf(day, asOf.weekStart)))]
    .sort((a, b) => a - b)
    .map((start) => {
      const counts = sessionsOf(asOf).adherence(start, start + 6);
      return {
        weekStart: dateOf(start),
        ...counts,
        ...(counts.share === null ? { reason: "nothing was planned" } : {}),
      };
    });
}

/** The contract's figures of how the plan was kept. */
export function sessionsContract(asOf: AsOf) {
  return {
    adherence: adherenceSection(asOf),
  };
}
