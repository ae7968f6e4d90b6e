import { byWord } from "../base/byWord";
import Papa from "papaparse";
import { dateOf, type Day, entryDayOf, mustDay } from "../base/calendar/day";
import { monthNamed } from "../base/calendar/print";
import { type MassUnit, toKg } from "../base/units/mass";
import { parseDecimal, printNumber } from "../base/units/number";
import { median } from "../body/weighIns";
import { sameName } from "../entry/names";
import type { CellEdit } from "./change";
import type { LedgerColumn, LedgerColumnId } from "./columns";

/** The order in which a sheet writes its dates. */
export type DateOrder = "ymd" | "dmy" | "mdy";

/** What was recognised in pasted text. */
export interface PasteReading {
  edits: CellEdit[];
  /** Lines that could not be placed, by their number from 1. */
  refused: { line: number; text: string; why: string }[];
  /** The order of its dates; null when it has none and goes down from the chosen cell. */
  order: DateOrder | null;
  /** Orders that read every date; more than one when only the trainee can tell. */
  orders: DateOrder[];
  /** The unit of weights that name none; null while only the trainee can tell, and then they are not read. */
  unit: MassUnit | null;
  units: MassUnit[];
}

/** Longer texts than this are not read: twenty years of days with all their columns are a tenth of it. */
export const longestPaste = { characters: 5_000_000, lines: 100_000 };

/** Why a pasted or opened text is not read, or null. Asked before anything is done with it. */
export function tooLong(text: string): string | null {
  const { characters, lines } = longestPaste;
  if (text.length > characters)
    return `It is too long: ${Math.round(text.length / 1e6)} million characters; at most ${characters / 1e6} million are read. Nothing was changed.`;
  let count = text.endsWith("\n") ? 0 : 1;
  for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1)) count += 1;
  return count > lines
    ? `It is too long: ${printNumber(count, 0)} lines; at most ${printNumber(lines, 0)} are read. Nothing was changed.`
    : null;
}

/** What is said of a file that is too large to be read at all. @param bytes its size */
export function tooLarge(bytes: number): string {
  return `It is too large: ${Math.round(bytes / 1e6)} MB; at most ${longestPaste.characters / 1e6} million characters are read. Nothing was changed.`;
}

/** How many columns the longest line has. */
export function widthOf(lines: readonly (readonly string[])[]): number {
  return lines.reduce((widest, { length }) => Math.max(widest, length), 0);
}

const orders = ["ymd", "dmy", "mdy"] as const satisfies readonly DateOrder[];

/**
 * The day that a cell of a sheet names in a certain order, with `-`, `/`, `.` or spaces between, or with its month in
 * words (`3 March 2026`,
 * `Tue, Mar 3, 2026`, `3-Mar-26`) in any; two-digit years are of this century. Null when it names none that can be
 * written.
 */
export function sheetDay(text: string, order: DateOrder): Day | null {
  if (/[a-z]/i.test(text)) return wordedDay(text);
  const match =
    /^\s*(\d{1,4})\s*[-/. ]\s*(\d{1,2})\s*[-/. ]\s*(\d{1,4})\.?(?:[\sT]+\d{1,2}:\d{2}(?::\d{2})?)?\s*$/.exec(text);
  if (!match) return null;
  const [a, b, c] = [match[1]!, match[2]!, match[3]!];
  const [year, month, day] = order === "ymd" ? [a, b, c] : order === "dmy" ? [c, b, a] : [c, a, b];
  if (
    (order === "ymd" ? a : c).length === 3 ||
    (order === "ymd" ? c : a).length > 2 ||
    (order === "ymd" && a.length < 4)
  )
    return null;
  return civil(year, month, day);
}

function civil(year: string, month: string, day: string): Day | null {
  return entryDayOf(
    `${year.length === 2 ? `20${year}` : year.padStart(4, "0")}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`,
  );
}

/** A day with its month in words; the weekday before it and the time behind it are passed over. */
function wordedDay(text: string): Day | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/, "")
    .replace(/[\sT]+\d{1,2}:\d{2}(?::\d{2})?(?:\s*[ap]m)?$/i, "");
  const iso = /^(\d{4})-(\d{2})-(\d{2})t/i.exec(plain);
  if (iso) return civil(iso[1]!, iso[2]!, iso[3]!);
  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th)?\.?[\s-]+(?:of\s+)?([a-z]{3,9})\.?,?[\s-]+(\d{4}|\d{2})$/.exec(plain);
  const monthFirst = /^([a-z]{3,9})\.?[\s-]+(\d{1,2})(?:st|nd|rd|th)?,?[\s-]+(\d{4}|\d{2})$/.exec(plain);
  const [day, name, year] = dayFirst
    ? [dayFirst[1]!, dayFirst[2]!, dayFirst[3]!]
    : monthFirst
      ? [monthFirst[2]!, monthFirst[1]!, monthFirst[3]!]
      : ["", "", ""];
  const month = monthNamed(name);
  return month > 0 ? civil(year, String(month), day) : null;
}

