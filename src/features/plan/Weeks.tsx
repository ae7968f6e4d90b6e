"use client";

import { mustDay, weekdayOf } from "@/core/base/calendar/day";
import { counted, printNumber } from "@/core/base/units/number";
import type { Bar, DayOfWeek, WeekOfPlan, WeeksView } from "@/core/planning/weeksView";
import { Mark } from "@/ui/column/Mark";
import { addDays, daysBetween, longDate, shortDate, weekdayShort } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { usePrinter } from "@/ui/usePrinter";
import { type DragParts, useDragParts } from "@/ui/kit/dragParts";
import { useRouter } from "next/navigation";
import { type CSSProperties, Fragment } from "react";
import { lengthText } from "./lengthText";
import styles from "./plan.module.css";
import { usePlanMoves, weekPlace } from "./usePlanMoves";

type Moves = ReturnType<typeof usePlanMoves>;

/** A row a week, time flowing down: its seven days, and its sums; phases and blocks as bars beside them. */
export function Weeks({
  view,
  onDay,
  onScale,
  onDrawn,
}: {
  view: WeeksView;
  onDay: (date: string) => void;
  /** The key `s` on a day: a row is a month instead. */
  onScale: () => void;
  /** Weeks were drawn from one to another, to be a block. */
  onDrawn: (from: string, days: number) => void;
}) {
  const { weeks, bars, lanes } = view;
  const { today } = useLog();
  const printer = usePrinter();
  const moves = usePlanMoves(view, onScale, onDrawn);
  const { parts, inside } = useDragParts();
  // One day of all has the keyboard; arrows go on from there.
  const reached = weeks.some(({ days }) => days.some(({ date }) => date === today)) ? today : weeks[0]!.start;
  const beside = lanes.phase + lanes.block;
  const first = weeks[0]!.start;
  return (
    <parts.Context onDrop={moves.onDrop}>
      <div className={styles.scroll} {...inside}>
        <div className={styles.weeks} style={{ "--lanes": beside } as CSSProperties}>
          {bars.map((bar) => (
            <BarBeside
              key={`${bar.of} ${bar.id}`}
              bar={bar}
              first={first}
              weeks={weeks.length}
              lanes={lanes}
              parts={parts}
              onKey={moves.onBarKey}
            />
          ))}
          <div role="table" aria-label="Weeks of the plan" className={styles.line}>
            <div role="row" className={styles.line}>
              {beside > 0 && (
                <span className={styles.beside} role="columnheader">
                  <span className="hidden">Phases and blocks</span>
                </span>
              )}
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
            {weeks.map((week, index) => (
              <Week
                key={week.start}
                week={week}
                row={index + 2}
                lanes={beside}
                isNow={week.start <= today && addDays(week.start, 6) >= today}
                isNear={week.start <= addDays(today, 7) && addDays(week.start, 6) >= today}
                today={today}
                reached={reached}
                parts={parts}
                moves={moves}
                onDay={onDay}
              />
            ))}
          </div>
        </div>
      </div>
      <p role="status" className={moves.said ? styles.said : "hidden"}>
        {moves.said}
      </p>
    </parts.Context>
  );
}

