import type { Beaten } from "../strength/strengthRecords";

/** What makes a record the same one: the lift, what it is of, and its load. */
const keyOf = (one: Beaten): string => `${one.exerciseId} ${one.what} ${one.what === "reps" ? one.reps : ""} ${one.kg}`;

/**
 * The records to be announced: those beaten since they were last looked at. A day's volume load is none, since every
 * further set would beat it again.
 * @param before the records of the day as they stood last; null when the session has just been opened, and nothing is
 *   news
 */
export function newRecords<B extends Beaten>(before: readonly B[] | null, now: readonly B[]): B[] {
  if (before === null) return [];
  const known = new Set(before.map(keyOf));
  return now.filter((one) => one.what !== "volume" && !known.has(keyOf(one)));
}
