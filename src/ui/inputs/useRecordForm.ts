"use client";

import { type BaseSyntheticEvent, useState } from "react";
import { type DefaultValues, type FieldValues, useForm, type UseFormReturn } from "react-hook-form";

/**
 * What a form calls its fields, for telling what has changed in them meanwhile. A field without a name is not told of.
 */
export type FieldNames<F> = { [K in keyof F]?: string };

/** A form on a record that other tabs may change while it is open. */
export interface RecordForm<F extends FieldValues> extends UseFormReturn<F> {
  /** What another tab has changed since the form was opened, in words; empty when nothing has. */
  meanwhile: string[];
  /**
   * Handles a submit: `write` is given what the form holds and which fields say otherwise than the record does.
   * Resolved to true, what was typed counts as saved.
   */
  save: (
    write: (fields: F, changed: ReadonlySet<keyof F>) => Promise<boolean>,
  ) => (event?: BaseSyntheticEvent) => Promise<void>;
}

/**
 * A form on a record. Fields that were not touched follow the record, whoever changes it; those that were keep what was
 * typed.
 * @param now what the form would hold if it were opened now
 */
export function useRecordForm<F extends FieldValues>(now: F, names: FieldNames<F>): RecordForm<F> {
  const form = useForm<F>({
    mode: "onChange",
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
    saving || "savedOn" in opened
      ? []
      : keysOf(now).filter((key) => names[key] !== undefined && !same(now[key], opened.fields[key]));
  const meanwhile = changedSince.map(
    (key) =>
      `${names[key]} is now ${printed(now[key])}${same(form.getValues()[key], now[key]) ? "" : "; what you typed is kept"}`,
  );
  const save: RecordForm<F>["save"] = (write) =>
    form.handleSubmit(async (fields) => {
      setSaving(true);
      try {
        if (await write(fields, new Set(keysOf(now).filter((key) => !same(fields[key], now[key]))))) {
          // What was typed is the record now: from here on it follows the record again.
          form.reset(fields, { keepDirtyValues: false });
          setOpened({ savedOn: now });
        }
      } finally {
        setSaving(false);
      }
    });
  return { ...form, meanwhile, save };
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
