import type { ColumnHead } from "../base/column";

/** The column of the ledger that distances derive. */
export const enduranceColumns = [
  { id: "distance", title: "Distance", unit: "distance", why: "Distance is the sum over the day's sessions." },
] as const satisfies readonly ColumnHead[];
