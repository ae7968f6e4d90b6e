"use client";

import type { LedgerRow } from "@/core/ledger/ledgerView";
import { addDays } from "@/ui/dates";
import { useFigure } from "@/ui/log/useFigure";
import { defaultRangeExtractor, useVirtualizer, type VirtualItem } from "@tanstack/react-virtual";
import { type RefObject, useEffect, useMemo } from "react";

/** A row's height on the screen, in pixels. */
export const rowHeight = 31;
/** Rows are asked for in stretches of so many days around what is in sight. */
const stretch = 84;

/** The rows in sight and around it: where each is drawn, and what the log has on its day. */
export function useRows({
  scroller,
  first,
  count,
  row,
  openRow,
  todayRow,
}: {
  scroller: RefObject<HTMLDivElement | null>;
  /** The day of the first row, and how many there are. */
  first: string;
  count: number;
  /** The row chosen; it is brought into sight when another is. */
  row: number;
  /** The row in which a cell is typed into; it is drawn wherever is looked. */
  openRow: number | null;
  todayRow: number;
}): { items: VirtualItem[]; height: number; rows: ReadonlyMap<string, LedgerRow> } {
  // The React compiler leaves what uses this hook alone; it keeps its own state.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 20,
    rangeExtractor: (range) => {
      const shown = defaultRangeExtractor(range);
      if (openRow === null || shown.includes(openRow)) return shown;
      return [...shown, openRow].sort((a, b) => a - b);
    },
    initialOffset: Math.max(0, (todayRow - 12) * rowHeight),
  });
  const items = virtual.getVirtualItems();
  const inSight = items.filter(({ index }) => index !== openRow);
  const [from, to] = [inSight[0]?.index ?? 0, inSight.at(-1)?.index ?? 0];
  const answer = useFigure("ledger", {
    from: addDays(first, Math.max(0, Math.floor(from / stretch) * stretch - 14)),
    to: addDays(first, Math.min(count - 1, (Math.floor(to / stretch) + 1) * stretch + 14)),
  });
  const rows = useMemo(() => new Map((answer ?? []).map((one) => [one.date, one])), [answer]);
  useEffect(() => {
    virtual.scrollToIndex(row, { align: "auto" }); /* Only a newly chosen day moves it. */ // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [row]);
  return { items, height: virtual.getTotalSize(), rows };
}
