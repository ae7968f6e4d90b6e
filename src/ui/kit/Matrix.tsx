"use client";

import type { ReactNode } from "react";
import type { Column } from "./column";
import styles from "./kit.module.css";
import { RecordTable } from "./RecordTable";
import { useFolded } from "./useFolded";

interface MatrixProps<C> {
  label: string;
  /** What the columns are. */
  corner: string;
  /** The weeks, days or dates that stand side by side. */
  columns: readonly C[];
  keyOf: (column: C) => string | number;
  headOf: (column: C) => ReactNode;
  /** What is said of each of them, line by line. */
  lines: readonly Pick<Column<C>, "head" | "cell" | "tone">[];
}

/** Weeks, days or dates side by side, a line for each thing said of them; turned where there is no room for that. */
export function Matrix<C>({ label, corner, columns, keyOf, headOf, lines }: MatrixProps<C>) {
  const { place, isFolded } = useFolded<HTMLDivElement>((columns.length + 1) * 64);
  return (
    <div ref={place} className={styles.records}>
      {isFolded ? (
        <RecordTable
          label={label}
          rows={columns}
          keyOf={keyOf}
          columns={[{ head: corner, cell: headOf }, ...lines.map((line) => ({ ...line, num: true }))]}
        />
      ) : (
        <table aria-label={label}>
          <thead>
            <tr>
              <th scope="col">{corner}</th>
              {columns.map((column) => (
                <th key={keyOf(column)} scope="col" className="num">
                  {headOf(column)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map(({ head, cell, tone }) => (
              <tr key={head}>
                <th scope="row" className={styles.lineHead}>
                  {head}
                </th>
                {columns.map((column) => (
                  <td key={keyOf(column)} className={`num ${tone ?? ""}`}>
                    {cell(column, false)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
