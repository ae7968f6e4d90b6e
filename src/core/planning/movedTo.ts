import type { Session } from "../log/kinds/sessions";
import { firstDateOf } from "../sessions/firstPlan";

/**
 * A planned session on another day. It remembers the day on which it was first planned; one that was skipped or missed is
 * planned again.
 */
export function movedTo(session: Session, date: string): Session {
  const { reason: _reason, movedFrom: _movedFrom, ...kept } = session;
  const first = firstDateOf(session);
  return { ...kept, date, status: "planned", ...(first === date ? {} : { movedFrom: first }) };
}
