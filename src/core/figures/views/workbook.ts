import { dateOf } from "../../calendar/day";
import { planWeight } from "../../goal/plan";
import type { DateOrder } from "../../ledger/paste";
import { explainSheet, type ColumnReading } from "../../workbook/explain";
import { readSheet, type Role, type Sheet } from "../../workbook/sheet";
import type { Figures } from "../figures";

export interface WorkbookAsk { text: string; roles: Role[] | null; order: DateOrder | null }

export interface WorkbookView {
  heads: string[];
  roles: Role[];
  order: DateOrder;
  orders: DateOrder[];
  days: number;
  refused: Sheet["refused"];
  columns: ColumnReading[];
  /** Date and weight of each row with a weight, as the ledger takes them, tabs between. */
  weights: string;
}

/** What an old workbook holds, and how its computed columns compare with ours. Nothing is written. */
export function workbookView(figures: Figures, ask: WorkbookAsk): WorkbookView | { reason: string } {
  const sheet = readSheet(ask.text, ask);
  if ("reason" in sheet) return sheet;
  const weight = sheet.roles.indexOf("weight");
  const planOn = (day: number) => { const line = figures.lineOn(day); return "reason" in line || day < line.startDay || day > line.deadline ? null : planWeight(line, day); };
  return {
    heads: sheet.heads, roles: sheet.roles, order: sheet.order, orders: sheet.orders, days: sheet.rows.length, refused: sheet.refused, columns: explainSheet(sheet, figures.weekStart, planOn),
    weights: sheet.rows.flatMap(({ day, values }) => (values[weight] == null ? [] : [`${dateOf(day)}\t${values[weight]}`])).join("\n"),
  };
}
