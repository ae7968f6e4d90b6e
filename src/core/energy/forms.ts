import * as z from "zod";
import {
  bodyWeight,
  civilDate,
  energyUnits,
  figure,
  type FormContext,
  mass,
  massUnits,
  read,
  readFigure,
  unread,
  words,
} from "../entry/form";
import { activityFactor, bodyKg, energyKcal, rateKgPerWeek } from "../log/kinds/fields";
import { equationNames } from "./resting";
import { macros, targetsTyped, type TargetsRead } from "./targetsTyped";

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

/** An intake a day, and the day until which it is asked what it would make. */
export function whatIfForm(context: FormContext) {
  return z.object({
    intake: figure("The intake", energyKcal.min(500).max(15_000), energyUnits(context.units.energy)),
    until: civilDate("The day", context).refine((date) => date > context.today, "The day must lie ahead."),
  });
}

/** What targets are typed for, and their fields: the kind of day, then what. */
const dayKinds = ["training", "rest"] as const;
type TargetField = `${(typeof dayKinds)[number]}${"Kcal" | "Protein" | "Fat" | "Carbohydrate"}`;
export type TargetFields = Record<TargetField, string>;

/** The targets of a kind of day out of the fields of their form. */
export function targetsOf(
  kind: (typeof dayKinds)[number],
  fields: TargetFields,
  context: {
    units: FormContext["units"];
    kg: number | null;
    dayKcal: Record<(typeof dayKinds)[number], number | null>;
  },
): TargetsRead {
  return targetsTyped(
    {
      kcal: fields[`${kind}Kcal`],
      protein: fields[`${kind}Protein`],
      fat: fields[`${kind}Fat`],
      carbohydrate: fields[`${kind}Carbohydrate`],
    },
    { units: context.units, kg: context.kg, dayKcal: context.dayKcal[kind] },
  );
}

/** Equation, activity factor and own targets. @param context with what targets are reckoned with */
export function energyForm(
  context: FormContext & { kg: number | null; dayKcal: Record<(typeof dayKinds)[number], number | null> },
  fields: TargetFields,
) {
  const [training, rest] = dayKinds.map((kind) => targetsOf(kind, fields, context)) as [TargetsRead, TargetsRead];
  const target = (day: TargetsRead, name: "kcal" | (typeof macros)[number]) =>
    read((_, no) => (day.problems[name] === undefined ? day[name] : no(day.problems[name])));
  return z.object({
    equation: z.enum(equationNames),
    factor: figure("The factor", activityFactor.min(1.2).max(2.6)),
    sessions: z.enum(["inside", "added"]).transform((sessions) => sessions === "inside"),
    trainingKcal: target(training, "kcal"),
    trainingProtein: target(training, "protein"),
    trainingFat: target(training, "fat"),
    trainingCarbohydrate: target(training, "carbohydrate"),
    restKcal: target(rest, "kcal"),
    restProtein: target(rest, "protein"),
    restFat: target(rest, "fat"),
    restCarbohydrate: target(rest, "carbohydrate"),
  });
}
