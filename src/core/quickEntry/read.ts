import { dateOf, type Day } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { folded } from "../base/text";
import { isBodyLine, readBodyLine } from "../body/entry";
import { readDistance } from "../endurance/entry";
import { kindWords } from "../endurance/entryWords";
import { isMark, isNoteAt, isWhole, isWord, massUnitAt } from "../entry/amounts";
import { candidatesFor, namesIn } from "../entry/names";
import {
  type EntryContext,
  type Line,
  longestLine,
  nothingWritten,
  type ParsedEntry,
  placeOf,
  reading,
  rewritten,
  tooLongLine,
  type Written,
} from "../entry/parsedEntry";
import { type Token, tokensOf } from "../entry/tokens";
import { dayInFront, dayWithin } from "../entry/when";
import type { Exercise } from "../log/kinds/exercises";
import type { Session } from "../log/kinds/sessions";
import { type ChangeStep } from "../log/records";
import { mealAt, readFood, readUnknownFood } from "../nutrition/entry";
import { aliasesOf } from "../strength/usualNames";
import { completionsFor } from "./completions";
import { isLiftedRow, readNamed, readQuoted } from "./named";
import { readNote, readSkip } from "./notes";
import { readMove, readPlanned } from "./planned";
import { readSame } from "./same";
import { readUnknown } from "./unknown";

/** The exercises with all the names under which they are written. */
const withNames = perOwner((exercises: readonly Exercise[]): readonly Exercise[] =>
  exercises.map((exercise) => ({ ...exercise, aliases: [...aliasesOf(exercise)] })),
);

/**
 * Reads the quick-entry line: a weigh-in, measures, water, sets of exercises, a run or a row, foods, a note, or `skip`,
 * with a day if not the chosen one. Every part of the line is accounted for, or it is not read: what can be read two
 * ways comes back as choices with all of the line kept, what cannot be read is underlined with the reason.
 */
export function readEntry(text: string, context: EntryContext): ParsedEntry {
  const { day: chosen, today } = context;
  if (text.length > longestLine)
    return reading("unclear", dateOf(chosen), {
      problems: [{ start: longestLine, end: longestLine + 1, message: tooLongLine(text.length) }],
    });
  const tokens = withoutBullet(tokensOf(text));
  const known = { ...context, exercises: withNames(context.exercises) };
  const front = dayInFront(text, tokens, today, context.dateOrder);
  if (front !== null) {
    const place = placeOf(tokens, 0, front.to);
    if (front.problem !== null)
      return reading("unclear", dateOf(chosen), {
        problems: [{ ...place, message: front.problem }],
        choices: front.days.map((day) => ({
          label: dateOf(day),
          text: rewritten(text, [{ ...place, text: `${dateOf(day)}:` }]),
        })),
      });
  }
  // A day behind `as` is the one that is copied, not the one that is written on.
  const rest = front === null ? tokens : tokens.slice(front.to);
  const same = readSame({ text, tokens: rest, day: front?.day ?? chosen, context: known });
  if (same !== null) return dated(same, front?.day ?? chosen, today, front !== null);
  if (front !== null)
    return dated(readLine({ text, tokens: rest, day: front.day, context: known }), front.day, today, true);
  const within = isWord(tokens[0], "plan", "planned", "move") ? null : dayWithin(text, tokens, today);
  if (within === null || within.problem !== null)
    return dated(readLine({ text, tokens, day: chosen, context: known }), chosen, today, false);
  const without = [...tokens.slice(0, within.from), ...tokens.slice(within.to)];
  const moved = readLine({ text, tokens: without, day: within.day, context: known });
  const noted =
    [...moved.written.weighIns, ...moved.written.sessions].some(({ note }) => note !== "") ||
    moved.written.dayNote !== "" ||
    moved.kind === "skip";
  if (!noted) return dated(moved, within.day, today, true);
  const here = readLine({ text, tokens, day: chosen, context: known });
  if (within.day === chosen && here.change !== null) return dated(here, chosen, today, false);
  // A day's word among words of a note may be of the note.
  const place = placeOf(tokens, within.from, within.to);
  const word = text.slice(place.start, place.end);
  return reading(moved.kind, dateOf(chosen), {
    problems: [{ ...place, message: `Is "${word}" the day, or part of the note?` }],
    choices: [
      {
        label: `the day, ${dateOf(within.day)}`,
        text: `${dateOf(within.day)}: ${rewritten(text, [{ ...place, text: "" }])
          .replace(/\s+/g, " ")
          .trim()}`,
      },
      { label: "part of the note", text: rewritten(text, [{ ...place, text: `(${word})` }]) },
    ],
  });
}

