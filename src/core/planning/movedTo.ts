import type { Session } from "../log/kinds/sessions";

/**
 * A planned session on another day. It remembers the day on which it was first planned; one that was skipped or missed is
 * planned again.
 */
export function movedTo(session: Session, date: string): Session {
  const { reason: _reason, movedFrom, ...kept } = session;
  const first = movedFrom ?? session.date;
  return { ...kept, date, status: "planned", ...(first === date ? {} : { movedFrom: first }) };
}
