import { type Day } from "@/core/base/calendar/day";
import type { MassUnit } from "@/core/base/units/mass";
import { candidatesFor, sameName } from "@/core/entry/names";
import { folded } from "@/core/base/text";
import { type DateOrder, ordersOf, sheetDay, tooLong, widthOf } from "@/core/ledger/paste";
import type { Exercise } from "@/core/log/kinds/exercises";
import { aliasesOf } from "@/core/strength/usualNames";
import type { SetsRow } from "@/core/training/setRows";
import { performedIn } from "@/core/training/setRows";
import { sheetLines } from "./sheet";

/** What a column of a sheet of sets holds. */
export const setColumns = ["date", "exercise", "sets", "reps", "load", "rpe", "note", "none"] as const;
export type SetColumn = (typeof setColumns)[number];

export interface SetsSheet {
  heads: string[];
  columns: SetColumn[];
  rows: SetsRow[];
  refused: { line: number; text: string; why: string }[];
  /** Names that are no exercise of the log, each with what it may be, the likeliest first; lines with them wait. */
  unmatched: { typed: string; lines: number; candidates: { id: string; name: string }[] }[];
  order: DateOrder;
  orders: DateOrder[];
}

/**
 * What the trainee has settled: what columns hold, the order of dates, and which exercise a name is (null leaves its
 * lines out).
 */
export interface SetsSheetAsk {
  columns: SetColumn[] | null;
  order: DateOrder | null;
  matches: Record<string, string | null>;
}

const headWords: readonly [SetColumn, RegExp][] = [
  ["date", /^date|^day/i],
  ["exercise", /exercise|lift|movement|^name/i],
  ["rpe", /rpe|effort|rir/i],
  ["sets", /^sets?$|no\.? of sets|number of sets/i],
  ["reps", /reps?|time|duration/i],
  ["load", /load|weight|kg|lbs?|added/i],
  ["note", /note|comment|remark/i],
];
const usualOrder: SetColumn[] = ["date", "exercise", "sets", "reps", "load", "rpe", "note"];
/** For so many unknown names it is looked what they may be; a sheet with more is not one of sets. */
const likelyAtMost = 200;

/**
 * Reads a sheet of date, exercise, sets, reps and load, with or without a head; a line without a date or an exercise
 * takes the one above. Exercises are known by their names, or by words that fit only one. Nothing is guessed: a name
 * that fits several waits for the trainee.
 * @param unit the unit of loads that name none
 */
