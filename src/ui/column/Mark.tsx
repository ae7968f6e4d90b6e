"use client";

import { byWord } from "@/core/base/byWord";
import { markOf } from "@/core/sessions/marks";
import type { SessionMark } from "@/core/days/columnView";
import { use } from "react";
import styles from "./column.module.css";
import { KindMarks } from "./kindMarks";

/** Outlines by name, in a box of 14. */
const outlines: Readonly<Record<string, string>> = byWord({
  square: "M2 2H12V12H2Z",
  circle: "M7 1.5A5.5 5.5 0 1 1 6.99 1.5Z",
  triangle: "M7 1.5L13 12.5H1Z",
  diamond: "M7 1L13 7L7 13L1 7Z",
  hexagon: "M4 1.8H10L13 7L10 12.2H4L1 7Z",
  shield: "M2 2H12V7L7 12.8L2 7Z",
  cross: "M5 1.5H9V5H12.5V9H9V12.5H5V9H1.5V5H5Z",
  ring: "M7 1.5A5.5 5.5 0 1 1 6.99 1.5ZM7 4.8A2.2 2.2 0 1 0 7.01 4.8Z",
});

/**
 * A session by shape first: hollow when planned, filled when done, half filled when partly done, struck through when
 * skipped, dashed when missed. Its kind gives the outline, and its colour where the trainee has chosen one.
 */
export function Mark({ kind, status, title }: Omit<SessionMark, "id">) {
  const own = use(KindMarks).get(kind.toLowerCase());
  const path = outlines[markOf(kind, own?.mark ?? null)]!;
  const colour = own?.colour == null ? null : `var(--${own.colour})`;
  const stroke =
    status === "skipped" || status === "missed"
      ? "var(--slate)"
      : (colour ?? (status === "planned" ? "var(--oat)" : "var(--pine)"));
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" role="img" aria-label={`${title}, ${status}`}>
      <title>{`${title}, ${status}`}</title>
      {status === "partly" && <path d={path} fill={stroke} fillRule="evenodd" className={styles.half} />}
      <path
        d={path}
        fill={status === "done" ? stroke : "none"}
        fillRule="evenodd"
        stroke={stroke}
        strokeWidth="1.4"
        strokeDasharray={status === "missed" ? "2 2" : undefined}
      />
      {status === "skipped" && <path d="M0.5 13.5L13.5 0.5" stroke={stroke} strokeWidth="1.4" />}
    </svg>
  );
}
