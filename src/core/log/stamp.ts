/**
 * A hybrid logical clock stamp: `2026-05-01T06:10:00.123Z/0003/k3f9`, so that plain text order is the order of writing, also
 * across machines whose clocks differ, and a stamp made after reading another is always later than it.
 * Source: Kulkarni et al., Logical Physical Clocks, 2014 (from memory).
 * @param previous the latest stamp seen so far, or "" for none
 * @param nowMs wall clock, milliseconds since 1970
 * @param node a short name of this database, free of `/`
 */
export function nextStamp(previous: string, nowMs: number, node: string): string {
  const [seen = "", count = "0"] = previous.split("/");
  const now = new Date(nowMs).toISOString();
  const ahead = seen >= now;
  const counter = ahead ? Number.parseInt(count, 36) + 1 : 0;
  return `${ahead ? seen : now}/${counter.toString(36).padStart(4, "0")}/${node}`;
}
