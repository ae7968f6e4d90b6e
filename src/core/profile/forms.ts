import * as z from "zod";
import type { MassUnit } from "../base/units/mass";
import { parseHeight } from "../base/units/length";
import { bodyWeight, civilDate, type FormContext, nameText, optional, read, unread, words } from "../entry/form";
import { e1rmFormula } from "../log/kinds/people";

const height = read(
  (typed, no) =>
    parseHeight(typed) ??
    no(
      /^\s*\d{2}\s*$/.test(typed)
        ? `Is ${typed.trim()} inches? Write ${typed.trim()} in, or the height in cm.`
        : "Write the height in cm, or as 5'11\".",
    ),
);

const parts = (context: FormContext) => ({
  mass: z.enum(["kg", "lb"]),
  distance: z.enum(["km", "mi"]),
  energy: z.enum(["kcal", "kJ"]),
  heightCm: optional(height),
  birthDate: optional(civilDate("Birth date", context, context.today)),
  sex: z.enum(["female", "male", "unspecified"]),
  weekStart: z.string().transform(Number).pipe(z.number().int().min(1).max(7)),
  e1rmFormula,
});

/** Units, and what the equations need to know of a person. */
export function profileForm(context: FormContext) {
  return z.object({ name: nameText("A name"), ...parts(context) });
}

/** What the profile form holds, all of it text as typed. */
export type ProfileFields = z.input<ReturnType<typeof profileForm>>;
export type ProfileValues = z.output<ReturnType<typeof profileForm>>;

/** The first run: a profile, and the weight and the goal to begin with. Its weights are in the unit chosen on the page. */
export function firstForm(
  context: FormContext,
  { mass, targetKg, startDate }: { mass: MassUnit; targetKg: string; startDate: string },
) {
  const chosen = { ...context, units: { ...context.units, mass } };
  return z.object({
    name: words.transform((name) => name || "Own log"),
    ...parts(context),
    startKg: optional(bodyWeight("Weight", chosen)),
    startDate: civilDate("The start", context, context.today),
    targetKg: optional(bodyWeight("Goal weight", chosen)),
    deadline:
      targetKg.trim() === ""
        ? unread
        : civilDate("The goal's date", context).refine(
            (date) => date > startDate,
            "The goal's date lies after the start.",
          ),
    why: words,
  });
}

export type FirstValues = z.output<ReturnType<typeof firstForm>>;

/** Another person of the household. */
export function personForm({ taken }: FormContext & { taken: readonly string[] }) {
  return z.object({
    name: nameText("A name", (name) =>
      taken.some((other) => other.toLowerCase() === name.toLowerCase()) ? "Somebody is called that." : null,
    ),
  });
}
