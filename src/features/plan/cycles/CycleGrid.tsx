"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import { put } from "@/core/log/records";
import type { CycleColumn, CycleRow, CycleTyped, CycleView, CycleWeek } from "@/core/planning/cycleView";
import { weekdayDate } from "@/ui/dates";
import { GridMessage } from "@/ui/grid/GridMessage";
import { isWithin } from "@/ui/grid/selection";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { type CSSProperties, Fragment, useRef } from "react";
import { CycleCell, cycleCellId } from "./CycleCell";
import styles from "./cycles.module.css";
import { FillWeeks } from "./FillWeeks";
import { useCycleGrid } from "./useCycleGrid";

/** The cells of a cycle: a row a training day, a column a lift; each week ends on its rule with what it comes to. */
export function CycleGrid({
  held,
  shown,
  printer,
  onTyped,
  onLift,
}: {
  /** The cycle as it is saved, and as what is being typed makes it. */
  held: CycleView;
  shown: CycleView;
  printer: Printer;
  onTyped: (typed: CycleTyped | null) => void;
  onLift: (column: CycleColumn) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const grid = useCycleGrid(held, place, onTyped);
  const { range } = grid;
  const { rows, columns } = held;
  const last = (index: number) => rows[index + 1]?.week !== rows[index]!.week;
  return (
    <>
      <div className={`${styles.tools} noprint`}>
        <LinkButton data-hint="Ctrl D" aria-keyshortcuts="Control+D" onClick={grid.fillDown}>
          Fill down
        </LinkButton>
        <FillWeeks view={held} place={grid.place} onSaid={grid.say} />
        <GridMessage grid={grid}>
          Type 5x3 75 %, 4x5 70 %, 1x5+ 80 %, 3x8 60 kg or 3x5 @8. Enter keeps it, Escape leaves it.
        </GridMessage>
      </div>
      <div className={styles.scroll}>
        <div
          ref={place}
          role="grid"
          aria-label={`Cells of ${held.cycle.name}`}
          aria-rowcount={rows.length + 1}
          aria-colcount={columns.length + 1}
          aria-multiselectable="true"
          tabIndex={0}
          aria-activedescendant={rows.length > 0 ? cycleCellId(grid.place) : undefined}
          className={styles.grid}
          style={{ "--lifts": columns.length } as CSSProperties}
          onKeyDown={grid.onKeyDown}
          onCopy={grid.onCopy}
          onPaste={grid.onPaste}
        >
          <div role="row" className={styles.line} aria-rowindex={1}>
            <span role="columnheader" className={styles.head}>
              Day
            </span>
            {columns.map((column) => (
              <span key={column.id ?? "with"} role="columnheader" className={styles.head}>
                {column.id === null ? (
                  column.name
                ) : (
                  <LinkButton ink aria-label={`${column.name}, its maximum`} onClick={() => onLift(column)}>
                    {column.name}
                  </LinkButton>
                )}
              </span>
            ))}
          </div>
          {rows.map((row, index) => (
            <Fragment key={`${row.week} ${row.weekday}`}>
              <div role="row" className={styles.line} aria-rowindex={index + 2}>
                <DayHead row={row} />
                {row.cells.map((cell, column) => (
                  <CycleCell
                    key={cell.columnId ?? "with"}
                    place={{ row: index, column }}
                    cell={shownCell(shown, row, cell.columnId) ?? cell}
                    status={row.status}
                    lift={columns[column]!.name}
                    name={`${columns[column]!.name}, ${weekdayDate(row.date)}`}
                    active={grid.place.row === index && grid.place.column === column}
                    chosen={isWithin(range, { row: index, column })}
                    editing={grid.openKey === grid.keyAt({ row: index, column }) ? grid.openText : null}
                    text={grid.textAt({ week: row.week, weekday: row.weekday, columnId: cell.columnId })}
                    why={grid.whyBack({ week: row.week, weekday: row.weekday, columnId: cell.columnId })}
                    isUnseen={grid.isUnseen}
                    onEdit={grid.type}
                    onEditKey={grid.onEditKey}
                    onPoint={(widen) => grid.point({ row: index, column }, widen)}
                    onOpen={() => grid.open({ row: index, column })}
                  />
                ))}
              </div>
              {last(index) && (
                <WeekEnd view={held} week={shown.weeks.find(({ week }) => week === row.week)!} printer={printer} />
              )}
            </Fragment>
          ))}
          {rows.length > 0 && (
            <div role="row" className={styles.line}>
              <span role="rowheader" className={`${styles.day} ${styles.sumHead}`}>
                In all
              </span>
              {columns.map(({ id, name }) => {
                const sum = id === null ? undefined : shown.lifts.find(({ exerciseId }) => exerciseId === id)?.planned;
                return (
                  <span key={id ?? "with"} role="gridcell" className={styles.sum} data-lift={name}>
                    {sum && sum.numberOfLifts > 0 && (
                      <>
                        {printNumber(sum.numberOfLifts, 0)} · {printer.volumeLoad(sum.volumeLoadKg)}
                        {sum.averageIntensity !== null && ` · ${printNumber(sum.averageIntensity * 100, 1)} %`}
                      </>
                    )}
                  </span>
                );
              })}
            </div>
          )}
        </div>
      </div>
    </>
  );
}

function shownCell(view: CycleView, { week, weekday }: CycleRow, columnId: string | null) {
  return view.rows
    .find((row) => row.week === week && row.weekday === weekday)
    ?.cells.find((cell) => cell.columnId === columnId);
}

function DayHead({ row: { date, status } }: { row: CycleRow }) {
  return (
    <span role="rowheader" className={styles.day}>
      {weekdayDate(date)}
      {status !== null && status !== "planned" && <span className={styles.status}>{status}</span>}
    </span>
  );
}

/** The rule on which a week ends: its lifts, load, intensity and share, as it stands and as it was planned. */
function WeekEnd({ view: { cycle }, week, printer }: { view: CycleView; week: CycleWeek; printer: Printer }) {
  const { commit } = useLog();
  const { planned, stands, easy, warning } = week;
  const sayEasy = () =>
    void commit(
      [
        put(
          "cycles",
          {
            ...cycle,
            easyWeeks: easy
              ? (cycle.easyWeeks ?? []).filter((one) => one !== week.week)
              : [...(cycle.easyWeeks ?? []), week.week].sort((a, b) => a - b),
          },
          cycle,
        ),
      ],
      `${cycle.name}, week ${week.week} ${easy ? "is no easy week" : "is easy on purpose"}`,
    );
  const differs = stands.numberOfLifts !== planned.numberOfLifts;
  return (
    <div role="row" className={styles.line}>
      <span role="gridcell" className={styles.week}>
        <strong>Week {week.week}</strong>
        {planned.numberOfLifts > 0 ? (
          <>
            {" · "}
            {sumText(stands, printer)}
            {differs && <span className="planned"> · planned {sumText(planned, printer)}</span>}
          </>
        ) : (
          " · nothing written yet"
        )}
        {easy && (
          <>
            {" · easy on purpose "}
            <LinkButton onClick={sayEasy}>take that back</LinkButton>
          </>
        )}
        {warning !== null && (
          <>
            {" · "}
            <span className="warn">{warning}</span> <LinkButton onClick={sayEasy}>easy on purpose</LinkButton>
          </>
        )}
      </span>
    </div>
  );
}

function sumText(sum: CycleWeek["planned"], printer: Printer): string {
  return [
    `${printNumber(sum.numberOfLifts, 0)} lifts`,
    printer.volumeLoad(sum.volumeLoadKg),
    sum.averageIntensity === null ? "" : `${printNumber(sum.averageIntensity * 100, 1)} %`,
    sum.shareOfLifts === null ? "" : `${printNumber(sum.shareOfLifts * 100, 0)} % of the lifts`,
  ]
    .filter(Boolean)
    .join(" · ");
}
