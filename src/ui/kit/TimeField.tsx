"use client";

import { typedTime } from "@/core/entry/typed";
import { Input, type InputRef } from "antd";
import { useImperativeHandle, useRef, useState } from "react";
import { Touched, type TypedFieldProps } from "./Touched";
import { useCoarse } from "./useMedia";

/**
 * A time of day, kept as HH:MM: typed as it is written (`6:40`, `0640`, `6.40 pm`); with a finger it is the device's own
 * field. What cannot be read stays as it was typed.
 */
export function TimeField(props: TypedFieldProps) {
  return useCoarse() ? (
    <Touched type="time" {...props} value={typedTime(props.value) === null ? "" : props.value} />
  ) : (
    <TypedTime {...props} />
  );
}

function TypedTime({ value, onChange, id, label, onBlur, invalid, describedBy, className, ref }: TypedFieldProps) {
  const input = useRef<InputRef>(null);
  useImperativeHandle(ref, () => ({ focus: () => input.current?.focus() }));
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <Input
      ref={input}
      value={typed ?? value}
      onChange={(event) => {
        setTyped(event.target.value);
        onChange(typedTime(event.target.value) ?? event.target.value.trim());
      }}
      onBlur={() => {
        setTyped(null);
        onBlur?.();
      }}
      placeholder="06:40"
      autoComplete="off"
      className={className}
      id={id}
      aria-label={label}
      aria-invalid={invalid}
      aria-describedby={describedBy}
      status={invalid ? "error" : undefined}
    />
  );
}
