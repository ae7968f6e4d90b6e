import { mustDay } from "@/core/base/calendar/day";
import { AsOf } from "@/core/log/asOf";
import { emptyLog, type Log, putRecord } from "@/core/log/log";
import type { AnyRecord, RecordKind } from "@/core/log/records";

type Records = Partial<Record<RecordKind, object[]>>;

/** A small log of one person, "p", by hand: what a record leaves out of its id and person is filled in. */
export function smallLog(records: Records): Log {
  const log = emptyLog();
  const all: Records = { people: [{ id: "p", name: "Ana" }], ...records };
  for (const [kind, list] of Object.entries(all))
    list.forEach((record, index) =>
      putRecord(
        log,
        kind as RecordKind,
        { id: `${kind}-${index + 1}`, personId: "p", ...record } as unknown as AnyRecord,
      ),
    );
  return log;
}

/** The same as of a day. */
export const smallAsOf = (date: string, records: Records): AsOf => new AsOf(smallLog(records), "p", mustDay(date));

/** A weigh-in a day from a date on. */
export function weighedFrom(date: string, ...kgs: number[]): object[] {
  const [first, time] = [Date.parse(`${date}T00:00:00Z`), 86_400_000];
  return kgs.map((kg, index) => ({
    date: new Date(first + index * time).toISOString().slice(0, 10),
    kg,
    primary: true,
  }));
}
