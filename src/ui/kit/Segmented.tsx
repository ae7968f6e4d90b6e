"use client";

import { Segmented as Segments } from "antd";
import styles from "./kit.module.css";

/** One of a few, all of them in sight. */
export function Segmented<V>({
  options,
  value,
  onChange,
  label,
}: {
  options: readonly { label: string; value: V }[];
  value: V;
  onChange: (value: V) => void;
  label: string;
}) {
  return (
    <Segments<string>
      aria-label={label}
      className={styles.segments ?? ""}
      options={options.map((one) => one.label)}
      value={options.find((one) => one.value === value)?.label ?? ""}
      onChange={(chosen) => onChange(options.find((one) => one.label === chosen)!.value)}
    />
  );
}
