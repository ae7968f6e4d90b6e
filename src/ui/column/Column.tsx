"use client";

import { byWord } from "@/core/base/byWord";
import { counted } from "@/core/base/units/number";
import { Printer } from "@/core/base/units/printer";
import type { ColumnRow } from "@/core/days/columnView";
import { useVirtualizer } from "@tanstack/react-virtual";
import Link from "next/link";
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from "react";
import { addDays, columnDate, daysBetween, longDate, monthShort } from "../dates";
import { useLog } from "../log/LogContext";
import { useFigure } from "../log/useFigure";
import styles from "./column.module.css";
import { Mark } from "./Mark";
import { dayHeight, scaleOf, Strip } from "./Strip";
import { useReach } from "./useReach";

const weekHeight = 20;
const columnWidth = 308;
const headHeight = 52;
/** Rows are asked for in stretches of so many days around what is in sight. */
const stretch = 56;

/**
 * The vertical run of days: the navigator of every view. Arrow keys move by a day, page keys by a week, Home and End to
 * its ends.
 */
export function Column({ onChosen }: { onChosen?: () => void }) {
  const { day, today, chooseDay, units } = useLog();
  const shell = useFigure("shell", {});
  const reach = useReach(shell?.span, day);
  if (reach === undefined) return <nav className={styles.column} aria-label="Days" />;
  return (
    <Days
      key={reach.first}
      first={reach.first}
      last={reach.last}
      {...{ day, today, chooseDay, onChosen }}
      printer={new Printer(units)}
    />
  );
}

interface DaysProps {
  first: string;
  last: string;
  day: string;
  today: string;
  chooseDay: (date: string) => void;
  onChosen?: () => void;
  printer: Printer;
}

