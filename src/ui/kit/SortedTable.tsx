"use client";

import { FilterOutlined } from "@ant-design/icons";
import { Table, type TableColumnType } from "antd";
import { cellClass, type Column, Head, rowClass } from "./column";
import styles from "./kit.module.css";
import { LinkButton } from "./LinkButton";
import { kindsIn, useListChoice, withOnly, withOrder } from "./listChoice";
import type { RecordTableProps } from "./RecordTable";
import { Tick } from "./Tick";

/** A list of records sorted and filtered by its heads, which comes after the page stands. */
export function SortedTable<R>({ label, rows, keyOf: keyOfRow, columns, keep, chosen, tone }: RecordTableProps<R>) {
  const [choice, choose] = useListChoice(keep);
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
        ...(column.kind &&
          filtered(column.head, column.kind, rows, choice.only?.[column.head] ?? [], (kinds) =>
            choose(withOnly(choice, column.head, kinds)),
          )),
      }))}
      onChange={(_, __, sorter) => {
        const { columnKey, order } = Array.isArray(sorter) ? sorter[0]! : sorter;
        choose(withOrder(choice, String(columnKey), order));
      }}
      pagination={false}
      showSorterTooltip={false}
      size="small"
      locale={{ emptyText: "Nothing of that." }}
    />
  );
}

function drawn<R>(column: Column<R>): TableColumnType<R> {
  return {
    key: column.head,
    title: <Head column={column} />,
    className: cellClass(column),
    onHeaderCell: () => ({ className: cellClass(column, "head") }),
    render: (_, row) => column.cell(row, false),
  };
}

/**
 * A column filtered by what its records are.
 * @param only what is shown of it; all where it names nothing
 */
function filtered<R>(
  head: string,
  kind: (row: R) => string,
  rows: readonly R[],
  only: readonly string[],
  choose: (kinds: string[]) => void,
): TableColumnType<R> {
  const kinds = kindsIn(rows, kind);
  // What is no longer among them hides nothing.
  const still = only.filter((one) => kinds.includes(one));
  return {
    filteredValue: still.length === 0 ? null : still,
    onFilter: (value, row) => kind(row) === value,
    filterIcon: <FilterOutlined aria-label={`Filter by ${head.toLowerCase()}`} />,
    filterDropdown: (
      <div role="group" aria-label={`Shown by ${head.toLowerCase()}`} className={styles.filter}>
        {kinds.map((one) => (
          <Tick
            key={one}
            checked={still.includes(one)}
            onChange={(isShown) => choose(isShown ? [...still, one] : still.filter((other) => other !== one))}
          >
            {one === "" ? "none" : one}
          </Tick>
        ))}
        <LinkButton disabled={still.length === 0} onClick={() => choose([])}>
          Show all
        </LinkButton>
      </div>
    ),
  };
}
