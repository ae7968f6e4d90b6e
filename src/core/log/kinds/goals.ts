import * as z from "zod";
import { bodyKg, date, name, open, owned, rateKgPerWeek, text } from "./fields";
import { personalKind } from "./kind";

const schema = open({
  ...owned,
  /** `weight`, which is meant where it is absent, or a measure by its id. */ of: name.nullish(),
  startDate: date,
  startKg: bodyKg.nullish(),
  targetKg: bodyKg.nullish(),
  /** For a goal `of` a measure (by its id): start and target in the measure's unit. */
  startValue: z.number().nullish(),
  targetValue: z.number().nullish(),
  /**
   * A limit on a date, such as a weight class: the scale must show the target or less (more, when gaining) on that one
   * morning.
   */
  limit: z.boolean().nullish(),
  /** Own milestones on the way, kilograms; every 5 kg (10 lb) without them. */
  milestonesKg: z.array(bodyKg).max(50).nullish(),
  by: z.union([open({ rateKgPerWeek }), open({ date })]),
  why: text.nullish(),
});

export type Goal = z.infer<typeof schema>;

export const goals = personalKind({
  schema,
  names: { one: "goal", several: "goals" },
  refersTo: {},
  title: ({ targetKg, of }, { printer, nameOf }) =>
    targetKg == null ? nameOf("measures", of) : printer.load(targetKg),
  changesSayWhich: false,
  standIn: null,
  lists: null,
  begins: "startDate",
});