/** Lists of notes begin their lines with a dash, a star or a number. */
function withoutBullet(tokens: readonly Token[]): readonly Token[] {
  const [first, second, third] = tokens;
  if (isMark(first, "-", "x", "•") && second !== undefined && !second.glued) return tokens.slice(1);
  return isWhole(first) &&
    first.value < 100 &&
    isMark(second, ".", ")") &&
    second!.glued &&
    third?.kind === "word" &&
    !third.glued &&
    !/^(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)/.test(third.text)
    ? tokens.slice(2)
    : tokens;
}

function dated(result: ParsedEntry, day: Day, today: Day, said: boolean): ParsedEntry {
  const field = day === today && (!said || result.kind !== "empty") ? [] : [{ label: "day", text: dateOf(day) }];
  return field.length === 0 || (result.kind === "empty" && !said)
    ? result
    : { ...result, fields: [...field, ...result.fields] };
}

/** A line without its day. Marks of semicolons part things of different sorts. */
export function readLine(line: Line): ParsedEntry {
  const [first, second] = line.tokens;
  if (isWord(first, "plan", "planned") && second !== undefined && !isMark(second, ":"))
    return readPlanned(line, readLine);
  if (isWord(first, "move") && second !== undefined) return readMove(line);
  const chunks = chunksOf(line);
  if (chunks.length < 2) {
    const result = readChunk(line);
    return {
      ...result,
      completions: result.change === null && result.choices.length === 0 ? completionsFor(line) : [],
    };
  }
  const sessions = new Map<string, Session>();
  const results: ParsedEntry[] = [];
  for (const tokens of chunks) {
    const context = {
      ...line.context,
      sessionsOn: (day: Day) => {
        const held = line.context.sessionsOn(day);
        const changed = held.map((session) => sessions.get(session.id) ?? session);
        return [...changed, ...[...sessions.values()].filter(({ id }) => !held.some((session) => session.id === id))];
      },
    };
    const result = readChunk({ ...line, tokens, context });
    for (const step of result.change ?? [])
      if ("kind" in step && step.kind === "sessions") sessions.set(step.put.id, step.put);
    results.push(result);
  }
  return together(results, line);
}

/** What several chunks come to: all of them are written, or none. */
function together(results: readonly ParsedEntry[], { day }: Line): ParsedEntry {
  const steps = new Map<string, ChangeStep>();
  for (const step of results.flatMap(({ change }) => change ?? [])) {
    if (!("kind" in step)) continue;
    const key = `${step.kind} ${step.put.id}`;
    const before = steps.get(key);
    steps.set(
      key,
      before && "base" in before
        ? ({ ...step, base: before.base } as ChangeStep)
        : before
          ? ({ kind: step.kind, put: step.put } as ChangeStep)
          : step,
    );
  }
  const written = results.reduce<Written>(
    (all, { written: one }) => ({
      weighIns: [...all.weighIns, ...one.weighIns],
      sessions: one.sessions.reduce(withSession, all.sessions),
      meals: [...all.meals, ...one.meals],
      readings: [...all.readings, ...one.readings],
      waterMl: one.waterMl === null ? all.waterMl : (all.waterMl ?? 0) + one.waterMl,
      dayNote: [all.dayNote, one.dayNote].filter(Boolean).join("; "),
    }),
    nothingWritten,
  );
  const cautions = results.flatMap(({ caution }) => caution ?? []);
  return reading("several", dateOf(day), {
    fields: results.flatMap(({ fields }) => fields),
    problems: results.flatMap(({ problems }) => problems),
    choices: results.find(({ choices }) => choices.length > 0)?.choices ?? [],
    caution: cautions.length > 0 ? cautions.join(" ") : null,
    change: results.every(({ change }) => change !== null) ? [...steps.values()] : null,
    written,
    label: results
      .map(({ label }) => label)
      .filter(Boolean)
      .join("; "),
  });
}

