import { mustDay } from "../base/calendar/day";
import { kinds } from "./kinds/all";
import type { OneADay } from "./kinds/kind";
import type { LogIndex } from "./logIndex";
import type { AnyRecord, RecordKind } from "./records";

/** Of which records of a kind a person has at most one a day; null where any number can stand. */
export function oneADayOf(kind: RecordKind): OneADay<AnyRecord> | null {
  const known = kinds[kind];
  return known.belongsTo === "day" ? (known.oneADay as OneADay<AnyRecord> | null) : null;
}

/** The one of a day's records, given in order of time and id, that stands for the day; undefined without one. */
export function standing<R extends AnyRecord>(
  { is, stands }: OneADay<AnyRecord>,
  records: readonly R[],
): R | undefined {
  return stands === "first" ? records.find(is) : records.findLast(is);
}

/**
 * The record of a person's day that is the same as a record whatever their ids, being the one that there is a day;
 * undefined where there is none or any number can stand.
 * @param counts which of the records held may stand
 */
export function sameDayRecord(
  index: LogIndex,
  kind: RecordKind,
  personId: string,
  record: AnyRecord,
  counts: (held: AnyRecord) => boolean = () => true,
): AnyRecord | undefined {
  const rule = oneADayOf(kind);
  if (rule === null || !rule.is(record)) return undefined;
  const { date } = record as { date: string };
  return standing(rule, (index.on(kind as "weighIns", personId, mustDay(date)) as readonly AnyRecord[]).filter(counts));
}
