"use client";

import type { FormContext } from "@/core/entry/form";
import { useEffect, useRef } from "react";
import {
  type Control,
  type FieldValues,
  type Path,
  type PathValue,
  useForm,
  type UseFormProps,
  type UseFormReturn,
} from "react-hook-form";
import { whenIdle } from "../kit/late";
import { keptTyping, keepTyping } from "./keptTyping";
import type { LateForm } from "./lateForm";

export interface TypedForm<F extends FieldValues, C, V> extends Omit<UseFormReturn<F, C, V>, "control"> {
  /** For its fields, which know of what is typed alone. */
  control: Control<F>;
  /** Forgets what was typed, as when a form is left without saving. */
  drop: () => void;
}

/**
 * A form that is read by its schema, each field as it is typed. What is typed outlives a reload of the page and a look
 * at another one, until it is saved or dropped.
 * @param form its schema, fetched once the browser has time
 * @param context what its texts are read with
 * @param keep the name under which what is typed is kept, one for each record that is written
 */
export function useTypedForm<C extends FormContext, F extends FieldValues, V>(
  form: LateForm<C, F, V>,
  context: Omit<C, "order">,
  keep: string,
  options: Pick<UseFormProps<F, Omit<C, "order">, V>, "defaultValues" | "values" | "resetOptions">,
): TypedForm<F, Omit<C, "order">, V> {
  const made = useForm<F, Omit<C, "order">, V>({ mode: "onChange", resolver: form.resolver, context, ...options });
  const { subscribe, setValue, trigger, reset, formState } = made;
  const now = useRef({ untouched: {} as Partial<F>, wrong: [] as Path<F>[] });
  const wrong = Object.keys(formState.errors) as Path<F>[];
  useEffect(() => {
    now.current = { untouched: (options.values ?? options.defaultValues) as Partial<F>, wrong };
  });
  useEffect(() => whenIdle(form.fetch), [form]);
  useEffect(() => {
    for (const [name, value] of Object.entries(keptTyping(keep)))
      if (name in now.current.untouched)
        setValue(name as Path<F>, value as PathValue<F, Path<F>>, { shouldDirty: true, shouldValidate: true });
    return subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        const { untouched, wrong } = now.current;
        keepTyping(
          keep,
          Object.fromEntries(
            Object.entries(values).filter(([name, value]) => JSON.stringify(value) !== JSON.stringify(untouched[name])),
          ),
        );
        // One field may right another: what is wrong is read again with each change.
        if (wrong.length > 0) void trigger(wrong);
      },
    });
  }, [keep, setValue, subscribe, trigger]);
  return {
    ...made,
    control: made.control as unknown as Control<F>,
    drop: () => {
      keepTyping(keep, {});
      reset();
    },
  };
}
