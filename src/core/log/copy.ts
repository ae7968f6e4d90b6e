import { emptyLog, putRecord, removeRecord, setAside, type Log } from "./log";
import { recordKinds } from "./kinds/all";

/** The same records in a log of its own, of which nothing is computed yet. */
export function copyOf(log: Log): Log {
  const copy = emptyLog(log.extra);
  for (const tombstone of log.removed.values()) removeRecord(copy, tombstone);
  for (const kind of recordKinds) for (const record of log.records[kind].values()) putRecord(copy, kind, record);
  for (const unread of log.unread) setAside(copy, unread);
  return copy;
}
