import { dateOf } from "../base/calendar/day";
import { rounded } from "../base/units/number";
import type { ReportView } from "./reportView";

/** The weeks of a report as rows for a spreadsheet, the first of them their heads. */
export function reportRows(
  { name, unit: measured, report: result }: ReportView,
  unit: string,
  inUnit: (value: number) => number,
): (string | number | null)[][] {
  const two = (value: number | null) => (value === null ? null : rounded(inUnit(value), 2));
  const ofWeight = measured === null;
  return [
    [
      "week closing",
      "days",
      `${name}, mean (${unit})`,
      `median (${unit})`,
      `change (${unit})`,
      ...(ofWeight ? [`trend (${unit})`, `plan (${unit})`] : []),
    ],
    ...(result?.weeks ?? []).map(({ closingDay, days, mean, median, change, trend, planned }) => [
      dateOf(closingDay),
      days,
      two(mean),
      two(median),
      two(change),
      ...(ofWeight ? [two(trend), two(planned)] : []),
    ]),
  ];
}
