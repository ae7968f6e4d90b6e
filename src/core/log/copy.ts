import { recordKinds } from "./kinds/all";
import { emptyLog, type Log, putRecord, removeRecord, setAside } from "./log";

/** The same records in a log of its own, of which nothing is computed yet. */
export function copyOf(log: Log): Log {
  const copy = emptyLog(log.extra);
  for (const tombstone of log.removed.values()) removeRecord(copy, tombstone);
  for (const kind of recordKinds) for (const record of log.records[kind].values()) putRecord(copy, kind, record);
  for (const unread of log.unread) setAside(copy, unread);
  return copy;
}
