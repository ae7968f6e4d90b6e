"use client";

import { Select } from "antd";
import type { TagsProps } from "./Tags";

/** The field itself, which comes after the page stands. */
export function TagsBox({ label, value, onChange, options, autoFocus }: TagsProps & { autoFocus: boolean }) {
  return (
    <Select<string[]>
      mode="tags"
      aria-label={label}
      value={[...value]}
      onChange={onChange}
      options={options.map((one) => ({ value: one, label: one }))}
      className="whole"
      tokenSeparators={[","]}
      autoFocus={autoFocus}
    />
  );
}
