import { groupBy } from "../base/calendar/groupBy";
import type { Covered } from "../sessions/covered";
import { pacePerKm } from "../sessions/covered";

/** Totals over sessions of one kind and purpose. */
export interface DistanceTotal {
  kind: string;
  purpose: string | null;
  /** Sessions that were planned (whatever became of them) and sessions performed. */
  planned: number;
  done: number;
  metres: number;
  seconds: number;
  /** Σ time / Σ distance over the sessions that have both; null when none has. Never a mean of paces. */
  secondsPerKm: number | null;
}

/** Rowing split: seconds per 500 m. */
export function splitPer500(metres: number, seconds: number): number {
  return (seconds / metres) * 500;
}

/** Session load: effort (0–10) × minutes. Source: Foster et al. 2001, J Strength Cond Res 15:109. */
export function sessionLoad(effort: number, minutes: number): number {
  return effort * minutes;
}

/** Totals by kind and purpose, kinds and purposes in alphabetical order. */
export function totalsByPurpose(
  sessions: readonly { kind: string; purpose: string | null; planned: boolean; done: Covered | null }[],
): DistanceTotal[] {
  const groups = groupBy(sessions, ({ kind, purpose }) => JSON.stringify([kind, purpose]));
  return [...groups.entries()]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, members]) => {
      const pieces = members.flatMap(({ done }) => (done === null ? [] : [done]));
      return {
        kind: members[0]!.kind,
        purpose: members[0]!.purpose,
        planned: members.filter(({ planned }) => planned).length,
        done: pieces.length,
        metres: pieces.reduce((sum, { metres }) => sum + (metres ?? 0), 0),
        seconds: pieces.reduce((sum, { seconds }) => sum + (seconds ?? 0), 0),
        secondsPerKm: pacePerKm(pieces),
      };
    });
}
