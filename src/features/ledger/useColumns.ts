"use client";

import { useState } from "react";
import { ledgerColumn, ledgerColumns, type LedgerColumnId } from "@/core/ledger/columns";

const key = "oat-column-ledger";
const atFirst: LedgerColumnId[] = ledgerColumns.map(({ id }) => id).filter((id) => !["time", "distance", "protein", "water"].includes(id));

/** The columns shown, in their order; kept in this browser, since they are a matter of its screen. */
export function useColumns(): { columns: LedgerColumnId[]; setColumns: (columns: LedgerColumnId[]) => void } {
  const [columns, setColumns] = useState<LedgerColumnId[]>(() => {
    const kept = (localStorage.getItem(key) ?? "").split(" ").filter((id): id is LedgerColumnId => ledgerColumn.has(id));
    return kept.length > 0 ? [...new Set(kept)] : atFirst;
  });
  return { columns, setColumns: (next) => { localStorage.setItem(key, next.join(" ")); setColumns(next); } };
}
