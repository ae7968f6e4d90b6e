"use client";

import { entryDayOf, firstYear, lastYear } from "@/core/base/calendar/day";
import { messageOf } from "@/core/base/messageOf";
import { counted } from "@/core/base/units/number";
import { allColumns, type LedgerColumn, type LedgerColumnId } from "@/core/ledger/columns";
import type { LedgerAsk, LedgerPreview, LedgerRow } from "@/core/ledger/ledgerView";
import { tooLong } from "@/core/ledger/paste";
import { useReach } from "@/ui/column/useReach";
import { addDays, daysBetween, ledgerDate } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { useFigure } from "@/ui/log/useFigure";
import { useUnsaved } from "@/ui/unsaved";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type ClipboardEvent, type KeyboardEvent, useEffect, useMemo, useRef, useState } from "react";
import { PreviewDialog } from "../../ui/preview/PreviewDialog";
import { ChooseColumns } from "./ChooseColumns";
import styles from "./ledger.module.css";
import { unitOf } from "./units";
import { useColumns } from "./useColumns";

const rowHeight = 31;
const [dateWidth, wordsWidth, numberWidth] = [128, 150, 104];
/** Rows are asked for in stretches of so many days around what is in sight. */
const stretch = 84;

/** A place in the ledger: a day by its index, a column by its place. */
interface Place {
  row: number;
  column: number;
}

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
  const { commit, day, chooseDay, compute, person, today, units } = useLog();
  const { columns, setColumns } = useColumns(all);
  const scroller = useRef<HTMLDivElement>(null);
  const [choosing, setChoosing] = useState(false);
  /** What stands in "Go to" while it is typed: a year half typed is no day yet. */
  const [going, setGoing] = useState<string | null>(null);
  const row = Math.min(count - 1, Math.max(0, daysBetween(first, day)));
  const [column, setColumn] = useState(0);
  const [anchor, setAnchor] = useState<Place | null>(null);
  /** The cell that is being typed into, and what it said before: another tab may write in it meanwhile. It stays where it is, and open, until it is written or left with Escape. */
  const [editing, setEditing] = useState<{ date: string; column: LedgerColumnId; before: string; text: string } | null>(
    null,
  );
  useUnsaved(editing !== null);
  const [message, setMessage] = useState<{ text: string; warn: boolean } | null>(null);
  /** The text that was questioned once and is written when Enter is pressed again. */
  const questioned = useRef<string | null>(null);
  const [preview, setPreview] = useState<{ ask: LedgerAsk; label: string; found: LedgerPreview } | null>(null);

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
  const id = columns[place.column]!;
  const ends = anchor ?? place;
  const range = {
    top: Math.min(place.row, ends.row),
    bottom: Math.max(place.row, ends.row),
    left: Math.min(place.column, ends.column),
    right: Math.max(place.column, ends.column),
  };
  const dateAt = (index: number) => addDays(first, index);
  const textAt = (index: number, one: LedgerColumnId) => rows.get(dateAt(index))?.cells[one] ?? "";
  const focusGrid = () => scroller.current?.focus({ preventScroll: true });

  const go = (target: Place, extend = false) => {
    setAnchor(extend ? (anchor ?? place) : null);
    setColumn(Math.min(columns.length - 1, Math.max(0, target.column)));
    chooseDay(dateAt(Math.min(count - 1, Math.max(0, target.row))));
    setMessage(null);
  };
  const ask = (asked: LedgerAsk) => compute.ask("ledgerPreview", { personId: person.id, today, ask: asked });
  const begin = (text: string) => {
    const { why, title } = all.get(id)!;
    if (why !== null) return setMessage({ text: `${title} cannot be typed over. ${why}`, warn: true });
    questioned.current = null;
    setAnchor(null);
    setMessage(null);
    setEditing({ date: dateAt(place.row), column: id, before: textAt(place.row, id), text });
  };
  const leave = () => {
    setEditing(null);
    setMessage(null);
    focusGrid();
  };
  const write = async (then: Place) => {
    const { date, column: typedInto, before, text } = editing!;
    const found = await ask({ edits: [{ date, column: typedInto, text }] });
    if (found === null) return;
    const now = found.changes[0]?.before ?? before;
    const meanwhile = now === before ? null : `Another tab has written ${now === "" ? "nothing" : now} here meanwhile.`;
    const [refused, caution] = [
      found.refused[0]?.why ?? null,
      [meanwhile, found.changes[0]?.caution ?? null].filter((one) => one !== null).join(" "),
    ];
    if (refused !== null) return setMessage({ text: refused, warn: true });
    if (caution !== "" && questioned.current !== text) {
      questioned.current = text;
      return setMessage({ text: `${caution} Press Enter again if it is right.`, warn: true });
    }
    if (found.change.length > 0 && !(await commit(found.change, `${all.get(typedInto)!.title}, ${ledgerDate(date)}`)))
      return;
    setEditing(null);
    focusGrid();
    go(then);
  };
  /** Shows what edits of several cells would do, before they are written. */
  const propose = async (asked: LedgerAsk, label: string) => {
    try {
      const found = await ask(asked);
      if (found !== null) setPreview({ ask: asked, label, found });
    } catch (error) {
      setMessage({ text: messageOf(error), warn: true });
    }
  };
  const cellsOf = (make: (index: number, one: LedgerColumnId) => string) => {
    const edits = [];
    for (let index = range.top; index <= range.bottom; index++)
      for (const one of columns.slice(range.left, range.right + 1))
        if (all.get(one)!.why === null) edits.push({ date: dateAt(index), column: one, text: make(index, one) });
    return edits;
  };
  const fillDown = () => {
    if (range.bottom === range.top)
      return setMessage({
        text: "Choose some rows first (Shift and the arrow keys); the first is filled into the others.",
        warn: false,
      });
    void propose({ edits: cellsOf((_, one) => textAt(range.top, one)) }, "Filled down");
  };

  /** Where the cell is that is being typed into. */
  const typedAt = (): Place => ({ row: daysBetween(first, editing!.date), column: columns.indexOf(editing!.column) });

  const onKeyDown = (event: KeyboardEvent) => {
    if (editing !== null) {
      // Typed into the grid while a cell elsewhere is still open: that one comes first.
      if (event.target === scroller.current && event.key.length === 1) go(typedAt());
      return;
    }
    const { row: at, column: across } = place;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 310) / rowHeight) - 2);
    const jump = event.ctrlKey || event.metaKey;
    const moves: Record<string, Place> = {
      ArrowUp: { row: at - 1, column: across },
      ArrowDown: { row: at + 1, column: across },
      ArrowLeft: { row: at, column: across - 1 },
      ArrowRight: { row: at, column: across + 1 },
      PageUp: { row: at - page, column: across },
      PageDown: { row: at + page, column: across },
      Home: jump ? { row: 0, column: across } : { row: at, column: 0 },
      End: jump ? { row: count - 1, column: across } : { row: at, column: columns.length - 1 },
    };
    const target = moves[event.key];
    const take = () => event.preventDefault();
    if (target !== undefined) {
      take();
      go(target, event.shiftKey);
    } else if (event.key === "Tab") {
      const next = across + (event.shiftKey ? -1 : 1);
      if (next >= 0 && next < columns.length) {
        take();
        go({ row: at, column: next });
      }
    } else if (event.key === "Enter" || event.key === "F2") {
      take();
      begin(textAt(at, id));
    } else if (event.key === "Escape") setAnchor(null);
    else if (event.key === "Delete" || event.key === "Backspace") {
      take();
      const edits = cellsOf(() => "");
      if (edits.length === 0) begin("");
      else void propose({ edits }, "Emptied");
    } else if (jump && event.key.toLowerCase() === "d") {
      take();
      fillDown();
    } else if (event.key.length === 1 && !jump && !event.altKey && event.key !== " ") {
      take();
      begin(event.key);
    }
  };
  const onEditKey = (event: KeyboardEvent) => {
    if (event.key === "Escape") {
      event.preventDefault();
      leave();
    } else if (event.key === "Enter") {
      event.preventDefault();
      void write({ ...typedAt(), row: typedAt().row + (event.shiftKey ? -1 : 1) });
    } else if (event.key === "Tab") {
      event.preventDefault();
      void write({
        ...typedAt(),
        column: Math.min(columns.length - 1, Math.max(0, typedAt().column + (event.shiftKey ? -1 : 1))),
      });
    }
  };
  const onCopy = (event: ClipboardEvent) => {
    if (editing !== null) return;
    event.preventDefault();
    const shown = columns.slice(range.left, range.right + 1);
    const lines = Array.from({ length: range.bottom - range.top + 1 }, (_, index) =>
      [dateAt(range.top + index), ...shown.map((one) => textAt(range.top + index, one).replaceAll("−", "-"))].join(
        "\t",
      ),
    );
    event.clipboardData.setData(
      "text/plain",
      range.top === range.bottom && shown.length === 1
        ? textAt(range.top, shown[0]!)
        : [["Date", ...shown.map((one) => all.get(one)!.title)].join("\t"), ...lines].join("\n"),
    );
    setMessage({
      text: `Copied ${range.bottom - range.top + 1} ${range.bottom === range.top ? "day" : "days"}.`,
      warn: false,
    });
  };
  const onPaste = (event: ClipboardEvent) => {
    if (editing !== null) return;
    event.preventDefault();
    const paste = event.clipboardData.getData("text/plain");
    const long = tooLong(paste);
    if (long !== null) setMessage({ text: long, warn: true });
    else if (paste.trim() !== "")
      void propose(
        { paste, at: { date: dateAt(range.top), column: columns[range.left]! }, columns, order: null, unit: null },
        "Pasted",
      );
  };

  const template = `${dateWidth}px ${columns.map((one) => (all.get(one)!.words ? `minmax(${wordsWidth}px, 1fr)` : `${numberWidth}px`)).join(" ")}`;
  const minWidth = columns.reduce((sum, one) => sum + (all.get(one)!.words ? wordsWidth : numberWidth), dateWidth);
  return (
    <>
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
        <button type="button" className="link" onClick={() => setChoosing(true)}>
          Columns
        </button>
        <button type="button" className="link" title="Ctrl D" onClick={fillDown}>
          Fill down
        </button>
        <p role="status" className={message?.warn ? `warn ${styles.message}` : `quiet ${styles.message}`}>
          {message?.text ??
            "Type to write, Enter to keep, Escape to leave it; paste from a spreadsheet with or without dates."}
        </p>
      </div>
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
        aria-activedescendant={cellId(dateAt(place.row), id)}
        onKeyDown={onKeyDown}
        onCopy={onCopy}
        onPaste={onPaste}
      >
        <div className={styles.heads} role="row" aria-rowindex={1} style={{ gridTemplateColumns: template, minWidth }}>
          <span role="columnheader" aria-colindex={1}>
            Day
          </span>
          {columns
            .map((one) => all.get(one)!)
            .map((one, index) => (
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
                  <Cell
                    key={one}
                    id={cellId(date, one)}
                    row={rows.get(date)}
                    column={all.get(one)!}
                    index={at}
                    active={index === place.row && at === place.column}
                    chosen={index >= range.top && index <= range.bottom && at >= range.left && at <= range.right}
                    editing={editing?.date === date && editing.column === one ? editing.text : null}
                    onEdit={(text) => setEditing({ ...editing!, text })}
                    onEditKey={onEditKey}
                    onPoint={(extend) => {
                      if (editing !== null) return void write({ row: index, column: at });
                      go({ row: index, column: at }, extend);
                      focusGrid();
                    }}
                    onOpen={() => {
                      if (editing === null) begin(textAt(index, one));
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
      {preview !== null && (
        <PreviewDialog
          all={all}
          {...preview}
          onOrder={(order) => {
            if ("paste" in preview.ask) void propose({ ...preview.ask, order }, preview.label);
          }}
          onUnit={(unit) => {
            if ("paste" in preview.ask) void propose({ ...preview.ask, unit }, preview.label);
          }}
          onWrite={async () => {
            if (
              await commit(preview.found.change, `${preview.label}: ${counted(preview.found.changes.length, "cell")}`)
            )
              setPreview(null);
          }}
          onClose={() => setPreview(null)}
        />
      )}
    </>
  );
}

function cellId(date: string, column: LedgerColumnId): string {
  return `cell-${date}-${column.replaceAll(" ", "-")}`;
}

interface CellProps {
  id: string;
  row: LedgerRow | undefined;
  column: LedgerColumn;
  index: number;
  active: boolean;
  chosen: boolean;
  editing: string | null;
  onEdit: (text: string) => void;
  onEditKey: (event: KeyboardEvent) => void;
  onPoint: (extend: boolean) => void;
  onOpen: () => void;
}

function Cell({ id, row, column, index, active, chosen, editing, onEdit, onEditKey, onPoint, onOpen }: CellProps) {
  const { words } = column;
  const derived = column.why !== null;
  const classes = [
    styles.cell,
    words ? styles.words : styles.number,
    derived && styles.derived,
    chosen && styles.chosen,
    active && styles.active,
  ]
    .filter(Boolean)
    .join(" ");
  return (
    <span
      id={id}
      role="gridcell"
      aria-colindex={index + 2}
      aria-selected={chosen}
      aria-readonly={derived}
      className={classes}
      onMouseDown={(event) => {
        if (editing === null) {
          event.preventDefault();
          onPoint(event.shiftKey);
        }
      }}
      onDoubleClick={onOpen}
      onPointerUp={(event) => {
        if (event.pointerType === "touch" && active && editing === null) onOpen();
      }}
    >
      {editing === null ? (
        `${row?.cells[column.id] ?? ""}${column.id === "weight" && row?.gross ? "?" : ""}`
      ) : (
        <input
          autoFocus
          inputMode={words ? "text" : "decimal"}
          className={styles.input}
          value={editing}
          aria-label={column.title}
          onChange={(event) => onEdit(event.target.value)}
          onKeyDown={onEditKey}
        />
      )}
    </span>
  );
}
