"use client";

import { counted, printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { WorkView } from "@/core/strength/workView";
import styles from "./lifts.module.css";

/** The work of the stretch in four figures, each beside what was planned. */
export function WorkTotals({ work: { total, days }, printer }: { work: WorkView; printer: Printer }) {
  const figures: [label: string, value: string, unit: string, note: string][] = [
    [
      "Number of lifts",
      printNumber(total.numberOfLifts, 0),
      "",
      total.planned.numberOfLifts > 0
        ? `${printNumber(total.planned.numberOfLifts, 0)} planned`
        : "nothing was planned",
    ],
    [
      "Volume load",
      printer.volumeLoadNumber(total.volumeLoadKg),
      printer.units.mass,
      total.planned.volumeLoadKg > 0
        ? `${printer.volumeLoad(total.planned.volumeLoadKg)} planned`
        : "nothing was planned",
    ],
    [
      "Average weight",
      total.averageKg === null ? "none" : printer.massNumber(total.averageKg),
      total.averageKg === null ? "" : printer.units.mass,
      "volume load ÷ number of lifts",
    ],
    [
      "Average intensity",
      total.averageIntensity === null ? "none" : printNumber(total.averageIntensity * 100, 0),
      total.averageIntensity === null ? "" : "%",
      "of the maximum in force on each day",
    ],
  ];
  return (
    <>
      <div className={styles.pair}>
        {figures.map(([label, value, unit, note]) => (
          <p key={label}>
            <span className="label">{label}</span>
            <br />
            <span className={styles.big}>{value}</span>
            <span className={styles.unit}>{unit}</span>
            <br />
            <span className="quiet small">{note}</span>
          </p>
        ))}
      </div>
      <p className="quiet small">
        {counted(total.sessions, "session")} with {counted(total.sets, "set")} in {counted(days, "day")}.
      </p>
    </>
  );
}
