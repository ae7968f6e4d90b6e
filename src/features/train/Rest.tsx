"use client";

import { printDuration } from "@/core/base/units/time";
import { LinkButton } from "@/ui/kit/LinkButton";
import styles from "./train.module.css";
import { useRest } from "./useRest";
import type { TrainingState } from "./useTraining";

/** The rest that runs: what is left of it, or how long ago it ended; longer, shorter or ended by hand. */
export function Rest({ rest, change }: { rest: TrainingState["rest"]; change: (rest: TrainingState["rest"]) => void }) {
  const left = useRest(rest?.until ?? null);
  if (rest === null || left === null) return <div className={styles.rest} />;
  const by = (seconds: number) =>
    change({ until: Math.max(Date.now(), rest.until + seconds * 1000), seconds: Math.max(0, rest.seconds + seconds) });
  return (
    <div className={styles.rest}>
      <LinkButton aria-label="−15 seconds of rest" onClick={() => by(-15)}>
        −15
      </LinkButton>
      <p role="timer" aria-label="Rest">
        <span className={styles.clock}>{printDuration(Math.abs(left))}</span>{" "}
        <span className="quiet">{left > 0 ? `of ${printDuration(rest.seconds)} rest` : "since the rest was over"}</span>
      </p>
      <LinkButton aria-label="+15 seconds of rest" onClick={() => by(15)}>
        +15
      </LinkButton>
      <LinkButton onClick={() => change(null)}>End rest</LinkButton>
      <span className="hidden" role="status">
        {left === 0 ? "Rest is over" : ""}
      </span>
    </div>
  );
}
