import type { Units } from "@/core/base/units/printer";
import type { LedgerColumn } from "@/core/ledger/columns";

/** `, kg` behind a column's title; nothing where it has no unit. */
export function unitOf({ unit }: LedgerColumn, units: Units): string {
  return unit === null ? "" : `, ${typeof unit === "object" ? unit.own : units[unit]}`;
}
