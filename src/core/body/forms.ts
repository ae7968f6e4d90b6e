import * as z from "zod";
import { parseDecimal } from "../base/units/number";
import { bodyWeight, civilDate, type FormContext, nameText, read, timeOfDay, unread, words } from "../entry/form";
import { type Measured, ownMeasure, sameMeasure } from "./measured";
import { readReading } from "./usualMeasures";

/** One morning's weight, without more. */
export function weightForm(context: FormContext) {
  return z.object({ kg: bodyWeight("Weight", context) });
}

/** A weigh-in that stands and is changed. */
export function weighedForm(context: FormContext) {
  return z.object({ kg: bodyWeight("Weight", context), time: timeOfDay, note: words });
}

/** A weigh-in of any day. */
export function weighInForm(context: FormContext) {
  return weighedForm(context).extend({
    date: civilDate("The date", context, context.today),
    second: z.boolean(),
  });
}

const readingOf = (measured: Measured) =>
  read((typed, no) => {
    if (typed.trim() === "") return no("The value is missing.");
    const answer = readReading(typed, measured);
    return "why" in answer ? no(answer.why) : answer.value;
  });

/** A reading that stands and is changed. */
export function readingForm(context: FormContext & { measured: Measured }) {
  return z.object({
    date: civilDate("The date", context, context.today),
    value: readingOf(context.measured),
    method: words,
  });
}

/**
 * A reading of any measure.
 * @param context with the measures that are offered by what stands for each, and the names of those that are kept
 */
export function measureForm(
  context: FormContext & { offered: Readonly<Record<string, Measured>>; known: readonly string[] },
  { measure, name, unit }: { measure: string; name: string; unit: string },
) {
  const isOwn = measure === ownMeasure;
  // One's own that is called as one that is known is that one, and says so.
  const taken = (typed: string) => {
    const same = sameMeasure(typed, context.known);
    return same === null ? null : `${same} is there already: choose it under Measure.`;
  };
  return z.object({
    date: civilDate("The date", context, context.today),
    measure: z.string(),
    value: readingOf(isOwn ? { name, unit } : (context.offered[measure] ?? { name: "", unit: "" })),
    method: words,
    name: isOwn ? nameText("The name", taken) : unread,
    unit: words,
    aggregate: z.enum(["last", "mean", "sum"]),
  });
}

/** A goal on a measure. @param context with the day of its latest reading */
export function measureGoalForm(context: FormContext & { latest: string }) {
  const value = read((typed, no) => parseDecimal(typed) ?? no("Write a number, with a point or a comma."));
  return z.object({
    target: value,
    date: civilDate("The date", context).refine(
      (date) => date > context.latest && date > context.today,
      "It must lie ahead.",
    ),
  });
}
