import { dateOf, type Day, entryDayOf, outsideYears } from "../base/calendar/day";
import { parseMass } from "../base/units/mass";
import { parseDecimal, printNumber, printTyped } from "../base/units/number";
import type { Printer } from "../base/units/printer";
import { isFarReading, readReading } from "../body/usualMeasures";
import { isFarOff } from "../body/weighIns";
import { heaviest, lightest } from "../log/bounds";
import type { DayNote } from "../log/kinds/dayNotes";
import type { WeighIn } from "../log/kinds/weighIns";
import { type Change, put, type RecordOf } from "../log/records";
import { type LedgerColumn, type LedgerColumnId, measureOf } from "./columns";

/** What stands in the ledger and what may be written there. */
export interface LedgerContext {
  personId: string;
  today: Day;
  printer: Printer;
  weighInOn: (day: Day) => WeighIn | null;
  /** The last of the day's second weigh-ins; null without one. */
  secondOn: (day: Day) => WeighIn | null;
  noteOn: (day: Day) => DayNote | null;
  /** The day's reading of a measure, the last by id where there are several; null without one. */
  readingOn: (measureId: string, day: Day) => Reading | null;
  /** The latest reading of a measure before a day; null without one. */
  lastReading: (measureId: string, day: Day) => number | null;
  columns: ReadonlyMap<LedgerColumnId, LedgerColumn>;
  /** What the scale may be expected to show; null when nothing is known. */
  expectedKg: (day: Day) => number | null;
  newId: () => string;
}

type Reading = RecordOf<"readings">;

/** A text typed, pasted or filled into one cell. */
export interface CellEdit {
  date: string;
  column: LedgerColumnId;
  text: string;
}

/**
 * What edits come to: what would change, what is refused and why, what should be looked at twice, and the change that
 * writes it all.
 */
export interface LedgerChange {
  changes: { date: string; column: LedgerColumnId; before: string; after: string; caution: string | null }[];
  refused: { date: string; column: LedgerColumnId; text: string; why: string }[];
  change: Change;
}

const timeOfDay = /^(?:[01]?\d|2[0-3]):[0-5]\d$/;

/** One day as it will stand. Null: there is none. */
export interface Draft {
  weighIn: WeighIn | null;
  second: WeighIn | null;
  note: DayNote | null;
  readings: ReadonlyMap<string, Reading | null>;
}

/** The text of an entry cell as it stands. */
export function entryText(draft: Draft, column: LedgerColumnId, printer: Printer): string {
  if (column === "weight") return draft.weighIn === null ? "" : printer.massNumber(draft.weighIn.kg);
  if (column === "second") return draft.second === null ? "" : printer.massNumber(draft.second.kg);
  if (column === "time") return draft.weighIn?.time ?? "";
  if (column === "influence") return draft.weighIn?.note ?? "";
  const measureId = measureOf(column);
  if (measureId !== null) return readingText(draft.readings.get(measureId) ?? null);
  return draft.note?.text ?? "";
}

/** A reading as it was typed, without idle zeros. */
function readingText(reading: Reading | null): string {
  return reading === null ? "" : printTyped(reading.value, 3);
}

/** Turns edits of cells into one change. Edits of one day are taken together, a weight before what hangs on it. */
export function ledgerChange(context: LedgerContext, edits: readonly CellEdit[]): LedgerChange {
  const drafts = new Map<Day, Draft>();
  const result: LedgerChange = { changes: [], refused: [], change: [] };
  for (const edit of [...edits].sort((a, b) => Number(b.column === "weight") - Number(a.column === "weight"))) {
    const refuse = (why: string) => {
      result.refused.push({ ...edit, why });
    };
    const day = entryDayOf(edit.date);
    const known = context.columns.get(edit.column);
    if (day === null) refuse(`"${edit.date}" is no date that is taken; ${outsideYears}.`);
    else if (known === undefined) refuse("There is no such column.");
    else if (known.why !== null) refuse(known.why);
    else {
      let draft: Draft = drafts.get(day) ?? {
        weighIn: context.weighInOn(day),
        second: context.secondOn(day),
        note: context.noteOn(day),
        readings: new Map(),
      };
      const measureId = measureOf(edit.column);
      if (measureId !== null && !draft.readings.has(measureId))
        draft = { ...draft, readings: new Map([...draft.readings, [measureId, context.readingOn(measureId, day)]]) };
      const before = entryText(draft, edit.column, context.printer);
      const text = edit.text.trim();
      if (text === before || sameNumber(text, before, edit.column, context)) continue;
      const next = applied(context, day, draft, edit.column, text);
      if ("why" in next) {
        refuse(next.why);
        continue;
      }
      drafts.set(day, next.draft);
      result.changes.push({
        date: edit.date,
        column: edit.column,
        before,
        after: entryText(next.draft, edit.column, context.printer),
        caution: next.caution,
      });
    }
  }
  const order = [...context.columns.keys()];
  result.changes.sort((a, b) =>
    a.date < b.date ? -1 : a.date > b.date ? 1 : order.indexOf(a.column) - order.indexOf(b.column),
  );
  for (const [day, draft] of drafts) {
    const heldNote = context.noteOn(day);
    for (const [weighIn, held] of [
      [draft.weighIn, context.weighInOn(day)],
      [draft.second, context.secondOn(day)],
    ] as const) {
      if (weighIn === null && held !== null)
        result.change.push({ remove: { kind: "weighIns", id: held.id, date: held.date } });
      else if (weighIn !== null && weighIn !== held) result.change.push(put("weighIns", weighIn, held ?? undefined));
    }
    for (const [measureId, reading] of draft.readings) {
      const heldReading = context.readingOn(measureId, day);
      if (reading === null && heldReading !== null)
        result.change.push({ remove: { kind: "readings", id: heldReading.id, date: heldReading.date } });
      else if (reading !== null && reading !== heldReading)
        result.change.push(put("readings", reading, heldReading ?? undefined));
    }
    if (draft.note === heldNote || draft.note === null) continue;
    const says =
      draft.note.text !== undefined ||
      draft.note.activity != null ||
      draft.note.foodComplete != null ||
      draft.note.levelMayJump === true;
    if (!says && heldNote !== null)
      result.change.push({ remove: { kind: "dayNotes", id: heldNote.id, date: heldNote.date } });
    else result.change.push(put("dayNotes", draft.note, heldNote ?? undefined));
  }
  return result;
}

