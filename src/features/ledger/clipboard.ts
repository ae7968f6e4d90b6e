import type { CellRange } from "@/ui/grid/selection";

/** What a range of the ledger is read from: the heads of its columns, the date of each row, and what each cell says. */
export interface CellSource {
  titles: readonly string[];
  dateAt: (row: number) => string;
  textAt: (row: number, column: number) => string;
}

/**
 * A range as text for a spreadsheet: a line a day with its date and tabs between, under the heads of its columns. One
 * cell alone is its text. A minus is the plain one that programs read.
 */
export function copiedText({ top, bottom, left, right }: CellRange, { titles, dateAt, textAt }: CellSource): string {
  if (top === bottom && left === right) return textAt(top, left);
  const across = Array.from({ length: right - left + 1 }, (_, index) => left + index);
  const lines = Array.from({ length: bottom - top + 1 }, (_, index) => {
    const row = top + index;
    return [dateAt(row), ...across.map((column) => textAt(row, column).replaceAll("−", "-"))].join("\t");
  });
  return [["Date", ...across.map((column) => titles[column]!)].join("\t"), ...lines].join("\n");
}
