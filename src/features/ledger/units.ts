import { ledgerColumn, type LedgerColumnId } from "@/core/ledger/columns";
import type { Units } from "@/core/units/printer";

/** `, kg` behind a column's title; nothing where it has no unit. */
export function unitOf(id: LedgerColumnId, units: Units): string {
  const column = ledgerColumn.get(id)!;
  if (!("unit" in column)) return "";
  return `, ${column.unit === "g" || column.unit === "ml" ? column.unit : units[column.unit]}`;
}
