"use client";

import styles from "./kit.module.css";
import { type Held, late } from "./late";

export interface TagsProps {
  label: string;
  value: readonly string[];
  onChange: (value: string[]) => void;
  /** The usual ones; anything else may be typed as well. */
  options: readonly string[];
}

/** Several words, chosen or typed. */
export const Tags = late<TagsProps>(
  () => import("./TagsBox").then(({ TagsBox }) => TagsBox),
  function Holding({ label, value, onFocus, onBlur }: TagsProps & Held) {
    const shown = value.join(", ");
    return (
      <button
        type="button"
        aria-haspopup="listbox"
        aria-busy="true"
        aria-label={`${label}: ${shown}`}
        className={`${styles.holding} whole`}
        {...{ onFocus, onBlur }}
      >
        {shown}
      </button>
    );
  },
);
