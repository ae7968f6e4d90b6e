import { dateOf, type Day } from "../base/calendar/day";
import { memoByKey, perOwner } from "../base/memo";
import type { MassUnit } from "../base/units/mass";
import { weightCells } from "../body/cells";
import { measureNames } from "../body/measureNames";
import { measuresOf } from "../body/measuresSlice";
import { weightOf } from "../body/slice";
import { trendDay } from "../body/trend";
import { enduranceCells } from "../endurance/cells";
import { type AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";
import { nutritionCells } from "../nutrition/cells";
import { sessionCells } from "../sessions/cells";
import { strengthCells } from "../strength/cells";
import { type CellEdit, entryText, ledgerChange, type LedgerChange, type LedgerContext } from "./change";
import { allColumns, type LedgerColumn, type LedgerColumnId, measureOf } from "./columns";
import { type DateOrder, type PasteReading, readPaste } from "./paste";

/** One day of the ledger: the text of each cell, empty where there is nothing. */
export interface LedgerRow {
  date: string;
  cells: Partial<Record<LedgerColumnId, string>>;
  gross: boolean;
}

/** The cells of a day that nothing but what is written of that day moves, kept by themselves: a weigh-in moves the trend of every day. */
const steadyCells = perOwner((asOf: AsOf) =>
  memoByKey(asOf.log.index, (day: Day): LedgerRow["cells"] => {
    const measures = [...allColumns(measureNames(asOf)).keys()].filter((id) => measureOf(id) !== null);
    const draft = {
      weighIn: weightOf(asOf).primaryOn(day),
      second: weightOf(asOf).secondOn(day),
      note: notesOf(asOf).noteOn(day),
      readings: new Map(measures.map((id) => [measureOf(id)!, measuresOf(asOf).on(measureOf(id)!, day)])),
    };
    const typed = ["weight", "time", "second", "influence", "note", ...measures] as LedgerColumnId[];
    return {
      ...Object.fromEntries(typed.map((id) => [id, entryText(draft, id, asOf.printer)])),
      ...sessionCells(asOf, day),
      ...strengthCells(asOf, day),
      ...enduranceCells(asOf, day),
      ...nutritionCells(asOf, day),
    };
  }),
);

/** Rows of the days from `from` to `to`, both included, printed in the trainee's units. */
export function ledgerView(asOf: AsOf, from: Day, to: Day): LedgerRow[] {
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, index): LedgerRow => {
    const day = from + index;
    return {
      date: dateOf(day),
      gross: trendDay(weightOf(asOf).trend(), day)?.gross ?? false,
      cells: { ...steadyCells(asOf)(day), ...weightCells(asOf, day) },
    };
  });
}

/** What is asked of the ledger before it is written: cells to edit, or text to paste at a cell. */
export type LedgerAsk =
  | { edits: CellEdit[] }
  | {
      paste: string;
      at: { date: string; column: LedgerColumnId };
      columns: LedgerColumnId[];
      order: DateOrder | null;
      unit: MassUnit | null;
    };

export interface LedgerPreview extends LedgerChange, Pick<PasteReading, "order" | "orders" | "unit" | "units"> {
  lines: PasteReading["refused"];
}

/** What edits or a paste would do; nothing is written. */
export function ledgerPreview(asOf: AsOf, ask: LedgerAsk, newId: () => string): LedgerPreview {
  const columns: ReadonlyMap<LedgerColumnId, LedgerColumn> = allColumns(measureNames(asOf));
  const context: LedgerContext = {
    personId: asOf.personId,
    today: asOf.on,
    printer: asOf.printer,
    newId,
    weighInOn: (day) => weightOf(asOf).primaryOn(day),
    secondOn: (day) => weightOf(asOf).secondOn(day),
    noteOn: (day) => notesOf(asOf).noteOn(day),
    expectedKg: (day) => weightOf(asOf).heldOn(day),
    readingOn: (measureId, day) => measuresOf(asOf).on(measureId, day),
    columns,
    lastReading: measuresOf(asOf).before,
  };
  if ("edits" in ask)
    return { ...ledgerChange(context, ask.edits), lines: [], order: null, orders: [], unit: null, units: [] };
  const { edits, refused, ...read } = readPaste(ask.paste, ask.at, ask.columns, columns, {
    order: ask.order,
    unit: ask.unit,
    own: asOf.units.mass,
    expectedKg: weightOf(asOf).heldOn(asOf.on),
  });
  return { ...ledgerChange(context, edits), lines: refused, ...read };
}
