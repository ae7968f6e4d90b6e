import * as z from "zod";
import { dayOf } from "../base/calendar/day";
import {
  bodyWeight,
  civilDate,
  distanceUnits,
  duration,
  figure,
  type FormContext,
  mass,
  nameText,
  optional,
  read,
  readFigure,
  unread,
  words,
} from "../entry/form";
import { blockDays, maximumKg, metres } from "../log/kinds/fields";
import { longestBlock } from "./blocks";
import { judgedBy } from "./judgedBy";

/** A block by its first day and its weeks or its last day. */
export function blockForm(context: FormContext, { startDate }: { startDate: string }) {
  const end = civilDate("The last day", context);
  return z.object({
    name: nameText("The name"),
    startDate: civilDate("The first day", context),
    weeks: figure(
      "The length",
      z
        .number()
        .min(0.14)
        .max(longestBlock / 7),
    ),
    endDate: end.pipe(
      read((date, no) => {
        const days = (dayOf(date) ?? NaN) - (dayOf(startDate) ?? NaN) + 1;
        return days < 1
          ? no("It ends before it begins.")
          : days > longestBlock
            ? no("A block has two years at most.")
            : date;
      }),
    ),
    aim: words,
  });
}

/** A phase has about three years at most, days: as long as its record allows. */
const longestPhase = blockDays.maxValue!;

/** A phase by its first day and its weeks. */
export function phaseForm(context: FormContext) {
  return z.object({
    name: nameText("The name"),
    aim: words,
    startDate: civilDate("The first day", context),
    weeks: figure(
      "The length",
      z
        .number()
        .min(0.14)
        .max(longestPhase / 7),
    ),
    intention: words,
    why: words,
  });
}

/** A figure by which a phase is judged; what its sort does not ask for is not read. */
export function phaseMeasureForm(context: FormContext, { of }: { of: (typeof judgedBy)[number] }) {
  const value =
    of === "weight"
      ? bodyWeight("It", context)
      : of === "e1rm"
        ? mass("It", context, maximumKg.min(1))
        : of === "bestTime"
          ? duration
          : of === "sessions"
            ? figure("It", z.number().int().min(0).max(5000))
            : read((typed, no) => readFigure(typed) ?? no("Write a number, with a point or a comma."));
  const chosen = (what: string) => read((typed, no) => typed || no(`Choose ${what}.`));
  return z.object({
    of: z.enum(judgedBy),
    exerciseId: of === "e1rm" ? chosen("a lift") : unread,
    measureId: of === "measure" ? chosen("a measure") : unread,
    kind: of === "bestTime" ? nameText("The kind") : of === "sessions" ? words : unread,
    distance:
      of === "bestTime" ? figure("The distance", metres.min(50), distanceUnits(context.units.distance)) : unread,
    from: optional(value),
    to: value,
  });
}

/** A figure by which a phase is judged, as it is typed. */
export type PhaseMeasureDraft = z.input<ReturnType<typeof phaseMeasureForm>>;
