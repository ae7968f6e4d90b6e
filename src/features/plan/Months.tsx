"use client";

import { printNumber, printPlain } from "@/core/base/units/number";
import type { DayOfMonth, MonthOfPlan } from "@/core/planning/monthsView";
import { Mark } from "@/ui/column/Mark";
import { longDate, monthName } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import styles from "./months.module.css";

/** A row a month, its days side by side: the plan at the scale of a year. */
export function Months({ from, months, onDay }: { from: string; months: number; onDay: (date: string) => void }) {
  const { today } = useLog();
  const view = useFigure("months", { from, months });
  if (view === undefined) return null;
  return (
    <ul className={styles.months} aria-label="Months of the plan">
      {view.months.map((month) => (
        <Month key={month.month} month={month} today={today} onDay={onDay} />
      ))}
    </ul>
  );
}

function Month({
  month: { month, days, done, due, toCome, performed, planned, runs },
  today,
  onDay,
}: {
  month: MonthOfPlan;
  today: string;
  onDay: (date: string) => void;
}) {
  const printer = usePrinter();
  const isPast = days.at(-1)!.date < today;
  const said = isPast ? performed : planned;
  const sums = [
    due > 0 ? `${printPlain(done, 1)} of ${due} sessions` : "",
    toCome > 0 ? `${toCome} to come` : "",
    said.minutes > 0 ? `${printNumber(said.minutes / 60, 1)} h` : "",
    said.numberOfLifts > 0
      ? `${printNumber(said.numberOfLifts, 0)} lifts, ${printer.volumeLoad(said.volumeLoadKg)}`
      : "",
  ].filter(Boolean);
  return (
    <li>
      <p className={styles.head}>
        <strong>{monthName(month)}</strong>
        <span className="quiet small">{runs.map(({ name }) => name).join(" · ")}</span>
        <span className={`small ${styles.sums}`}>{sums.join(" · ")}</span>
      </p>
      <div className={styles.days}>
        {days.map((day) => (
          <OneDay key={day.date} day={day} isToday={day.date === today} onDay={onDay} />
        ))}
      </div>
    </li>
  );
}

function OneDay({
  day: { date, sessions, marks, rest },
  isToday,
  onDay,
}: {
  day: DayOfMonth;
  isToday: boolean;
  onDay: (date: string) => void;
}) {
  const said =
    [...sessions.map(({ title, status }) => `${title}, ${status}`), ...marks, ...(rest ? ["rest"] : [])].join("; ") ||
    "nothing";
  return (
    <button
      type="button"
      className={`${styles.day} ${isToday ? styles.today : ""}`}
      aria-label={`${longDate(date)}: ${said}`}
      aria-current={isToday ? "date" : undefined}
      onClick={() => onDay(date)}
    >
      <span className={styles.number}>{Number(date.slice(8))}</span>
      <span className={styles.marks} aria-hidden>
        {sessions.map(({ id, kind, status, title }) => (
          <Mark key={id} kind={kind} status={status} title={title} />
        ))}
        {marks.length > 0 && <span className={styles.goal}>◆</span>}
        {rest && <span className="quiet">–</span>}
      </span>
    </button>
  );
}
