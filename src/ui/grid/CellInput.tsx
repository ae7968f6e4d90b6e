"use client";

import type { KeyboardEvent } from "react";
import styles from "./grid.module.css";

/** The field in which a cell of a grid is typed over; it fills the cell and looks like it. */
export function CellInput({
  text,
  name,
  inputMode,
  isUnseen,
  onEdit,
  onKeyDown,
}: {
  text: string;
  name: string;
  inputMode: "text" | "decimal";
  /** It has just called back: keys still belong where the trainee was. */
  isUnseen: boolean;
  onEdit: (text: string) => void;
  onKeyDown: (event: KeyboardEvent) => void;
}) {
  return (
    <input
      autoFocus
      inputMode={inputMode}
      className={styles.input}
      value={text}
      aria-label={name}
      aria-busy={isUnseen || undefined}
      onChange={(event) => onEdit(event.target.value)}
      onKeyDown={onKeyDown}
    />
  );
}
