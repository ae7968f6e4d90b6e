/**
 * What a stamp looks like: an instant, a counter and a database's short name, without more than 40 letters of the last.
 */
const stampPattern = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z\/[0-9a-z]{4,8}\/[^/]{0,40}$/;

/**
 * How far a clock may be ahead of ours before its stamps are not believed, milliseconds: a day and a half, for a clock
 * set to another zone or date.
 */
const aheadAtMost = 129_600_000;

/** Whether a text is a stamp of this log at all. */
export function isStamp(text: string): boolean {
  return stampPattern.test(text) && !Number.isNaN(Date.parse(text.slice(0, 24)));
}

/**
 * A stamp that can be believed: the one given, one of now where it lies further ahead than a clock may, or undefined
 * where it is none.
 * @param nowMs wall clock, milliseconds since 1970
 */
export function soundStamp(stamp: string | null | undefined, nowMs: number): string | undefined {
  if (typeof stamp !== "string" || !isStamp(stamp)) return undefined;
  if (Date.parse(stamp.slice(0, 24)) <= nowMs + aheadAtMost) return stamp;
  return `${new Date(nowMs).toISOString()}/0000/${stamp.split("/")[2]}`;
}

/**
 * A hybrid logical clock stamp: `2026-05-01T06:10:00.123Z/0003/k3f9`, so that plain text order is the order of writing,
 * also across machines whose clocks differ, and a stamp made after reading another is always later than it.
 * Source: Kulkarni et al., Logical Physical Clocks, 2014 (from memory).
 * @param seen stamps it must be later than; those that cannot be believed do not count
 * @param nowMs wall clock, milliseconds since 1970
 * @param node a short name of this database, free of `/`
 */
export function nextStamp(seen: readonly (string | null | undefined)[], nowMs: number, node: string): string {
  const previous = seen
    .map((stamp) => soundStamp(stamp, nowMs) ?? "")
    .reduce((latest, stamp) => (stamp > latest ? stamp : latest), "");
  const [before = "", count = "0"] = previous.split("/");
  const now = new Date(nowMs).toISOString();
  const ahead = before >= now;
  const counter = ahead ? Number.parseInt(count, 36) + 1 : 0;
  return `${ahead ? before : now}/${counter.toString(36).padStart(4, "0")}/${node}`;
}

/** The record with a stamp that can be believed, or without one: the same object where nothing is wrong. */
export function withSoundStamp<R extends { changed?: unknown }>(record: R, nowMs: number): R {
  if (record.changed === undefined || record.changed === null) return record;
  const sound = soundStamp(record.changed as string, nowMs);
  if (sound === record.changed) return record;
  const { changed: _changed, ...rest } = record;
  return (sound === undefined ? rest : { ...rest, changed: sound }) as R;
}
