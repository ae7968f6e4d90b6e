import type { Item, Session, TrainingSet } from "../log/kinds/sessions";

/** One set of a session where it stands in the order of doing. */
export interface Step {
  item: Item;
  set: TrainingSet;
  itemIndex: number;
  setIndex: number;
}

/**
 * The sets of a session in the order in which they are done: exercise after exercise, those of one superset in turn, a
 * set of each. Warm-ups come before, each exercise's own. An exercise that was left out has no open sets.
 */
export function stepsOf(session: Session): Step[] {
  const items = session.items ?? [];
  const steps: Step[] = [];
  for (let at = 0; at < items.length;) {
    const together = items[at]!.superset ?? null;
    let end = at + 1;
    while (together !== null && end < items.length && items[end]!.superset === together) end++;
    const run = items
      .slice(at, end)
      .map((item, index) => item.sets.map((set, setIndex): Step => ({ item, set, itemIndex: at + index, setIndex })));
    for (const sets of run) steps.push(...sets.filter(({ set }) => set.warmUp));
    const working = run.map((sets) => sets.filter(({ set }) => !set.warmUp));
    for (let round = 0; round < Math.max(...working.map(({ length }) => length)); round++)
      for (const sets of working) if (sets[round]) steps.push(sets[round]!);
    at = end;
  }
  return steps;
}

/** Whether a set still waits to be done. */
function isOpen({ item, set }: Step): boolean {
  return !set.done && item.skipped == null;
}

/**
 * The set to do next: the first open one after the last done, else the first open one before it; null when none is
 * open.
 */
export function nextStep(session: Session): Step | null {
  const steps = stepsOf(session);
  const last = steps.findLastIndex(({ set }) => set.done);
  return steps.slice(last + 1).find(isOpen) ?? steps.find(isOpen) ?? null;
}
