"use client";

import { Table, type TableColumnType } from "antd";
import { useState } from "react";
import { cellClass, type Column, Head, rowClass } from "./column";
import styles from "./kit.module.css";
import type { RecordTableProps } from "./RecordTable";

interface Choice {
  /** The column it is sorted by. */
  by?: string;
  order?: "ascend" | "descend";
  /** What is shown of each column that is filtered. */
  only?: Record<string, string[]>;
}

const keyOf = (keep: string) => `oat-column-list-${keep}`;

function kept(keep: string | undefined): Choice {
  if (keep === undefined) return {};
  try {
    return JSON.parse(localStorage.getItem(keyOf(keep)) ?? "{}") as Choice;
  } catch {
    return {};
  }
}

/** A list of records sorted and filtered by its heads, which comes after the page stands. */
export function SortedTable<R>({ label, rows, keyOf: keyOfRow, columns, keep, chosen, tone }: RecordTableProps<R>) {
  const [choice, setChoice] = useState<Choice>(() => kept(keep));
  const choose = (next: Choice) => {
    setChoice(next);
    if (keep === undefined) return;
    try {
      localStorage.setItem(keyOf(keep), JSON.stringify(next));
    } catch {
      // Without storage the choice holds until the page is left.
    }
  };
  return (
    <Table<R>
      aria-label={label}
      className={styles.sorted ?? ""}
      dataSource={[...rows]}
      rowKey={(row) => keyOfRow(row)}
      rowClassName={(row) => rowClass(row, { chosen, tone }) ?? ""}
      columns={columns.map((column) => ({
        ...drawn(column),
        ...(column.compare && {
          sorter: column.compare,
          // Of figures the largest is asked for first.
          sortDirections: column.num ? ["descend", "ascend"] : ["ascend", "descend"],
          sortOrder: choice.by === column.head ? (choice.order ?? null) : null,
        }),
        ...(column.kind && filtered(column.kind, rows, choice.only?.[column.head] ?? null)),
      }))}
      onChange={(_, filters, sorter) => {
        const { columnKey, order } = Array.isArray(sorter) ? sorter[0]! : sorter;
        const only = Object.entries(filters).flatMap(([head, values]) =>
          values === null ? [] : [[head, values.map(String)] as const],
        );
        choose({
          ...(order ? { by: String(columnKey), order } : {}),
          ...(only.length > 0 ? { only: Object.fromEntries(only) } : {}),
        });
      }}
      pagination={false}
      showSorterTooltip={false}
      size="small"
      locale={{ emptyText: "Nothing of that.", filterReset: "Show all", filterConfirm: "Show these" }}
    />
  );
}

function drawn<R>(column: Column<R>): TableColumnType<R> {
  return {
    key: column.head,
    title: <Head column={column} />,
    className: cellClass(column),
    onHeaderCell: () => ({ className: cellClass(column, "head") }),
    render: (_, row) => column.cell(row),
  };
}

function filtered<R>(kind: (row: R) => string, rows: readonly R[], only: string[] | null): TableColumnType<R> {
  const kinds = [...new Set(rows.map(kind))].sort((a, b) => a.localeCompare(b));
  // What is no longer among them hides nothing.
  const still = only?.filter((one) => kinds.includes(one)) ?? [];
  return {
    filters: kinds.map((one) => ({ text: one === "" ? "none" : one, value: one })),
    filteredValue: still.length === 0 ? null : still,
    onFilter: (value, row) => kind(row) === value,
  };
}
