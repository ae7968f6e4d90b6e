import * as z from "zod";
import {
  civilDate,
  distanceUnits,
  duration,
  energyUnits,
  figure,
  type FormContext,
  minuteUnits,
  nameText,
  optional,
  timeOfDay,
  unread,
  words,
} from "../entry/form";
import { longestSession, shortestSession } from "../log/bounds";
import { effort, energyKcal, feel, metres, minutes } from "../log/kinds/fields";

const distance = ({ units }: FormContext) => optional(figure("Distance", metres.min(1), distanceUnits(units.distance)));
const rated = optional(figure("Effort", effort));

/** A run, a row or another activity after the fact. */
export function activityForm(context: FormContext) {
  return z.object({
    date: civilDate("The date", context, context.today),
    kind: nameText("The kind").transform((kind) => kind.toLowerCase()),
    distance: distance(context),
    time: duration,
    purpose: words.transform((purpose) => purpose.toLowerCase()),
    effort: rated,
  });
}

/** A session as a whole. @param context with whether it covers a distance: then its time is asked for, else minutes */
export function sessionForm(context: FormContext & { covered: boolean }, { kcal }: { kcal: string }) {
  const { covered, units } = context;
  return z.object({
    title: words,
    at: timeOfDay,
    place: words,
    optional: z.boolean(),
    test: z.boolean(),
    distance: covered ? distance(context) : unread,
    time: covered ? duration : unread,
    minutes: covered
      ? unread
      : optional(figure("Minutes", minutes.min(shortestSession).max(longestSession), minuteUnits)),
    effort: rated,
    feel: optional(figure("Feel", feel)),
    note: words,
    kcal: optional(figure("Energy", energyKcal.max(20_000), energyUnits(units.energy))),
    kcalIs: z
      .enum(["", "gross", "net"])
      .refine(
        (is) => kcal.trim() === "" || is !== "",
        "Does it count what is spent at rest as well? Say gross or net.",
      ),
  });
}

export type SessionValues = z.output<ReturnType<typeof sessionForm>>;

/** A session that is planned on a day, without what it is made of. */
export function plannedSessionForm() {
  return z.object({
    kind: nameText("The kind").transform((kind) => kind.toLowerCase()),
    title: words,
    time: timeOfDay,
    minutes: optional(figure("Minutes", minutes.min(shortestSession).max(longestSession), minuteUnits)),
    effort: rated,
    optional: z.boolean(),
    place: words,
    instructor: words,
    link: words,
    booked: z.boolean(),
  });
}
