"use client";

import { answers } from "@/core/entry/names";
import { Select, type SelectProps as Given } from "antd";
import styles from "./kit.module.css";
import type { Option, SelectProps } from "./Select";

/** From so many choices on they are found by typing. */
const many = 9;

/** Found by any part of a name, with slips of the fingers forgiven; what holds it as it was typed comes first. */
const found: Exclude<Given<string, Option<string>>["showSearch"], boolean | undefined> = {
  filterOption: (typed, option) => answers(typed, option?.label ?? "") !== null,
  filterSort: (one, other, { searchValue }) =>
    (answers(searchValue, one.label) ?? 2) - (answers(searchValue, other.label) ?? 2),
};

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
    <Select<string, Option<string>>
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
      {...(options.length < many ? {} : { showSearch: found })}
    />
  );
}
