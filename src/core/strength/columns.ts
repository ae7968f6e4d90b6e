import type { ColumnHead } from "../base/column";

/** The column of the ledger that lifting derives. */
export const strengthColumns = [
  { id: "volume", title: "Volume load", unit: "mass", why: "Volume load is computed from the sets performed." },
] as const satisfies readonly ColumnHead[];