/**
 * The cells of pasted text: tabs between them, cells in quotes with line breaks of their own; without tabs, a head that
 * is known tells commas or semicolons.
 */
function cellsOf(text: string, all: ReadonlyMap<LedgerColumnId, LedgerColumn>): string[][] {
  const parse = (delimiter: string) =>
    Papa.parse<string[]>(text.replace(/\r?\n$/, ""), { delimiter, skipEmptyLines: false }).data.map((cells) =>
      cells.map((cell) => cell.trim()),
    );
  if (!text.includes("\t")) {
    for (const delimiter of [";", ","]) {
      const lines = parse(delimiter);
      if (lines[0]!.length > 1 && lines[0]!.filter((cell) => isDateHead(cell) || headOf(cell, all) !== null).length > 1)
        return lines;
    }
  }
  return parse("\t");
}

/** What a paste is read with beyond its text. */
export interface PasteAsk {
  /** The order of dates, once the trainee has told it. */
  order: DateOrder | null;
  /** The unit of weights that name none, once the trainee has told it. */
  unit: MassUnit | null;
  /** The trainee's own unit, and what the scale may be expected to show; null when nothing is known. */
  own: MassUnit;
  expectedKg: number | null;
}

/**
 * Reads text copied from a spreadsheet. A column of dates is known by its head or its content, in any common order;
 * without one the lines go down from the chosen day. A first line of words names its columns and their units; without
 * one the cells go to the right from the chosen column. A line whose date cannot be read is refused.
 * @param columns the ledger's columns in the order shown
 * @param all every column there is, for the names in a head
 */
export function readPaste(
  text: string,
  at: { date: string; column: LedgerColumnId },
  columns: readonly LedgerColumnId[],
  all: ReadonlyMap<LedgerColumnId, LedgerColumn>,
  ask: PasteAsk,
): PasteReading {
  const long = tooLong(text);
  if (long !== null)
    return {
      edits: [],
      refused: [{ line: 1, text: `${text.slice(0, 40)} …`, why: long }],
      order: null,
      orders: [],
      unit: null,
      units: [],
    };
  const lines = cellsOf(text, all);
  const width = widthOf(lines);
  const head = lines[0] ?? [];
  const named = head.findIndex(isDateHead);
  const column = (index: number, from: number) => lines.slice(from).map((cells) => cells[index] ?? "");
  const dated =
    named >= 0 && lines.length > 1
      ? { column: named, orders: ordersOf(column(named, 1)) }
      : (Array.from({ length: width }, (_, index) => ({ column: index, orders: ordersOf(column(index, 0)) })).find(
          (one) => one.orders.length > 0,
        ) ?? null);
  const order =
    dated === null
      ? null
      : ask.order !== null && dated.orders.includes(ask.order)
        ? ask.order
        : (dated.orders[0] ?? "ymd");
  const heads = lines.length > 1 && (named >= 0 || isHead(head, dated?.column ?? null, all));
  const targets = targetsOf(heads ? head : null, width, dated?.column ?? null, at.column, columns, all);
  const body = lines.slice(Number(heads));
  const bare = targets.flatMap((target, index) =>
    target?.id === "weight" && target.unit === null
      ? body.flatMap((cells) => parseDecimal(cells[index] ?? "") ?? [])
      : [],
  );
  const units = heads ? unitsThatFit(bare, ask) : [ask.own];
  const unit = ask.unit !== null && units.includes(ask.unit) ? ask.unit : units.length === 1 ? units[0]! : null;
  const reading: PasteReading = { edits: [], refused: [], order, orders: dated?.orders ?? [], unit, units };
  const start = mustDay(at.date);
  const seen = new Map<Day, number>();
  body.forEach((cells, index) => {
    const line = index + 1 + Number(heads);
    if (cells.every((cell) => cell === "")) return;
    const refuse = (why: string) => {
      reading.refused.push({ line, text: cells.join(" · "), why });
    };
    const day = dated === null ? start + index : sheetDay(cells[dated.column] ?? "", order!);
    if (day === null) return refuse(`"${cells[dated!.column] ?? ""}" is no date.`);
    const before = seen.get(day);
    if (before !== undefined) return refuse(`Line ${before} has the same date.`);
    seen.set(day, line);
    cells.forEach((cell, place) => {
      const target = targets[place];
      if (target === null || target === undefined || cell === "") return;
      const mass = target.id === "weight" || target.id === "second";
      if (mass && target.unit === null && unit === null) return;
      const said = target.unit ?? (mass && unit !== ask.own ? unit : null);
      reading.edits.push({
        date: dateOf(day),
        column: target.id,
        text: said !== null && parseDecimal(cell) !== null ? `${cell} ${said}` : cell,
      });
    });
  });
  return reading;
}

/**
 * Units in which the weights of a column can be read: the one in which they are near what is expected; both where
 * either may be.
 */
