"use client";

import { type ReactNode, useId } from "react";
import styles from "./kit.module.css";

/** A control with its name beside it, or over it. `children` is given the id that the control has to bear. */
export function Captioned({
  caption,
  over = false,
  className = "",
  children,
}: {
  caption: ReactNode;
  over?: boolean;
  className?: string;
  children: (id: string) => ReactNode;
}) {
  const id = useId();
  return (
    <span className={`${over ? styles.over : styles.beside} ${className}`}>
      <label htmlFor={id}>{caption}</label>
      {children(id)}
    </span>
  );
}
