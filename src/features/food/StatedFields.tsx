"use client";

import { capitalised } from "@/core/base/text";
import { Field } from "@/ui/inputs/Field";
import { useLog } from "@/ui/log/LogContext";
import type { Control, FieldPath, FieldValues } from "react-hook-form";

/** The fields of something whose energy is said. */
export function StatedFields<F extends FieldValues>({ control }: { control: Control<F> }) {
  const { units } = useLog();
  return (
    <>
      <Field control={control} name={"energy" as FieldPath<F>} label="Energy" unit={units.energy} inputMode="decimal" />
      {(["protein", "fat", "carbohydrate"] as const).map((name) => (
        <Field
          key={name}
          control={control}
          name={name as FieldPath<F>}
          label={capitalised(name)}
          unit="g"
          inputMode="decimal"
        />
      ))}
    </>
  );
}
