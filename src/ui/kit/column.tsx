import type { ReactNode } from "react";
import styles from "./kit.module.css";

export type Tone = "quiet" | "planned";

/** One thing that is said of every record of a list. */
export interface Column<R> {
  /** What it is called; on its head, and beside its value where there is room for rows only. */
  head: string;
  /** What it shows of a row; folded, a row stands by itself and has none above it. */
  cell: (row: R, isFolded: boolean) => ReactNode;
  /** Of figures: on the right, in one line. */
  num?: boolean;
  tone?: Tone | undefined;
  /** Where the records are rows of two lines: as the name, which is the first else, or beside it, instead of below. */
  folded?: "name" | "beside";
  /** In a row its value says what it is, without its head. */
  bare?: boolean;
  /** Nor does its head show in a table: it is heard only. */
  mute?: boolean;
  /** Sorts by it. */
  compare?: (a: R, b: R) => number;
  /** Filters by what it is. */
  kind?: (row: R) => string;
}

/** How a cell is drawn, or the head above it. */
export function cellClass<R>({ num = false, tone, kind }: Column<R>, above?: "head"): string {
  return [num && "num", above === "head" ? kind && styles.kinds : tone].filter(Boolean).join(" ");
}

/** How the row of a record is drawn. */
export function rowClass<R>(
  row: R,
  { chosen, tone }: { chosen?: ((row: R) => boolean) | undefined; tone?: ((row: R) => Tone | undefined) | undefined },
): string | undefined {
  return [chosen?.(row) ? styles.chosen : undefined, tone?.(row)].filter(Boolean).join(" ") || undefined;
}

export function Head<R>({ column: { head, mute } }: { column: Column<R> }) {
  return mute ? <span className="hidden">{head}</span> : head;
}

/** Sorts by a number or a text; where there is none it comes first. */
export function by<R>(of: (row: R) => number | string | null): (a: R, b: R) => number {
  return (a, b) => {
    const [one, other] = [of(a), of(b)];
    if (one === null || other === null) return Number(one !== null) - Number(other !== null);
    return typeof one === "number" && typeof other === "number"
      ? one - other
      : String(one).localeCompare(String(other));
  };
}
