"use client";

import { Segmented as Segments } from "antd";
import type { ReactNode } from "react";
import styles from "./kit.module.css";

/** One of a few, all of them in sight: `shown` where more than its name is to be seen of one, `block` over the whole width. */
export function Segmented<V>({
  options,
  value,
  onChange,
  label,
  block = false,
}: {
  options: readonly { label: string; value: V; shown?: ReactNode }[];
  value: V;
  onChange: (value: V) => void;
  label: string;
  block?: boolean;
}) {
  return (
    <Segments<number>
      aria-label={label}
      className={styles.segments ?? ""}
      block={block}
      options={options.map((one, place) => ({ value: place, label: one.shown ?? one.label }))}
      value={options.findIndex((one) => one.value === value)}
      onChange={(place) => onChange(options[place]!.value)}
    />
  );
}
