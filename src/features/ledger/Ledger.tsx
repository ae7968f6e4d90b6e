"use client";

import { entryDayOf, firstYear, lastYear } from "@/core/base/calendar/day";
import { allColumns, type LedgerColumn, type LedgerColumnId } from "@/core/ledger/columns";
import { useReach } from "@/ui/column/useReach";
import { daysBetween, ledgerDate } from "@/ui/dates";
import { Captioned } from "@/ui/kit/Captioned";
import { DateField } from "@/ui/kit/DateField";
import { LinkButton } from "@/ui/kit/LinkButton";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { PreviewDialog } from "@/ui/preview/PreviewDialog";
import { useEffect, useMemo, useRef, useState } from "react";
import { ChooseColumns } from "./ChooseColumns";
import styles from "./ledger.module.css";
import { cellId, LedgerCell } from "./LedgerCell";
import { GridMessage } from "@/ui/grid/GridMessage";
import { isWithin } from "@/ui/grid/selection";
import { unitOf } from "./units";
import { keyOfCell } from "./useCellEdit";
import { useColumns } from "./useColumns";
import { useGrid } from "./useGrid";
import { useRows } from "./useRows";

const [dateWidth, wordsWidth, numberWidth] = [128, 150, 104];

/** The Column opened wide: a day a row, entry cells typed into in place, derived ones read only. */
export function Ledger() {
  const shell = useFigure("shell", {});
  const measures = useFigure("measures", {});
  const { day, today } = useLog();
  const reach = useReach(shell?.span, day);
  const known = measures?.known;
  const all = useMemo(() => (known === undefined ? null : allColumns(known)), [known]);
  if (reach === undefined || all === null) return <h1>Ledger</h1>;
  const { first, last } = reach;
  return <Grid all={all} first={first} count={daysBetween(first, last) + 1} todayRow={daysBetween(first, today)} />;
}

function Grid({
  all,
  first,
  count,
  todayRow,
}: {
  all: ReadonlyMap<LedgerColumnId, LedgerColumn>;
  first: string;
  count: number;
  todayRow: number;
}) {
  const { day } = useLog();
  const { columns, setColumns } = useColumns(all);
  const scroller = useRef<HTMLDivElement>(null);
  const [choosing, setChoosing] = useState(false);
  const row = Math.min(count - 1, Math.max(0, daysBetween(first, day)));
  // Opened by a key, it is typed into at once.
  useEffect(() => {
    if (document.activeElement === document.body) scroller.current?.focus({ preventScroll: true });
  }, []);
  /** The day on which a cell is typed into. */
  const [openDay, setOpenDay] = useState<string | null>(null);
  const openRow = openDay === null ? null : daysBetween(first, openDay);
  const { items, height, rows } = useRows({ scroller, first, count, row, openRow, todayRow });
  const grid = useGrid({ all, columns, first, count, row, rows, scroller, onOpen: setOpenDay });
  const { place, range, dateAt, proposal } = grid;

  const shown = columns.map((one) => all.get(one)!);
  const widths = shown.map(({ words }) => (words ? `minmax(${wordsWidth}px, 1fr)` : `${numberWidth}px`));
  const template = `${dateWidth}px ${widths.join(" ")}`;
  const minWidth = shown.reduce((sum, { words }) => sum + (words ? wordsWidth : numberWidth), dateWidth);
  return (
    <>
      <Head grid={grid} onColumns={() => setChoosing(true)} />
      <div
        ref={scroller}
        className={styles.scroller}
        id="ledger"
        role="grid"
        aria-label="Ledger"
        aria-rowcount={count + 1}
        aria-colcount={columns.length + 1}
        aria-multiselectable="true"
        tabIndex={0}
        aria-activedescendant={cellId(dateAt(place.row), columns[place.column]!)}
        onKeyDown={grid.onKeyDown}
        onCopy={grid.onCopy}
        onPaste={grid.onPaste}
      >
        <Heads columns={shown} template={template} minWidth={minWidth} />
        <div className={styles.days} style={{ height, minWidth }} role="presentation">
          {items.map(({ index, start }) => {
            const date = dateAt(index);
            return (
              <div
                key={date}
                role="row"
                aria-rowindex={index + 2}
                className={`${styles.row} ${index === todayRow ? styles.today : ""} ${(index + 1) % 7 === 0 ? styles.closing : ""}`}
                style={{ top: start, gridTemplateColumns: template }}
              >
                <span role="rowheader" className={styles.date}>
                  {ledgerDate(date)}
                </span>
                {shown.map((column, at) => (
                  <LedgerCell
                    key={column.id}
                    id={cellId(date, column.id)}
                    row={rows.get(date)}
                    column={column}
                    index={at}
                    active={index === place.row && at === place.column}
                    chosen={isWithin(range, { row: index, column: at })}
                    editing={grid.openKey === keyOfCell({ date, column: column.id }) ? grid.openText : null}
                    text={grid.textAt({ date, column: column.id })}
                    why={grid.whyBack({ date, column: column.id })}
                    isUnseen={grid.isUnseen}
                    onEdit={grid.type}
                    onEditKey={grid.onEditKey}
                    onPoint={(widen) => grid.point({ row: index, column: at }, widen)}
                    onOpen={() => grid.open({ row: index, column: at })}
                  />
                ))}
              </div>
            );
          })}
        </div>
      </div>
      {choosing && (
        <ChooseColumns all={all} columns={columns} onChange={setColumns} onClose={() => setChoosing(false)} />
      )}
      {proposal !== null && (
        <PreviewDialog
          all={all}
          {...proposal}
          onOrder={(order) => {
            if ("paste" in proposal.ask) void grid.propose({ ...proposal.ask, order }, proposal.label);
          }}
          onUnit={(unit) => {
            if ("paste" in proposal.ask) void grid.propose({ ...proposal.ask, unit }, proposal.label);
          }}
          onWrite={grid.agree}
          onClose={grid.dropProposal}
        />
      )}
    </>
  );
}

