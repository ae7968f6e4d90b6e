"use client";

import { entryDayOf, firstYear, lastYear } from "@/core/base/calendar/day";
import { allColumns, type LedgerColumn, type LedgerColumnId } from "@/core/ledger/columns";
import { tooLong } from "@/core/ledger/paste";
import { useReach } from "@/ui/column/useReach";
import { addDays, daysBetween, ledgerDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { PreviewDialog } from "@/ui/preview/PreviewDialog";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type ClipboardEvent, type KeyboardEvent, useEffect, useMemo, useRef, useState } from "react";
import { ChooseColumns } from "./ChooseColumns";
import { copiedText } from "./clipboard";
import { editAction, gridAction } from "./keys";
import styles from "./ledger.module.css";
import { cellId, LedgerCell } from "./LedgerCell";
import { isWithin, held, rangeOf, type Place } from "./selection";
import { unitOf } from "./units";
import { type Message, useCellEdit } from "./useCellEdit";
import { useColumns } from "./useColumns";

const rowHeight = 31;
const [dateWidth, wordsWidth, numberWidth] = [128, 150, 104];
/** Rows are asked for in stretches of so many days around what is in sight. */
const stretch = 84;

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
  const { day, chooseDay } = useLog();
  const { columns, setColumns } = useColumns(all);
  const scroller = useRef<HTMLDivElement>(null);
  const [choosing, setChoosing] = useState(false);
  const row = Math.min(count - 1, Math.max(0, daysBetween(first, day)));
  const [column, setColumn] = useState(0);
  const [anchor, setAnchor] = useState<Place | null>(null);
  const edit = useCellEdit(all);
  const { editing, message, proposal } = edit;

  // The React compiler leaves components with this hook alone; it keeps its own state.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 20,
    initialOffset: Math.max(0, (todayRow - 12) * rowHeight),
  });
  const items = virtual.getVirtualItems();
  const [from, to] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0];
  const answer = useFigure("ledger", {
    from: addDays(first, Math.max(0, Math.floor(from / stretch) * stretch - 14)),
    to: addDays(first, Math.min(count - 1, (Math.floor(to / stretch) + 1) * stretch + 14)),
  });
  const rows = useMemo(() => new Map((answer ?? []).map((one) => [one.date, one])), [answer]);
  useEffect(() => {
    virtual.scrollToIndex(row, { align: "auto" }); /* Only a newly chosen day moves it. */ // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [row]);

  const place = { row, column: Math.min(column, columns.length - 1) };
  const range = rangeOf(place, anchor);
  const dateAt = (index: number) => addDays(first, index);
  const textAt = (index: number, at: number) => rows.get(dateAt(index))?.cells[columns[at]!] ?? "";
  const focusGrid = () => scroller.current?.focus({ preventScroll: true });
  const extent = () => ({
    rows: count,
    columns: columns.length,
    page: Math.max(1, Math.floor((scroller.current?.clientHeight ?? 310) / rowHeight) - 2),
  });

  const go = (target: Place, widen = false) => {
    const to = held(target, extent());
    setAnchor(widen ? (anchor ?? place) : null);
    setColumn(to.column);
    chooseDay(dateAt(to.row));
    edit.say(null);
  };
  const begin = (at: Place, text: string) => {
    if (edit.begin(dateAt(at.row), columns[at.column]!, textAt(at.row, at.column), text)) setAnchor(null);
  };
  const write = async (then: Place) => {
    if (!(await edit.write())) return;
    focusGrid();
    go(then);
  };
  /** Where the cell is that is being typed into. */
  const typedAt = (): Place => ({ row: daysBetween(first, editing!.date), column: columns.indexOf(editing!.column) });
  /** The cells of the range that can be typed into, each with what it is to say. */
  const editsOf = (make: (index: number, at: number) => string) => {
    const edits = [];
    for (let index = range.top; index <= range.bottom; index++)
      for (let at = range.left; at <= range.right; at++)
        if (all.get(columns[at]!)!.why === null)
          edits.push({ date: dateAt(index), column: columns[at]!, text: make(index, at) });
    return edits;
  };
  const fillDown = () => {
    if (range.bottom > range.top)
      return void edit.propose({ edits: editsOf((_, at) => textAt(range.top, at)) }, "Filled down");
    edit.say({
      text: "Choose some rows first (Shift and the arrow keys); the first is filled into the others.",
      warn: false,
    });
  };
  const empty = () => {
    const edits = editsOf(() => "");
    if (edits.length === 0) begin(place, "");
    else void edit.propose({ edits }, "Emptied");
  };

  const onKeyDown = (event: KeyboardEvent) => {
    if (editing !== null) {
      // Typed into the grid while a cell elsewhere is still open: that one comes first.
      if (event.target === scroller.current && event.key.length === 1) go(typedAt());
      return;
    }
    const action = gridAction(event, place, extent());
    if (action === null) return;
    if (action.do === "narrow") return setAnchor(null);
    event.preventDefault();
    if (action.do === "move") go(action.to, action.widen);
    else if (action.do === "edit") begin(place, action.text ?? textAt(place.row, place.column));
    else if (action.do === "empty") empty();
    else fillDown();
  };
  const onEditKey = (event: KeyboardEvent) => {
    const action = editAction(event, typedAt(), extent());
    if (action === null) return;
    event.preventDefault();
    if (action.do === "write") return void write(action.then);
    edit.leave();
    focusGrid();
  };
  const onCopy = (event: ClipboardEvent) => {
    if (editing !== null) return;
    event.preventDefault();
    const titles = columns.map((one) => all.get(one)!.title);
    event.clipboardData.setData("text/plain", copiedText(range, { titles, dateAt, textAt }));
    const days = range.bottom - range.top + 1;
    edit.say({ text: `Copied ${days} ${days === 1 ? "day" : "days"}.`, warn: false });
  };
  const onPaste = (event: ClipboardEvent) => {
    if (editing !== null) return;
    event.preventDefault();
    const paste = event.clipboardData.getData("text/plain");
    const long = tooLong(paste);
    const at = { date: dateAt(range.top), column: columns[range.left]! };
    if (long !== null) edit.say({ text: long, warn: true });
    else if (paste.trim() !== "") void edit.propose({ paste, at, columns, order: null, unit: null }, "Pasted");
  };

  const widths = columns.map((one) => (all.get(one)!.words ? `minmax(${wordsWidth}px, 1fr)` : `${numberWidth}px`));
  const template = `${dateWidth}px ${widths.join(" ")}`;
  const minWidth = columns.reduce((sum, one) => sum + (all.get(one)!.words ? wordsWidth : numberWidth), dateWidth);
  return (
    <>
      <Head message={message} onColumns={() => setChoosing(true)} onFillDown={fillDown} />
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
        onKeyDown={onKeyDown}
        onCopy={onCopy}
        onPaste={onPaste}
      >
        <Heads columns={columns.map((one) => all.get(one)!)} template={template} minWidth={minWidth} />
        <div style={{ height: virtual.getTotalSize(), minWidth, position: "relative" }} role="presentation">
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
                {columns.map((one, at) => (
                  <LedgerCell
                    key={one}
                    id={cellId(date, one)}
                    row={rows.get(date)}
                    column={all.get(one)!}
                    index={at}
                    active={index === place.row && at === place.column}
                    chosen={isWithin(range, { row: index, column: at })}
                    editing={editing?.date === date && editing.column === one ? editing.text : null}
                    onEdit={edit.type}
                    onEditKey={onEditKey}
                    onPoint={(widen) => {
                      if (editing !== null) return void write({ row: index, column: at });
                      go({ row: index, column: at }, widen);
                      focusGrid();
                    }}
                    onOpen={() => {
                      if (editing === null) begin({ row: index, column: at }, textAt(index, at));
                    }}
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
            if ("paste" in proposal.ask) void edit.propose({ ...proposal.ask, order }, proposal.label);
          }}
          onUnit={(unit) => {
            if ("paste" in proposal.ask) void edit.propose({ ...proposal.ask, unit }, proposal.label);
          }}
          onWrite={edit.agree}
          onClose={edit.dropProposal}
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
          title={one.why ?? "Typed in place"}
        >
          {one.title}
          {unitOf(one, units)}
        </span>
      ))}
    </div>
  );
}

