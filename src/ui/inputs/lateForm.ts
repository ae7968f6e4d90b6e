import type { FormContext, FormSchema } from "@/core/entry/form";
import type { FieldErrors, FieldValues, Resolver } from "react-hook-form";
import type { zodResolver } from "@hookform/resolvers/zod";
import { dateOrder } from "../dates";

/** The order of dates is the browser's, so that a form does not say it. */
type Given<C> = Omit<C, "order">;

/** A form whose schema is fetched apart from the page it stands on. */
export interface LateForm<C extends FormContext, F extends FieldValues, V> {
  /** Fetches the schema, so that it is there when something is typed. */
  fetch: () => void;
  resolver: Resolver<F, Given<C>, V>;
  /** What the fields come to; null while one of them is none. */
  read: (fields: F, context: Given<C>) => Promise<V | null>;
}

/** @param load fetches the schema */
export function lateForm<C extends FormContext, F extends FieldValues, V>(
  load: () => Promise<FormSchema<C, F, V>>,
): LateForm<C, F, V> {
  let coming: Promise<{ form: FormSchema<C, F, V>; resolve: typeof zodResolver }> | null = null;
  const fetch = () =>
    (coming ??= Promise.all([load(), import("@hookform/resolvers/zod")]).then(
      ([form, { zodResolver }]) => ({ form, resolve: zodResolver }),
      (why: unknown) => {
        // What could not be fetched is fetched when it is next needed.
        coming = null;
        throw why;
      },
    ));
  const whole = (context: Given<C>) => ({ ...context, order: dateOrder() }) as C;
  return {
    fetch: () => void fetch().catch(() => {}),
    resolver: async (fields, context, options) => {
      const late = await fetch().catch(() => null);
      if (late === null) return { values: {}, errors: notFetched<F>(Object.keys(fields)[0]!) };
      const resolver = late.resolve<F, Given<C>, V>(late.form(whole(context!), fields) as never);
      return resolver(fields, context, options);
    },
    read: async (fields, context) => {
      const { form } = await fetch();
      const answer = form(whole(context), fields).safeParse(fields);
      return answer.success ? answer.data : null;
    },
  };
}

function notFetched<F extends FieldValues>(field: string): FieldErrors<F> {
  const message = "The browser could not fetch what reads this form. Nothing is lost: try again.";
  return { [field]: { type: "late", message } } as FieldErrors<F>;
}
