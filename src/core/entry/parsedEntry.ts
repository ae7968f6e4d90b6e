import type { Day } from "../base/calendar/day";
import type { Printer } from "../base/units/printer";
import type { DayNote } from "../log/kinds/dayNotes";
import type { Exercise } from "../log/kinds/exercises";
import type { Food } from "../log/kinds/foods";
import type { Recipe } from "../log/kinds/recipes";
import type { Session } from "../log/kinds/sessions";
import type { WeighIn } from "../log/kinds/weighIns";
import type { Change, RecordOf } from "../log/records";
import type { Token } from "./tokens";

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
  /** Names of a day's meals in their order. */
  meals: readonly { id: string; name: string }[];
  recipes: readonly Recipe[];
  /** The relation of repetitions to load in force for an exercise. */
  factorFor: (exerciseId: string) => (repsToFailure: number) => number;
  sessionsOn: (day: Day) => readonly Session[];
  weighInOn: (day: Day) => WeighIn | null;
  /** What the scale may be expected to show, to question a slip of the finger. */
  expectedKg: (day: Day) => number | null;
  bodyWeightOn: (day: Day) => number | null;
  /**
   * The load that a share of the maximum in force comes to, in steps that can be loaded; null where there is no
   * maximum.
   */
  shareOf: (exercise: Exercise, share: number, day: Day) => number | null;
  noteOn: (day: Day) => DayNote | null;
  /** What the trainee's glass holds, millilitres; null where that is not said. */
  glassMl: number | null;
  /** What was eaten on a day, or at one of its meals, again on another: what that writes, and what it is. */
  mealsAgain: (from: Day, to: Day, meal: string | null) => { change: Change; eaten: Written["meals"]; kcal: number };
  measures: readonly RecordOf<"measures">[];
  /** The latest reading of a measure before a day; null when there is none. */
  lastReading: (measureId: string, day: Day) => number | null;
  /** How a date of figures alone is written where the trainee lives; null where that is not known, and it is asked. */
  dateOrder: "dmy" | "mdy" | null;
  bestOf: (exerciseId: string) => { e1rmKg: number; date: string } | null;
  newId: () => string;
}

/** A stretch of the text: its first character and the one behind its last. */
export interface Place {
  start: number;
  end: number;
}

/** A place in the text that cannot be read, and why. */
export interface EntryProblem extends Place {
  message: string;
  /** The name of a food that the log does not have, which may be made. */
  makes?: string;
}

/** One of several ways to read the text, or one way to complete it: the text that says it plainly. */
export interface EntryChoice {
  label: string;
  text: string;
}

/**
 * One set as it was written down: repetitions, seconds or metres, and the load added (below zero for assistance; null
 * for the body alone).
 */
export interface WrittenDown {
  reps: number | null;
  kg: number | null;
  rpe: number | null;
  seconds: number | null;
  metres: number | null;
  warmUp: boolean;
  failed: boolean;
  percent: number | null;
  parts?: readonly { reps: number; kg: number | null }[];
}

/** What a line says, in canonical units, apart from what was in the log before it. */
export interface Written {
  weighIns: { kg: number; time: string | null; primary: boolean; note: string }[];
  sessions: {
    kind: string;
    title: string;
    metres: number | null;
    seconds: number | null;
    purpose: string | null;
    effort: number | null;
    note: string;
    exercises: { name: string; exerciseId: string; note: string; sets: WrittenDown[] }[];
  }[];
  /** `kcal` is of what was written by its energy alone. */
  meals: { name: string; grams: number | null; portions: number | null; meal: string | null; kcal?: number }[];
  waterMl: number | null;
  readings: { name: string; measureId: string; value: number; unit: string }[];
  dayNote: string;
}

export const nothingWritten: Written = {
  weighIns: [],
  sessions: [],
  meals: [],
  waterMl: null,
  readings: [],
  dayNote: "",
};

/** What was understood of the line, field by field, and what it will write. */
export interface ParsedEntry {
  kind: "empty" | "weighIn" | "session" | "meals" | "skip" | "note" | "several" | "unclear";
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
  /** The same in words of the trade. */
  written: Written;
  /** What the notice will say was logged. */
  label: string;
  /** Whose log the line names in front; absent where it names nobody's. */
  person?: string;
}

export function reading(kind: ParsedEntry["kind"], date: string, given: Partial<ParsedEntry> = {}): ParsedEntry {
  return {
    kind,
    date,
    fields: [],
    problems: [],
    choices: [],
    completions: [],
    caution: null,
    change: null,
    written: nothingWritten,
    label: "",
    ...given,
  };
}

/** The line, or a part of it that is read on its own: its tokens, with their places in the whole line. */
export interface Line {
  /** The whole line, for what is offered in its place. */
  text: string;
  tokens: readonly Token[];
  day: Day;
  context: EntryContext;
}

/** The place of some tokens in the line. */
export function placeOf(tokens: readonly Token[], from: number, to: number): Place {
  const [first, last] = [
    tokens[Math.min(from, tokens.length - 1)],
    tokens[Math.min(Math.max(to, from + 1), tokens.length) - 1],
  ];
  return { start: first?.start ?? 0, end: last?.end ?? 1 };
}

/** The line with some places written otherwise. */
export function rewritten(text: string, places: readonly (Place & { text: string })[]): string {
  return [...places]
    .sort((a, b) => b.start - a.start)
    .reduce((line, place) => line.slice(0, place.start) + place.text + line.slice(place.end), text);
}
