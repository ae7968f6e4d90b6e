import type { Day } from "../base/calendar/day";
import type { Session } from "../log/kinds/sessions";
import { wasPerformed } from "./adherence";

export interface Covered {
  metres: number | null;
  seconds: number | null;
}

/** A distance as it is written of a session, what is not said left null; null where none is. */
export function coveredIn(
  written: { metres?: number | null; seconds?: number | null } | null | undefined,
): Covered | null {
  return written ? { metres: written.metres ?? null, seconds: written.seconds ?? null } : null;
}

/** Pace over several pieces together: Σ seconds / Σ metres × 1000, over those that have both. */
export function pacePerKm(pieces: readonly Covered[]): number | null {
  const both = pieces.filter(({ metres, seconds }) => metres !== null && metres > 0 && seconds !== null);
  const metres = both.reduce((sum, piece) => sum + piece.metres!, 0);
  return metres === 0 ? null : (both.reduce((sum, piece) => sum + piece.seconds!, 0) / metres) * 1000;
}

/** Distance and time of a session that was performed, or null. */
export function coveredBy(session: Session, on: Day): Covered | null {
  if (!wasPerformed(session, on) || !session.distance) return null;
  return coveredIn(session.distance.done ?? {});
}