export function readSetsSheet(
  text: string,
  ask: SetsSheetAsk,
  exercises: readonly Exercise[],
  unit: MassUnit,
  today: Day,
): SetsSheet | { reason: string } {
  const long = tooLong(text);
  if (long !== null) return { reason: long };
  const lines = sheetLines(text);
  const width = widthOf(lines);
  const headed =
    lines.length > 0 &&
    lines[0]!.filter((cell) => headWords.some(([, word]) => word.test(cell))).length >= 2 &&
    !lines[0]!.some((cell) => /\d/.test(cell));
  const heads = Array.from({ length: width }, (_, index) =>
    headed ? lines[0]![index] || `column ${index + 1}` : `column ${index + 1}`,
  );
  const body = lines.slice(Number(headed));
  const columns = ask.columns ?? columnsOf(heads, headed, body, width);
  const at = (column: SetColumn) => columns.indexOf(column);
  if (at("exercise") < 0) return { reason: "No column of exercises was found." };
  if (at("reps") < 0) return { reason: "No column of repetitions was found." };
  const orders = at("date") < 0 ? [] : ordersOf(body.map((cells) => cells[at("date")] ?? ""));
  if (orders.length === 0) return { reason: "No column of dates was found." };
  const order = ask.order !== null && orders.includes(ask.order) ? ask.order : orders[0]!;
  const loadHead = headed && at("load") >= 0 ? heads[at("load")]! : "";
  const loadUnit: MassUnit = /\b(?:lbs?|pounds?)\b/i.test(loadHead)
    ? "lb"
    : /\b(?:kgs?|kilos?|kilograms?)\b/i.test(loadHead)
      ? "kg"
      : unit;
  const sheet: SetsSheet = { heads, columns, rows: [], refused: [], unmatched: [], order, orders };
  const unmatched = new Map<string, number>();
  const known = new Map<string, Exercise | null | undefined>();
  const byName = new Map<string, string | null>(Object.entries(ask.matches).map(([typed, id]) => [folded(typed), id]));
  let day: Day | null = null;
  let typed = "";
  body.forEach((cells, index) => {
    if (cells.every((cell) => cell === "")) return;
    const cell = (column: SetColumn) => (at(column) < 0 ? "" : (cells[at(column)] ?? ""));
    const refuse = (why: string) => {
      sheet.refused.push({ line: index + 1 + Number(headed), text: cells.filter(Boolean).join(" · "), why });
    };
    if (cell("date") !== "") day = sheetDay(cell("date"), order);
    typed = cell("exercise") || typed;
    if (day === null) return refuse(`"${cell("date")}" is no date.`);
    if (day > today) return refuse("A set cannot have been done in the future.");
    if (typed === "") return refuse("No exercise is named.");
    if (!known.has(typed)) known.set(typed, exerciseFor(typed, byName, exercises));
    const exercise = known.get(typed);
    if (exercise === undefined) return void unmatched.set(typed, (unmatched.get(typed) ?? 0) + 1);
    if (exercise === null) return;
    const performed = performedIn(cell("sets"), cell("reps"), cell("load"), cell("rpe"), exercise, loadUnit);
    if (typeof performed === "string") return refuse(performed);
    sheet.rows.push({ day, exerciseId: exercise.id, performed, note: cell("note") || null });
  });
  sheet.unmatched = [...unmatched].map(([name, count], index) => ({
    typed: name,
    lines: count,
    candidates: index < likelyAtMost ? likely(name, exercises) : [],
  }));
  return sheet;
}

function columnsOf(
  heads: readonly string[],
  headed: boolean,
  body: readonly (readonly string[])[],
  width: number,
): SetColumn[] {
  if (headed)
    return heads.map((head, index): SetColumn => {
      const column = headWords.find(([, word]) => word.test(head))?.[0] ?? "none";
      return heads.findIndex((other) => headWords.find(([, word]) => word.test(other))?.[0] === column) === index
        ? column
        : "none";
    });
  const dateAt =
    Array.from({ length: width }, (_, index) => index).find(
      (index) => ordersOf(body.map((cells) => cells[index] ?? "")).length > 0,
    ) ?? 0;
  const others = usualOrder.slice(1);
  let next = 0;
  return Array.from({ length: width }, (_, index): SetColumn =>
    index === dateAt ? "date" : (others[next++] ?? "none"),
  );
}

/**
 * The exercise of a name: settled by the trainee, else the one it fits. Null to leave out, undefined when it fits none
 * or several.
 */
function exerciseFor(
  typed: string,
  settled: ReadonlyMap<string, string | null>,
  exercises: readonly Exercise[],
): Exercise | null | undefined {
  const chosen = settled.get(folded(typed));
  if (chosen !== undefined) return chosen === null ? null : exercises.find(({ id }) => id === chosen);
  const same = exercises.filter(({ name }) => sameName(name, typed));
  const short =
    same.length > 0
      ? same
      : exercises.filter((exercise) => aliasesOf(exercise).some((alias) => sameName(alias, typed)));
  return short.length === 1 ? short[0] : undefined;
}

function likely(typed: string, exercises: readonly Exercise[]): { id: string; name: string }[] {
  const whole = candidatesFor(typed, exercises);
  const words = folded(typed)
    .split(/[\s,()-]+/)
    .filter((word) => word.length > 2);
  const score = ({ name }: Exercise) =>
    words.filter((word) => folded(name).includes(word.replace(/s$/, ""))).length /
    (1 + folded(name).split(/[\s-]+/).length);
  const some =
    whole.length > 0 ? whole : exercises.filter((exercise) => score(exercise) > 0).sort((a, b) => score(b) - score(a));
  return some.slice(0, 12).map(({ id, name }) => ({ id, name }));
}