/** What stands over the grid: a day to go to, what can be done, and what was said last. */
function Head({
  message,
  onColumns,
  onFillDown,
}: {
  message: Message | null;
  onColumns: () => void;
  onFillDown: () => void;
}) {
  const { day, chooseDay } = useLog();
  /** What stands in "Go to" while it is typed: a year half typed is no day yet. */
  const [going, setGoing] = useState<string | null>(null);
  return (
    <div className={styles.head}>
      <h1>Ledger</h1>
      <label className={styles.jump}>
        Go to{" "}
        <input
          type="date"
          min={`${firstYear}-01-01`}
          max={`${lastYear}-12-31`}
          value={going ?? day}
          onBlur={() => setGoing(null)}
          onChange={(event) => {
            setGoing(event.target.value);
            if (entryDayOf(event.target.value) !== null) chooseDay(event.target.value);
          }}
        />
      </label>
      <button type="button" className="link" onClick={onColumns}>
        Columns
      </button>
      <button type="button" className="link" title="Ctrl D" onClick={onFillDown}>
        Fill down
      </button>
      <p role="status" className={message?.warn ? `warn ${styles.message}` : `quiet ${styles.message}`}>
        {message?.text ??
          "Type to write, Enter to keep, Escape to leave it; paste from a spreadsheet with or without dates."}
      </p>
    </div>
  );
}
