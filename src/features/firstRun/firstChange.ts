import { type Change, put } from "@/core/log/records";
import type { FirstValues } from "@/core/profile/forms";
import { personOf } from "@/core/profile/profile";
import { starterFoods } from "@/core/nutrition/starterFoods";
import { starterExercisesIn } from "@/core/strength/starterExercises";
import { v7 as newId } from "uuid";

/** What the first run writes: the person, the first weigh-in, the goal, and the exercises and foods to begin with. */
export function firstChange(values: FirstValues): Change {
  const personId = newId();
  const { startKg, startDate, targetKg, deadline, why, ...profile } = values;
  const change: Change = [
    put("people", personOf(personId, profile)),
    ...starterExercisesIn(profile.mass).map((exercise) => put("exercises", exercise)),
    ...starterFoods.map((food) => put("foods", food)),
  ];
  if (startKg !== null)
    change.push(put("weighIns", { id: newId(), personId, date: startDate, kg: startKg, primary: true }));
  if (startKg !== null && targetKg !== null && deadline !== null) {
    change.push(
      put("goals", {
        id: newId(),
        personId,
        of: "weight",
        startDate,
        startKg,
        targetKg,
        by: { date: deadline },
        ...(why ? { why } : {}),
      }),
    );
  }
  return change;
}