function unitsThatFit(values: readonly number[], { own, expectedKg }: PasteAsk): MassUnit[] {
  if (values.length === 0) return [own];
  const middle = median(values);
  const other: MassUnit = own === "kg" ? "lb" : "kg";
  const near = (unit: MassUnit) => {
    const kg = toKg(middle, unit);
    return expectedKg === null ? kg >= 40 && kg <= 160 : Math.abs(kg / expectedKg - 1) < 0.25;
  };
  return near(other) ? (near(own) ? [own, other] : [other, own]) : [own];
}

/**
 * Orders that read at least nine in ten of the cells that hold anything, the likeliest first: days of a log follow one
 * another.
 */
export function ordersOf(cells: readonly string[]): DateOrder[] {
  const filled = cells.filter((cell) => cell !== "");
  const read = orders.map((order) => ({ order, days: filled.flatMap((cell) => sheetDay(cell, order) ?? []) }));
  const most = Math.max(...read.map(({ days }) => days.length));
  if (most === 0 || most < 0.8 * (filled.length - 1)) return [];
  const strides = (days: readonly Day[]) =>
    days.slice(1).reduce((sum, day, index) => sum + Math.abs(day - days[index]!), 0);
  const best = read
    .filter(({ days }) => days.length === most)
    .map(({ order, days }) => ({ order, days, stride: strides(days) }))
    .sort((a, b) => a.stride - b.stride);
  // Days that follow one another far more closely in one order settle it. Orders that read the same days are one.
  const distinct = best.filter(
    ({ days }, index) => best.findIndex((other) => other.days.every((day, at) => day === days[at])) === index,
  );
  return distinct.filter(({ stride }) => stride <= 4 * distinct[0]!.stride || most === 1).map(({ order }) => order);
}

/** Whether a head names the column of dates. */
function isDateHead(cell: string): boolean {
  return /^(?:date|day|datum|weighed on|measured on)$/i.test(cell.trim());
}

function isHead(
  cells: readonly string[],
  dateColumn: number | null,
  all: ReadonlyMap<LedgerColumnId, LedgerColumn>,
): boolean {
  const date = dateColumn === null ? "" : (cells[dateColumn] ?? "");
  return (
    !orders.some((order) => sheetDay(date, order) !== null) &&
    cells.every((cell) => cell === "" || /[a-z]/i.test(cell)) &&
    cells.some((cell) => headOf(cell, all) !== null)
  );
}

const otherNames: Record<string, LedgerColumnId> = byWord({
  kg: "weight",
  lb: "weight",
  "body weight": "weight",
  bodyweight: "weight",
  "morning weight": "weight",
  "weigh-in": "weight",
  "weigh in": "weight",
  scale: "weight",
  morning: "weight",
  second: "second",
  "second weight": "second",
  evening: "second",
  "evening weight": "second",
  "2nd": "second",
  comment: "note",
  comments: "note",
  notes: "note",
  remarks: "note",
  "time of day": "time",
});

interface Target {
  id: LedgerColumnId;
  unit: string | null;
}

/** The column that a head names, and the unit it says: `Weight (lb)`, `Morning weight lbs`, `Waist in cm`. */
function headOf(text: string, all: ReadonlyMap<LedgerColumnId, LedgerColumn>): Target | null {
  const plain = text.toLowerCase().trim();
  const inside = /[([]\s*([^)\]]+?)\s*[)\]]\s*$/.exec(plain);
  const behind =
    inside === null
      ? /(?:,\s*|\s+in\s+|\s+)(kgs?|kilos?|kilograms?|lbs?|pounds?|cm|mm|inch(?:es)?|in|st|stone|%)$/.exec(plain)
      : null;
  const name = (inside ?? behind) === null ? plain : plain.slice(0, (inside ?? behind)!.index).trim();
  const unit = (inside ?? behind)?.[1] ?? /^(kg|lb)s?$/.exec(plain)?.[1] ?? null;
  const known = (wanted: string) =>
    [...all.values()].find(({ id, title }) => id === wanted || sameName(title, wanted))?.id ??
    otherNames[wanted] ??
    null;
  // A name that is one with its unit (`Body fat %`) is looked for whole as well.
  const id = known(name) ?? known(plain) ?? (/^(?:kg|lb)s?$/.test(plain) ? "weight" : null);
  if (id === null) return null;
  return { id, unit: unit === null ? null : /^k/.test(unit) ? "kg" : /^(?:lb|pound)/.test(unit) ? "lb" : unit };
}

function targetsOf(
  head: readonly string[] | null,
  width: number,
  dateColumn: number | null,
  from: LedgerColumnId,
  columns: readonly LedgerColumnId[],
  all: ReadonlyMap<LedgerColumnId, LedgerColumn>,
): (Target | null)[] {
  if (head !== null)
    return Array.from({ length: width }, (_, column) =>
      column === dateColumn ? null : headOf(head[column] ?? "", all),
    );
  let next = columns.indexOf(from);
  return Array.from({ length: width }, (_, column): Target | null => {
    const id = column === dateColumn ? undefined : columns[next++];
    return id === undefined ? null : { id, unit: null };
  });
}