function BarBeside({
  bar,
  first,
  weeks,
  lanes,
  parts,
  onKey,
}: {
  bar: Bar;
  first: string;
  weeks: number;
  lanes: WeeksView["lanes"];
  parts: DragParts;
  onKey: Moves["onBarKey"];
}) {
  const router = useRouter();
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
      <parts.Taken id={`bar|${bar.id}|${bar.from > first ? bar.from : first}`} className={styles.barWhole ?? ""}>
        <button
          type="button"
          className={styles.barButton}
          data-hint="Arrows move it by a week, with Shift by a day; with Alt its end"
          onKeyDown={(event) => onKey(event, bar)}
          onClick={() => {
            if (bar.of === "block") router.push(`/plan/block?block=${encodeURIComponent(bar.id)}`);
            else document.getElementById(`phase-${bar.id}`)?.scrollIntoView({ block: "center" });
          }}
        >
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
        </button>
      </parts.Taken>
      <parts.Taken id={`end|${bar.id}|${addDays(first, 7 * to)}`} className={styles.barEnd ?? ""}>
        <span aria-hidden data-hint="Drag to stretch it" />
      </parts.Taken>
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
  reached,
  parts,
  moves,
  onDay,
}: {
  week: WeekOfPlan;
  row: number;
  lanes: number;
  isNow: boolean;
  /** Whether its sessions are named under their marks. */
  isNear: boolean;
  today: string;
  /** The day that is reached by Tab. */
  reached: string;
  parts: DragParts;
  moves: Moves;
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
        <parts.Place id={`${weekPlace}${week.start}`}>
          <parts.Taken id={`draw||${week.start}`} className={styles.drawn ?? ""}>
            <span data-hint="Drag to another week: a block over these weeks">{shortDate(week.start)}</span>
          </parts.Taken>
        </parts.Place>
      </span>
      {week.days.map((day, index) => (
        <span role="cell" key={day.date} className={styles.cell} style={at(index + 2)}>
          <parts.Place id={day.date}>
            <DayButton
              day={day}
              isToday={day.date === today}
              isReached={day.date === reached}
              isNamed={isNear}
              parts={parts}
              moves={moves}
              onDay={onDay}
            />
          </parts.Place>
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
  day,
  isToday,
  isReached,
  isNamed,
  parts,
  moves,
  onDay,
}: {
  day: DayOfWeek;
  isToday: boolean;
  isReached: boolean;
  isNamed: boolean;
  parts: DragParts;
  moves: Moves;
  onDay: (date: string) => void;
}) {
  const { date, sessions, marks, movedAway, rest } = day;
  const said = [
    ...sessions.map(({ title, status }) => `${title}, ${status}`),
    ...movedAway.map(({ title, to }) => `${title}, moved to ${shortDate(to)}`),
    ...marks,
    ...(rest ? ["rest"] : []),
  ];
  return (
    <button
      type="button"
      data-day={date}
      tabIndex={isReached ? 0 : -1}
      className={[styles.day, isToday && styles.today, moves.held?.over === date && styles.over]
        .filter(Boolean)
        .join(" ")}
      aria-current={isToday ? "date" : undefined}
      aria-label={`${longDate(date)}: ${said.join("; ") || "nothing"}`}
      aria-keyshortcuts="m"
      onKeyDown={(event) => moves.onDayKey(event, day)}
      onClick={() => onDay(date)}
    >
      <span className={styles.marks} aria-hidden>
        {sessions.map(({ id, kind, status, title, open }) =>
          open ? (
            <parts.Taken key={id} id={`session|${id}|${date}`} className={styles.markTaken ?? ""}>
              <Mark kind={kind} status={status} title={title} />
            </parts.Taken>
          ) : (
            <Mark key={id} kind={kind} status={status} title={title} />
          ),
        )}
        {movedAway.length > 0 && <span className={styles.away}>→</span>}
        {marks.length > 0 && <span className={styles.goal}>◆</span>}
        {rest && <span className={styles.away}>–</span>}
      </span>
      {isNamed &&
        sessions.map(({ id, title }) => (
          <Fragment key={id}>
            <span className={styles.named} data-title={title} aria-hidden />
          </Fragment>
        ))}
      {isNamed && rest && <span className={styles.named} data-title="rest" aria-hidden />}
      {marks.map((mark) => (
        <span key={mark} className={`${styles.named} warn`} data-title={mark} aria-hidden />
      ))}
    </button>
  );
}

/** How the sessions of a week were kept, or how many there are to come. */
function sessionsText({ done, partly, skipped, missed, moved, toCome }: WeekOfPlan, isPast: boolean): string {
  const kept = done + partly / 2;
  const all = done + partly + skipped + missed + moved;
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
