import type { Day } from "../base/calendar/day";
import { type DatedKind, isDated, kinds, recordKinds } from "./kinds/all";
import type { Log } from "./log";
import type { AnyRecord } from "./records";

/** The last day with an entry of a person that tells of something performed or measured; null when there is none. */
export function lastEntryDay({ index }: Log, personId: string): Day | null {
  const days = recordKinds.filter(isDated).flatMap((kind) => {
    const { tells } = kinds[kind] as { tells: (record: AnyRecord) => boolean };
    const on = (day: Day) => index.on<DatedKind>(kind, personId, day) as readonly AnyRecord[];
    return index.days(kind, personId).findLast((day) => on(day).some(tells)) ?? [];
  });
  return days.length === 0 ? null : Math.max(...days);
}
