import { dateOf, type Day } from "../base/calendar/day";
import { printDay } from "../base/calendar/print";
import { isMark, isWord } from "../entry/amounts";
import { type Line, nothingWritten, type ParsedEntry, placeOf, reading } from "../entry/parsedEntry";
import { typedDate } from "../entry/typed";
import { mealAt } from "../nutrition/entry";

/**
 * What was eaten on another day, again: `same as yesterday`, `lunch: the same as last Monday`, `dinner as 12 Nov`, `as the day
 * before`. Null where a line says no such thing.
 */
export function readSame(line: Line): ParsedEntry | null {
  const { tokens, text, day, context } = line;
  const named = mealAt(line, 0);
  let at = named?.to ?? 0;
  if (isWord(tokens[at], "the")) at += 1;
  if (isWord(tokens[at], "same")) at += 1;
  if (!isWord(tokens[at], "as", "like") || tokens[at + 1] === undefined) return null;
  const date = dateOf(day);
  const problem = (message: string) =>
    reading("meals", date, { problems: [{ ...placeOf(tokens, at + 1, tokens.length), message }] });
  const from = dayMeant(text.slice(tokens[at + 1]!.start, endOf(tokens, text)), line);
  if (typeof from !== "number") return problem(from.problem);
  if (from === day) return problem("That is the day itself.");
  const meal = named?.meal ?? null;
  const { change, eaten, kcal } = context.mealsAgain(from, day, meal);
  const of = `${meal ?? "what was eaten"} of ${printDay(from)}`;
  if (change.length === 0) return problem(`Nothing is written as ${of}.`);
  return reading("meals", date, {
    fields: [
      { label: "as", text: of },
      ...eaten.map(({ name }) => ({ label: day > context.today ? "planned" : "eaten", text: name })),
      { label: "in all", text: context.printer.energy(kcal) },
    ],
    change,
    label: `As ${of}, ${context.printer.energy(kcal)}`,
    written: { ...nothingWritten, meals: eaten },
  });
}

/** Where the line ends, without a full stop. */
function endOf(tokens: Line["tokens"], text: string): number {
  const last = tokens.at(-1)!;
  return isMark(last, ".", "!") ? text.slice(0, last.start).trimEnd().length : last.end;
}

function dayMeant(said: string, { day, context }: Line): Day | { problem: string } {
  if (/^(?:the )?day before$/i.test(said)) return day - 1;
  return typedDate(said.replace(/^on /i, ""), context.today, context.dateOrder, "back");
}
