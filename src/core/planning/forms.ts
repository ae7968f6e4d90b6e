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
  minuteUnits,
  nameText,
  optional,
  percentUnits,
  read,
  readFigure,
  unread,
  words,
} from "../entry/form";
import { parseMass } from "../base/units/mass";
import { longestSession, shortestSession } from "../log/bounds";
import { blockDays, effort, maximumKg, metres, minutes, weekNumber } from "../log/kinds/fields";
import { longestBlock } from "./blocks";
import { roundings, weekdayFields } from "./cycleFields";
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
    focus: words,
    easyWeeks: read((typed, no) => {
      const weeks = typed
        .split(/[,;\s]+/)
        .filter(Boolean)
        .map(Number);
      return weeks.every((week) => weekNumber.safeParse(week).success)
        ? [...new Set(weeks)].sort((a, b) => a - b)
        : no("Write the numbers of the weeks, such as 4, 8.");
    }),
    phaseId: words,
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

/** A cycle by percentage: its days, its weeks, and what its percentages are of. */
export function cycleForm(context: FormContext) {
  return z
    .object({
      name: nameText("The name"),
      startDate: civilDate("The first day", context),
      weeks: figure("The length", weekNumber.max(52)),
      share: figure("The training maximum", z.number().min(0.3).max(1.5), percentUnits),
      rounding: z.enum(roundings),
      ...(Object.fromEntries(weekdayFields.map((day) => [day, z.boolean()])) as Record<
        (typeof weekdayFields)[number],
        z.ZodBoolean
      >),
    })
    .transform(({ rounding, mon, tue, wed, thu, fri, sat, sun, ...given }) => {
      const [step, unit] = rounding.split(" ");
      return {
        ...given,
        rounding: rounding === "own" ? null : unit === "lb" ? { lb: Number(step) } : { kg: Number(step) },
        weekdays: [mon, tue, wed, thu, fri, sat, sun].flatMap((on, index) => (on ? [index + 1] : [])),
      };
    });
}

/**
 * The maximum of a lift in a cycle: a load, a set to the limit (`90 kg x 3`), or nothing for the one in force when the
 * cycle begins.
 */
export function cycleMaximumForm({ units }: FormContext) {
  const within = (kg: number | null) => kg !== null && maximumKg.min(1).safeParse(kg).success;
  return z.object({
    maximum: read((typed, no) => {
      const text = typed.replaceAll("×", "x").trim();
      if (text === "") return {};
      const parts = text.split(/\s*x\s*/i);
      if (parts.length > 2) return no("Write a load, or a set such as 90 kg x 3.");
      if (parts.length === 1) {
        const kg = parseMass(text, units.mass);
        return within(kg) ? { kg: kg! } : no("Write a load, or a set such as 90 kg x 3.");
      }
      const [one, other] = parts as [string, string];
      const hasUnit = (part: string) => /[a-z]/i.test(part);
      const isReps = (part: string) => /^\d{1,2}$/.test(part) && Number(part) >= 1 && Number(part) <= 20;
      const readings = [
        { load: one, reps: other },
        { load: other, reps: one },
      ].filter(({ load, reps }) => isReps(reps) && (hasUnit(load) || !isReps(load)));
      if (readings.length !== 1)
        return no(`Which is the load? Write it with its unit: ${one} ${units.mass} x ${other}.`);
      const kg = parseMass(readings[0]!.load, units.mass);
      return within(kg)
        ? { fromSet: { reps: Number(readings[0]!.reps), kg: kg! } }
        : no("Write a load, or a set such as 90 kg x 3.");
    }) as z.ZodType<{ kg?: number; fromSet?: { reps: number; kg: number } }, string>,
  });
}

/** How a cell of a cycle grows from week to week. */
export function cycleStepForm(context: FormContext) {
  return z.object({
    percent: figure("The step", z.number().min(-0.5).max(0.5), percentUnits),
    load: mass("The step", context, z.number().min(-100).max(100)),
    reps: figure("The step", z.number().int().min(-20).max(20)),
  });
}

/** A routine: a session without a day. Its exercises are read apart, with the library. */
export function routineForm(context: FormContext) {
  return z.object({
    name: nameText("The name"),
    kind: nameText("The kind").transform((kind) => kind.toLowerCase()),
    minutes: optional(figure("Minutes", minutes.min(shortestSession).max(longestSession), minuteUnits)),
    effort: optional(figure("Effort", effort)),
    instructor: words,
    link: words,
    note: words,
    items: words,
    distance: optional(figure("The distance", metres.min(1), distanceUnits(context.units.distance))),
    time: optional(duration),
    purpose: words.transform((purpose) => purpose.toLowerCase()),
  });
}

/** A standard week laid over some weeks, and the rule by which it grows. */
export function applyForm(context: FormContext) {
  const share = (what: string) => figure(what, z.number().min(0.1).max(1), percentUnits);
  return z
    .object({
      standardWeekId: read((typed, no) => typed || no("Choose a standard week.")),
      from: civilDate("The first week", context),
      weeks: figure("The weeks", z.number().int().min(1).max(52)),
      kg: mass("The step", context, z.number().min(-50).max(50)),
      reps: figure("The step", z.number().int().min(-10).max(10)),
      percent: figure("The step", z.number().min(-0.2).max(0.2), percentUnits),
      easyEvery: optional(figure("The easy week", z.number().int().min(2).max(12))),
      hardEvery: optional(figure("The hard week", z.number().int().min(2).max(12))),
      easySets: share("The share of the sets"),
      easyLoad: share("The share of the loads"),
    })
    .transform(({ kg, reps, percent, easyEvery, hardEvery, easySets, easyLoad, ...ask }) => ({
      ...ask,
      rule: { kg, reps, percent, easyEvery, hardEvery, easySets, easyLoad },
    }));
}

/** Everything planned from a day on, moved by some days. */
export function shiftForm(context: FormContext) {
  return z.object({
    from: civilDate("The day", context),
    days: figure("The days", z.number().int().min(-366).max(366)).refine(
      (days) => days !== 0,
      "By no days, nothing moves.",
    ),
    withBars: z.boolean(),
  });
}

/** A taper: the event, how many days before it, and how much less. */
export function taperForm(context: FormContext) {
  return z.object({
    event: civilDate("The event", context),
    days: figure("The days", z.number().int().min(3).max(28)),
    share: figure("The share", z.number().min(0.05).max(0.9), percentUnits),
  });
}

/** A session repeated: from which day, every how many days, how often. */
export function repeatForm(context: FormContext) {
  return z.object({
    on: civilDate("The first day", context),
    everyDays: figure("The days between", z.number().int().min(1).max(366)),
    times: figure("How often", z.number().int().min(1).max(60)),
  });
}

/** A written plan that is pasted, and how its weeks are counted. */
export function pastedPlanForm(context: FormContext) {
  return z.object({
    text: words.refine((typed) => typed.trim() !== "", "Paste the plan here."),
    count: z.enum(["from", "to"]),
    day: civilDate("The day", context),
    kind: nameText("The kind").transform((kind) => kind.toLowerCase()),
  });
}

/** Which part of the plan goes to a coach. */
export function coachForm(context: FormContext) {
  return z.object({
    from: civilDate("The first day", context),
    to: civilDate("The last day", context),
    weights: z.boolean(),
    food: z.boolean(),
  });
}
