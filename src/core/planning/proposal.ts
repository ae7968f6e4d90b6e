import { entryDayOf, lastYear } from "../base/calendar/day";
import type { Change } from "../log/records";

/** What becomes of a session in a plan that is shown before it is written. */
export type ProposedWhat = "new" | "changed" | "moved" | "removed" | "stays";

export interface ProposedSession {
  date: string;
  title: string;
  what: ProposedWhat;
  /** What it is to be, or why it stays, in words. */
  text: string;
}

/** Work in some days: lifts, their load, minutes and distance. */
export interface PlannedSum {
  numberOfLifts: number;
  volumeLoadKg: number;
  minutes: number;
  metres: number;
}

/** A change of the plan as it is seen before it is written: day by day what comes, and what is there and stays. */
export interface Proposal {
  /** What is written, in words, as it will stand behind "Saved". */
  label: string;
  sessions: ProposedSession[];
  /** What of a text was not understood, with its line. */
  notUnderstood: { line: number; text: string; why: string }[];
  /** What it comes to, a line each, beside what was. */
  sums: (PlannedSum & { label: string })[];
  change: Change;
}

/**
 * A proposal with its sessions in the order of their days. What would lie beyond the days that a log can hold is not
 * written, and says so: the rest of the plan stands.
 */
export function proposal(label: string, given: Partial<Proposal>): Proposal {
  const sessions = (given.sessions ?? [])
    .map((one): ProposedSession =>
      one.what === "stays" || entryDayOf(one.date) !== null
        ? one
        : { ...one, what: "stays", text: `nothing is planned after ${lastYear}` },
    )
    .toSorted((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  return {
    label,
    notUnderstood: given.notUnderstood ?? [],
    sums: given.sums ?? [],
    change: (given.change ?? []).filter(
      (step) =>
        !(
          "put" in step &&
          "date" in step.put &&
          typeof step.put.date === "string" &&
          entryDayOf(step.put.date) === null
        ),
    ),
    sessions,
  };
}
