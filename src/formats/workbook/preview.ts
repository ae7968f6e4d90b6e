import { dateOf } from "@/core/base/calendar/day";
import { runToEnd as runToEnd } from "@/core/base/chunked";
import { fromKg, type MassUnit } from "@/core/base/units/mass";
import { goalsOf } from "@/core/goals/slice";
import type { DateOrder } from "@/core/ledger/paste";
import type { AsOf } from "@/core/log/asOf";
import Papa from "papaparse";
import { type ColumnReading, explainSheet } from "./explain";
import { type Role, type Sheet } from "./sheet";
import { workbook, type WorkbookWanted } from "./workbook";

export interface WorkbookAsk extends WorkbookWanted {
  text: string;
}

export interface WorkbookView {
  heads: string[];
  roles: Role[];
  order: DateOrder;
  orders: DateOrder[];
  days: number;
  refused: Sheet["refused"];
  columns: ColumnReading[];
  /** The unit of its weights as its heads or cells name it; null where they name none. */
  unit: MassUnit | null;
  /** Date, weight, second weigh-in and note of each row, as the ledger takes them pasted. */
  entries: string;
}

/** What an old workbook holds, and how its computed columns compare with ours. Nothing is written. */
export function workbookView(asOf: AsOf, ask: WorkbookAsk): WorkbookView | { reason: string } {
  const read = runToEnd(workbook.read({ name: "", content: ask.text }, ask));
  if (!read.ok) return { reason: read.problems[0]!.message };
  const { sheet } = read;
  const weight = sheet.roles.indexOf("weight");
  const planOn = (day: number) => {
    const kg = goalsOf(asOf).planOn(day);
    return kg === null ? null : fromKg(kg, sheet.unit ?? asOf.units.mass);
  };
  const [second, note] = [sheet.roles.indexOf("second"), sheet.roles.indexOf("note")];
  const unit = sheet.unit === null ? "" : ` (${sheet.unit})`;
  const kept = sheet.rows.filter(
    ({ values, cells }) =>
      values[weight] != null || (second >= 0 && values[second] != null) || (note >= 0 && cells[note]),
  );
  const number = (value: number | null | undefined) => (value == null ? "" : String(value));
  return {
    heads: sheet.heads,
    roles: sheet.roles,
    order: sheet.order,
    orders: sheet.orders,
    days: sheet.rows.length,
    refused: sheet.refused,
    columns: explainSheet(sheet, asOf.weekStart, planOn),
    unit: sheet.unit,
    entries: Papa.unparse(
      [
        ["Date", `Weight${unit}`, `Second weigh-in${unit}`, "Note of the day"],
        ...kept.map(({ day, values, cells }) => [
          dateOf(day),
          number(values[weight]),
          second < 0 ? "" : number(values[second]),
          note < 0 ? "" : (cells[note] ?? ""),
        ]),
      ],
      { delimiter: "\t" },
    ),
  };
}
