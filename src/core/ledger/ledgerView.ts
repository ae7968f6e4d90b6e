import { dateOf, weekStartOf, type Day } from "../base/calendar/day";
import { mean } from "../body/weighIns";
import { trendDay } from "../body/trend";
import { entryText, ledgerChange, type CellEdit, type LedgerChange, type LedgerContext } from "./change";
import { allColumns, measureOf, type LedgerColumn, type LedgerColumnId, type MeasureNames } from "./columns";
import { readPaste, type DateOrder, type PasteReading } from "./paste";
import { family, ownedBy } from "../base/memo";
import { standing, wasPerformed } from "../sessions/adherence";
import type { MassUnit } from "../base/units/mass";
import { printNumber } from "../base/units/number";
import { coveredBy } from "../endurance/distances";
import { compare, type Figures } from "../figures/figures";
import { foodDay } from "../nutrition/foodDay";
import { workOf } from "../strength/volume";

/** One day of the ledger: the text of each cell, empty where there is nothing. */
export interface LedgerRow {
  date: string;
  cells: Partial<Record<LedgerColumnId, string>>;
  gross: boolean;
}

/** The measures of the household by name, as the ledger and the forms name them. */
export function measureNames(figures: Figures): MeasureNames[] {
  return [...figures.measures.values()]
    .map(({ id, name, unit }) => ({ id, name, unit: unit ?? "" }))
    .sort((a, b) => compare(a.name, b.name) || compare(a.id, b.id));
}

/** Volume load of a day, kept by itself: a weigh-in changes the trend of every day, and hardly any day's volume. */
const volumeOn = ownedBy((figures: Figures) =>
  family(
    figures.log.index,
    (day: Day) =>
      workOf(
        figures.sessionsOn(day).flatMap((session) => figures.setsOf(session)),
        figures.counting,
      ).volumeLoadKg,
  ),
);

/** Rows of the days from `from` to `to`, both included, printed in the trainee's units. */
export function ledgerView(figures: Figures, from: Day, to: Day): LedgerRow[] {
  const printer = figures.printer;
  const measures = [...allColumns(measureNames(figures)).keys()].filter((id) => measureOf(id) !== null);
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, index): LedgerRow => {
    const day = from + index;
    const draft = {
      weighIn: figures.primaryOn(day),
      second: figures.secondOn(day),
      note: figures.noteOn(day),
      readings: new Map(measures.map((id) => [measureOf(id)!, figures.readingOn(measureOf(id)!, day)])),
    };
    const trend = trendDay(figures.trend, day);
    const before = figures.primaryOn(day - 1);
    const start = weekStartOf(day, figures.weekStart);
    const week = day === start + 6 && day <= figures.on ? figures.weekFrom(start) : null;
    const seven =
      day > figures.on
        ? []
        : Array.from({ length: 7 }, (_, back) => figures.primaryOn(day - back)?.kg).filter((kg) => kg !== undefined);
    const plan = figures.planOn(day);
    const sessions = figures.sessionsOn(day);
    const metres = sessions.reduce((sum, session) => sum + (coveredBy(session, figures.on)?.metres ?? 0), 0);
    const food =
      day <= figures.on && figures.mealsOn(day).some(({ status }) => status !== "planned")
        ? foodDay(figures, day)
        : null;
    const water = figures.waterOn(day);
    const volume = volumeOn(figures)(day);
    const entry = (column: LedgerColumnId) => entryText(draft, column, printer);
    return {
      date: dateOf(day),
      gross: trend?.gross ?? false,
      cells: {
        weight: entry("weight"),
        second: entry("second"),
        time: entry("time"),
        influence: entry("influence"),
        note: entry("note"),
        rate:
          trend === null || day - figures.trend!.first < 7 ? "" : printer.massChange(trend.kgPerWeek).split(" ")[0]!,
        step:
          draft.weighIn === null || before === null
            ? ""
            : printer.massChange(draft.weighIn.kg - before.kg).split(" ")[0]!,
        median: week?.medianKg == null ? "" : printer.massNumber(week.medianKg, 2),
        mean: week?.meanKg == null ? "" : printer.massNumber(week.meanKg, 2),
        seven: seven.length === 0 ? "" : printer.massNumber(mean(seven), 2),
        trend: trend === null ? "" : printer.massNumber(trend.kg, 2),
        plan: plan === null ? "" : printer.massNumber(plan, 2),
        against: trend === null || plan === null ? "" : printer.massChange(trend.kg - plan).split(" ")[0]!,
        sessions: sessions
          .map(
            (session) =>
              `${session.title ?? session.kind}${wasPerformed(session, figures.on) ? "" : ` (${standing(session, figures.on)})`}`,
          )
          .join(", "),
        volume: volume > 0 ? printer.volumeLoadNumber(volume) : "",
        distance: metres > 0 ? printer.distance(metres).split(" ")[0]! : "",
        energy: food === null ? "" : `${food.eatenKcal === null ? "≥ " : ""}${printer.energyNumber(food.eaten.kcal)}`,
        protein: food === null ? "" : printNumber(food.eaten.protein, 0),
        water: water > 0 ? printNumber(water, 0) : "",
        ...Object.fromEntries(measures.map((id) => [id, entry(id)])),
      },
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
export function ledgerPreview(figures: Figures, ask: LedgerAsk, newId: () => string): LedgerPreview {
  const columns: ReadonlyMap<LedgerColumnId, LedgerColumn> = allColumns(measureNames(figures));
  const context: LedgerContext = {
    personId: figures.personId,
    today: figures.on,
    printer: figures.printer,
    newId,
    weighInOn: (day) => figures.primaryOn(day),
    secondOn: (day) => figures.secondOn(day),
    noteOn: (day) => figures.noteOn(day),
    expectedKg: (day) => figures.heldOn(day),
    readingOn: (measureId, day) => figures.readingOn(measureId, day),
    columns,
    lastReading: figures.readingBefore,
  };
  if ("edits" in ask)
    return { ...ledgerChange(context, ask.edits), lines: [], order: null, orders: [], unit: null, units: [] };
  const { edits, refused, ...read } = readPaste(ask.paste, ask.at, ask.columns, columns, {
    order: ask.order,
    unit: ask.unit,
    own: figures.units.mass,
    expectedKg: figures.heldOn(figures.on),
  });
  return { ...ledgerChange(context, edits), lines: refused, ...read };
}
