import type { Session, TrainingSet } from "../log/kinds/sessions";

/**
 * Whether anything was asked of a set. A set added on the day, to be done as it comes, has a plan that says nothing.
 */
export function hasPlan({ planned }: Pick<TrainingSet, "planned">): boolean {
  return planned != null && Object.values(planned).some((value) => value != null);
}

/** Whether some set or some part of a session is done. */
export function isBegun({ items, steps }: Pick<Session, "items" | "steps">): boolean {
  return (
    (items ?? []).some(({ sets }) => sets.some(({ done }) => done)) || (steps ?? []).some(({ done }) => (done ?? 0) > 0)
  );
}

/** Whether a session can go to another day: nothing of it is done. One that was skipped or missed can. */
export function canMove(session: Pick<Session, "status" | "items" | "steps">): boolean {
  return session.status !== "done" && session.status !== "partly" && !isBegun(session);
}
