"use client";

import { byWord } from "@/core/base/byWord";
import { dateOf, dayOf, mustDay } from "@/core/base/calendar/day";
import { typedDate } from "@/core/entry/typed";
import { CalendarOutlined } from "@ant-design/icons";
import { Input, type InputRef } from "antd";
import { type KeyboardEvent, useEffect, useId, useImperativeHandle, useRef, useState } from "react";
import { addDays, dateOrder, fullDate, monthsLater } from "../dates";
import { useToday } from "../log/useToday";
import type { CalendarPanelProps } from "./CalendarPanel";
import styles from "./kit.module.css";
import { late, whenIdle } from "./late";
import { Touched, type TypedFieldProps } from "./Touched";
import { useCoarse } from "./useMedia";

/** Its value is kept as YYYY-MM-DD. Where no form around it says that it is wrong (`invalid`), it says so itself. */
export interface DateFieldProps extends TypedFieldProps {
  /** No date after it, none before it is offered. */
  max?: string;
  min?: string;
  /** Which way a date without its year is taken: the last such day, or the next. */
  lean?: "back" | "ahead";
}

const Calendar = late<CalendarPanelProps>(
  () => import("./CalendarPanel").then(({ CalendarPanel }) => CalendarPanel),
  () => null,
);

/**
 * A date: typed as it is written (`3 Mar`, `3/3/26`, `yesterday`), or chosen in a calendar by pointer, or by arrow and
 * page keys. With a finger it is the device's own field. What cannot be read stays as it was typed.
 */
export function DateField({ lean = "back", ...field }: DateFieldProps) {
  return useCoarse() ? (
    <Touched type="date" {...field} value={dayOf(field.value) === null ? "" : field.value} />
  ) : (
    <TypedDate lean={lean} {...field} />
  );
}

/** Days by which a key moves in the calendar. */
const moves: Readonly<Record<string, (date: string) => string>> = byWord({
  ArrowLeft: (date) => addDays(date, -1),
  ArrowRight: (date) => addDays(date, 1),
  ArrowUp: (date) => addDays(date, -7),
  ArrowDown: (date) => addDays(date, 7),
  PageUp: (date) => monthsLater(date, -1),
  PageDown: (date) => monthsLater(date, 1),
});

function TypedDate({
  value,
  onChange,
  max,
  min,
  lean,
  id,
  label,
  onBlur,
  invalid,
  describedBy,
  className = "",
  ref,
}: DateFieldProps & { lean: "back" | "ahead" }) {
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

  /** What is typed, read; nothing where there is nothing to read. */
  const read = (text: string) =>
    text.trim() === "" || today === null ? null : typedDate(text, mustDay(today), dateOrder(), lean);
  const write = (text: string) => {
    setTyped(text);
    setUnread(null);
    const day = read(text);
    if (typeof day !== "number") return onChange(day === null ? "" : text);
    onChange(dateOf(day));
    if (cursor !== null) setCursor(dateOf(day));
  };
  /** What cannot be read stays, and is said. */
  const leave = () => {
    const day = invalid === undefined && typed !== null ? read(typed) : null;
    const problem = typeof day === "object" ? (day?.problem ?? null) : null;
    setUnread(problem);
    if (problem === null) setTyped(null);
    setCursor(null);
    onBlur?.();
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
        onBlur={leave}
        autoComplete="off"
        aria-invalid={invalid ?? unread !== null}
        aria-describedby={unread === null ? describedBy : `${own}-problem`}
        id={id}
        aria-label={label}
        status={invalid || unread !== null ? "error" : undefined}
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
