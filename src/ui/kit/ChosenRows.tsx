"use client";

import type { ReactNode } from "react";
import styles from "./kit.module.css";
import { chosenOf, kindsIn, type ListChoice, useListChoice, withOnly, withOrder } from "./listChoice";
import type { RecordTableProps } from "./RecordTable";
import { Select } from "./Select";

/** Rows sorted and filtered as the trainee chooses, which comes after the page stands. */
export function ChosenRows<R>({
  list: listed,
  ...list
}: Pick<RecordTableProps<R>, "label" | "rows" | "columns" | "keep"> & { list: (rows: readonly R[]) => ReactNode }) {
  const [choice, choose] = useListChoice(list.keep);
  return (
    <>
      <RowsChoice {...list} choice={choice} choose={choose} />
      {listed(chosenOf(list.rows, list.columns, choice))}
    </>
  );
}

/** By what rows are sorted and filtered, where there are no heads to do it by. */
function RowsChoice<R>({
  label,
  rows,
  columns,
  choice,
  choose,
}: Pick<RecordTableProps<R>, "label" | "rows" | "columns"> & {
  choice: ListChoice;
  choose: (next: ListChoice) => void;
}) {
  const orders = columns.flatMap(({ head, compare, num }) =>
    compare
      ? (["descend", "ascend"] as const).map((order) => ({
          value: `${order} ${head}`,
          label: `${head}, ${num ? (order === "descend" ? "largest" : "smallest") : order === "descend" ? "last" : "first"} first`,
        }))
      : [],
  );
  const filters = columns.flatMap(({ head, kind }) => (kind ? [{ head, kinds: kindsIn(rows, kind) }] : []));
  if (orders.length === 0 && filters.length === 0) return null;
  return (
    <p className={`${styles.choices} noprint`}>
      {orders.length > 0 && (
        <Select
          label={`${label}, sorted by`}
          value={choice.by === undefined ? "" : `${choice.order} ${choice.by}`}
          options={[{ value: "", label: "in their own order" }, ...orders]}
          onChange={(value) => {
            const [order, ...head] = value.split(" ");
            choose(withOrder(choice, head.join(" "), value === "" ? null : (order as ListChoice["order"])));
          }}
        />
      )}
      {filters.map(({ head, kinds }) => (
        <Select
          key={head}
          label={`${label}, ${head}`}
          value={choice.only?.[head]?.[0] ?? ""}
          options={[
            { value: "", label: `every ${head.toLowerCase()}` },
            ...kinds.filter((one) => one !== "").map((value) => ({ value, label: value })),
          ]}
          onChange={(value) => choose(withOnly(choice, head, value === "" ? [] : [value]))}
        />
      ))}
    </p>
  );
}
