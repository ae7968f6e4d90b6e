import { dateOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { foodDays } from "./foodDay";

/** The contract's figures of food. */
export function nutritionContract(asOf: AsOf) {
  return {
    food: foodDays(asOf).map(({ day, eaten, eatenKcal, unknownWhy, waterMl, complete, remainingKcal, target }) => ({
      date: dateOf(day),
      kcal: eatenKcal,
      protein: eaten.protein,
      fat: eaten.fat,
      carbohydrate: eaten.carbohydrate,
      fibre: eaten.fibre,
      sugars: eaten.sugars,
      alcohol: eaten.alcohol,
      water: waterMl,
      complete,
      remainingKcal,
      ...(eatenKcal === null ? { reason: unknownWhy } : "reason" in target ? { reason: target.reason } : {}),
    })),
  };
}
