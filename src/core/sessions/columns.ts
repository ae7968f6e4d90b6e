import type { ColumnHead } from "../base/column";

/** The column of the ledger that names a day's sessions. */
export const sessionColumns = [
  {
    id: "sessions",
    title: "Sessions",
    words: true,
    why: "Sessions are written in the day's view or the quick-entry line.",
  },
] as const satisfies readonly ColumnHead[];
