"use client";

import type { Ref } from "react";
import styles from "./kit.module.css";

/** What a field that is typed into in words is given, whatever is typed. */
export interface TypedFieldProps {
  /** As it is kept; or what was typed, where it cannot be read; or nothing. */
  value: string;
  /** Told the same, as it is typed. */
  onChange: (value: string) => void;
  id?: string;
  label?: string;
  onBlur?: () => void;
  /** Whether the form around it says that it is wrong. */
  invalid?: boolean;
  describedBy?: string;
  className?: string;
  ref?: Ref<{ focus: () => void }>;
}

/** The device's own field for a date or a time, for a finger; what it cannot show is nothing in it. */
export function Touched({
  type,
  max,
  min,
  value,
  onChange,
  id,
  label,
  onBlur,
  invalid,
  describedBy,
  className = "",
  ref,
}: TypedFieldProps & { type: "date" | "time"; max?: string; min?: string }) {
  return (
    <input
      {...{ type, max, min, value, id, onBlur }}
      ref={ref as Ref<HTMLInputElement>}
      onChange={(event) => onChange(event.target.value)}
      aria-label={label}
      aria-invalid={invalid}
      aria-describedby={describedBy}
      className={`${styles.touched} ${className}`}
    />
  );
}
