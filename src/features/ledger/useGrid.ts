"use client";

import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import type { LedgerRow } from "@/core/ledger/ledgerView";
import { tooLong } from "@/core/ledger/paste";
import { addDays, daysBetween } from "@/ui/dates";
import { useLog } from "@/ui/log/LogContext";
import { type ClipboardEvent, type KeyboardEvent, type RefObject, useState } from "react";
import { copiedText } from "./clipboard";
import { editAction, gridAction } from "@/ui/grid/keys";
import { held, type Place, rangeOf } from "@/ui/grid/selection";
import type { useCellEdit } from "./useCellEdit";
import { rowHeight } from "./useRows";

interface GridOf {
  all: ReadonlyMap<LedgerColumnId, LedgerColumn>;
  columns: readonly LedgerColumnId[];
  first: string;
  count: number;
  /** The row of the chosen day. */
  row: number;
  rows: ReadonlyMap<string, LedgerRow>;
  scroller: RefObject<HTMLDivElement | null>;
  edit: ReturnType<typeof useCellEdit>;
}

/** The chosen cells of the grid, and what keys, pointer and clipboard do to them. */
export function useGrid({ all, columns, first, count, row, rows, scroller, edit }: GridOf) {
  const { chooseDay } = useLog();
  const { editing } = edit;
  const [column, setColumn] = useState(0);
  const [anchor, setAnchor] = useState<Place | null>(null);
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

  return {
    place,
    range,
    dateAt,
    fillDown,
    /** A cell was pointed at; what is being typed elsewhere is written first. */
    point: (at: Place, widen: boolean) => {
      if (editing !== null) return void write(at);
      go(at, widen);
      focusGrid();
    },
    /** A cell was pointed at twice. */
    open: (at: Place) => {
      if (editing === null) begin(at, textAt(at.row, at.column));
    },
    onKeyDown: (event: KeyboardEvent) => {
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
    },
    onEditKey: (event: KeyboardEvent) => {
      const action = editAction(event, typedAt(), extent());
      if (action === null) return;
      event.preventDefault();
      if (action.do === "write") return void write(action.then);
      edit.leave();
      focusGrid();
    },
    onCopy: (event: ClipboardEvent) => {
      if (editing !== null) return;
      event.preventDefault();
      const titles = columns.map((one) => all.get(one)!.title);
      event.clipboardData.setData("text/plain", copiedText(range, { titles, dateAt, textAt }));
      const days = range.bottom - range.top + 1;
      edit.say({ text: `Copied ${days} ${days === 1 ? "day" : "days"}.`, warn: false });
    },
    onPaste: (event: ClipboardEvent) => {
      if (editing !== null) return;
      event.preventDefault();
      const paste = event.clipboardData.getData("text/plain");
      const long = tooLong(paste);
      const at = { date: dateAt(range.top), column: columns[range.left]! };
      if (long !== null) edit.say({ text: long, warn: true });
      else if (paste.trim() !== "")
        void edit.propose({ paste, at, columns: [...columns], order: null, unit: null }, "Pasted");
    },
  };
}
