import type { Day } from "../base/calendar/day";
import { memoByKey, perOwner } from "../base/memo";
import type { AsOf } from "../log/asOf";
import { sessionsOf } from "../sessions/slice";
import type { strengthColumns } from "./columns";
import { strengthOf } from "./slice";
import { workOf } from "./volume";

/** Volume load of a day, kept by itself: a weigh-in changes the trend of every day, and hardly any day's volume. */
const volumeOn = perOwner((asOf: AsOf) =>
  memoByKey(asOf.index, (day: Day) => {
    const sets = sessionsOf(asOf)
      .on(day)
      .flatMap((session) => strengthOf(asOf).setsOf(session));
    return workOf(sets, strengthOf(asOf).counting()).volumeLoadKg;
  }),
);

/** What a day's cells of the columns of lifting say, in the trainee's units; empty where there is nothing. */
export function strengthCells(asOf: AsOf, day: Day): Record<(typeof strengthColumns)[number]["id"], string> {
  const volume = volumeOn(asOf)(day);
  return { volume: volume > 0 ? asOf.printer.volumeLoadNumber(volume) : "" };
}
