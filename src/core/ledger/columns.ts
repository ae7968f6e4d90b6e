import type { ColumnHead } from "../base/column";
import { weightColumns } from "../body/columns";
import type { MeasureNames } from "../body/measureNames";
import { enduranceColumns } from "../endurance/columns";
import { nutritionColumns } from "../nutrition/columns";
import { sessionColumns } from "../sessions/columns";
import { strengthColumns } from "../strength/columns";

/** The columns that are typed into. */
const typedColumns = [
  { id: "weight", title: "Weight", unit: "mass" },
  { id: "time", title: "Time" },
  { id: "second", title: "Second weigh-in", unit: "mass" },
  { id: "influence", title: "What influenced it", words: true },
] as const satisfies readonly ColumnHead[];
const noteColumn = { id: "note", title: "Note of the day", words: true } as const satisfies ColumnHead;

/** The columns of the ledger in their first order. */
export const ledgerColumns = [
  ...typedColumns,
  ...weightColumns,
  ...sessionColumns,
  ...strengthColumns,
  ...enduranceColumns,
  ...nutritionColumns,
  noteColumn,
] as const;

type OwnColumnId = (typeof ledgerColumns)[number]["id"];
/** A column of the ledger; every measure is one, typed into like the others. */
export type LedgerColumnId = OwnColumnId | `measure ${string}`;

export interface LedgerColumn {
  id: LedgerColumnId;
  title: string;
  unit: "mass" | "distance" | "energy" | { own: string } | null;
  words: boolean;
  why: string | null;
}

/** The measure of a column; null when the column is not one of a measure. */
export function measureOf(id: LedgerColumnId): string | null {
  return id.startsWith("measure ") ? id.slice("measure ".length) : null;
}

/** Every column there is: the ledger's own, then the measures. */
export function allColumns(measures: readonly MeasureNames[]): Map<LedgerColumnId, LedgerColumn> {
  const own = ledgerColumns.map((column): LedgerColumn => {
    const unit = "unit" in column ? column.unit : null;
    return {
      id: column.id,
      title: column.title,
      unit: unit === "g" || unit === "ml" ? { own: unit } : unit,
      words: "words" in column,
      why: "why" in column ? column.why : null,
    };
  });
  return new Map(
    [
      ...own,
      ...measures.map(({ id, name, unit }): LedgerColumn => ({
        id: `measure ${id}`,
        title: name,
        unit: unit === "" ? null : { own: unit },
        words: false,
        why: null,
      })),
    ].map((column) => [column.id, column]),
  );
}
