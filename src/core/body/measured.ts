import { sameName } from "../entry/names";
import { usualMeasureOf } from "./usualMeasures";

/** What is measured: its name and unit. */
export interface Measured {
  name: string;
  unit: string;
}

/** The choice by which a measure of one's own is made. */
export const ownMeasure = "own";

/** The measure that a name means among those that are kept or usual; null for one that is new. */
export function sameMeasure(name: string, known: readonly string[]): string | null {
  return known.find((one) => sameName(one, name)) ?? usualMeasureOf(name)?.name ?? null;
}