/** The heads of the columns; those that are typed into stand out. */
function Heads({ columns, template, minWidth }: { columns: LedgerColumn[]; template: string; minWidth: number }) {
  const { units } = useLog();
  return (
    <div className={styles.heads} role="row" aria-rowindex={1} style={{ gridTemplateColumns: template, minWidth }}>
      <span role="columnheader" aria-colindex={1}>
        Day
      </span>
      {columns.map((one, index) => (
        <span
          key={one.id}
          role="columnheader"
          aria-colindex={index + 2}
          className={`${one.why === null ? styles.entry : ""} ${one.words ? "" : styles.number}`}
          data-hint={one.why ?? "Typed in place"}
        >
          {one.title}
          {unitOf(one, units)}
        </span>
      ))}
    </div>
  );
}

/** What stands over the grid: a day to go to, what can be done, and what was said last. */
function Head({ grid, onColumns }: { grid: ReturnType<typeof useGrid>; onColumns: () => void }) {
  const { day, chooseDay } = useLog();
  /** What stands in "Go to" while it is typed: a year half typed is no day yet. */
  const [going, setGoing] = useState<string | null>(null);
  return (
    <div className={styles.head}>
      <h1>Ledger</h1>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          document.getElementById("ledger")?.focus();
        }}
      >
        <Captioned caption="Go to">
          {(id) => (
            <DateField
              id={id}
              min={`${firstYear}-01-01`}
              max={`${lastYear}-12-31`}
              value={going ?? day}
              onBlur={() => setGoing(null)}
              onChange={(date) => {
                setGoing(date);
                if (entryDayOf(date) !== null) chooseDay(date);
              }}
            />
          )}
        </Captioned>
      </form>
      <LinkButton onClick={onColumns}>Columns</LinkButton>
      <LinkButton data-hint="Ctrl D" aria-keyshortcuts="Control+D" onClick={grid.fillDown}>
        Fill down
      </LinkButton>
      <GridMessage grid={grid} className={styles.message}>
        Type to write, Enter to keep, Escape to leave it; paste from a spreadsheet with or without dates.
      </GridMessage>
    </div>
  );
}
