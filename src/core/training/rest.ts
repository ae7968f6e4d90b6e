import type { Step } from "../sessions/order";

/** A warm-up needs no longer rest than this, seconds, where it says none itself (common practice, no source). */
const warmUpRestSeconds = 60;

/**
 * How long to rest after a set, seconds; null where none follows. The set's own rest counts first, then the usual one,
 * cut short after a warm-up. In a superset the rest comes after its last exercise, unless the set itself says so.
 * @param next what is done next, null when nothing is left
 */
export function restAfter({ item, itemIndex, set }: Step, next: Step | null, usualSeconds: number): number | null {
  if (next === null) return null;
  if (set.restSeconds != null) return set.restSeconds;
  const straightOn =
    next.item.id !== item.id &&
    next.item.superset != null &&
    next.item.superset === item.superset &&
    next.itemIndex > itemIndex;
  if (straightOn) return null;
  return set.warmUp ? Math.min(warmUpRestSeconds, usualSeconds) : usualSeconds;
}
