import type { Day } from "../calendar/day";
import type { Maximum } from "../log/records";
import type { FormulaChoice } from "./e1rm";
import { isEligible, setMaximum, type BodyWeightOn, type PerformedSet } from "./sets";

/** A lift's estimated maximum with the set it stands on. */
export interface LiftMaximum { e1rmKg: number; set: PerformedSet; limitReps: number }

/** What is known of one lift: the highest eligible estimate ever, that of the latest session which has one, and the day last done. */
export interface LiftStanding { exerciseId: string; best: LiftMaximum | null; latest: LiftMaximum | null; lastDone: Day }

/** Estimates of the eligible sets of one lift, in the order of the sets given. */
export function eligibleMaxima(sets: readonly PerformedSet[], choice: FormulaChoice, bodyWeightOn: BodyWeightOn): LiftMaximum[] {
  return sets.filter(isEligible).flatMap((set) => {
    const estimate = setMaximum(set, choice, bodyWeightOn);
    return "reason" in estimate ? [] : [{ e1rmKg: estimate.kg, set, limitReps: estimate.limitReps }];
  });
}

/**
 * Best and latest estimated maximum of one lift.
 * @param sets every performed set of the lift, oldest day first; of equal estimates the earlier one keeps the place
 * @returns null when the lift was never done
 */
export function liftStanding(exerciseId: string, sets: readonly PerformedSet[], choice: FormulaChoice, bodyWeightOn: BodyWeightOn): LiftStanding | null {
  const worked = sets.filter((set) => set.reps > 0 || set.exercise.measure === "duration" || set.exercise.measure === "distance");
  const last = worked.at(-1);
  if (last === undefined) return null;
  const maxima = eligibleMaxima(sets, choice, bodyWeightOn);
  const latestDay = maxima.at(-1)?.set.day;
  return { exerciseId, best: highest(maxima), latest: highest(maxima.filter(({ set }) => set.day === latestDay)), lastDone: last.day };
}

function highest(maxima: readonly LiftMaximum[]): LiftMaximum | null {
  return maxima.reduce<LiftMaximum | null>((best, one) => (best === null || one.e1rmKg > best.e1rmKg ? one : best), null);
}

/**
 * The maximum in force on each day: the latest tested one, raised by any higher estimate since; without a test the highest
 * estimate so far. It looks back only, so a later maximum never rewrites an earlier figure.
 * @param maxima eligible estimates, oldest first
 * @returns the maximum in force on a day (that day's own sets included), or null when there is none yet
 */
export function maximumInForce(maxima: readonly LiftMaximum[], tested: readonly Pick<Maximum, "kg">[], testedDays: readonly Day[]): (day: Day) => number | null {
  const events = [
    ...maxima.map(({ e1rmKg, set }) => ({ day: set.day, kg: e1rmKg, test: false })),
    ...tested.map(({ kg }, index) => ({ day: testedDays[index]!, kg, test: true })),
  ].sort((a, b) => a.day - b.day || Number(b.test) - Number(a.test));
  let current: number | null = null;
  const steps: { day: Day; kg: number }[] = [];
  for (const event of events) {
    current = event.test || current === null ? event.kg : Math.max(current, event.kg);
    steps.push({ day: event.day, kg: current });
  }
  return (day) => {
    let low = 0;
    let high = steps.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (steps[middle]!.day <= day) low = middle + 1;
      else high = middle;
    }
    return steps[low - 1]?.kg ?? null;
  };
}
