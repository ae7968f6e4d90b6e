import type { SessionMark } from "@/core/days/columnView";
import styles from "./column.module.css";

/**
 * Outlines by kind, in a box of 14: strength a square, rowing a circle, running a triangle, anything else a diamond.
 */
function outline(kind: string): string {
  if (kind === "strength") return "M2 2H12V12H2Z";
  if (kind === "row") return "M7 1.5A5.5 5.5 0 1 1 6.99 1.5Z";
  if (kind === "run") return "M7 1.5L13 12.5H1Z";
  return "M7 1L13 7L7 13L1 7Z";
}

/**
 * A session by shape first: hollow when planned, filled when done, half filled when partly done, struck through when
 * skipped, dashed when missed.
 */
export function Mark({ kind, status, title }: Omit<SessionMark, "id">) {
  const path = outline(kind);
  const stroke =
    status === "planned" ? "var(--oat)" : status === "skipped" || status === "missed" ? "var(--slate)" : "var(--pine)";
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" role="img" aria-label={`${title}, ${status}`}>
      <title>{`${title}, ${status}`}</title>
      {status === "partly" && <path d={path} fill="var(--pine)" className={styles.half} />}
      <path
        d={path}
        fill={status === "done" ? "var(--pine)" : "none"}
        stroke={stroke}
        strokeWidth="1.4"
        strokeDasharray={status === "missed" ? "2 2" : undefined}
      />
      {status === "skipped" && <path d="M0.5 13.5L13.5 0.5" stroke={stroke} strokeWidth="1.4" />}
    </svg>
  );
}
