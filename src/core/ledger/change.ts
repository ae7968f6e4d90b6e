import { dateOf, dayOf, type Day } from "../calendar/day";
import { put, type Change, type DayNote, type WeighIn } from "../log/records";
import { parseMass } from "../units/mass";
import type { Printer } from "../units/printer";
import { ledgerColumn, ledgerColumns, whyDerived, type LedgerColumnId } from "./columns";

/** What stands in the ledger and what may be written there. */
export interface LedgerContext {
  personId: string;
  today: Day;
  printer: Printer;
  weighInOn: (day: Day) => WeighIn | null;
  noteOn: (day: Day) => DayNote | null;
  /** What the scale may be expected to show; null when nothing is known. */
  expectedKg: (day: Day) => number | null;
  newId: () => string;
}

/** A text typed, pasted or filled into one cell. */
export interface CellEdit { date: string; column: LedgerColumnId; text: string }

/** What edits come to: what would change, what is refused and why, what should be looked at twice, and the change that writes it all. */
export interface LedgerChange {
  changes: { date: string; column: LedgerColumnId; before: string; after: string; caution: string | null }[];
  refused: { date: string; column: LedgerColumnId; text: string; why: string }[];
  change: Change;
}

/** Body weights that are taken at all, kilograms. */
const [lightest, heaviest] = [25, 350];
/** A weight further than this share from what was expected is questioned. */
const questionedBeyond = 0.08;
const timeOfDay = /^(?:[01]?\d|2[0-3]):[0-5]\d$/;

/** One day as it will stand. Null: there is none. */
interface Draft { weighIn: WeighIn | null; note: DayNote | null }

/** The text of an entry cell as it stands. */
export function entryText(draft: Draft, column: LedgerColumnId, printer: Printer): string {
  if (column === "weight") return draft.weighIn === null ? "" : printer.massNumber(draft.weighIn.kg);
  if (column === "time") return draft.weighIn?.time ?? "";
  if (column === "influence") return draft.weighIn?.note ?? "";
  return draft.note?.text ?? "";
}

/** Turns edits of cells into one change. Edits of one day are taken together, a weight before what hangs on it. */
export function ledgerChange(context: LedgerContext, edits: readonly CellEdit[]): LedgerChange {
  const drafts = new Map<Day, Draft>();
  const result: LedgerChange = { changes: [], refused: [], change: [] };
  for (const edit of [...edits].sort((a, b) => Number(b.column === "weight") - Number(a.column === "weight"))) {
    const refuse = (why: string) => { result.refused.push({ ...edit, why }); };
    const day = dayOf(edit.date);
    const derived = whyDerived(edit.column);
    if (day === null) refuse(`"${edit.date}" is no date.`);
    else if (derived !== null) refuse(derived);
    else {
      const draft = drafts.get(day) ?? { weighIn: context.weighInOn(day), note: context.noteOn(day) };
      const before = entryText(draft, edit.column, context.printer);
      const text = edit.text.trim();
      if (text === before) continue;
      const next = applied(context, day, draft, edit.column, text);
      if ("why" in next) { refuse(next.why); continue; }
      drafts.set(day, next.draft);
      result.changes.push({ date: edit.date, column: edit.column, before, after: entryText(next.draft, edit.column, context.printer), caution: next.caution });
    }
  }
  const order = ledgerColumns.map(({ id }) => id as string);
  result.changes.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : order.indexOf(a.column) - order.indexOf(b.column)));
  for (const [day, draft] of drafts) {
    const [heldWeighIn, heldNote] = [context.weighInOn(day), context.noteOn(day)];
    if (draft.weighIn === null && heldWeighIn !== null) result.change.push({ remove: { kind: "weighIns", id: heldWeighIn.id, date: heldWeighIn.date } });
    else if (draft.weighIn !== null && draft.weighIn !== heldWeighIn) result.change.push(put("weighIns", draft.weighIn, heldWeighIn ?? undefined));
    if (draft.note === heldNote || draft.note === null) continue;
    const says = draft.note.text !== undefined || draft.note.activity != null || draft.note.foodComplete != null;
    if (!says && heldNote !== null) result.change.push({ remove: { kind: "dayNotes", id: heldNote.id, date: heldNote.date } });
    else result.change.push(put("dayNotes", draft.note, heldNote ?? undefined));
  }
  return result;
}

function applied({ personId, today, printer, expectedKg, newId }: LedgerContext, day: Day, draft: Draft, column: LedgerColumnId, text: string): { draft: Draft; caution: string | null } | { why: string } {
  const own = { personId, date: dateOf(day) };
  if (column === "note") {
    if (text === "") return { draft: { ...draft, note: draft.note && without(draft.note, "text") }, caution: null };
    return { draft: { ...draft, note: { ...(draft.note ?? { id: newId(), ...own }), text } }, caution: null };
  }
  if (column === "weight") {
    if (text === "") return { draft: { ...draft, weighIn: null }, caution: null };
    const kg = parseMass(text, printer.units.mass);
    if (kg === null) return { why: `"${text}" is no weight. Write one such as 71.4 or 71,4.` };
    if (kg < lightest || kg > heaviest) return { why: `${text} is no body weight: ${printer.mass(lightest, 0)} to ${printer.mass(heaviest, 0)} is taken.` };
    if (day > today) return { why: "A weigh-in cannot be in the future." };
    const expected = expectedKg(day);
    const far = expected !== null && Math.abs(kg / expected - 1) > questionedBeyond;
    return { draft: { ...draft, weighIn: { ...(draft.weighIn ?? { id: newId(), ...own, primary: true }), kg } }, caution: far ? `That is far from the ${printer.mass(expected)} expected.` : null };
  }
  if (draft.weighIn === null) return { why: `${ledgerColumn.get(column)!.title} belongs to a weigh-in, and there is none that day. Write the weight first.` };
  if (column === "time") {
    if (text !== "" && !timeOfDay.test(text)) return { why: `"${text}" is no time of day. Write one such as 6:40.` };
    return { draft: { ...draft, weighIn: text === "" ? without(draft.weighIn, "time") : { ...draft.weighIn, time: text.padStart(5, "0") } }, caution: null };
  }
  return { draft: { ...draft, weighIn: text === "" ? without(draft.weighIn, "note") : { ...draft.weighIn, note: text } }, caution: null };
}

function without<T extends object, K extends keyof T>(record: T, key: K): T {
  const { [key]: _, ...rest } = record;
  return rest as T;
}
