"use client";

import { Input, type InputRef } from "antd";
import { useEffect, useRef } from "react";
import { type Held, late } from "./late";

export interface Findable {
  value: string;
  label: string;
  /** What is said of it beside its name. */
  detail: string;
}

export interface FinderProps {
  /** The one that is chosen; null where none is. */
  value: string | null;
  label: string;
  placeholder: string;
  /** What was typed so far; whoever uses the finder finds by it what is offered. */
  typed: string;
  onType: (text: string) => void;
  options: readonly Findable[];
  /** Said where nothing is found. */
  none: string;
  onChange: (value: string) => void;
  /** Has the focus, and is open, as soon as it is there. */
  opened?: boolean;
}

/** One of more than can be listed, found by typing. What is typed before its list has come is kept. */
export const Finder = late<FinderProps>(
  () => import("./FinderBox").then(({ FinderBox }) => FinderBox),
  function Holding({ value, label, placeholder, typed, onType, options, opened, onFocus, onBlur }: FinderProps & Held) {
    const field = useRef<InputRef>(null);
    useEffect(() => {
      if (opened) field.current?.focus();
    }, [opened]);
    const chosen = options.find((one) => one.value === value)?.label;
    return (
      <Input
        ref={field}
        aria-label={label}
        aria-busy
        autoComplete="off"
        value={typed}
        placeholder={chosen ?? placeholder}
        onChange={(event) => onType(event.target.value)}
        onFocus={onFocus}
        onBlur={() => {
          onBlur();
          onType("");
        }}
      />
    );
  },
);
