import type { Session } from "../log/kinds/sessions";
import { plannedItems } from "./moves";
import { expected } from "./plannedOn";

type Step = NonNullable<Session["steps"]>[number];

/**
 * A session as it would have been performed, as a plan of it: what was done of each set is asked for (its percentage, where
 * it was written as one), a distance and its pieces are to be covered, minutes and effort are expected.
 */
export function asPlan({
  minutes,
  effort,
  distance,
  repeats,
  items,
  kcal: _,
  feel: _feel,
  ...session
}: Session): Session {
  const done = distance?.done;
  const seconds = done?.seconds ?? null;
  const length = minutes ?? (seconds === null ? null : seconds / 60);
  const steps = stepsOf(repeats ?? []);
  return {
    ...session,
    status: "planned",
    ...expected({ minutes: length, effort }),
    ...(distance == null
      ? {}
      : {
          distance: {
            ...(done == null ? {} : { planned: done }),
            ...(distance.purpose == null ? {} : { purpose: distance.purpose }),
          },
        }),
    ...(steps.length === 0 ? {} : { steps }),
    ...(items == null
      ? {}
      : {
          items: plannedItems(items).map((item, at) => ({
            ...item,
            id: items[at]!.id,
            sets: item.sets.map((set, index) => ({ ...set, id: items[at]!.sets[index]!.id })),
          })),
        }),
  };
}

/** Pieces as steps: equal ones one after another as one with their number, at the pace that was written. */
function stepsOf(repeats: NonNullable<Session["repeats"]>): Step[] {
  const steps: Step[] = [];
  for (const { metres, seconds, restSeconds } of repeats) {
    const paced = metres != null && seconds != null && metres > 0;
    const step: Step = {
      times: 1,
      ...(metres == null ? {} : { metres }),
      ...(seconds == null || paced ? {} : { seconds }),
      ...(restSeconds == null ? {} : { rest: { seconds: restSeconds } }),
      ...(paced ? { target: { secondsPerKm: (seconds * 1000) / metres } } : {}),
    };
    const last = steps.at(-1);
    if (last !== undefined && JSON.stringify({ ...last, times: 1 }) === JSON.stringify(step))
      last.times = (last.times ?? 1) + 1;
    else steps.push(step);
  }
  return steps;
}