function Days({ first, last, day, today, chooseDay, onChosen, printer }: DaysProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const count = daysBetween(first, last) + 1;
  const chosen = Math.min(count - 1, Math.max(0, daysBetween(first, day)));
  const closes = (index: number) => (index + 1) % 7 === 0;
  // The first drawing already stands where it will stay: some days ahead of the chosen one at its foot.
  const [begin] = useState(() => {
    const rect = { width: columnWidth, height: window.innerHeight - headHeight };
    const foot = Math.min(count, chosen + 5);
    return { rect, offset: Math.max(0, foot * dayHeight + Math.floor(foot / 7) * weekHeight - rect.height) };
  });
  // The React compiler leaves components with this hook alone; it keeps its own state.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => dayHeight + (closes(index) ? weekHeight : 0),
    overscan: 12,
    initialOffset: begin.offset,
    initialRect: begin.rect,
  });
  const items = virtual.getVirtualItems();
  const [from, to] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0];
  const asked = {
    from: addDays(first, Math.max(0, Math.floor(from / stretch) * stretch - 7)),
    to: addDays(first, Math.min(count - 1, (Math.floor(to / stretch) + 1) * stretch + 7)),
  };
  const answer = useFigure("column", asked);
  const rows = useMemo(() => new Map((answer ?? []).map((row) => [row.date, row])), [answer]);
  const scale = useMemo(
    () => scaleOf([...rows.values()].filter(({ date }) => date >= addDays(first, from) && date <= addDays(first, to))),
    [rows, first, from, to],
  );

  const drawn = useRef(false);
  useEffect(() => {
    if (drawn.current) virtual.scrollToIndex(chosen, { align: "auto" });
    drawn.current = true;
    // Only a newly chosen day moves the run, not a re-rendering.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen]);

  const moves: Record<string, number> = byWord({
    ArrowUp: chosen - 1,
    ArrowDown: chosen + 1,
    PageUp: chosen - 7,
    PageDown: chosen + 7,
    Home: 0,
    End: count - 1,
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const target = moves[event.key];
    if (event.key === "Enter") onChosen?.();
    if (target === undefined) return;
    event.preventDefault();
    chooseDay(addDays(first, Math.min(count - 1, Math.max(0, target))));
  };
  return (
    <nav className={styles.column} aria-label="Days">
      <header className={styles.head}>
        <Link href="/" className={styles.brand}>
          Oat Column
        </Link>
        <Link href="/ledger" className={styles.widen} data-hint="Open the Column wide" onClick={() => onChosen?.()}>
          Open wide
        </Link>
        <span className="quiet small nowrap">{monthShort(addDays(first, Math.min(to, Math.max(from, chosen))))}</span>
      </header>
      <div
        ref={scroller}
        className={styles.days}
        role="listbox"
        aria-label="Days"
        tabIndex={0}
        id="column"
        aria-activedescendant={`day-${addDays(first, chosen)}`}
        onKeyDown={onKeyDown}
      >
        <div style={{ height: virtual.getTotalSize() }} role="presentation">
          {items.map(({ index, start, size }) => {
            const date = addDays(first, index);
            const row = rows.get(date);
            const classes = [
              styles.row,
              closes(index) && styles.closing,
              date === day && styles.chosen,
              date === today && styles.today,
            ]
              .filter(Boolean)
              .join(" ");
            return (
              <div
                key={date}
                id={`day-${date}`}
                role="option"
                aria-selected={date === day}
                className={classes}
                style={{ top: start, height: size }}
                onClick={() => {
                  chooseDay(date);
                  onChosen?.();
                }}
              >
                <span className="hidden">{rowLabel(date, row, printer)}</span>
                {row && (
                  <span className={styles.strip}>
                    <Strip
                      before={rows.get(addDays(date, -1))}
                      row={row}
                      next={rows.get(addDays(date, 1))}
                      height={size}
                      scale={scale}
                    />
                  </span>
                )}
                <DayLine date={date} row={row} printer={printer} />
                {row?.week && <WeekRule week={row.week} printer={printer} />}
              </div>
            );
          })}
        </div>
      </div>
    </nav>
  );
}

function DayLine({ date, row, printer }: { date: string; row: ColumnRow | undefined; printer: Printer }) {
  const share = row?.foodShare ?? null;
  return (
    <div className={styles.line} aria-hidden="true">
      {row?.note && <span className={styles.note} data-hint={row.note} />}
      <span className={styles.date}>{columnDate(date)}</span>
      <span className={styles.weight}>
        {row?.weighedKg != null ? `${printer.massNumber(row.weighedKg)}${row.gross ? "?" : ""}` : ""}
      </span>
      <span className={styles.marks}>
        {row?.marks.slice(0, 3).map(({ id, kind, status, title }) => (
          <Mark key={id} kind={kind} status={status} title={title} />
        ))}
      </span>
      {share !== null && (
        <span
          className={`${styles.food} ${share > 1.05 ? styles.over : ""}`}
          data-hint={`${printer.percent(share)} of the day's energy target`}
        >
          <span style={{ width: `${Math.min(1, share) * 100}%` }} />
        </span>
      )}
    </div>
  );
}

function WeekRule({ week, printer }: { week: NonNullable<ColumnRow["week"]>; printer: Printer }) {
  return (
    <div className={styles.week} aria-hidden="true">
      <span data-hint="Median of the week's weigh-ins">
        {week.medianKg === null ? "" : `med ${printer.massNumber(week.medianKg)}`}
      </span>
      <span data-hint="Mornings weighed; sessions done of planned">
        {week.days === 0 ? "no weigh-in" : daysText(week.days)}
        {week.planned > 0 ? ` · ${week.done} of ${week.planned}` : ""}
        {week.open ? " · open" : ""}
      </span>
    </div>
  );
}

function rowLabel(date: string, row: ColumnRow | undefined, printer: Printer): string {
  return [
    longDate(date),
    row?.weighedKg != null ? printer.mass(row.weighedKg) : null,
    ...(row?.marks ?? []).map(({ title, status }) => `${title} ${status}`),
    row?.foodShare != null ? `food ${printer.percent(row.foodShare)}` : null,
    row?.note,
    row?.week?.medianKg != null
      ? `week: median ${printer.mass(row.week.medianKg)} of ${daysText(row.week.days)}, ${row.week.done} of ${counted(row.week.planned, "session")} done`
      : null,
  ]
    .filter(Boolean)
    .join(", ");
}

function daysText(count: number): string {
  return counted(count, "day");
}
