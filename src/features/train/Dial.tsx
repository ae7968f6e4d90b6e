"use client";

import { type ReactNode, useState } from "react";
import styles from "./train.module.css";

/** A number at arm's length with a button on either side; the number itself can be typed. */
export function Dial({
  label,
  text,
  unit,
  onText,
  step,
  children,
}: {
  label: string;
  text: string;
  unit: string;
  onText: (text: string) => void;
  step: (up: boolean) => void;
  children?: ReactNode;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <div className={styles.dial} role="group" aria-label={label}>
      <button
        type="button"
        aria-label={`${label} down`}
        onClick={() => {
          setTyped(null);
          step(false);
        }}
      >
        −
      </button>
      <div>
        <input
          aria-label={`${label}, ${unit}`}
          inputMode="decimal"
          value={typed ?? text}
          onFocus={(event) => event.target.select()}
          onChange={(event) => {
            setTyped(event.target.value);
            onText(event.target.value);
          }}
          onBlur={() => setTyped(null)}
          onKeyDown={(event) => {
            if (event.key === "Enter") event.currentTarget.blur();
          }}
        />
        <p className="quiet">
          {unit} {children}
        </p>
      </div>
      <button
        type="button"
        aria-label={`${label} up`}
        onClick={() => {
          setTyped(null);
          step(true);
        }}
      >
        +
      </button>
    </div>
  );
}
