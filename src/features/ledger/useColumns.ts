"use client";

import { type LedgerColumn, type LedgerColumnId, ledgerColumns } from "@/core/ledger/columns";
import { useState } from "react";

const key = "oat-column-ledger";
const atFirst: LedgerColumnId[] = ledgerColumns
  .map(({ id }) => id)
  .filter(
    (id) => !["time", "second", "rate", "step", "median", "mean", "seven", "distance", "protein", "water"].includes(id),
  );

/** The columns shown of all there are, in their order; kept in this browser, since they are a matter of its screen. */
export function useColumns(all: ReadonlyMap<LedgerColumnId, LedgerColumn>): {
  columns: LedgerColumnId[];
  setColumns: (columns: LedgerColumnId[]) => void;
} {
  const [columns, setColumns] = useState<LedgerColumnId[]>(() => {
    const kept = (localStorage.getItem(key) ?? "").split("|").filter((id): id is LedgerColumnId => id !== "");
    return kept.length > 0 ? [...new Set(kept)] : atFirst;
  });
  // A column of another household's measure stays kept, and is not shown here.
  const shown = columns.filter((id) => all.has(id));
  return {
    columns: shown.length > 0 ? shown : atFirst,
    setColumns: (next) => {
      localStorage.setItem(key, next.join("|"));
      setColumns(next);
    },
  };
}
