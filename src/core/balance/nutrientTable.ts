import { dateOf, type Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { addUp, type FullNutrients, scale } from "../nutrition/energy";
import { foodDays } from "../nutrition/foodDay";
import { measuredOf } from "./measured";

/** What was eaten and drunk on a day. */
export interface NutrientDay {
  date: string;
  nutrients: FullNutrients;
  /** Null where the energy of something eaten is not known. */
  kcal: number | null;
  waterMl: number;
  targetKcal: number | null;
  /** Whether all that was eaten is written: only such days are in the mean. */
  isWhole: boolean;
}

export interface NutrientTable {
  /** The days on which something was eaten or drunk, the latest first. */
  days: NutrientDay[];
  /** What was eaten a day on whole days; null where there is none. */
  mean: { days: number; nutrients: FullNutrients } | null;
}

/** Nutrients by day over any stretch, both ends counted in, and their mean over whole days. */
export function nutrientTable(asOf: AsOf, from: Day, to: Day): NutrientTable {
  const days = foodDays(asOf, from, to)
    .toReversed()
    .map(({ day, eaten, eatenKcal, waterMl, target }): NutrientDay => ({
      date: dateOf(day),
      nutrients: eaten,
      kcal: eatenKcal,
      waterMl,
      targetKcal: "reason" in target ? null : target.kcal,
      isWhole: "kcal" in measuredOf(asOf).wholeOn(day),
    }));
  const whole = days.filter(({ isWhole }) => isWhole).map(({ nutrients }) => nutrients);
  return {
    days,
    mean: whole.length === 0 ? null : { days: whole.length, nutrients: scale(addUp(whole), 1 / whole.length) },
  };
}
