"use client";

import styles from "./kit.module.css";
import { type Held, late } from "./late";

export interface Option<V extends string> {
  value: V;
  label: string;
}

export interface SelectProps<V extends string> {
  /** The one that is chosen; null where none is. */
  value: V | null;
  placeholder?: string;
  options: readonly Option<V>[];
  onChange: (value: V) => void;
  /** Its name, where no label stands beside it. */
  label?: string;
  id?: string;
  onBlur?: () => void;
  /** When its list is opened. */
  onOpen?: () => void;
  /** Without a border, among words. */
  plain?: boolean;
  className?: string;
}

const LateSelect = late<SelectProps<string>>(
  () => import("./SelectBox").then(({ SelectBox }) => SelectBox),
  function Holding({
    value,
    options,
    label,
    id,
    placeholder = "",
    plain = false,
    className = "",
    onFocus,
    onBlur,
  }: SelectProps<string> & Held) {
    const shown = options.find((one) => one.value === value)?.label ?? placeholder;
    return (
      <button
        type="button"
        aria-haspopup="listbox"
        aria-busy="true"
        // A button's name holds what it shows.
        aria-label={label && `${label}: ${shown}`}
        id={id}
        className={`${styles.select} ${plain ? styles.plain : styles.holding} ${className}`}
        {...{ onFocus, onBlur }}
      >
        {shown}
      </button>
    );
  },
);

/** One of several; where there are many they are found by typing. */
export function Select<V extends string>({ onChange, ...given }: SelectProps<V>) {
  return <LateSelect {...given} onChange={(chosen) => onChange(chosen as V)} />;
}
