import { type MassUnit, parseMass } from "@/core/base/units/mass";
import { type Change, put } from "@/core/log/records";
import { starterFoods } from "@/core/nutrition/starterFoods";
import { starterExercisesIn } from "@/core/strength/starterExercises";
import { v7 as newId } from "uuid";
import { type FirstFields, personOf } from "../../ui/profile/profile";

/** What the first run writes: the person, the first weigh-in, the goal, and the exercises and foods to begin with. */
export function firstChange(fields: FirstFields): Change {
  const personId = newId();
  const unit = fields.mass as MassUnit;
  const startKg = parseMass(fields.startKg, unit);
  const targetKg = parseMass(fields.targetKg, unit);
  const change: Change = [
    put("people", personOf(fields, { id: personId })),
    ...starterExercisesIn(unit).map((exercise) => put("exercises", exercise)),
    ...starterFoods.map((food) => put("foods", food)),
  ];
  if (startKg !== null)
    change.push(put("weighIns", { id: newId(), personId, date: fields.startDate, kg: startKg, primary: true }));
  if (startKg !== null && targetKg !== null && fields.deadline !== "") {
    change.push(
      put("goals", {
        id: newId(),
        personId,
        of: "weight",
        startDate: fields.startDate,
        startKg,
        targetKg,
        by: { date: fields.deadline },
        ...(fields.why.trim() ? { why: fields.why.trim() } : {}),
      }),
    );
  }
  return change;
}
