import * as z from "zod";
import {
  bodyWeight,
  civilDate,
  energyUnits,
  figure,
  type FormContext,
  gramUnits,
  mass,
  massUnits,
  optional,
  read,
  readFigure,
  unread,
  words,
} from "../entry/form";
import { activityFactor, bodyKg, energyKcal, grams, rateKgPerWeek } from "../log/kinds/fields";
import { equationNames } from "./resting";

/** The ways to set a goal: by its day, by a limit on one morning, by the change a week, by what is eaten a day. */
const ways = ["date", "limit", "rate", "intake"] as const;

/** A weight goal; what its way does not ask for is not read. */
export function goalForm(context: FormContext, { by }: { by: string }) {
  const { units } = context;
  return z.object({
    startDate: civilDate("The start", context),
    startKg: bodyWeight("Start weight", context),
    targetKg: bodyWeight("Goal weight", context),
    by: z.enum(ways),
    rate: by === "rate" ? mass("The rate", context, rateKgPerWeek.min(0.01).max(10)) : unread,
    date: by === "date" || by === "limit" ? civilDate("The date", context) : unread,
    intake: by === "intake" ? figure("The intake", energyKcal.min(1), energyUnits(units.energy)) : unread,
    milestones: read((typed, no) => {
      const weights = typed
        .split(/[\s;]+/)
        .filter(Boolean)
        .map((one) => readFigure(one, massUnits(units.mass)));
      return weights.every((kg) => kg !== null && bodyKg.safeParse(kg).success)
        ? (weights as number[])
        : no("Weights with spaces between, such as 74 72.5");
    }),
    why: words,
  });
}

/**
 * A weight goal as it is typed: weights in the trainee's unit, empty where nothing stands. `by` is the way it is set.
 */
export type GoalDraft = z.input<ReturnType<typeof goalForm>>;
export type GoalValues = z.output<ReturnType<typeof goalForm>>;

/** Equation, activity factor and own targets. The bounds of a day's energy and protein are what a day can hold. */
export function energyForm({ units }: FormContext) {
  const target = optional(figure("The target", energyKcal.min(500).max(15_000), energyUnits(units.energy)));
  const protein = optional(figure("Protein", grams.max(600), gramUnits));
  return z.object({
    equation: z.enum(equationNames),
    factor: figure("The factor", activityFactor.min(1.2).max(2.6)),
    sessions: z.enum(["inside", "added"]).transform((sessions) => sessions === "inside"),
    trainingKcal: target,
    restKcal: target,
    trainingProtein: protein,
    restProtein: protein,
  });
}
