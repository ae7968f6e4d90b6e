"use client";

import { createElement, Fragment, type ReactNode, useEffect, useState } from "react";
import { cellClass, type Column, Head, rowClass, type Tone } from "./column";
import styles from "./kit.module.css";
import { lateCode, whenIdle } from "./late";
import { LinkButton } from "./LinkButton";
import { useFolded } from "./useFolded";

export interface RecordTableProps<R> {
  label: string;
  rows: readonly R[];
  keyOf: (row: R) => string | number;
  /** The first names the record. */
  columns: readonly Column<R>[];
  /** How the trainee sorts and filters is kept under this name. */
  keep?: string;
  className?: string | undefined;
  chosen?: (row: R) => boolean;
  tone?: (row: R) => Tone | undefined;
  /** Stands below a record, while it is changed; such a list is in its own order. */
  below?: (row: R) => ReactNode;
}

const sorted = lateCode(() => import("./SortedTable").then(({ SortedTable }) => SortedTable));

/**
 * A list of records: a table where there is room for all its columns, rows of two lines where there is not. One that can
 * be sorted or filtered is so by its heads.
 */
export function RecordTable<R>(props: RecordTableProps<R>) {
  const { columns, below, className = "" } = props;
  const { place, isFolded } = useFolded<HTMLDivElement>(
    columns.reduce((room, { num, mute }) => room + (num || mute ? 64 : 100), 0),
  );
  const isSorted = !isFolded && below === undefined && columns.some(({ compare, kind }) => compare ?? kind);
  useEffect(() => (isSorted ? whenIdle(sorted.fetch) : undefined), [isSorted]);
  const sortable = sorted.useCode();
  // What has the focus is not taken away under the trainee's hand.
  const [isInside, setInside] = useState(false);
  const [isSortable, setSortable] = useState(false);
  const waits = isSorted && !isSortable;
  if (waits && sortable !== null && !isInside) setSortable(true);
  return (
    <div
      ref={place}
      className={`${styles.records} ${className}`}
      {...(waits ? { onFocus: () => setInside(true), onBlur: () => setInside(false) } : {})}
    >
      {isFolded ? (
        <Rows {...props} />
      ) : isSorted && isSortable && sortable !== null ? (
        createElement(sortable<R>, props)
      ) : (
        <Plain {...props} />
      )}
    </div>
  );
}

function Plain<R>({ label, rows, keyOf, columns, below, ...look }: RecordTableProps<R>) {
  return (
    <table aria-label={label}>
      <thead className={columns.every(({ mute }) => mute) ? "hidden" : undefined}>
        <tr>
          {columns.map((column) => (
            <th key={column.head} scope="col" className={cellClass(column, "head")}>
              <Head column={column} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => {
          const under = below?.(row);
          return (
            <Fragment key={keyOf(row)}>
              <tr className={rowClass(row, look)}>
                {columns.map((column) => (
                  <td key={column.head} className={cellClass(column)}>
                    {column.cell(row, false)}
                  </td>
                ))}
              </tr>
              {under && (
                <tr>
                  <td colSpan={columns.length}>{under}</td>
                </tr>
              )}
            </Fragment>
          );
        })}
      </tbody>
    </table>
  );
}

/** So many rows are listed before all are asked for; a few more than that are listed at once. */
const listed = 12;

/** So few are seen at a glance, in their own order. */
const fewest = 5;

const choices = lateCode(() => import("./ChosenRows").then(({ ChosenRows }) => ChosenRows));

/** Rows in their own order, or, where there are heads to sort or filter by, as the trainee chooses. */
function Rows<R>(props: RecordTableProps<R>) {
  const { rows, columns, below } = props;
  const isChosen = below === undefined && rows.length > fewest && columns.some(({ compare, kind }) => compare ?? kind);
  useEffect(() => (isChosen ? whenIdle(choices.fetch) : undefined), [isChosen]);
  const chosen = choices.useCode();
  return isChosen && chosen !== null ? (
    createElement(chosen<R>, { ...props, list: (rows) => <Listed {...props} rows={rows} /> })
  ) : (
    <Listed {...props} />
  );
}

function Listed<R>({ label, rows, keyOf, columns, below, ...look }: RecordTableProps<R>) {
  const name = columns.find(({ folded }) => folded === "name") ?? columns[0]!;
  const others = columns.filter((column) => column !== name);
  const values = (row: R, where: Column<R>["folded"]) =>
    others
      .filter(({ folded }) => folded === where)
      .map((column) => [column, column.cell(row, true)] as const)
      .filter(([, value]) => !isNothing(value));
  const [all, setAll] = useState(false);
  return (
    <>
      <ul className={styles.rows} aria-label={label}>
        {(all || rows.length <= listed * 1.5 ? rows : rows.slice(0, listed)).map((row) => (
          <li key={keyOf(row)} className={rowClass(row, look)}>
            <div className={styles.first}>
              <div>{name.cell(row, true)}</div>
              <div className={styles.right}>
                {values(row, "beside").map(([column, value]) => (
                  <Said key={column.head} column={column} value={value} />
                ))}
              </div>
            </div>
            <div className={styles.second}>
              {values(row, undefined).map(([column, value]) => (
                <Said key={column.head} column={column} value={value} />
              ))}
            </div>
            {below?.(row)}
          </li>
        ))}
      </ul>
      {!all && rows.length > listed * 1.5 && (
        <LinkButton onClick={() => setAll(true)}>
          All {rows.length}
          <span className="hidden"> of {label}</span>
        </LinkButton>
      )}
    </>
  );
}

function isNothing(value: ReactNode): boolean {
  return value === "" || value === null || value === undefined || value === false;
}

/** A value with what it is. */
function Said<R>({ column: { head, bare, mute, tone }, value }: { column: Column<R>; value: ReactNode }) {
  return (
    <span className={tone}>
      {!(bare || mute) && <span className={styles.said}>{head} </span>}
      {value}
    </span>
  );
}
