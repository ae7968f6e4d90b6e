"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { WorkTotal } from "@/core/strength/stretch";
import { shortDate } from "@/ui/dates";
import type { Column } from "@/ui/kit/column";
import { RecordTable } from "@/ui/kit/RecordTable";
import { useFigure } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";
import styles from "./lifts.module.css";

const workRows: [label: string, value: (work: WorkTotal, printer: Printer) => string][] = [
  ["Sessions", ({ sessions }) => printNumber(sessions, 0)],
  ["Sets", ({ sets }) => printNumber(sets, 0)],
  ["Number of lifts", ({ numberOfLifts }) => printNumber(numberOfLifts, 0)],
  ["Volume load", ({ volumeLoadKg }, printer) => printer.volumeLoad(volumeLoadKg)],
  ["Average weight", ({ averageKg }, printer) => (averageKg === null ? "none" : printer.mass(averageKg))],
  [
    "Average intensity",
    ({ averageIntensity }, printer) => (averageIntensity === null ? "none" : printer.percent(averageIntensity)),
  ],
];

/** The lifts of everybody in the log side by side, those done by most people first. */
export function Household() {
  const lifts = useFigure("householdLifts", {});
  const printer = usePrinter();
  if (lifts === undefined) return null;
  return (
    <section className={view.section}>
      <h2>The household side by side</h2>
      <RecordTable
        label="The household side by side"
        rows={lifts.rows}
        keyOf={({ exerciseId }) => exerciseId}
        columns={[
          { head: `Best, ${printer.units.mass}`, cell: ({ name }) => name },
          ...lifts.people.map(({ name }, index): Column<(typeof lifts.rows)[number]> => ({
            head: name,
            num: true,
            cell: ({ cells }) => {
              const cell = cells[index];
              return cell?.best ? (
                <>
                  {cell.added && cell.best.e1rmKg >= 0 ? "+" : ""}
                  {printer.massNumber(cell.best.e1rmKg)}
                  <div className="quiet small">
                    {cell.ratio === null ? "" : `${printNumber(cell.ratio, 2)} × body, `}
                    {shortDate(cell.best.date)}
                  </div>
                </>
              ) : (
                <span className="quiet">not done</span>
              );
            },
          })),
        ]}
      />
      <RecordTable
        label="Work of the last twelve weeks side by side"
        className={styles.apart}
        rows={workRows}
        keyOf={([label]) => label}
        columns={[
          { head: "Last 12 weeks", cell: ([label]) => label },
          ...lifts.people.map(({ name, work }): Column<(typeof workRows)[number]> => ({
            head: name,
            num: true,
            cell: ([, value]) => value(work, printer),
          })),
        ]}
      />
    </section>
  );
}
