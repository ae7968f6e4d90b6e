import { dateOf, mustDay } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import type { Cycle } from "../log/kinds/cycles";
import { estimateMaximum } from "../strength/e1rm";
import { bodyPartOf } from "../strength/sets";
import { strengthOf } from "../strength/slice";
import { cycleMaxima } from "./cycle";
import { columnsOf } from "./cycleEdit";
import { groundOf } from "./cycleStanding";
import { planningOf } from "./slice";

/** A maximum as the next cycle takes it. */
export interface RenewedMaximum {
  exerciseId: string;
  name: string;
  beforeKg: number | null;
  /** As the sets of as many repetitions as possible have shown it, else as it was. */
  afterKg: number | null;
  /** The set that shows it; null where none was done. */
  shownBy: { date: string; kg: number; reps: number } | null;
}

/**
 * The cycle after a cycle: a copy that begins on the day after it ends, each maximum the highest that its sets of as many
 * repetitions as possible have shown by the formula in force, be it lower than before; a lift without such a set keeps the
 * maximum it had.
 */
export function nextCycle(asOf: AsOf, cycle: Cycle, newId: () => string): { cycle: Cycle; renewed: RenewedMaximum[] } {
  const maxima = cycleMaxima(cycle, groundOf(asOf, cycle));
  const renewed = columnsOf(cycle).map((exerciseId): RenewedMaximum => {
    const shown = shownIn(asOf, cycle, exerciseId);
    const beforeKg = maxima(exerciseId);
    return {
      exerciseId,
      name: strengthOf(asOf).exercises().get(exerciseId)?.name ?? exerciseId,
      beforeKg,
      afterKg: shown?.maximumKg ?? beforeKg,
      shownBy: shown === null ? null : { date: shown.date, kg: shown.kg, reps: shown.reps },
    };
  });
  const { id: _id, revision: _revision, changed: _changed, easyWeeks, note: _note, ...copied } = cycle;
  return {
    renewed,
    cycle: {
      ...copied,
      id: newId(),
      name: nextName(cycle.name),
      startDate: dateOf(mustDay(cycle.startDate) + 7 * cycle.weeks),
      ...(easyWeeks == null ? {} : { easyWeeks }),
      maxima: renewed.map(({ exerciseId, afterKg }) => ({ exerciseId, ...(afterKg === null ? {} : { kg: afterKg }) })),
      entries: (cycle.entries ?? []).map((entry) => ({ ...entry, id: newId() })),
    },
  };
}

/** `Winter strength` is followed by `Winter strength 2`, that by `Winter strength 3`. */
function nextName(name: string): string {
  const numbered = /^(.*\s)(\d{1,3})$/.exec(name);
  return numbered === null ? `${name} 2` : `${numbered[1]!}${Number(numbered[2]) + 1}`;
}

function shownIn(
  asOf: AsOf,
  cycle: Cycle,
  exerciseId: string,
): { maximumKg: number; date: string; kg: number; reps: number } | null {
  const strength = strengthOf(asOf);
  const exercise = strength.exercises().get(exerciseId);
  if (exercise === undefined) return null;
  let best: { maximumKg: number; date: string; kg: number; reps: number } | null = null;
  for (const session of planningOf(asOf).sessionsOfCycle(cycle.id)) {
    if (mustDay(session.date) > asOf.on) continue;
    const body = bodyPartOf(exercise, weightOf(asOf).on(mustDay(session.date)));
    for (const { planned, done, warmUp } of (session.items ?? [])
      .filter((item) => item.exerciseId === exerciseId)
      .flatMap(({ sets }) => sets)) {
      if (warmUp || planned?.asManyAsPossible !== true || done?.kg == null || done.reps == null) continue;
      const estimate = estimateMaximum(strength.factorFor(exerciseId), done.kg + body, done.reps);
      if ("reason" in estimate || (best !== null && estimate.kg - body <= best.maximumKg)) continue;
      best = { maximumKg: estimate.kg - body, date: session.date, kg: done.kg, reps: done.reps };
    }
  }
  return best;
}
