import type { Session } from "../log/kinds/sessions";

/** Minutes of a performed session: as written, else its timed distance; null when neither is known. */
export function sessionMinutes(session: Session): number | null {
  return session.minutes ?? (session.distance?.done?.seconds != null ? session.distance.done.seconds / 60 : null);
}
