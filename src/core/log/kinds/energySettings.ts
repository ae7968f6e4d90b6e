import * as z from "zod";
import { activityFactor, date, energyKcal, grams, open, owned } from "./fields";
import { personalKind } from "./kind";

const dayTarget = open({
  kcal: energyKcal.nullish(),
  protein: grams.nullish(),
  fat: grams.nullish(),
  carbohydrate: grams.nullish(),
});
const schema = open({
  ...owned,
  from: date,
  equation: z.enum(["mifflinStJeor", "rozaShizgal", "katchMcArdle", "cunningham"]).nullish(),
  activityFactor: activityFactor.nullish(),
  /**
   * Whether the activity factor already holds the training sessions. When false, each session's net credit is added to
   * its day.
   */
  sessionsInFactor: z.boolean().nullish(),
  /** What the targets go by: the formula (without it), or the measured expenditure that was taken over on that day. */
  follows: z.enum(["formula", "measured"]).nullish(),
  measuredKcal: energyKcal.nullish(),
  targets: open({ training: dayTarget.nullish(), rest: dayTarget.nullish() }).nullish(),
});

export type EnergySettings = z.infer<typeof schema>;

export const energySettings = personalKind({
  schema,
  names: { one: "energy setting", several: "energy settings" },
  refersTo: {},
  title: () => "",
  changesSayWhich: false,
  standIn: null,
  lists: null,
  begins: "from",
});
