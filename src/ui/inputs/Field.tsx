"use client";

import { sumOf } from "@/core/entry/sums";
import { DateField } from "@/ui/kit/DateField";
import { Select } from "@/ui/kit/Select";
import { TimeField } from "@/ui/kit/TimeField";
import { Input } from "antd";
import { type ReactNode, useId } from "react";
import { type Control, type FieldPath, type FieldValues, useController } from "react-hook-form";
import styles from "./inputs.module.css";

interface FieldProps<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  unit?: string;
  type?: "text" | "long" | "date" | "time";
  /** Which way a date without its year is taken: the last such day, or the next. */
  lean?: "back" | "ahead";
  placeholder?: string;
  inputMode?: "decimal" | "numeric" | "text";
  autoFocus?: boolean;
  className?: string;
  onChange?: () => void;
  /** Once it is left. */
  onLeave?: () => void;
}

/** One labelled field for text, a date or a time, read by the schema of its form as it is typed; the reason stands under it. */
export function Field<T extends FieldValues>({
  control,
  name,
  label,
  unit,
  type = "text",
  lean,
  placeholder,
  inputMode,
  autoFocus,
  className,
  onChange: changed,
  onLeave,
}: FieldProps<T>) {
  const id = useId();
  const {
    field: { ref, value, onBlur, onChange },
    fieldState,
  } = useController({ control, name });
  const write = (text: string) => {
    onChange(text);
    changed?.();
  };
  const problem = fieldState.error?.message;
  const invalid = problem !== undefined;
  const describedBy = invalid ? `${id}-problem` : undefined;
  const typed = (value as string | undefined) ?? "";
  // What a small sum comes to is shown, and stands for it where the form takes it; a third stays as it was typed.
  const isFigure = inputMode === "decimal" || inputMode === "numeric";
  const sum = isFigure && !invalid ? sumOf(typed) : null;
  const shared = {
    id,
    value: typed,
    onBlur: () => {
      if (sum?.isWhole) write(sum.typed);
      onBlur();
      onLeave?.();
    },
  };
  return (
    <div className={`${styles.field} ${className ?? ""}`}>
      <label htmlFor={id}>{label}</label>
      {type === "text" && (
        <Input
          {...shared}
          ref={ref}
          onChange={(event) => write(event.target.value)}
          aria-invalid={invalid}
          aria-describedby={describedBy}
          status={invalid ? "error" : undefined}
          // An input without one is another element than an input with one: what is typed in it would lose the focus.
          suffix={sum === null ? (unit ?? (isFigure ? <span /> : undefined)) : `= ${sum.typed}`}
          placeholder={placeholder}
          inputMode={inputMode}
          autoComplete="off"
          autoFocus={autoFocus}
        />
      )}
      {type === "long" && (
        <Input.TextArea
          {...shared}
          ref={ref}
          onChange={(event) => write(event.target.value)}
          aria-invalid={invalid}
          aria-describedby={describedBy}
          placeholder={placeholder}
          autoSize={{ minRows: 2, maxRows: 8 }}
        />
      )}
      {type === "date" && <DateField {...shared} {...{ invalid, describedBy, lean }} ref={ref} onChange={write} />}
      {type === "time" && <TimeField {...shared} {...{ invalid, describedBy }} ref={ref} onChange={write} />}
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
  onOpen,
  className,
}: {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  options: readonly { value: string; label: string }[];
  onOpen?: () => void;
  className?: string;
}) {
  const id = useId();
  const {
    field: { value: chosen, onBlur, onChange },
    fieldState: { error },
  } = useController({ control, name });
  return (
    <div className={`${styles.field} ${styles.choice} ${className ?? ""}`}>
      <label htmlFor={id}>{label}</label>
      <Select id={id} value={chosen as string} {...{ options, onChange, onBlur, onOpen }} />
      {error?.message !== undefined && (
        <span className={styles.problem} role="alert">
          {error.message}
        </span>
      )}
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
