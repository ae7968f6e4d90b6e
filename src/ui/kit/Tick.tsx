"use client";

import { Checkbox } from "antd";
import type { ReactNode } from "react";
import { type Control, type FieldPath, type FieldValues, useController } from "react-hook-form";

/** A box that is ticked or not, with its words. */
export function Tick({
  checked,
  onChange,
  disabled = false,
  className,
  label,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  disabled?: boolean;
  className?: string;
  /** Its name, where no words stand beside it. */
  label?: string;
  children?: ReactNode;
}) {
  return (
    <Checkbox
      checked={checked}
      disabled={disabled}
      onChange={(event) => onChange(event.target.checked)}
      {...(className === undefined ? {} : { className })}
      {...(label === undefined ? {} : { "aria-label": label })}
    >
      {children}
    </Checkbox>
  );
}

/** The same in a form. */
export function TickField<T extends FieldValues>({
  control,
  name,
  className,
  children,
}: {
  control: Control<T>;
  name: FieldPath<T>;
  className?: string;
  children: ReactNode;
}) {
  const {
    field: { value, onChange, onBlur, ref },
  } = useController({ control, name });
  return (
    <Checkbox
      checked={value as boolean}
      onChange={(event) => onChange(event.target.checked)}
      onBlur={onBlur}
      ref={(box) => ref(box?.input ?? null)}
      {...(className === undefined ? {} : { className })}
    >
      {children}
    </Checkbox>
  );
}