/** Exercises of one day are of one session. */
function withSession(sessions: Written["sessions"], session: Written["sessions"][number]): Written["sessions"] {
  const held = sessions.findIndex(({ kind }) => kind === session.kind && session.exercises.length > 0);
  return held < 0
    ? [...sessions, session]
    : sessions.map((one, index) =>
        index !== held
          ? one
          : {
              ...one,
              note: [one.note, session.note].filter(Boolean).join("; "),
              exercises: [...one.exercises, ...session.exercises],
            },
      );
}

/**
 * The line's parts between semicolons that speak of something of their own; a part that goes on with what stands before
 * it stays with it.
 */
function chunksOf(line: Line): Token[][] {
  const { tokens } = line;
  const note = tokens.findIndex((_, at) => isNoteAt(tokens, at));
  const chunks: Token[][] = [];
  let depth = 0;
  let part: Token[] = [];
  const parts: Token[][] = [];
  tokens.forEach((token, at) => {
    if (isMark(token, "(", "[")) depth += 1;
    if (isMark(token, ")", "]")) depth -= 1;
    if (isMark(token, ";", "|") && depth === 0 && (note < 0 || at < note)) {
      parts.push(part);
      part = [token];
    } else part.push(token);
  });
  parts.push(part);
  for (const one of parts) {
    const body = isMark(one[0], ";", "|") ? one.slice(1) : one;
    if (body.length === 0) continue;
    if (chunks.length === 0 || hasSubject({ ...line, tokens: body })) chunks.push(body);
    else chunks.at(-1)!.push(...one);
  }
  // What stands before the first name may be of it: `warm-up 60x5; deadlift 3x5 100`.
  if (
    chunks.length > 1 &&
    !hasSubject({ ...line, tokens: chunks[0]! }) &&
    namesIn(chunks[1]!, line.context.exercises).length > 0
  ) {
    const at = tokens.indexOf(chunks[1]![0]!);
    chunks.splice(0, 2, [...chunks[0]!, tokens[at - 1]!, ...chunks[1]!]);
  }
  return chunks;
}

function hasSubject(line: Line): boolean {
  const { tokens, context } = line;
  return (
    namesIn(tokens, context.exercises).length > 0 ||
    kindAt(tokens, context) !== null ||
    isWord(tokens[0], "skip", "note") ||
    isBodyLineAlone(line) ||
    readFood(line)?.change != null
  );
}

/** A number alone goes on with what stands before it. */
function isBodyLineAlone(line: Line): boolean {
  return (
    isBodyLine(line) &&
    (line.tokens[0]!.kind !== "number" ||
      (line.tokens[0]!.decimals > 0 && line.tokens.length === 1) ||
      massUnitAt(line.tokens, 1) !== null) &&
    readBodyLine(line)?.change != null
  );
}

function kindAt(tokens: readonly Token[], context: EntryContext): { at: number; kind: string; length: number } | null {
  const own = namesIn(tokens, context.kinds);
  for (let at = 0; at < tokens.length; at++) {
    if (isMark(tokens[at], "(", '"') || (isWord(tokens[at], "note") && isMark(tokens[at + 1], ":"))) break;
    const mine = own.find(({ from }) => from === at);
    if (mine) return { at, kind: mine.things[0]!.name, length: mine.to - mine.from };
    const word = tokens[at]!;
    if (word.kind !== "word" || kindWords[word.text] === undefined) continue;
    const kind = kindWords[word.text]!;
    const named = context.kinds.find(({ name }) => kindWords[folded(name)] === kind);
    return {
      at,
      kind: named?.name ?? kind,
      length: isWord(tokens[at + 1], "machine", "erg") && kind === "row" ? 2 : 1,
    };
  }
  return null;
}

