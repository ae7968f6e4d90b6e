import * as z from "zod";
import {
  bodyWeight,
  civilDate,
  energyUnits,
  figure,
  type FormContext,
  mass,
  massUnits,
  nameText,
  read,
  readFigure,
  unread,
  words,
} from "../entry/form";
import type { DayTarget } from "../log/kinds/energySettings";
import { activityFactor, bodyKg, energyKcal, rateKgPerWeek } from "../log/kinds/fields";
import { equationNames } from "./resting";
import { turnTyped } from "./dayKindTyped";
import { type TargetsContext, targetsTyped, type TargetsTyped } from "./targetsTyped";

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

/** Equation, activity factor, and which end of what the formula may be off by the targets go by. */
export function energyForm() {
  return z.object({
    equation: z.enum(equationNames),
    factor: figure("The factor", activityFactor.min(1.2).max(2.6)),
    sessions: z.enum(["inside", "added"]).transform((sessions) => sessions === "inside"),
    estimate: z.enum(["low", "middle", "high"]),
  });
}

/**
 * A kind of day and its targets. @param context with what targets are reckoned with, and the names that are taken; a name that
 * cannot be changed is not read
 */
export function dayKindForm(
  context: FormContext & TargetsContext & { names: readonly string[] },
  fields: TargetsTyped,
) {
  const day = targetsTyped(fields, context);
  const target = <F extends keyof TargetsTyped>(field: F) =>
    read<DayTarget[F] | null>((_, no) => {
      const problem = day.problems[field];
      return problem === undefined ? (day.targets[field] ?? null) : no(problem);
    });
  return z.object({
    name: nameText("The name", (typed) =>
      context.names.some((name) => name.toLowerCase() === typed.toLowerCase())
        ? `There is a ${typed} day already.`
        : null,
    ),
    turn: read((typed, no) => {
      const turn = turnTyped(typed, context);
      return typeof turn === "string" ? no(turn) : turn;
    }),
    kcal: target("kcal"),
    protein: target("protein"),
    fat: target("fat"),
    carbohydrate: target("carbohydrate"),
    fibre: target("fibre"),
    sugars: target("sugars"),
    water: target("water"),
  });
}
