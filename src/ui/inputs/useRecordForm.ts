"use client";

import type { FormContext } from "@/core/entry/form";
import { type BaseSyntheticEvent, useState } from "react";
import type { DefaultValues, FieldValues } from "react-hook-form";
import { validate } from "uuid";
import { forgetTyping } from "./keptTyping";
import type { LateForm } from "./lateForm";
import { type TypedForm, useTypedForm } from "./useTypedForm";

/** What a form calls its fields, each of them, for telling what has changed in them meanwhile. */
export type FieldNames<F> = Readonly<Record<keyof F, string>>;

/** A form on a record that other tabs may change while it is open. */
export interface RecordForm<F extends FieldValues, C, V> extends TypedForm<F, C, V> {
  /** What another tab has changed since the form was opened, in words; empty when nothing has. */
  meanwhile: string[];
  /**
   * Handles a submit: `write` is given what the fields come to, and which of them say otherwise than the record does.
   * Resolved to true, what was typed counts as saved.
   */
  save: (
    write: (values: V, changed: ReadonlySet<keyof F>) => Promise<boolean>,
  ) => (event?: BaseSyntheticEvent) => Promise<void>;
}

/**
 * A form on a record. Fields that were not touched follow the record, whoever changes it; those that were keep what was
 * typed.
 * @param schema its schema
 * @param context what its texts are read with
 * @param keep the name under which what is typed is kept meanwhile
 * @param now what the form would hold if it were opened now
 */
export function useRecordForm<C extends FormContext, F extends FieldValues, V>(
  schema: LateForm<C, F, V>,
  context: Omit<C, "order">,
  keep: string,
  now: F,
  names: FieldNames<F>,
): RecordForm<F, Omit<C, "order">, V> {
  const form = useTypedForm(schema, context, keep, {
    defaultValues: now as DefaultValues<F>,
    values: now,
    resetOptions: { keepDirtyValues: true },
  });
  // What the record said when the form was opened or last saved. Right after a saving it is what the record comes to
  // say next.
  const [opened, setOpened] = useState<{ fields: F } | { savedOn: F }>({ fields: now });
  const [saving, setSaving] = useState(false);
  if ("savedOn" in opened && !saving && !same(opened.savedOn, now)) setOpened({ fields: now });
  const changedSince =
    saving || "savedOn" in opened ? [] : keysOf(now).filter((key) => !same(now[key], opened.fields[key]));
  const meanwhile = changedSince.map(
    (key) =>
      `${names[key]} ${isId(now[key]) ? "is another now" : `is now ${printed(now[key])}`}${same(form.getValues()[key], now[key]) ? "" : "; what you typed is kept"}`,
  );
  const save: RecordForm<F, unknown, V>["save"] = (write) =>
    form.handleSubmit(async (values) => {
      const fields = form.getValues();
      setSaving(true);
      try {
        if (await write(values, new Set(keysOf(now).filter((key) => !same(fields[key], now[key]))))) {
          // What was typed is the record now: from here on it follows the record again.
          form.reset(fields, { keepDirtyValues: false });
          forgetTyping(keep);
          setOpened({ savedOn: now });
        }
      } finally {
        setSaving(false);
      }
    });
  return { ...form, meanwhile, save };
}

/** Of some values those whose fields say otherwise than the record does. */
export function changedOnly<V extends object>(changed: ReadonlySet<PropertyKey>, values: V): Partial<V> {
  return Object.fromEntries(Object.entries(values).filter(([name]) => changed.has(name))) as Partial<V>;
}

/** Whether a field holds the id of another record, which tells a trainee nothing. */
function isId(value: unknown): boolean {
  return typeof value === "string" && validate(value);
}

function keysOf<F extends object>(fields: F): (keyof F)[] {
  return Object.keys(fields) as (keyof F)[];
}

function same(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

function printed(value: unknown): string {
  if (Array.isArray(value)) return value.length === 0 ? "empty" : value.join(", ");
  return typeof value === "boolean"
    ? value
      ? "ticked"
      : "not ticked"
    : value === "" || value === null
      ? "empty"
      : `“${String(value)}”`;
}
