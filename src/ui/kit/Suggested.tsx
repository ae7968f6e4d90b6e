"use client";

import { Input } from "antd";
import { type Held, late } from "./late";

export interface SuggestedProps {
  id?: string;
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  /** What is offered while it is typed; anything else may be typed as well. */
  options: readonly string[];
}

/** A text for which usual ones are offered. */
export const Suggested = late<SuggestedProps>(
  () => import("./SuggestedBox").then(({ SuggestedBox }) => SuggestedBox),
  function Holding({ id, value, onChange, onFocus, onBlur }: SuggestedProps & Held) {
    return (
      <Input
        {...{ id, value, onFocus, onBlur }}
        onChange={(event) => onChange(event.target.value)}
        autoComplete="off"
      />
    );
  },
);
