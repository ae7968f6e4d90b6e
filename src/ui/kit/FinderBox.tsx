"use client";

import { type RefSelectProps, Select } from "antd";
import { useEffect, useRef } from "react";
import type { Findable, FinderProps } from "./Finder";
import styles from "./kit.module.css";

/** The finder itself, which comes after the page stands. */
export function FinderBox({
  value,
  label,
  placeholder,
  typed,
  onType,
  options,
  none,
  onChange,
  opened = false,
  autoFocus,
}: FinderProps & { autoFocus: boolean }) {
  const field = useRef<RefSelectProps>(null);
  const first = opened || autoFocus;
  // After a dialog has opened around it, which gives its own first button the focus.
  useEffect(() => {
    if (first) field.current?.focus();
  }, [first]);
  return (
    <Select<string, Findable>
      aria-label={label}
      showSearch={{ searchValue: typed, filterOption: false, onSearch: onType }}
      value={value}
      placeholder={placeholder}
      ref={field}
      defaultOpen={first}
      className="whole"
      popupMatchSelectWidth={320}
      defaultActiveFirstOption
      options={[...options]}
      onChange={onChange}
      notFoundContent={typed.trim() === "" ? null : none}
      optionRender={({ data }) => (
        <span className={styles.found}>
          <span>{data.label}</span>
          <span className="quiet small">{data.detail}</span>
        </span>
      )}
    />
  );
}
