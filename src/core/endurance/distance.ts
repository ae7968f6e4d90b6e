import { groupBy } from "../base/calendar/groupBy";

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

export interface Covered {
  metres: number | null;
  seconds: number | null;
}

/** Pace over several pieces together: Σ seconds / Σ metres × 1000, over those that have both. */
export function pacePerKm(pieces: readonly Covered[]): number | null {
  const both = pieces.filter(({ metres, seconds }) => metres !== null && metres > 0 && seconds !== null);
  const metres = both.reduce((sum, piece) => sum + piece.metres!, 0);
  return metres === 0 ? null : (both.reduce((sum, piece) => sum + piece.seconds!, 0) / metres) * 1000;
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
