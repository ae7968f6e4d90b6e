"use client";

import { shortDate } from "@/ui/dates";
import { useFigure } from "@/ui/log/useFigure";
import { Scrollable } from "@/ui/Scrollable";
import { usePrinter } from "@/ui/usePrinter";
import { printNumber } from "@/core/units/number";
import view from "@/ui/view.module.css";

/** The lifts of everybody in the log side by side, those done by most people first. */
export function Household() {
  const lifts = useFigure("householdLifts", {});
  const printer = usePrinter();
  if (lifts === undefined) return null;
  return (
    <section className={view.section}>
      <h2>The household side by side</h2>
      <Scrollable label="The household side by side"><table>
        <thead><tr><th>Best, {printer.units.mass}</th>{lifts.people.map(({ id, name }) => <th key={id} className="num">{name}</th>)}</tr></thead>
        <tbody>
          {lifts.rows.map(({ exerciseId, name, cells }) => (
            <tr key={exerciseId}>
              <td>{name}</td>
              {cells.map((cell, index) => <td key={lifts.people[index]!.id} className="num">{cell?.best ? <>{cell.added && cell.best.e1rmKg >= 0 ? "+" : ""}{printer.massNumber(cell.best.e1rmKg)}<div className="quiet small">{cell.ratio === null ? "" : `${printNumber(cell.ratio, 2)} × body, `}{shortDate(cell.best.date)}</div></> : <span className="quiet">not done</span>}</td>)}
            </tr>
          ))}
        </tbody>
      </table></Scrollable>
    </section>
  );
}
