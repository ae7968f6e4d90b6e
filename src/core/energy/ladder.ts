import { dateOf, type Day, mustDay } from "../base/calendar/day";
import { z80 } from "../body/trend";
import { leastSquares } from "../base/numeric/regression";
import { weightOf } from "../body/slice";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { Estimate } from "../log/kinds/energySettings";
import { estimateTimes, expenditureOn } from "./expenditure";
import { energyOf } from "./slice";

/** An estimate is held for so long before it is looked at, and then again: two weeks (common practice, no source). */
export const ladderDays = 14;

/**
 * The ladder: who loses begins with the high estimate of what is spent, holds it for two weeks at least, and steps down only
 * if the weight moves slower than the plan asks; who gains begins with the low one and steps up.
 */
export interface Ladder {
  step: Estimate;
  since: string;
  /** Days held so far, today included. */
  days: number;
  /** What the plan asks, kilograms a week. */
  askedKgPerWeek: number;
  /** What the last day of looking showed; null before the first. */
  look: Look | null;
  nextLook: string;
  /** The step to be taken, what it makes of the day's energy, and what that is more or less. */
  proposal: { step: Estimate; kcal: number; changeKcal: number } | null;
  /** Whether the last step is reached and the weight moves too slowly still. */
  ended: boolean;
}

/**
 * What the mornings from the first day of a step to a day of looking show: the slope of the straight line through them by
 * least squares, with half of its 80 % interval; or why that cannot be said.
 */
type Look = { date: string } & (
  | {
      kgPerWeek: number;
      half80: number;
      mornings: number;
      /** Whether the weight moves slower than the plan asks. */
      isSlow: boolean;
    }
  | { reason: string }
);

/** So many of two weeks' mornings a look rests on at least (our judgement). */
const looksNeed = 7;

const downwards: readonly Estimate[] = ["high", "middle", "low"];

/** Where a person stands on the ladder; null where no estimate is held, or nothing says which way it leads. */
export function ladderOf(asOf: AsOf): Ladder | null {
  const { on } = asOf;
  const settings = energyOf(asOf).settingsOn(on);
  const expenditure = expenditureOn(asOf, on);
  const line = goalsOf(asOf).line();
  const { estimate: step, estimateSince } = settings ?? {};
  if (step == null || estimateSince == null || "reason" in expenditure || expenditure.takenOn !== null) return null;
  if ("reason" in line || on >= line.deadline || line.kgPerWeek === 0) return null;
  const since = mustDay(estimateSince);
  const base = Math.max(since, settings?.estimateHeld == null ? since : mustDay(settings.estimateHeld));
  const looks = Math.floor((on - base) / ladderDays);
  const look = looks < 1 ? null : lookOn(asOf, since, base + looks * ladderDays, line.kgPerWeek);
  const isSlow = look !== null && "isSlow" in look && look.isSlow;
  const order = line.kgPerWeek < 0 ? downwards : downwards.toReversed();
  const next = order[order.indexOf(step) + 1];
  const kcal = next === undefined ? null : expenditure.byFormula * estimateTimes[next];
  return {
    step,
    since: estimateSince,
    days: on - since + 1,
    askedKgPerWeek: line.kgPerWeek,
    look,
    nextLook: dateOf(base + (Math.max(looks, 0) + 1) * ladderDays),
    proposal:
      isSlow && next !== undefined && kcal !== null ? { step: next, kcal, changeKcal: kcal - expenditure.kcal } : null,
    ended: isSlow && next === undefined,
  };
}

function lookOn(asOf: AsOf, since: Day, on: Day, askedKgPerWeek: number): Look {
  const date = dateOf(on);
  const mornings = Array.from({ length: on - since + 1 }, (_, at) => since + at).flatMap((day) => {
    const kg = weightOf(asOf).primaryOn(day)?.kg;
    return kg === undefined ? [] : [{ y: kg, x: [(day - since) / 7, 1], variance: 1 }];
  });
  const line = mornings.length < looksNeed ? null : leastSquares(mornings);
  if (line === null) return { date, reason: `fewer than ${looksNeed} mornings were weighed` };
  const kgPerWeek = line.coefficients[0]!;
  return {
    date,
    kgPerWeek,
    half80: z80 * Math.sqrt(line.covariance[0]![0]!),
    mornings: mornings.length,
    isSlow: kgPerWeek * Math.sign(askedKgPerWeek) < Math.abs(askedKgPerWeek),
  };
}
