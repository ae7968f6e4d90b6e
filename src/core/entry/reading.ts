import type { Change, Exercise, Food, Recipe, RecordOf, Session, WeighIn } from "../log/records";
import type { Day } from "../calendar/day";
import type { Factor } from "../strength/e1rm";
import type { Printer } from "../units/printer";

/** A line longer than this is not read. */
export const longestLine = 2000;

/** What is said of one that is. */
export function tooLongLine(length: number): string {
  return `A line has ${longestLine} characters at most; this one has ${length}. Nothing was written.`;
}

/** What the line is read against: the day chosen, the trainee's units, and the trainee's own words. */
export interface EntryContext {
  personId: string;
  /** The day an entry without a date belongs to. */
  day: Day;
  today: Day;
  printer: Printer;
  exercises: readonly Exercise[];
  kinds: readonly RecordOf<"kinds">[];
  foods: readonly Food[];
  recipes: readonly Recipe[];
  /** The relation of repetitions to load in force for an exercise. */
  factorFor: (exerciseId: string) => Factor;
  sessionsOn: (day: Day) => readonly Session[];
  weighInOn: (day: Day) => WeighIn | null;
  /** What the scale may be expected to show, to question a slip of the finger. */
  expectedKg: (day: Day) => number | null;
  bodyWeightOn: (day: Day) => number | null;
  bestOf: (exerciseId: string) => { e1rmKg: number; date: string } | null;
  newId: () => string;
}

/** A place in the text that cannot be read, and why. */
export interface EntryProblem { start: number; end: number; message: string }

/** One of several ways to read the text, or one way to complete it: the text that says it plainly. */
export interface EntryChoice { label: string; text: string }

/** What was understood of the line, field by field, and what it will write. */
export interface Reading {
  kind: "empty" | "weighIn" | "session" | "meals" | "skip" | "unclear";
  date: string;
  fields: { label: string; text: string }[];
  problems: EntryProblem[];
  /** Offered when the text can be read in more than one way; nothing is written until one is chosen. */
  choices: EntryChoice[];
  completions: EntryChoice[];
  /** A doubt that does not forbid writing: Enter must be pressed twice. */
  caution: string | null;
  /** What Enter writes; null while something is missing. */
  change: Change | null;
  /** What the notice will say was logged. */
  label: string;
}

export function reading(kind: Reading["kind"], date: string, given: Partial<Reading> = {}): Reading {
  return { kind, date, fields: [], problems: [], choices: [], completions: [], caution: null, change: null, label: "", ...given };
}

/** A part of the line with its place in it. */
export interface Part { text: string; start: number }

/** The part without spaces at its ends, its place kept right. */
export function trimmed({ text, start }: Part): Part {
  const lead = text.length - text.trimStart().length;
  return { text: text.trim(), start: start + lead };
}

/** What follows the first `length` characters of a part. */
export function after({ text, start }: Part, length: number): Part {
  return trimmed({ text: text.slice(length), start: start + length });
}

export function problemAt({ text, start }: Part, message: string): EntryProblem {
  return { start, end: start + Math.max(1, text.length), message };
}

/** Splits at commas and semicolons; a comma between two digits is a decimal comma. */
export function splitList({ text, start }: Part): Part[] {
  const parts: Part[] = [];
  let from = 0;
  for (const match of text.matchAll(/;|,(?!\d)|(?<!\d),/g)) {
    parts.push(trimmed({ text: text.slice(from, match.index), start: start + from }));
    from = match.index + 1;
  }
  parts.push(trimmed({ text: text.slice(from), start: start + from }));
  return parts.filter((part) => part.text !== "");
}

/** Lower case without accents, for comparing names. */
export function folded(text: string): string {
  return text.toLowerCase().normalize("NFD").replace(/\p{M}/gu, "");
}
