import * as z from "zod";
import { activityFactor, amount, date, energyKcal, grams, name, open, owned, waterMl } from "./fields";
import { personalKind } from "./kind";

/** Which way a target is meant; between, `to` is the other end. */
const direction = z.enum(["atLeast", "atMost", "between"]);

/** What is asked of a nutrient, in the way it was set: one of these, and the other end of a range in the same. */
const asked = open({
  grams: grams.nullish(),
  gramsPerKg: amount(100).nullish(),
  gramsPerLeanKg: amount(100).nullish(),
  /** A share of the day's energy, from 0 to 1. */
  share: amount(1).nullish(),
  /** A share of the energy that the others leave; 1 is the rest. */
  shareOfRest: amount(1).nullish(),
  direction: direction.nullish(),
  to: grams.nullish(),
}).refine(
  (one) => askedIn.filter((way) => one[way] != null).length === 1,
  `exactly one of grams, gramsPerKg, gramsPerLeanKg, share and shareOfRest is needed`,
);
/** The ways in which a target of a nutrient is set. */
export const askedIn = ["grams", "gramsPerKg", "gramsPerLeanKg", "share", "shareOfRest"] as const;

/** Grams, or how they follow from the body or the day's energy. */
const nutrient = z.union([grams, asked]).nullish();
const dayTarget = open({
  kcal: energyKcal.nullish(),
  protein: nutrient,
  fat: nutrient,
  carbohydrate: nutrient,
  fibre: nutrient,
  sugars: nutrient,
  /** Millilitres, at least. */
  water: waterMl.nullish(),
});

/** A kind of day of the trainee's own. Without weekdays and without a rhythm it is one that is said of a day. */
const ownDayKind = open({
  name,
  weekdays: z.array(z.number().int().min(1).max(7)).max(7).nullish(),
  /** Every so many days, counted from a first one; every day that no kind before it has taken, where it is 1. */
  everyDays: z.number().int().min(1).max(366).nullish(),
  firstDate: date.nullish(),
  targets: dayTarget.nullish(),
}).refine(
  ({ everyDays, firstDate }) => everyDays == null || everyDays === 1 || firstDate != null,
  "firstDate is needed to count every so many days from",
);

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
  /**
   * What the targets go by: the formula (without it), the measured expenditure that was taken over on that day, or what is
   * typed of each kind of day, for which the formula stands where nothing is.
   */
  follows: z.enum(["formula", "measured", "typed"]).nullish(),
  measuredKcal: energyKcal.nullish(),
  /** Which end of what the formula may be off by the targets go by; the middle without it. */
  estimate: z.enum(["low", "middle", "high"]).nullish(),
  /** Since when the estimate is held, and the last day on which the trainee looked at it and held it. */
  estimateSince: date.nullish(),
  estimateHeld: date.nullish(),
  targets: open({ training: dayTarget.nullish(), rest: dayTarget.nullish() }).nullish(),
  /** Of several whose turn a day is, the first in this order is its kind. */
  dayKinds: z.array(ownDayKind).max(20).nullish(),
});

export type EnergySettings = z.infer<typeof schema>;
export type Estimate = NonNullable<EnergySettings["estimate"]>;
export type DayTarget = z.infer<typeof dayTarget>;
export type OwnDayKind = z.infer<typeof ownDayKind>;
export type AskedOf = z.infer<typeof asked>;
export type Direction = z.infer<typeof direction>;

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
