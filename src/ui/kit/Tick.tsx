"use client";

import { Checkbox } from "antd";
import type { ReactNode } from "react";
import { type Control, type FieldPath, type FieldValues, useController } from "react-hook-form";

/** A box that is ticked or not, with its words. */
export function Tick({
  checked,
  onChange,
  onBlur,
  disabled = false,
  className,
  label,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  onBlur?: () => void;
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
      onBlur={onBlur}
      className={className}
      aria-label={label}
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
    field: { value, onChange, onBlur },
  } = useController({ control, name });
  return (
    <Tick checked={value as boolean} onChange={onChange} onBlur={onBlur} className={className}>
      {children}
    </Tick>
  );
}
