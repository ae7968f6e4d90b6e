"use client";

import { dateOf, dayOf, mustDay } from "@/core/base/calendar/day";
import { typedDate } from "@/core/entry/typed";
import { CalendarOutlined } from "@ant-design/icons";
import { Input, type InputRef } from "antd";
import { type KeyboardEvent, type Ref, useEffect, useId, useImperativeHandle, useRef, useState } from "react";
import { addDays, dateOrder, fullDate, monthsLater } from "../dates";
import { useToday } from "../log/useToday";
import type { CalendarPanelProps } from "./CalendarPanel";
import styles from "./kit.module.css";
import { late, whenIdle } from "./late";
import { useCoarse } from "./useCoarse";

export interface DateFieldProps {
  /** The date as YYYY-MM-DD; or what was typed, where it cannot be read; or nothing. */
  value: string;
  /** Told the date, or what was typed where it cannot be read, as it is typed. */
  onChange: (value: string) => void;
  /** No date after it, none before it is offered. */
  max?: string;
  min?: string;
  /** Which way a date without its year is taken: the last such day, or the next. */
  lean?: "back" | "ahead";
  id?: string;
  label?: string;
  onBlur?: () => void;
  /** Whether the form around it says that it is wrong; where none is around it, the field says so itself. */
  invalid?: boolean;
  describedBy?: string;
  className?: string;
  ref?: Ref<{ focus: () => void }>;
}

const Calendar = late<CalendarPanelProps>(
  () => import("./CalendarPanel").then(({ CalendarPanel }) => CalendarPanel),
  () => null,
);

/**
 * A date: typed as it is written (`3 Mar`, `3/3/26`, `yesterday`), or chosen in a calendar by pointer, or by arrow and
 * page keys. With a finger it is the device's own field. What cannot be read stays as it was typed.
 */
export function DateField(props: DateFieldProps) {
  return useCoarse() ? <TouchedDate {...props} /> : <TypedDate {...props} />;
}

function TouchedDate({
  value,
  onChange,
  max,
  min,
  id,
  label,
  onBlur,
  invalid,
  describedBy,
  className = "",
  ref,
}: DateFieldProps) {
  return (
    <input
      type="date"
      ref={ref as Ref<HTMLInputElement>}
      value={dayOf(value) === null ? "" : value}
      onChange={(event) => onChange(event.target.value)}
      {...{ max, min, id, onBlur }}
      aria-label={label}
      aria-invalid={invalid}
      aria-describedby={describedBy}
      className={`${styles.touched} ${className}`}
    />
  );
}

/** Days by which a key moves in the calendar. */
const moves: Readonly<Record<string, (date: string) => string>> = {
  ArrowLeft: (date) => addDays(date, -1),
  ArrowRight: (date) => addDays(date, 1),
  ArrowUp: (date) => addDays(date, -7),
  ArrowDown: (date) => addDays(date, 7),
  PageUp: (date) => monthsLater(date, -1),
  PageDown: (date) => monthsLater(date, 1),
};

function TypedDate({
  value,
  onChange,
  max,
  min,
  lean = "back",
  id,
  label,
  onBlur,
  invalid,
  describedBy,
  className = "",
  ref,
}: DateFieldProps) {
  const own = useId();
  const input = useRef<InputRef>(null);
  useImperativeHandle(ref, () => ({ focus: () => input.current?.focus() }));
  /** What stands in the field while it is written in; outside of that it is the date in words. */
  const [typed, setTyped] = useState<string | null>(null);
  /** Why what was left in the field cannot be read, where no form says so. */
  const [unread, setUnread] = useState<string | null>(null);
  /** The day that the open calendar stands on. */
  const [cursor, setCursor] = useState<string | null>(null);
  useEffect(() => whenIdle(Calendar.fetch), []);
  const today = useToday()?.date ?? null;
  const isDate = dayOf(value) !== null;
  const held = (date: string) => (max !== undefined && date > max ? max : min !== undefined && date < min ? min : date);

  const problemOf = (text: string) => {
    if (text.trim() === "" || today === null) return null;
    const day = typedDate(text, mustDay(today), dateOrder(), lean);
    return typeof day === "number" ? null : day.problem;
  };
  const write = (text: string) => {
    setTyped(text);
    setUnread(null);
    if (text.trim() === "" || today === null) return onChange("");
    const day = typedDate(text, mustDay(today), dateOrder(), lean);
    onChange(typeof day === "number" ? dateOf(day) : text);
    if (cursor !== null && typeof day === "number") setCursor(dateOf(day));
  };
  const choose = (date: string) => {
    setCursor(null);
    setTyped(null);
    onChange(date);
    input.current?.focus();
  };
  const show = () => {
    Calendar.fetch();
    setCursor(cursor === null && today !== null ? held(isDate ? value : today) : null);
    input.current?.focus();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (cursor === null) {
      if (event.key !== "ArrowDown" || !event.altKey) return;
      event.preventDefault();
      return show();
    }
    const move = moves[event.key];
    if (move !== undefined) {
      setCursor(held(move(cursor)));
      setTyped(null);
    } else if (event.key === "Enter") choose(cursor);
    else if (event.key === "Escape") setCursor(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <span className={`${styles.date} ${className}`}>
      <Input
        ref={input}
        value={typed ?? (isDate ? fullDate(value) : value)}
        onChange={(event) => write(event.target.value)}
        onKeyDown={onKeyDown}
        onFocus={(event) => event.target.select()}
        onBlur={() => {
          const problem = invalid === undefined && typed !== null ? problemOf(typed) : null;
          setUnread(problem);
          if (problem === null) setTyped(null);
          setCursor(null);
          onBlur?.();
        }}
        autoComplete="off"
        aria-invalid={invalid ?? unread !== null}
        aria-describedby={unread === null ? describedBy : `${own}-problem`}
        {...(id === undefined ? {} : { id })}
        {...(label === undefined ? {} : { "aria-label": label })}
        {...(invalid || unread !== null ? { status: "error" as const } : {})}
        suffix={
          <button
            type="button"
            tabIndex={-1}
            className={styles.inside}
            aria-label={cursor === null ? "Open the calendar" : "Close the calendar"}
            // Kept from taking the focus, by which the field would close it again.
            onMouseDown={(event) => event.preventDefault()}
            onClick={show}
          >
            <CalendarOutlined />
          </button>
        }
      />
      {unread !== null && (
        <span id={`${own}-problem`} className={styles.problem} role="alert">
          {unread}
        </span>
      )}
      {cursor !== null && (
        <span className="hidden" aria-live="polite">
          {fullDate(cursor)}
        </span>
      )}
      {cursor !== null && <Calendar date={cursor} max={max} min={min} onChoose={choose} />}
    </span>
  );
}
