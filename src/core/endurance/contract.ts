import { dateOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { dailyLoads, distanceTotals } from "./distances";

/** The contract's figures of distances and of session load. */
export function enduranceContract(asOf: AsOf) {
  return {
    distance: distanceTotals(asOf),
    load: dailyLoads(asOf, -Infinity, asOf.on).map(({ day, sessionLoad }) => ({
      date: dateOf(day),
      sessionLoad,
    })),
  };
}
