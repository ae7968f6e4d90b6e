"use client";

import { printDuration } from "@/core/base/units/time";
import { useState } from "react";
import styles from "./train.module.css";
import { useRest } from "./useRest";

/** A hold counts its seconds down, sounds at their end, and goes on counting what is held beyond them. */
export function Hold({ seconds }: { seconds: number }) {
  const [until, setUntil] = useState<number | null>(null);
  const left = useRest(until);
  if (seconds <= 0) return null;
  return (
    <div className={styles.ending} role="group" aria-label="Hold">
      {left === null ? (
        <button type="button" onClick={() => setUntil(Date.now() + seconds * 1000)}>
          Count {seconds} s down
        </button>
      ) : (
        <>
          <p role="timer" aria-label="Hold" className={styles.clock}>
            {left > 0 ? printDuration(left) : `+${printDuration(-left)}`}
          </p>
          <button type="button" onClick={() => setUntil(null)}>
            Stop
          </button>
        </>
      )}
    </div>
  );
}
