import type { FormContext, FormSchema } from "@/core/entry/form";

/** What the tests of forms are read with: a trainee of kilograms, and one of pounds. */
export const metric: FormContext = {
  units: { mass: "kg", distance: "km", energy: "kcal" },
  today: "2026-06-11",
  order: "dmy",
};
export const imperial: FormContext = { ...metric, units: { mass: "lb", distance: "mi", energy: "kJ" }, order: "mdy" };

/** What a form comes to that is filled soundly. */
export function filled<C, F, V>(form: FormSchema<C, F, V>, context: C, fields: F): V {
  return form(context, fields).parse(fields);
}

/** Why a form is not taken, by its fields. */
export function whyNot<C, F, V>(form: FormSchema<C, F, V>, context: C, fields: F): Record<string, string> {
  const { error } = form(context, fields).safeParse(fields);
  return Object.fromEntries((error?.issues ?? []).map(({ path, message }) => [path.join("."), message]));
}
