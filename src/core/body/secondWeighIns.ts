import type { Day } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import { z80 } from "./trend";
import { isFarOff, mean } from "./weighIns";

/** A second weigh-in of a day, with the morning's where there is one. */
export interface SecondWeighed {
  day: Day;
  time: string | null;
  kg: number;
  morningKg: number | null;
}

/**
 * How much the second weigh-ins run above the mornings of the same days: mean difference, its 80 % interval, and how
 * far single ones scatter.
 */
export interface SecondOffset {
  offset: number;
  low80: number;
  high80: number;
  sd: number;
  days: number;
  from: Day;
  to: Day;
}

/** Fewer pairs, and nothing is said. */
const pairsAtLeast = 5;
/** The offset is estimated over the last so many pairs: habits change. */
const pairsAtMost = 120;

/**
 * Offset of the second weigh-ins, which are a series of their own and never enter the trend: the mean of second less
 * morning over days that have both, so that the water of the day falls out. Differences taken for gross errors are left
 * out.
 */
export function secondWeighInOffset(seconds: readonly SecondWeighed[]): SecondOffset | { reason: string } {
  const single = seconds.flatMap(({ day, kg, morningKg }) =>
    morningKg === null || isFarOff(kg, morningKg) ? [] : [{ day, above: kg - morningKg }],
  );
  // Several of a day share its morning and its water: they are one day, by their mean.
  const pairs = [...groupBy(single, ({ day }) => day)]
    .map(([day, some]) => ({ day, above: mean(some.map(({ above }) => above)) }))
    .slice(-pairsAtMost);
  if (pairs.length < pairsAtLeast)
    return {
      reason: `${pairsAtLeast} days with both a morning and a second weigh-in are needed; there ${pairs.length === 1 ? "is 1" : `are ${pairs.length}`}`,
    };
  const offset = mean(pairs.map(({ above }) => above));
  const sd = Math.sqrt(pairs.reduce((sum, { above }) => sum + (above - offset) ** 2, 0) / (pairs.length - 1));
  const half = (studentAt90(pairs.length - 1) * sd) / Math.sqrt(pairs.length);
  return {
    offset,
    low80: offset - half,
    high80: offset + half,
    sd,
    days: pairs.length,
    from: pairs[0]!.day,
    to: pairs.at(-1)!.day,
  };
}

/**
 * Point below which 90 % of Student's t lie: the series in 1/ν of Abramowitz & Stegun 26.7.5, right to 0.01 from four
 * degrees of freedom on.
 */
export function studentAt90(freedom: number): number {
  const z = z80;
  return (
    z +
    (z ** 3 + z) / (4 * freedom) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * freedom ** 3)
  );
}
