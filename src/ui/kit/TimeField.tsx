"use client";

import { typedTime } from "@/core/entry/typed";
import { Input } from "antd";
import { type Ref, useState } from "react";
import styles from "./kit.module.css";
import { useCoarse } from "./useCoarse";

export interface TimeFieldProps {
  /** The time as HH:MM; or what was typed, where it cannot be read; or nothing. */
  value: string;
  onChange: (value: string) => void;
  id?: string;
  label?: string;
  onBlur?: () => void;
  invalid?: boolean;
  describedBy?: string;
  className?: string;
  ref?: Ref<{ focus: () => void }>;
}

/**
 * A time of day: typed as it is written (`6:40`, `0640`, `6.40 pm`); with a finger it is the device's own field. What
 * cannot be read stays as it was typed.
 */
export function TimeField({
  value,
  onChange,
  id,
  label,
  onBlur,
  invalid,
  describedBy,
  className = "",
  ref,
}: TimeFieldProps) {
  const isCoarse = useCoarse();
  const [typed, setTyped] = useState<string | null>(null);
  if (isCoarse)
    return (
      <input
        type="time"
        ref={ref as Ref<HTMLInputElement>}
        value={typedTime(value) === null ? "" : value}
        onChange={(event) => onChange(event.target.value)}
        {...{ id, onBlur }}
        aria-label={label}
        aria-invalid={invalid}
        aria-describedby={describedBy}
        className={`${styles.touched} ${className}`}
      />
    );
  return (
    <Input
      ref={(field) => {
        if (typeof ref === "function") ref(field);
        else if (ref) ref.current = field;
      }}
      value={typed ?? value}
      onChange={(event) => {
        setTyped(event.target.value);
        onChange(typedTime(event.target.value) ?? event.target.value.trim());
      }}
      onBlur={() => {
        setTyped(null);
        onBlur?.();
      }}
      placeholder="06:40"
      autoComplete="off"
      className={className}
      aria-invalid={invalid}
      aria-describedby={describedBy}
      {...(id === undefined ? {} : { id })}
      {...(label === undefined ? {} : { "aria-label": label })}
      {...(invalid ? { status: "error" as const } : {})}
    />
  );
}
