import type { ColumnHead } from "../base/column";

/** The columns of the ledger that food derives, in their first order. */
export const nutritionColumns = [
  { id: "energy", title: "Eaten", unit: "energy", why: "What was eaten is the sum of the day's meals." },
  { id: "protein", title: "Protein", unit: "g", why: "Protein is the sum of the day's meals." },
  { id: "water", title: "Water", unit: "ml", why: "Water is the sum of what was written that day." },
] as const satisfies readonly ColumnHead[];
