"use client";

import type { ComponentType, ReactNode } from "react";
import { useEffect, useState } from "react";
import styles from "./drag.module.css";
import { lateCode, whenIdle } from "./late";

/** What makes things draggable; it comes after they stand. */
export interface DragParts {
  /** `copies`: it was taken with Ctrl or Alt held, so that it stays where it was as well. */
  Context: ComponentType<{ onDrop: (what: string, onto: string, copies: boolean) => void; children: ReactNode }>;
  /** Something that can be taken elsewhere, by its name. */
  Taken: ComponentType<{ id: string; className?: string; children: ReactNode }>;
  /** Where it can be put. */
  Place: ComponentType<{ id: string; children: ReactNode }>;
}

/** The same before it has come: nothing is draggable yet. */
const still: DragParts = {
  Context: ({ children }) => children,
  Taken: ({ className = "", children }) => <span className={`${styles.taken} ${className}`}>{children}</span>,
  Place: ({ children }) => <span className={styles.place}>{children}</span>,
};

const dragging = lateCode(() => import("./DragThings").then(({ dragThings }) => dragThings));

/**
 * The parts to drag with: still ones until the code has come, and as long as the focus is inside, since what has the focus
 * is not taken away under the trainee's hand.
 * @returns the parts, and what tells of the focus, for what holds all of them
 */
export function useDragParts(): { parts: DragParts; inside: { onFocus: () => void; onBlur: () => void } } {
  useEffect(() => whenIdle(dragging.fetch), []);
  const come = dragging.useCode();
  const [isInside, setInside] = useState(false);
  const [isTaken, setTaken] = useState(false);
  if (come !== null && !isTaken && !isInside) setTaken(true);
  return {
    parts: isTaken && come !== null ? come : still,
    inside: { onFocus: () => setInside(true), onBlur: () => setInside(false) },
  };
}
