"use client";

import { Tooltip } from "antd";
import type { Hint } from "./HintLayer";
import styles from "./kit.module.css";

/** The words beside what they are said of. */
export function HintBubble({ text, at: { left, top, width, height } }: Hint) {
  return (
    <Tooltip key={`${left} ${top}`} open title={text} placement="bottom">
      <span className={styles.hinted} style={{ left, top, width, height }} />
    </Tooltip>
  );
}
