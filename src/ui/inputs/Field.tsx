"use client";

import { Input } from "antd";
import { type ReactNode, useId } from "react";
import { type Control, type FieldPath, type FieldValues, useController } from "react-hook-form";
import styles from "./inputs.module.css";

/** Says what is wrong with a text, or nothing. */
export type Check = (text: string) => string | null;

interface FieldProps<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  unit?: string;
  check?: Check;
  type?: "text" | "date" | "time";
  placeholder?: string;
  inputMode?: "decimal" | "numeric" | "text";
  autoFocus?: boolean;
  className?: string;
  onChange?: () => void;
}

/** One labelled text field, checked as it is typed; the reason stands under it. */
export function Field<T extends FieldValues>({
  control,
  name,
  label,
  unit,
  check,
  type = "text",
  placeholder,
  inputMode,
  autoFocus,
  className,
  onChange: changed,
}: FieldProps<T>) {
  const id = useId();
  const {
    field: { ref, value, onBlur, onChange },
    fieldState,
  } = useController({ control, name, rules: { validate: (text: string) => check?.(text) ?? true } });
  const write = (text: string) => {
    onChange(text);
    changed?.();
  };
  const problem = fieldState.error?.message;
  const shared = {
    id,
    value: (value as string | undefined) ?? "",
    onBlur,
    "aria-invalid": problem !== undefined,
    "aria-describedby": problem === undefined ? undefined : `${id}-problem`,
  };
  return (
    <div className={`${styles.field} ${className ?? ""}`}>
      <label htmlFor={id}>{label}</label>
      {type === "text" ? (
        <Input
          {...shared}
          ref={ref}
          onChange={(event) => write(event.target.value)}
          status={problem === undefined ? undefined : "error"}
          suffix={unit}
          placeholder={placeholder}
          inputMode={inputMode}
          autoComplete="off"
          autoFocus={autoFocus}
        />
      ) : (
        <input
          {...shared}
          ref={ref}
          type={type}
          className={styles.native}
          onChange={(event) => write(event.target.value)}
        />
      )}
      {problem !== undefined && (
        <span id={`${id}-problem`} className={styles.problem} role="alert">
          {problem}
        </span>
      )}
    </div>
  );
}

/** One labelled choice. */
export function Choice<T extends FieldValues>({
  control,
  name,
  label,
  options,
  className,
}: {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  options: readonly { value: string; label: string }[];
  className?: string;
}) {
  const id = useId();
  const {
    field: { ref, value: chosen, onBlur, onChange },
  } = useController({ control, name });
  return (
    <div className={`${styles.field} ${className ?? ""}`}>
      <label htmlFor={id}>{label}</label>
      <select
        id={id}
        className={styles.native}
        value={chosen as string}
        onChange={(event) => onChange(event.target.value)}
        onBlur={onBlur}
        ref={ref}
      >
        {options.map(({ value, label: title }) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </select>
    </div>
  );
}

/** Fields side by side, wrapping on a narrow screen. */
export function Row({ children }: { children: ReactNode }) {
  return <div className={styles.row}>{children}</div>;
}

/** A button beside fields, level with them. */
export function RowButton({ children }: { children: ReactNode }) {
  return <div className={styles.button}>{children}</div>;
}

/** A tick box beside fields, level with them. */
export const check = styles.check;
export const wide = styles.wide;
/** A field in which several things are listed. */
export const list = styles.list;
export const narrow = styles.narrow;
