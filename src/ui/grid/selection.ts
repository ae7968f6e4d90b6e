/** A place in the ledger: a day by its index, a column by its place. */
export interface Place {
  row: number;
  column: number;
}

/** The cells chosen, from a corner to the one across; both ends are among them. */
export interface CellRange {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

/** The range between the cell in hand and the one from which it was widened. */
export function rangeOf(place: Place, anchor: Place | null): CellRange {
  const end = anchor ?? place;
  return {
    top: Math.min(place.row, end.row),
    bottom: Math.max(place.row, end.row),
    left: Math.min(place.column, end.column),
    right: Math.max(place.column, end.column),
  };
}

export function isWithin({ top, bottom, left, right }: CellRange, { row, column }: Place): boolean {
  return row >= top && row <= bottom && column >= left && column <= right;
}

/** How far the ledger goes: so many days and columns, and so many days on a page of the screen. */
export interface Extent {
  rows: number;
  columns: number;
  page: number;
}

/** The nearest place that there is. */
export function held({ row, column }: Place, { rows, columns }: Extent): Place {
  return { row: Math.min(rows - 1, Math.max(0, row)), column: Math.min(columns - 1, Math.max(0, column)) };
}
