import { dateOf, type Day } from "../base/calendar/day";
import type { ParsedEntry, Written } from "../entry/parsedEntry";
import { tokensOf } from "../entry/tokens";
import { dayInFront } from "../entry/when";
import type { Change } from "../log/records";

/** One line of a text as it was read. */
export interface LineRead extends Written {
  line: string;
  /** Written: what Enter would write at once, with nothing left unread. Asked: a question stands before it. */
  as: "written" | "asked" | "refused";
  day: string;
  /** Whose log the line names in front; absent where it names nobody's. */
  person?: string;
  question: string;
  /** The parts of the line that are not understood. */
  unread: string[];
}

/**
 * What a reading of the quick-entry line comes to for a file of lines: written only what needs no second thought.
 * @param line the line as it stands in the file
 */
export function lineRead(line: string, found: ParsedEntry): LineRead {
  const { change, caution, problems, choices, written, date } = found;
  const doubt = problems.some(({ message }) => message.includes("?") || / missing/.test(message));
  const as =
    change !== null && caution === null
      ? "written"
      : change !== null || choices.length > 0 || doubt
        ? "asked"
        : "refused";
  const offered = choices.length > 0 ? ` (${choices.map(({ label }) => label).join("; ")})` : "";
  return {
    line,
    as,
    day: date,
    ...(found.person !== undefined && { person: found.person }),
    ...written,
    question:
      change !== null ? (caution ?? "") : `${[...new Set(problems.map(({ message }) => message))].join(" ")}${offered}`,
    unread: [...new Set(problems.map(({ start, end }) => line.slice(start, end)).filter((text) => text !== ""))],
  };
}

/**
 * The day of a line that holds nothing but a date in figures or with its month, as it heads the lines of a day in
 * notes; null when it is another line.
 */
export function headingDay(line: string, today: Day, order: "dmy" | "mdy" | null): Day | null {
  const tokens = tokensOf(line);
  if (!tokens.some(({ kind }) => kind === "number")) return null;
  const front = dayInFront(line, tokens, today, order);
  return front !== null &&
    front.problem === null &&
    front.to === tokens.length &&
    !tokens.some(({ text }) => text === "ago")
    ? front.day
    : null;
}

/**
 * Reads a text line by line. A line with a date alone is the day of those behind it, up to an empty line.
 * @param read reads one line on a day
 * @param write takes what a line writes, before the next is read
 */
export function* readLines(
  lines: readonly string[],
  today: Day,
  order: "dmy" | "mdy" | null,
  read: (line: string, day: Day) => ParsedEntry,
  write: (change: Change) => void,
): Generator<LineRead> {
  let day = today;
  for (const line of lines) {
    const heading = headingDay(line, today, order);
    if (line.trim() === "") day = today;
    else if (heading !== null) day = heading;
    const found = read(line, day);
    const result = lineRead(line, found);
    if (result.as === "written" && found.change !== null) write(found.change);
    yield heading === null ? result : { ...result, as: "written", day: dateOf(heading) };
  }
}
