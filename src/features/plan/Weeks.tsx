"use client";

import { mustDay, weekdayOf } from "@/core/base/calendar/day";
import { counted, printNumber } from "@/core/base/units/number";
import type { Bar, DayOfWeek, WeekOfPlan, WeeksView } from "@/core/planning/weeksView";
import { Mark } from "@/ui/column/Mark";
import { addDays, daysBetween, longDate, shortDate, weekdayShort } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { type CSSProperties, Fragment } from "react";
import { lengthText } from "./lengthText";
import styles from "./plan.module.css";

/** A row a week, time flowing down: its seven days, and its sums; phases and blocks as bars beside them. */
export function Weeks({ view: { weeks, bars, lanes }, onDay }: { view: WeeksView; onDay: (date: string) => void }) {
  const { today } = useLog();
  const printer = usePrinter();
  const beside = lanes.phase + lanes.block;
  const first = weeks[0]!.start;
  return (
    <div className={styles.scroll}>
      <div
        role="table"
        aria-label="Weeks of the plan"
        className={styles.weeks}
        style={{ "--lanes": beside } as CSSProperties}
      >
        <div role="row" className={styles.line}>
          {beside > 0 && <span className={styles.beside} role="columnheader" aria-label="Phases and blocks" />}
          <span role="columnheader" className={styles.head}>
            Week from
          </span>
          {weeks[0]!.days.map(({ date }) => (
            <span key={date} role="columnheader" className={styles.head}>
              {weekdayShort(weekdayOf(mustDay(date)))}
            </span>
          ))}
          <span role="columnheader" className={styles.head}>
            Sessions
          </span>
          <span role="columnheader" className={`${styles.head} num`}>
            Time
          </span>
          <span role="columnheader" className={`${styles.head} num`}>
            Effort × min
          </span>
          <span role="columnheader" className={`${styles.head} num`}>
            Lifts · load, {printer.units.mass}
          </span>
        </div>
        {bars.map((bar) => (
          <BarBeside key={`${bar.of} ${bar.id}`} bar={bar} first={first} weeks={weeks.length} lanes={lanes} />
        ))}
        {weeks.map((week, index) => (
          <Week
            key={week.start}
            week={week}
            row={index + 2}
            lanes={beside}
            isNow={week.start <= today && addDays(week.start, 6) >= today}
            isNear={week.start <= addDays(today, 7) && addDays(week.start, 6) >= today}
            today={today}
            onDay={onDay}
          />
        ))}
      </div>
    </div>
  );
}

function BarBeside({
  bar,
  first,
  weeks,
  lanes,
}: {
  bar: Bar;
  first: string;
  weeks: number;
  lanes: WeeksView["lanes"];
}) {
  const row = (date: string) => Math.floor(daysBetween(first, date) / 7);
  const from = Math.max(0, row(bar.from));
  const to = Math.min(weeks - 1, row(bar.to));
  return (
    <div
      className={`${styles.bar} ${bar.state === "ahead" ? styles.ahead : ""} ${bar.of === "phase" ? styles.phase : ""}`}
      style={{
        gridRow: `${from + 2} / ${to + 3}`,
        gridColumn: bar.of === "phase" ? bar.lane + 1 : lanes.phase + bar.lane + 1,
      }}
    >
      <span>
        <strong>{bar.name}</strong>
        <span className="hidden"> {bar.of}, </span>
        <span className={styles.barText}>
          {" "}
          {bar.state === "under way"
            ? `week ${Math.ceil(bar.passed / 7)} of ${Math.ceil(bar.days / 7)}`
            : lengthText(bar.days)}
        </span>
        <span className="hidden">
          , {shortDate(bar.from)} to {shortDate(bar.to)}
        </span>
      </span>
    </div>
  );
}

function Week({
  week,
  row,
  lanes,
  isNow,
  isNear,
  today,
  onDay,
}: {
  week: WeekOfPlan;
  row: number;
  lanes: number;
  isNow: boolean;
  /** Whether its sessions are named under their marks. */
  isNear: boolean;
  today: string;
  onDay: (date: string) => void;
}) {
  const printer = usePrinter();
  const isPast = addDays(week.start, 6) < today;
  const { performed, planned } = week;
  const said = isPast ? performed : planned;
  const at = (column: number) => ({ gridRow: row, gridColumn: lanes + column });
  return (
    <div role="row" className={`${styles.line} ${isNow ? styles.now : ""}`}>
      <span role="rowheader" className={styles.week} style={at(1)}>
        {shortDate(week.start)}
      </span>
      {week.days.map((day, index) => (
        <span role="cell" key={day.date} className={styles.cell} style={at(index + 2)}>
          <DayButton day={day} isToday={day.date === today} isNamed={isNear} onDay={onDay} />
        </span>
      ))}
      <span role="cell" className={styles.sum} style={at(9)}>
        {sessionsText(week, isPast)}
      </span>
      <span role="cell" className={`${styles.sum} num`} style={at(10)}>
        {said.minutes > 0 && timeText(said.minutes)}
      </span>
      <span role="cell" className={`${styles.sum} num`} style={at(11)}>
        {said.sessionLoad > 0 && printNumber(said.sessionLoad, 0)}
      </span>
      <span role="cell" className={`${styles.sum} num`} style={at(12)}>
        {said.numberOfLifts > 0 &&
          `${printNumber(said.numberOfLifts, 0)} · ${printer.volumeLoadNumber(said.volumeLoadKg)}`}
      </span>
    </div>
  );
}

/** A day: what is planned and done on it; pressed, it opens. */
function DayButton({
  day: { date, sessions, marks },
  isToday,
  isNamed,
  onDay,
}: {
  day: DayOfWeek;
  isToday: boolean;
  isNamed: boolean;
  onDay: (date: string) => void;
}) {
  return (
    <button
      type="button"
      className={`${styles.day} ${isToday ? styles.today : ""}`}
      aria-current={isToday ? "date" : undefined}
      aria-label={`${longDate(date)}: ${[...sessions.map(({ title, status }) => `${title}, ${status}`), ...marks].join("; ") || "nothing"}`}
      onClick={() => onDay(date)}
    >
      <span className={styles.marks} aria-hidden>
        {sessions.map(({ id, kind, status, title }) => (
          <Mark key={id} kind={kind} status={status} title={title} />
        ))}
        {marks.length > 0 && <span className={styles.goal}>◆</span>}
      </span>
      {isNamed &&
        sessions.map(({ id, title }) => (
          <Fragment key={id}>
            <span className={styles.named} aria-hidden>
              {title}
            </span>
          </Fragment>
        ))}
      {marks.map((mark) => (
        <span key={mark} className={`${styles.named} warn`} aria-hidden>
          {mark}
        </span>
      ))}
    </button>
  );
}

/** How the sessions of a week were kept, or how many there are to come. */
function sessionsText({ done, partly, skipped, missed, toCome }: WeekOfPlan, isPast: boolean): string {
  const kept = done + partly / 2;
  const all = done + partly + skipped + missed;
  if (isPast) return all === 0 ? "" : `${printNumber(kept, Number.isInteger(kept) ? 0 : 1)} of ${all}`;
  if (all === 0) return toCome === 0 ? "" : `${toCome} planned`;
  return `${printNumber(kept, Number.isInteger(kept) ? 0 : 1)} of ${all + toCome}${toCome > 0 ? `, ${toCome} left` : ""}`;
}

/** Minutes as hours and minutes. */
function timeText(minutes: number): string {
  const whole = Math.round(minutes);
  return whole < 60
    ? counted(whole, "min", "min")
    : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, "0")}`;
}
