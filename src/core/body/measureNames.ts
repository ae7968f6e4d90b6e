import { compare } from "../base/text";
import type { AsOf } from "../log/asOf";
import { measuresOf } from "./measuresSlice";

/** What a measure's column needs to know of it. */
export interface MeasureNames {
  id: string;
  name: string;
  unit: string;
}

/** The measures of the household by name, as the ledger and the forms name them. */
export function measureNames(asOf: AsOf): MeasureNames[] {
  return [...measuresOf(asOf).all().values()]
    .map(({ id, name, unit }) => ({ id, name, unit: unit ?? "" }))
    .sort((a, b) => compare(a.name, b.name) || compare(a.id, b.id));
}
