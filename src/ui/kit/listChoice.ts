import { useState } from "react";
import type { Column } from "./column";
import { store, stored } from "./stored";

/** How the trainee has a list: by which column it is sorted, and what is shown of each that is filtered. */
export interface ListChoice {
  by?: string;
  order?: "ascend" | "descend";
  only?: Record<string, string[]>;
}

const keyOf = (keep: string) => `oat-column-list-${keep}`;

function kept(keep: string | undefined): ListChoice {
  if (keep === undefined) return {};
  try {
    return JSON.parse(stored(keyOf(keep)) ?? "{}") as ListChoice;
  } catch {
    return {};
  }
}

/** How a list is had, kept under its name where it has one. */
export function useListChoice(keep: string | undefined): [ListChoice, (next: ListChoice) => void] {
  const [choice, setChoice] = useState<ListChoice>(() => kept(keep));
  return [
    choice,
    (next) => {
      setChoice(next);
      if (keep !== undefined) store(keyOf(keep), JSON.stringify(next));
    },
  ];
}

/** The same list sorted by another column, or in its own order. */
export function withOrder(
  { by: _by, order: _order, ...kept }: ListChoice,
  by: string,
  order: ListChoice["order"] | null,
) {
  return order == null ? kept : { ...kept, by, order };
}

/** The same list with what is shown of a column; all of it where nothing is named. */
export function withOnly({ only = {}, ...choice }: ListChoice, head: string, kinds: string[]): ListChoice {
  const { [head]: _, ...others } = only;
  return { ...choice, only: kinds.length > 0 ? { ...others, [head]: kinds } : others };
}

/** What the records are of a column that filters, each once. */
export function kindsIn<R>(rows: readonly R[], kind: (row: R) => string): string[] {
  return [...new Set(rows.map(kind))].sort((a, b) => a.localeCompare(b));
}

/** The records that are shown, in their order. What is chosen of a column and no longer among them hides nothing. */
export function chosenOf<R>(rows: readonly R[], columns: readonly Column<R>[], { by, order, only }: ListChoice): R[] {
  const filters = columns.flatMap(({ head, kind }) => {
    const kinds = kind && only?.[head]?.filter((one) => rows.some((row) => kind(row) === one));
    return kind && kinds?.length ? [(row: R) => kinds.includes(kind(row))] : [];
  });
  const shown = rows.filter((row) => filters.every((passes) => passes(row)));
  const compare = columns.find(({ head }) => head === by)?.compare;
  return compare ? shown.sort((a, b) => (order === "descend" ? compare(b, a) : compare(a, b))) : shown;
}
