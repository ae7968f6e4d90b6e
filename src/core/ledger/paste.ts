import { dateOf, entryDayOf, mustDay, type Day } from "../calendar/day";
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
}

/** Longer texts than this are not read: twenty years of days with all their columns are a tenth of it. */
export const longestPaste = { characters: 5_000_000, lines: 100_000 };

/** Why a pasted or opened text is not read, or null. Asked before anything is done with it. */
export function tooLong(text: string): string | null {
  const { characters, lines } = longestPaste;
  if (text.length > characters) return `It is too long: ${Math.round(text.length / 1e6)} million characters; at most ${characters / 1e6} million are read. Nothing was changed.`;
  let count = text.endsWith("\n") ? 0 : 1;
  for (let at = text.indexOf("\n"); at >= 0; at = text.indexOf("\n", at + 1)) count += 1;
  return count > lines ? `It is too long: ${count.toLocaleString("en")} lines; at most ${lines.toLocaleString("en")} are read. Nothing was changed.` : null;
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

/** The day that a cell of a sheet names in a certain order, with `-`, `/`, `.` or spaces between; two-digit years are of this century. Null when it names none that can be written. */
export function sheetDay(text: string, order: DateOrder): Day | null {
  const match = /^\s*(\d{1,4})\s*[-/. ]\s*(\d{1,2})\s*[-/. ]\s*(\d{1,4})\.?(?:\s+\d{1,2}:\d{2}(?::\d{2})?)?\s*$/.exec(text);
  if (!match) return null;
  const [a, b, c] = [match[1]!, match[2]!, match[3]!];
  const [year, month, day] = order === "ymd" ? [a, b, c] : order === "dmy" ? [c, b, a] : [c, a, b];
  if ((order === "ymd" ? a : c).length === 3 || (order === "ymd" ? c : a).length > 2 || (order === "ymd" && a.length < 4)) return null;
  return entryDayOf(`${year.length === 2 ? `20${year}` : year.padStart(4, "0")}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`);
}

/**
 * Reads text copied from a spreadsheet: lines of cells with tabs between. A column of dates is recognised by its content, in any common
 * order; without one the lines go down from the chosen day. A first line of words names its columns; without one the cells go to
 * the right from the chosen column.
 * @param columns the ledger's columns in the order shown
 * @param all every column there is, for the names in a head
 * @param wanted the order of dates, once the trainee has told it
 */
export function readPaste(text: string, at: { date: string; column: LedgerColumnId }, columns: readonly LedgerColumnId[], all: ReadonlyMap<LedgerColumnId, LedgerColumn>, wanted: DateOrder | null): PasteReading {
  const long = tooLong(text);
  if (long !== null) return { edits: [], refused: [{ line: 1, text: `${text.slice(0, 40)} …`, why: long }], order: null, orders: [] };
  const lines = text.replace(/\r?\n$/, "").split(/\r?\n/).map((line) => line.split("\t").map((cell) => cell.trim()));
  const width = widthOf(lines);
  const dated = Array.from({ length: width }, (_, column) => ({ column, orders: ordersOf(lines.map((cells) => cells[column] ?? "")) })).find((one) => one.orders.length > 0) ?? null;
  const order = dated === null ? null : wanted !== null && dated.orders.includes(wanted) ? wanted : dated.orders[0]!;
  const heads = lines.length > 1 && isHead(lines[0]!, dated?.column ?? null, all);
  const targets = targetsOf(heads ? lines[0]! : null, width, dated?.column ?? null, at.column, columns, all);
  const reading: PasteReading = { edits: [], refused: [], order, orders: dated?.orders ?? [] };
  const start = mustDay(at.date);
  const seen = new Map<Day, number>();
  lines.forEach((cells, index) => {
    if ((heads && index === 0) || cells.every((cell) => cell === "")) return;
    const refuse = (why: string) => { reading.refused.push({ line: index + 1, text: cells.join(" · "), why }); };
    const day = dated === null ? start + index - Number(heads) : sheetDay(cells[dated.column] ?? "", order!);
    if (day === null) return refuse(`"${cells[dated!.column] ?? ""}" is no date.`);
    const before = seen.get(day);
    if (before !== undefined) return refuse(`Line ${before} has the same date.`);
    seen.set(day, index + 1);
    cells.forEach((cell, column) => {
      const target = targets[column];
      if (target !== null && target !== undefined && cell !== "") reading.edits.push({ date: dateOf(day), column: target, text: cell });
    });
  });
  return reading;
}

/** Orders that read at least nine in ten of the cells that hold anything, the likeliest first: days of a log follow one another. */
export function ordersOf(cells: readonly string[]): DateOrder[] {
  const filled = cells.filter((cell) => cell !== "");
  const read = orders.map((order) => ({ order, days: filled.flatMap((cell) => sheetDay(cell, order) ?? []) }));
  const most = Math.max(...read.map(({ days }) => days.length));
  if (most === 0 || most < 0.8 * (filled.length - 1)) return [];
  const strides = (days: readonly Day[]) => days.slice(1).reduce((sum, day, index) => sum + Math.abs(day - days[index]!), 0);
  const best = read.filter(({ days }) => days.length === most).map(({ order, days }) => ({ order, stride: strides(days) })).sort((a, b) => a.stride - b.stride);
  // Days that follow one another far more closely in one order settle it.
  return best.filter(({ stride }) => stride <= 4 * best[0]!.stride || most === 1).map(({ order }) => order);
}

function isHead(cells: readonly string[], dateColumn: number | null, all: ReadonlyMap<LedgerColumnId, LedgerColumn>): boolean {
  const date = dateColumn === null ? "" : (cells[dateColumn] ?? "");
  return !orders.some((order) => sheetDay(date, order) !== null) && cells.every((cell) => cell === "" || /[a-z]/i.test(cell)) && cells.some((cell) => columnNamed(cell, all) !== null);
}

const otherNames: Record<string, LedgerColumnId> = { kg: "weight", lb: "weight", lbs: "weight", "body weight": "weight", bodyweight: "weight", comment: "note", comments: "note", notes: "note" };

function columnNamed(text: string, all: ReadonlyMap<LedgerColumnId, LedgerColumn>): LedgerColumnId | null {
  const plain = text.toLowerCase().replace(/\(.*\)/, "").trim();
  return [...all.values()].find(({ id, title }) => id === plain || title.toLowerCase() === plain)?.id ?? otherNames[plain] ?? null;
}

function targetsOf(head: readonly string[] | null, width: number, dateColumn: number | null, from: LedgerColumnId, columns: readonly LedgerColumnId[], all: ReadonlyMap<LedgerColumnId, LedgerColumn>): (LedgerColumnId | null)[] {
  if (head !== null) return Array.from({ length: width }, (_, column) => (column === dateColumn ? null : columnNamed(head[column] ?? "", all)));
  let next = columns.indexOf(from);
  return Array.from({ length: width }, (_, column) => (column === dateColumn ? null : (columns[next++] ?? null)));
}
