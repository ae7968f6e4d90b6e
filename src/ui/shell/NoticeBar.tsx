"use client";

import Link from "next/link";
import { useEffect } from "react";
import type { Notice } from "../log/LogContext";
import { LinkButton } from "../kit/LinkButton";
import styles from "./shell.module.css";

const staysMs = 12_000;

/**
 * What the last action did, with its undo; over the page, or as a line within it. A problem stays until it is
 * dismissed.
 */
export function NoticeBar({
  notice,
  undo,
  dismiss,
  within = false,
}: {
  notice: Notice | null;
  undo: () => Promise<void>;
  dismiss: () => void;
  within?: boolean;
}) {
  useEffect(() => {
    if (notice === null || notice.problem) return;
    const timer = setTimeout(dismiss, staysMs);
    return () => clearTimeout(timer);
  }, [notice, dismiss]);
  return (
    <div role="status" aria-live="polite" className="noprint">
      {notice && (
        <div
          className={`${within ? styles.line : styles.notice} ${notice.problem ? styles.problem : ""}`}
          key={notice.id}
        >
          <span>{notice.text}</span>
          {notice.whose !== null && <strong>{notice.whose}</strong>}
          {notice.hereOnly && (
            <Link
              href="/files"
              aria-label="here only: no copy of this log has left this browser yet"
              data-hint="No copy of this log has left this browser yet"
              className={styles.hereOnly}
            >
              here only
            </Link>
          )}
          <span>
            {notice.undo && <LinkButton onClick={() => void undo()}>Undo</LinkButton>}{" "}
            <LinkButton aria-label="Dismiss" onClick={dismiss}>
              ×
            </LinkButton>
          </span>
        </div>
      )}
    </div>
  );
}
