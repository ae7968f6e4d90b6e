import { folded } from "../base/text";
import type { ParsedEntry } from "../entry/parsedEntry";
import { tokensOf } from "../entry/tokens";
import type { Person } from "../log/kinds/people";

/** A line that names somebody of the household in front (`partner: bench press 3x5 95 lb`): who, and the rest of it. */
export interface ForWhom {
  person: Person;
  /** How much of the line stands before the rest. */
  length: number;
}

/**
 * For whom a line is by what stands in front of it; null where nobody of the log is named there. A meal of that name is
 * a meal.
 */
export function forWhom(text: string, people: readonly Person[], meals: readonly string[]): ForWhom | null {
  const colon = text.indexOf(":");
  if (people.length < 2 || colon < 0) return null;
  const front = folded(text.slice(0, colon)).trim();
  if (meals.some((meal) => folded(meal) === front)) return null;
  const person = people.find(({ name }) => folded(name).trim() === front);
  return person === undefined ? null : { person, length: colon + 1 };
}

/** The reading of the rest of a line as one of the whole line, in the log of whom it names. */
export function readFor({ person: { name }, length }: ForWhom, text: string, rest: ParsedEntry): ParsedEntry {
  const front = text.slice(0, length);
  const whole = ({ label, text: said }: { label: string; text: string }) => ({
    label,
    text: `${front} ${said.trim()}`,
  });
  return {
    ...rest,
    fields: [{ label: "In the log of", text: name }, ...rest.fields],
    problems: rest.problems.map((one) => ({ ...one, start: one.start + length, end: one.end + length })),
    choices: rest.choices.map(whole),
    completions: rest.completions.map(whole),
    label: rest.label === "" ? "" : `${rest.label}, ${name}`,
    person: name,
  };
}

/** A reading that is doubted where the line names somebody else of the log: it would be written into one's own. */
export function doubtedFor(text: string, reading: ParsedEntry, own: Person, people: readonly Person[]): ParsedEntry {
  if (reading.change === null || people.length < 2) return reading;
  const words = ` ${tokensOf(text)
    .map((token) => folded(token.text))
    .join(" ")} `;
  const named = people.find(
    ({ id, name }) =>
      id !== own.id &&
      words.includes(
        ` ${tokensOf(name)
          .map((token) => folded(token.text))
          .join(" ")} `,
      ),
  );
  if (named === undefined) return reading;
  const doubt = `This is written into the log of ${own.name}. For that of ${named.name}, write “${named.name}:” in front.`;
  return { ...reading, caution: reading.caution === null ? doubt : `${reading.caution} ${doubt}` };
}
