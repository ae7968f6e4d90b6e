import type { Day } from "@/core/base/calendar/day";
import type { MassUnit } from "@/core/base/units/mass";
import { parseDecimal } from "@/core/base/units/number";
import { type DateOrder, ordersOf, sheetDay, tooLong, widthOf } from "@/core/ledger/paste";
import Papa from "papaparse";

/** What a column of an old workbook holds. */
export const roles = [
  "date",
  "weight",
  "second",
  "note",
  "mean",
  "median",
  "smoothed",
  "change",
  "plan",
  "none",
] as const;
export type Role = (typeof roles)[number];

/**
 * A line of the sheet that names a day: its number from 1, and the number in each column (null where there is none).
 */
export interface SheetRow {
  line: number;
  day: Day;
  values: (number | null)[];
  cells: string[];
}

export interface Sheet {
  heads: string[];
  roles: Role[];
  rows: SheetRow[];
  refused: { line: number; text: string; why: string }[];
  order: DateOrder;
  orders: DateOrder[];
  /** The unit that the heads or the cells name for its weights; null where they name none. */
  unit: MassUnit | null;
}

/** Words by which a head tells what its column holds, those first that are said more exactly. */
const words: readonly [Role, RegExp][] = [
  ["change", /chang|diff|delta|Δ|loss|gain|lost|\+\/-/i],
  ["median", /median|\bmed\b/i],
  ["smoothed", /trend|smooth|expon|ewma|\bema\b/i],
  ["mean", /mean|average|\bavg\b|rolling|moving|7.?day|weekly/i],
  ["plan", /goal|plan|target|should/i],
  ["second", /second|evening|night|\b2nd\b|\bpm\b/i],
  ["note", /note|comment|remark|words/i],
  ["weight", /weight|\bkg\b|\blbs?\b|scale|morning/i],
];

/**
 * Cells of a sheet that was pasted (tabs between them) or read from a file of comma- or semicolon-separated values,
 * without spaces at their ends.
 */
export function sheetLines(text: string): string[][] {
  return Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: false,
    delimiter: text.includes("\t") ? "\t" : "",
  }).data.map((cells) => cells.map((cell) => cell.trim()));
}

/**
 * Reads a sheet that was pasted (tabs) or read from a file of comma- or semicolon-separated values. The column of dates
 * is known by its content, in any common order; the others by their heads, the weight without one by being the first
 * column of numbers.
 * @param wanted roles and order of dates as the trainee corrected them
 */
export function readSheet(
  text: string,
  wanted: { roles: readonly Role[] | null; order: DateOrder | null },
): Sheet | { reason: string } {
  const long = tooLong(text);
  if (long !== null) return { reason: long };
  const lines = sheetLines(text);
  const width = widthOf(lines);
  const column = (index: number) => lines.map((cells) => cells[index] ?? "");
  const dated = Array.from({ length: width }, (_, index) => ({ index, orders: ordersOf(column(index)) }));
  const dates =
    wanted.roles !== null ? dated[wanted.roles.indexOf("date")] : dated.find((one) => one.orders.length > 0);
  if (dates === undefined || dates.orders.length === 0) return { reason: "No column of dates was found." };
  const order = wanted.order !== null && dates.orders.includes(wanted.order) ? wanted.order : dates.orders[0]!;
  const headed = lines.length > 0 && sheetDay(lines[0]![dates.index] ?? "", order) === null;
  const heads = Array.from({ length: width }, (_, index) =>
    headed ? lines[0]![index] || `column ${index + 1}` : `column ${index + 1}`,
  );
  const sheet: Sheet = { heads, roles: [], rows: [], refused: [], order, orders: dates.orders, unit: null };
  const seen = new Set<Day>();
  lines.slice(Number(headed)).forEach((cells, index) => {
    const line = index + 1 + Number(headed);
    if (cells.every((cell) => cell === "")) return;
    const day = sheetDay(cells[dates.index] ?? "", order);
    if (day === null)
      sheet.refused.push({ line, text: cells.join(" · "), why: `"${cells[dates.index] ?? ""}" is no date.` });
    else if (seen.has(day))
      sheet.refused.push({ line, text: cells.join(" · "), why: "An earlier line has the same date." });
    else {
      seen.add(day);
      sheet.rows.push({
        line,
        day,
        values: Array.from({ length: width }, (_, at) => numberIn(cells[at] ?? "")),
        cells,
      });
    }
  });
  sheet.rows.sort((a, b) => a.day - b.day);
  sheet.roles = wanted.roles !== null ? [...wanted.roles] : rolesOf(heads, sheet.rows, dates.index);
  const weightAt = sheet.roles.indexOf("weight");
  sheet.unit = unitIn([heads[weightAt] ?? "", ...sheet.rows.map(({ cells }) => cells[weightAt] ?? "")]);
  return weightAt >= 0 ? sheet : { reason: "No column of weights was found." };
}

/** The one mass unit that some texts name; null where they name none, or both. */
function unitIn(texts: readonly string[]): MassUnit | null {
  const named = new Set(
    texts.flatMap((text): MassUnit[] =>
      /(?:\b|\d)(?:kgs?|kilos?|kilograms?)\b/i.test(text)
        ? ["kg"]
        : /(?:\b|\d)(?:lbs?|pounds?)\b/i.test(text)
          ? ["lb"]
          : [],
    ),
  );
  return named.size === 1 ? [...named][0]! : null;
}

/** A number with a unit or a sign before or after it; null when the cell holds none. */
function numberIn(cell: string): number | null {
  return parseDecimal(cell.replace(/−/g, "-").replace(/\s*(kg|lbs?|%)$/i, ""));
}

function rolesOf(heads: readonly string[], rows: readonly SheetRow[], dateColumn: number): Role[] {
  const numeric = (index: number) =>
    rows.filter(({ values }) => values[index] !== null).length >= Math.min(3, rows.length);
  const found = heads.map((head, index): Role =>
    index === dateColumn
      ? "date"
      : /note|comment|remark|words/i.test(head)
        ? "note"
        : numeric(index)
          ? (words.find(([, word]) => word.test(head))?.[0] ?? "none")
          : "none",
  );
  if (!found.includes("weight")) {
    const first = found.findIndex((role, index) => role === "none" && numeric(index));
    if (first >= 0) found[first] = "weight";
  }
  // One column alone is the weight: of several the first.
  return found.map((role, index) =>
    ["weight", "second", "note"].includes(role) && found.indexOf(role) < index ? "none" : role,
  );
}
