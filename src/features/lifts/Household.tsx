"use client";

import { printNumber } from "@/core/base/units/number";
import type { Printer } from "@/core/base/units/printer";
import type { WorkTotal } from "@/core/strength/stretch";
import { shortDate } from "@/ui/dates";
import { useFigure } from "@/ui/log/useFigure";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import view from "@/ui/view.module.css";

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
      <Scrollable label="The household side by side">
        <table>
          <thead>
            <tr>
              <th>Best, {printer.units.mass}</th>
              {lifts.people.map(({ id, name }) => (
                <th key={id} className="num">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lifts.rows.map(({ exerciseId, name, cells }) => (
              <tr key={exerciseId}>
                <td>{name}</td>
                {cells.map((cell, index) => (
                  <td key={lifts.people[index]!.id} className="num">
                    {cell?.best ? (
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
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      <Scrollable label="Work of the last twelve weeks side by side">
        <table style={{ marginTop: 16 }}>
          <thead>
            <tr>
              <th>Last 12 weeks</th>
              {lifts.people.map(({ id, name }) => (
                <th key={id} className="num">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {workRows.map(([label, value]) => (
              <tr key={label}>
                <td>{label}</td>
                {lifts.people.map(({ id, work }) => (
                  <td key={id} className="num">
                    {value(work, printer)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </section>
  );
}
