"use client";

import type { ComponentType, ReactNode } from "react";
import styles from "./plan.module.css";

/** What makes the weeks of the plan draggable; it comes after they stand. */
export interface DragParts {
  /** `copies`: it was taken with Ctrl or Alt held, so that it stays where it was as well. */
  Context: ComponentType<{ onDrop: (what: string, onto: string, copies: boolean) => void; children: ReactNode }>;
  /** Something that can be taken elsewhere, by its name. */
  Taken: ComponentType<{ id: string; className?: string; children: ReactNode }>;
  /** Where it can be put. */
  Place: ComponentType<{ id: string; children: ReactNode }>;
}

/** The same before it has come: nothing is draggable yet. */
export const still: DragParts = {
  Context: ({ children }) => children,
  Taken: ({ className = "", children }) => <span className={`${styles.taken} ${className}`}>{children}</span>,
  Place: ({ children }) => <span className={styles.place}>{children}</span>,
};
