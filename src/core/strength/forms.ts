import * as z from "zod";
import { parseMass } from "../base/units/mass";
import { parseDecimal } from "../base/units/number";
import { parseDuration } from "../base/units/time";
import {
  civilDate,
  figure,
  type FormContext,
  mass,
  nameText,
  optional,
  percentUnits,
  read,
  unread,
  words,
} from "../entry/form";
import type { Exercise } from "../log/kinds/exercises";
import {
  barKg,
  bodyShare,
  incrementKg,
  maximumKg,
  maximumRatio,
  plateCount,
  plateKg,
  restSeconds,
} from "../log/kinds/fields";
import { carriesBody, namesIn } from "./exerciseDraft";
import { isTimed } from "./sets";
import { readSet } from "./setText";

/** A maximum that was tested. */
export function testForm(context: FormContext) {
  return z.object({
    kg: mass("The load", context, maximumKg.min(-300).max(1000)),
    date: civilDate("A date", context, context.today),
  });
}

const list = (parts: (typed: string) => string[]) => z.string().transform(parts);

/** Everything of an exercise. @param context with the names of others, in small letters */
export function exerciseForm(
  context: FormContext & { taken: ReadonlySet<string> },
  { measure, parentId }: { measure: string; parentId: string | null },
) {
  const { taken } = context;
  return z.object({
    name: nameText("A name", (name) => (taken.has(name.toLowerCase()) ? "There is one of that name." : null)),
    aliases: read((typed, no) => {
      const names = namesIn(typed);
      const same = names.find((one) => taken.has(one.toLowerCase()));
      return same === undefined ? names : no(`"${same}" is the name of another exercise.`);
    }),
    group: words,
    measure: z.enum(["load-reps", "bodyweight-reps", "assisted-reps", "duration", "distance"]),
    mechanics: z.enum(["compound", "isolation"]),
    equipment: words,
    bodyShare: carriesBody(measure) ? optional(figure("The share", bodyShare, percentUnits)) : unread,
    perSide: z.boolean(),
    increment: optional(mass("The increment", context, incrementKg.min(0.02))),
    bar: optional(mass("The bar", context, barKg)),
    setting: words,
    cues: words,
    links: list((typed) => typed.split(/\s+/).filter(Boolean)).refine(
      (links) => links.every((one) => /^https?:\/\/\S+$/i.test(one)),
      "Write whole addresses, each beginning with https.",
    ),
    note: words,
    direct: z.array(z.string()),
    indirect: z.array(z.string()),
    parentId: z.string().nullable(),
    ratio: parentId === null ? unread : figure("The share", maximumRatio.min(0.01), percentUnits),
  });
}

/** An exercise as a form holds it: each field as it is typed, loads in the trainee's unit, shares in percent. */
export type ExerciseDraft = z.input<ReturnType<typeof exerciseForm>>;
export type ExerciseValues = z.output<ReturnType<typeof exerciseForm>>;

/**
 * What was done in a set. Repetitions, load and effort are read together, since the parts of a drop set have both; what
 * is wrong stands under the field it is wrong in.
 */
export function setForm({ units, exercise }: FormContext & { exercise: Exercise }) {
  return z
    .object({ reps: z.string(), failed: z.boolean(), load: z.string(), rpe: z.string() })
    .transform(({ reps, failed, load, rpe }, context) => {
      const missed = failed && !isTimed(exercise) && !/f(ailed)?$/i.test(reps.trim());
      const amount = missed ? `${reps.trim()}f` : reps;
      const done = readSet(amount, load, rpe, exercise, units.mass);
      if (typeof done !== "string") return done;
      const field =
        typeof readSet(amount, load, "", exercise, units.mass) !== "string"
          ? "rpe"
          : typeof readSet("1", load.split("+")[0]!, "", exercise, units.mass) === "string"
            ? "load"
            : "reps";
      context.addIssue({ code: "custom", message: done, path: [field] });
      return z.NEVER;
    });
}

/** The bar, the plates at hand (`25 × 2, 20 × 4`: how many there are in all), and the rest between sets. */
export function ironForm(context: FormContext) {
  return z.object({
    bar: mass("The bar", context, barKg),
    plates: read((typed, no) => {
      const plates = typed
        .split(/[,;]\s+|;/)
        .filter((one) => one.trim() !== "")
        .map((one) => {
          const [weight, count] = one.split(/\s*[x×*]\s*/i);
          return z
            .object({ kg: plateKg, count: plateCount })
            .safeParse({ kg: parseMass(weight ?? "", context.units.mass), count: parseDecimal(count ?? "") });
        });
      return plates.every(({ success }) => success)
        ? plates.map(({ data }) => data!)
        : no("Write each weight with how many there are, such as 20 × 4, 10 × 2.");
    }),
    rest: read((typed, no) => {
      const seconds = parseDuration(typed) ?? parseDecimal(typed);
      return restSeconds.safeParse(seconds).success ? seconds! : no("Write a time such as 2:00 or 90.");
    }),
    warmUps: z.boolean(),
  });
}
