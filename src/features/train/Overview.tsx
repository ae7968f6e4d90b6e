"use client";

import type { Session } from "@/core/log/kinds/sessions";
import { withSet } from "@/core/sessions/sets";
import { withJoined, withMoved } from "@/core/training/change";
import { performedAs } from "@/core/training/perform";
import type { TrainingView } from "@/core/training/trainingView";
import { Dialog } from "@/ui/kit/Dialog";
import { LinkButton } from "@/ui/kit/LinkButton";
import { usePrinter } from "@/ui/usePrinter";
import { printSet } from "./printSet";

/** All sets of the session: to go to an open one, or to open a done one again. */
export function Overview({
  view,
  onClose,
  choose,
  save,
}: {
  view: TrainingView;
  onClose: () => void;
  choose: (itemId: string, setId: string) => void;
  save: (next: Session, label: string) => Promise<boolean>;
}) {
  const printer = usePrinter();
  const { session, items } = view;
  return (
    <Dialog title={view.title} onClose={onClose}>
      {items.map((item, at) => (
        <section key={item.id} className="below">
          <h3 className="row">
            <span>
              {item.exercise.name}
              {item.superset !== null && <span className="quiet small"> superset {item.superset}</span>}
            </span>
            <span className="small row at-end">
              {at > 0 && (
                <LinkButton
                  aria-label={`${item.exercise.name} earlier`}
                  onClick={() => void save(withMoved(session, item.id, -1), `${item.exercise.name} earlier`)}
                >
                  ↑
                </LinkButton>
              )}
              {at < items.length - 1 && (
                <LinkButton
                  aria-label={`${item.exercise.name} later`}
                  onClick={() => void save(withMoved(session, item.id, 1), `${item.exercise.name} later`)}
                >
                  ↓
                </LinkButton>
              )}
              {at < items.length - 1 && (
                <LinkButton
                  onClick={() =>
                    void save(withJoined(session, item.id), `${item.exercise.name} and ${items[at + 1]!.exercise.name}`)
                  }
                >
                  {item.superset !== null && item.superset === items[at + 1]!.superset
                    ? "part from the next"
                    : "superset with the next"}
                </LinkButton>
              )}
            </span>
          </h3>
          {item.skipped !== null ? (
            <p className="quiet">
              Left out{item.skipped ? `: ${item.skipped}` : ""}.{" "}
              <LinkButton
                onClick={() =>
                  void save(
                    {
                      ...session,
                      items: session.items!.map((one) => {
                        const { skipped: _skipped, ...kept } = one;
                        return one.id === item.id ? kept : one;
                      }),
                    },
                    `${item.exercise.name} again`,
                  )
                }
              >
                Take it up again
              </LinkButton>
            </p>
          ) : (
            item.sets.map((set, index) => (
              <p key={set.id} className="row between">
                <span className={set.done ? "done" : "planned"}>
                  {set.warmUp ? "warm-up" : `set ${index + 1}`}:{" "}
                  {set.done ? printSet(set.done, item.exercise, printer) : "open"}
                </span>
                {set.done ? (
                  <LinkButton
                    aria-label={`Open set ${index + 1} of ${item.exercise.name} again`}
                    onClick={() =>
                      void save(
                        withSet(session, item.id, set.id, (one) =>
                          performedAs({ ...one, planned: one.planned ?? {} }, null),
                        ),
                        `${item.exercise.name}, set open again`,
                      )
                    }
                  >
                    Open again
                  </LinkButton>
                ) : (
                  <LinkButton
                    aria-label={`Go to it: set ${index + 1} of ${item.exercise.name}`}
                    onClick={() => choose(item.id, set.id)}
                  >
                    Go to it
                  </LinkButton>
                )}
              </p>
            ))
          )}
        </section>
      ))}
      {items.length === 0 && <p className="quiet">No exercise yet.</p>}
    </Dialog>
  );
}
