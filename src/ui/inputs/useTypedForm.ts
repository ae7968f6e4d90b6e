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
import { forgetTyping, keepTyping, keptTyping } from "./keptTyping";
import type { LateForm } from "./lateForm";

export interface TypedForm<F extends FieldValues, C, V> extends Omit<UseFormReturn<F, C, V>, "control"> {
  /** For its fields, which know of what is typed alone. */
  control: Control<F>;
  /**
   * Forgets what was typed, once it is saved or the form is left; the fields that stay keep what was chosen in them.
   */
  drop: (stays?: readonly Path<F>[]) => void;
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
  const { subscribe, setValue, getValues, trigger, reset, formState } = made;
  const now = useRef({ untouched: {} as Partial<F>, wrong: [] as Path<F>[] });
  const wrong = Object.keys(formState.errors) as Path<F>[];
  useEffect(() => {
    now.current = { untouched: (options.values ?? options.defaultValues) as Partial<F>, wrong };
  });
  useEffect(() => whenIdle(form.fetch), [form]);
  const shown = useRef(keep);
  useEffect(() => {
    // What was typed of another record, or on another day, waits under its own name.
    if (shown.current !== keep) reset(now.current.untouched as F, { keepDefaultValues: true, keepDirtyValues: false });
    shown.current = keep;
    for (const [name, typed] of keptTyping(keep, now.current.untouched))
      setValue(name as Path<F>, typed as PathValue<F, Path<F>>, { shouldDirty: true, shouldValidate: true });
    return subscribe({
      formState: { values: true },
      callback: ({ values, name }) => {
        // A field has a name where it was typed in; none where the form follows its record.
        if (name !== undefined) keepTyping(keep, name, { was: now.current.untouched[name], typed: values[name] });
        // One field may right another: what is wrong is read again with each change.
        if (now.current.wrong.length > 0) void trigger(now.current.wrong);
      },
    });
  }, [keep, reset, setValue, subscribe, trigger]);
  return {
    ...made,
    control: made.control as unknown as Control<F>,
    drop: (stays = []) => {
      forgetTyping(keep);
      const kept = Object.fromEntries(stays.map((name) => [name, getValues(name)]));
      reset({ ...(now.current.untouched as F), ...kept }, { keepDefaultValues: true, keepDirtyValues: false });
    },
  };
}
