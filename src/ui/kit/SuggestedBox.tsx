"use client";

import { AutoComplete } from "antd";
import type { SuggestedProps } from "./Suggested";

/** The field with its list, which comes after the page stands. */
export function SuggestedBox({
  id,
  value,
  onChange,
  onBlur,
  options,
  autoFocus,
}: SuggestedProps & { autoFocus: boolean }) {
  return (
    <AutoComplete
      value={value}
      onChange={(text: string) => onChange(text)}
      options={options.map((one) => ({ value: one }))}
      showSearch={{
        filterOption: (typed, option) => option?.value.toLowerCase().includes(typed.toLowerCase()) ?? false,
      }}
      autoFocus={autoFocus}
      className="whole"
      {...{ id, onBlur }}
    />
  );
}
