import type { Session, TrainingSet } from "@/core/log/kinds/sessions";
import { withSet } from "@/core/sessions/sets";
import { performedAs } from "@/core/training/perform";

/** Saves what was done in a set of a session otherwise than it stands, or, given nothing, the set as open again. */
export function saveDone(
  session: Session,
  item: { id: string; name: string },
  setId: string,
  save: (next: Session, label: string) => Promise<boolean>,
): (done: TrainingSet["done"]) => Promise<boolean> {
  return (done) =>
    save(
      withSet(session, item.id, setId, (one) => performedAs(one, done ?? null)),
      `${item.name}, ${done ? "set changed" : "set open again"}`,
    );
}