/**
 * Whether a text says what a cell of numbers shows already, with other decimal marks or its unit: `72,40 kg` for 72.4.
 */
function sameNumber(
  text: string,
  before: string,
  column: LedgerColumnId,
  { printer, columns }: LedgerContext,
): boolean {
  if (before === "" || text === "") return false;
  const unit = printer.units.mass;
  if (column === "weight" || column === "second") {
    const kg = parseMass(text, unit);
    return kg !== null && printer.massNumber(kg, 3) === printer.massNumber(parseMass(before, unit)!, 3);
  }
  if (measureOf(column) === null) return false;
  const read = readReading(text, measureIn(columns, column));
  return "value" in read && read.value === parseDecimal(before);
}

/** The measure of a column, as its head names it. */
function measureIn(columns: LedgerContext["columns"], column: LedgerColumnId): { name: string; unit: string } {
  const known = columns.get(column)!;
  return { name: known.title, unit: known.unit !== null && typeof known.unit === "object" ? known.unit.own : "" };
}

function applied(
  { personId, today, printer, expectedKg, newId, columns, lastReading }: LedgerContext,
  day: Day,
  draft: Draft,
  column: LedgerColumnId,
  text: string,
): { draft: Draft; caution: string | null } | { why: string } {
  const own = { personId, date: dateOf(day) };
  const measureId = measureOf(column);
  if (measureId !== null) {
    const measure = measureIn(columns, column);
    const withReading = (reading: Reading | null, caution: string | null = null) => ({
      draft: { ...draft, readings: new Map([...draft.readings, [measureId, reading]]) },
      caution,
    });
    if (text === "") return withReading(null);
    const read = readReading(text, measure);
    if ("why" in read) return read;
    const { value } = read;
    if (day > today) return { why: "A reading cannot be in the future." };
    const last = lastReading(measureId, day);
    return withReading(
      { ...(draft.readings.get(measureId) ?? { id: newId(), ...own, measureId }), value },
      isFarReading(measure, value, last) ? `${measure.name} was ${printNumber(last!, 1)} ${measure.unit} last.` : null,
    );
  }
  if (column === "note") {
    if (text === "") return { draft: { ...draft, note: draft.note && without(draft.note, "text") }, caution: null };
    return { draft: { ...draft, note: { ...(draft.note ?? { id: newId(), ...own }), text } }, caution: null };
  }
  if (column === "weight" || column === "second") {
    const place = column === "weight" ? "weighIn" : "second";
    if (text === "") return { draft: { ...draft, [place]: null }, caution: null };
    const kg = parseMass(text, printer.units.mass);
    if (kg === null) return { why: `"${text}" is no weight. Write one such as 71.4 or 71,4.` };
    if (kg < lightest || kg > heaviest)
      return {
        why: `${text} is no body weight: ${printer.mass(lightest, 0)} to ${printer.mass(heaviest, 0)} is taken.`,
      };
    if (day > today) return { why: "A weigh-in cannot be in the future." };
    const expected = expectedKg(day);
    return {
      draft: { ...draft, [place]: { ...(draft[place] ?? { id: newId(), ...own, primary: column === "weight" }), kg } },
      caution: isFarOff(kg, expected) ? `That is far from the ${printer.mass(expected)} expected.` : null,
    };
  }
  if (draft.weighIn === null)
    return {
      why: `${columns.get(column)!.title} belongs to a weigh-in, and there is none that day. Write the weight first.`,
    };
  if (column === "time") {
    if (text !== "" && !timeOfDay.test(text)) return { why: `"${text}" is no time of day. Write one such as 6:40.` };
    return {
      draft: {
        ...draft,
        weighIn: text === "" ? without(draft.weighIn, "time") : { ...draft.weighIn, time: text.padStart(5, "0") },
      },
      caution: null,
    };
  }
  return {
    draft: { ...draft, weighIn: text === "" ? without(draft.weighIn, "note") : { ...draft.weighIn, note: text } },
    caution: null,
  };
}

function without<T extends object, K extends keyof T>(record: T, key: K): T {
  const { [key]: _, ...rest } = record;
  return rest as T;
}
