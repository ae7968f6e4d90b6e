"use client";

import type { LedgerColumn, LedgerColumnId } from "@/core/ledger/columns";
import type { LedgerRow } from "@/core/ledger/ledgerView";
import { tooLong } from "@/core/ledger/paste";
import { addDays, daysBetween, ledgerDate } from "@/ui/dates";
import type { CellRange, Place } from "@/ui/grid/selection";
import { useTypedGrid } from "@/ui/grid/useTypedGrid";
import { useLog } from "@/ui/log/LogContext";
import { type ClipboardEvent, type RefObject, useState } from "react";
import { copiedText } from "./clipboard";
import { type DayCell, keyOfCell, useProposal, useWriteCell } from "./useCellEdit";
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
  /** Told the day on which a cell is typed into, null where none is. */
  onOpen: (date: string | null) => void;
}

/** The cells of the ledger, and what keys, pointer and clipboard do to them. */
export function useGrid({ all, columns, first, count, row, rows, scroller, onOpen }: GridOf) {
  const { chooseDay } = useLog();
  const [column, setColumn] = useState(0);
  const place = { row, column: Math.min(column, columns.length - 1) };
  const dateAt = (index: number) => addDays(first, index);
  const cellAt = (at: Place): DayCell => ({ date: dateAt(at.row), column: columns[at.column]! });
  const { behind, write } = useWriteCell(all);
  /** The cells of a range that can be typed into, each with what it is to say. */
  const editsOf = (range: CellRange, make: (at: Place) => string) => {
    const edits = [];
    for (let index = range.top; index <= range.bottom; index++)
      for (let at = range.left; at <= range.right; at++)
        if (all.get(columns[at]!)!.why === null)
          edits.push({ ...cellAt({ row: index, column: at }), text: make({ row: index, column: at }) });
    return edits;
  };
  const grid = useTypedGrid<DayCell>({
    behind,
    write,
    keyOf: keyOfCell,
    root: scroller,
    extent: () => ({
      rows: count,
      columns: columns.length,
      page: Math.max(1, Math.floor((scroller.current?.clientHeight ?? 310) / rowHeight) - 2),
    }),
    cellAt,
    placeOf: (cell) => {
      const [index, at] = [daysBetween(first, cell.date), columns.indexOf(cell.column)];
      return at < 0 || index < 0 || index >= count ? null : { row: index, column: at };
    },
    place,
    onPlace: (to) => {
      setColumn(to.column);
      chooseDay(dateAt(to.row));
    },
    textOf: (cell) => rows.get(cell.date)?.cells[cell.column] ?? "",
    titleOf: (cell) => `${all.get(cell.column)?.title ?? cell.column}, ${ledgerDate(cell.date)}`,
    whyNot: (cell) => {
      const { why, title } = all.get(cell.column)!;
      return why === null ? null : `${title} cannot be typed over. ${why}`;
    },
    onText: (cell, text) => onOpen(text === null ? null : cell.date),
    onEmpty: (range) => {
      const edits = editsOf(range, () => "");
      if (edits.length === 0) grid.say({ text: all.get(columns[range.left]!)!.why!, warn: true });
      else void proposing.propose({ edits }, "Emptied");
    },
    onFillDown: (range) =>
      void proposing.propose(
        { edits: editsOf(range, (at) => grid.textAt(cellAt({ ...at, row: range.top }))) },
        "Filled down",
      ),
  });
  const proposing = useProposal(grid.say, () => behind.settled());
  return {
    ...grid,
    ...proposing,
    place,
    dateAt,
    cellAt,
    onCopy: (event: ClipboardEvent) => {
      if (grid.openKey !== null) return;
      event.preventDefault();
      const titles = columns.map((one) => all.get(one)!.title);
      const textAt = (index: number, at: number) => grid.textAt(cellAt({ row: index, column: at }));
      event.clipboardData.setData("text/plain", copiedText(grid.range, { titles, dateAt, textAt }));
      const days = grid.range.bottom - grid.range.top + 1;
      grid.say({ text: `Copied ${days} ${days === 1 ? "day" : "days"}.`, warn: false });
    },
    onPaste: (event: ClipboardEvent) => {
      if (grid.openKey !== null) return;
      event.preventDefault();
      const paste = event.clipboardData.getData("text/plain");
      const long = tooLong(paste);
      const at = { date: dateAt(grid.range.top), column: columns[grid.range.left]! };
      if (long !== null) grid.say({ text: long, warn: true });
      else if (paste.trim() !== "")
        void proposing.propose({ paste, at, columns: [...columns], order: null, unit: null }, "Pasted");
    },
  };
}