function readChunk(line: Line): ParsedEntry {
  const { tokens, day, context, text } = line;
  const date = dateOf(day);
  const [first] = tokens;
  if (first === undefined) return reading("empty", date);
  if (isWord(first, "skip", "skipped")) return readSkip(line);
  if (isWord(first, "note", "notes") && tokens.length > 1) return readNote(line);
  if (isMark(first, '"', "“")) return readQuoted(line);
  // A meal of the trainee's own may be called after what it follows: `after rowing: banana 120 g`.
  if (mealAt(line, 0)?.own) return readFood(line)!;
  const names = namesIn(tokens, context.exercises);
  const kind = kindAt(tokens, context);
  // A name that holds the word of a kind (`barbell row`) is that exercise; one behind the sets of a run is not looked
  // for.
  const ofKind =
    kind !== null &&
    !names.some(({ from, to }) => from <= kind.at && kind.at < to) &&
    (names.length === 0 || names[0]!.from > kind.at);
  if (ofKind && !isLiftedRow(line, kind)) {
    if (names.length > 0)
      return reading("unclear", date, {
        problems: [
          {
            ...placeOf(tokens, names[0]!.from, names[0]!.to),
            message: `Is this ${kind.kind === "run" ? "a run" : kind.kind} or ${names[0]!.things[0]!.name.toLowerCase()}? Write a semicolon between two things.`,
          },
        ],
      });
    return readDistance(kind.kind, {
      ...line,
      tokens: [...tokens.slice(0, kind.at), ...tokens.slice(kind.at + kind.length)],
    });
  }
  if (names.length > 0 && isWord(first, "superset", "ss")) {
    const own = tokens.slice(isMark(tokens[1], ":") ? 2 : 1);
    return readNamed({ ...line, tokens: own }, namesIn(own, context.exercises), "A");
  }
  if (names.length > 0) return readNamed(line, names);
  const food = readFood(line);
  if (food?.change != null) return food;
  // `1/2 avocado` is no weight.
  const unknownFood = food === null ? readUnknownFood(line) : null;
  if (unknownFood !== null && isMark(tokens[1], "/")) return unknownFood;
  if (isBodyLine(line)) {
    const body = readBodyLine(line);
    if (body !== null) return body;
  }
  const lift = readUnknown(line, kind);
  if (lift !== null && food === null) return lift;
  if (food !== null && (lift === null || food.choices.length > 0 || food.problems.length < 2)) return food;
  if (lift !== null) return lift;
  if (tokens.some(({ kind: sort }) => sort === "clock") || /\d\s*(?:km|k|mi|m)\b/i.test(text.slice(first.start))) {
    return reading("unclear", date, {
      problems: [{ ...placeOf(tokens, 0, tokens.length), message: "What was it: a run, a row, a swim?" }],
      choices: ["run", "row", "bike", "swim"].map((one) => ({
        label: one,
        text: rewritten(text, [{ start: first.start, end: first.start, text: `${one} ` }]),
      })),
    });
  }
  if (unknownFood !== null) return unknownFood;
  const { printer } = context;
  if (
    first.kind === "number" &&
    first.value >= 30 &&
    first.value <= 600 &&
    tokens.length > 1 &&
    !isWord(tokens[1], "g", "ml", "l", "m", "km", "k") &&
    tokens.slice(1).every(({ kind: sort }) => sort === "word" || sort === "mark")
  ) {
    const number = text.slice(first.start, first.end);
    return reading("unclear", date, {
      problems: [{ start: first.start, end: first.end, message: `What is ${number}?` }],
      choices: [
        {
          label: `a weigh-in of ${number} ${printer.units.mass}`,
          text: rewritten(text, [{ start: first.end, end: first.end, text: ` ${printer.units.mass}` }]),
        },
      ],
    });
  }
  const message =
    candidatesFor(text.slice(first.start), context.exercises).length > 0
      ? "Go on typing, or choose one below."
      : "Nothing of yours begins like this. A weight (71.4), an exercise with sets, run or row, or foods with amounts can be written here.";
  return reading("unclear", date, { problems: [{ start: first.start, end: first.end, message }] });
}
