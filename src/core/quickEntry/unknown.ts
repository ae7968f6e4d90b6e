import { dateOf } from "../base/calendar/day";
import { kindWords } from "../endurance/entryWords";
import { distanceAt, isMark, isWord, massUnitAt } from "../entry/amounts";
import { begins, candidatesFor, nearTo, slipOf } from "../entry/names";
import type { Line, ParsedEntry } from "../entry/parsedEntry";
import { placeOf, reading, rewritten } from "../entry/parsedEntry";
import type { Token } from "../entry/tokens";
import { dayWords } from "../entry/when";
import type { Exercise } from "../log/kinds/exercises";
import type { Segment } from "../strength/entry";
import { newExercise, readLifting } from "../strength/entry";
import { askWhich, idle } from "./named";

/**
 * A line that names no exercise in full: one begun, one misspelt, or a new one. Null when it does not look like sets.
 */
export function readUnknown(line: Line, kind: { at: number; kind: string } | null): ParsedEntry | null {
  const { tokens, text, context, day } = line;
  if (!tokens.some((token) => token.kind === "number" || token.kind === "clock")) return null;
  const run = nameRun(tokens);
  if (run === null) {
    if (
      !tokens.some((token) => isMark(token, "x")) ||
      tokens.some(({ kind: sort }) => sort === "clock") ||
      tokens.some((_, at) => distanceAt(tokens, at) !== null)
    )
      return null;
    return reading("session", dateOf(day), {
      problems: [{ ...placeOf(tokens, 0, tokens.length), message: "Which exercise? Write its name before the sets." }],
    });
  }
  const place = placeOf(tokens, run.from, run.to);
  const typed = text.slice(place.start, place.end);
  const segment = (exercise: Exercise, isNew: boolean): Segment => ({
    exercise,
    isNew,
    tokens: [...tokens.slice(0, run.from), ...tokens.slice(run.to)],
    name: place,
  });
  const candidates = candidatesFor(typed, context.exercises);
  const [only] = candidates;
  if (candidates.length === 1 && begins(typed, only!) && typed.length > 3)
    return readLifting(line, [segment(only!, false)]);
  const setsLike = tokens.some(
    (token, at) =>
      isMark(token, "x", "@") || massUnitAt(tokens, at) !== null || isWord(token, "reps", "rep", "sets", "rpe"),
  );
  if (candidates.length > 0 && (setsLike || candidates.length > 1))
    return askWhich(line, run.from, run.to, candidates, "");
  const word = tokens[run.from]!;
  const slip = slipOf(word.text, [
    ...dayWords,
    ...Object.keys(kindWords),
    "skip",
    "breakfast",
    "lunch",
    "dinner",
    "weight",
    "water",
  ]);
  const near = nearTo(typed, context.exercises);
  const overDistance = tokens.some((token, at) => token.kind === "clock" || distanceAt(tokens, at) !== null);
  if (slip !== null && (near.length === 0 || (overDistance && slip in kindWords)) && word.text.length > 3) {
    return reading("unclear", dateOf(day), {
      problems: [
        {
          start: word.start,
          end: word.end,
          message: `"${text.slice(word.start, word.end)}" is not understood. Is ${slip} meant?`,
        },
      ],
      choices: [{ label: slip, text: rewritten(text, [{ start: word.start, end: word.end, text: slip }]) }],
    });
  }
  if (near.length > 0) {
    return reading("session", dateOf(day), {
      problems: [{ ...place, message: `There is no exercise "${typed}". Did you mean one of these?` }],
      choices: [
        ...near.slice(0, 5).map(({ name }) => ({ label: name, text: rewritten(text, [{ ...place, text: name }]) })),
        ...(setsLike
          ? [{ label: `"${typed}", an exercise of its own`, text: rewritten(text, [{ ...place, text: `"${typed}"` }]) }]
          : []),
      ],
    });
  }
  if (kind !== null || run.from > 0 || typed.length < 3 || !setsLike) return null;
  const read = readLifting(line, [segment(newExercise(typed, line), true)]);
  return read.change === null ? null : read;
}

/** Words of the grammar, which end a name. */
const notNames = new Set([
  "x",
  "kg",
  "kgs",
  "lb",
  "lbs",
  "reps",
  "rep",
  "sets",
  "set",
  "rpe",
  "rir",
  "at",
  "for",
  "of",
  "with",
  "bw",
  "bodyweight",
  "warmup",
  "wu",
  "warm",
  "rest",
  "amrap",
  "each",
  "per",
  "note",
  "s",
  "sec",
  "min",
  "g",
  "ml",
  "km",
  "m",
  "k",
  "and",
  "then",
  "kilo",
  "kilos",
  "pounds",
  "up",
  "in",
  "on",
  "to",
  "from",
  "by",
  "the",
  "a",
  "an",
  "as",
  "work",
  "working",
  "drop",
  "dropset",
  "top",
  "single",
  "double",
  "triple",
  "failed",
  "f",
  "secs",
  "seconds",
  "mins",
  "minutes",
]);

/** The words that may be a name: those in front, else those at the end. */
function nameRun(tokens: readonly Token[]): { from: number; to: number } | null {
  const isName = (token: Token | undefined) => token?.kind === "word" && !notNames.has(token.text);
  let from = 0;
  while (isWord(tokens[from], ...idle)) from += 1;
  if (isWord(tokens[from], "warm") && isMark(tokens[from + 1], "-")) from += 3;
  const start = isName(tokens[from]) ? from : tokens.findIndex((token, at) => isName(token) && at > 0);
  if (start < 0) return null;
  let to = start;
  while (
    to < tokens.length &&
    (isName(tokens[to]) || (isMark(tokens[to], "-", "'", "/", "&") && isName(tokens[to + 1]) && to > start))
  )
    to += 1;
  return { from: start, to };
}
