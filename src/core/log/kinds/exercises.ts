import * as z from "zod";
import { barKg, bodyShare, id, incrementKg, maximumRatio, name, open, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

const schema = open({
  ...shared,
  name,
  /** Short and other names under which it is written. */
  aliases: z.array(name).max(50).nullish(),
  group: text.nullish(),
  mechanics: z.enum(["compound", "isolation"]).nullish(),
  measure: z.enum(["load-reps", "bodyweight-reps", "assisted-reps", "duration", "distance"]).nullish(),
  bodyShare: bodyShare.nullish(),
  perSide: z.boolean().nullish(),
  equipment: text.nullish(),
  direct: z.array(text).max(50).nullish(),
  indirect: z.array(text).max(50).nullish(),
  incrementKg: incrementKg.nullish(),
  /** The bar or handle this exercise is done with, kilograms. */
  barKg: barKg.nullish(),
  /** How a machine is set for the trainee: seat, pad, pin. */
  setting: text.nullish(),
  cues: text.nullish(),
  maximumFrom: open({ exerciseId: id, ratio: maximumRatio }).nullish(),
  links: z.array(text).max(50).nullish(),
  note: text.nullish(),
});

export type Exercise = z.infer<typeof schema>;

export const exercises = householdKind({
  schema,
  names: { one: "exercise", several: "exercises" },
  refersTo: { "maximumFrom.exerciseId": "exercises" },
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: (id, name) => ({ id, name }),
});
