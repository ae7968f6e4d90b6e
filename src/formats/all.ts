import { archive } from "./archive/archive";
import type { Given } from "./format";
import { workbook } from "./workbook/workbook";

/** Every format that can be read, the likeliest first; which one something is, is asked in this order. */
export const formats = { archive, workbook };

/** The format of something that was given; null where none knows it. */
export function formatOf(given: Given): keyof typeof formats | null {
  const names = Object.keys(formats) as (keyof typeof formats)[];
  return names.find((name) => formats[name].recognise(given)) ?? null;
}
