"use client";

import { Select } from "antd";
import styles from "./kit.module.css";
import type { SelectProps } from "./Select";

/** From so many choices on they are found by typing. */
const many = 9;

/** The list itself, which comes after the page stands. */
export function SelectBox({
  value,
  options,
  onChange,
  label,
  id,
  onBlur,
  onOpen,
  placeholder,
  plain = false,
  className,
  autoFocus,
}: SelectProps<string> & { autoFocus: boolean }) {
  return (
    <Select<string>
      value={value}
      onChange={onChange}
      options={[...options]}
      onOpenChange={(open) => open && onOpen?.()}
      popupMatchSelectWidth={false}
      variant={plain ? "borderless" : "outlined"}
      autoFocus={autoFocus}
      aria-label={label}
      {...{ id, placeholder, onBlur }}
      className={`${styles.select} ${className ?? ""}`}
      {...(options.length < many ? {} : { showSearch: { optionFilterProp: "label" } })}
    />
  );
}
