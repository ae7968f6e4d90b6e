import { dateOf, type Day } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { isBodyLine, readBodyLine } from "../body/entry";
import { readDistance } from "../endurance/entry";
import { kindWords } from "../endurance/entryWords";
import { distanceAt, isMark, isNoteAt, isWhole, isWord, massUnitAt } from "../entry/amounts";
import { begins, candidatesFor, type NameAt, namesIn, nearTo, sameName, slipOf } from "../entry/names";
import {
  type EntryChoice,
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
import { folded } from "../base/text";
import { type Token, tokensOf } from "../entry/tokens";
import { dayInFront, dayWithin, dayWords } from "../entry/when";
import type { Exercise } from "../log/kinds/exercises";
import type { Session } from "../log/kinds/sessions";
import { type ChangeStep, put } from "../log/records";
import { mealAt, readFood } from "../nutrition/entry";
import { newExercise, readLifting, type Segment } from "../strength/entry";
import { aliasesOf } from "../strength/usualNames";

/** The exercises with all the names under which they are written. */
const withNames = perOwner((exercises: readonly Exercise[]): readonly Exercise[] =>
  exercises.map((exercise) => ({ ...exercise, aliases: [...aliasesOf(exercise)] })),
);

const idle = ["did", "do", "i", "my", "we", "some", "the"];

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
    return dated(
      readLine({ text, tokens: tokens.slice(front.to), day: front.day, context: known }),
      front.day,
      today,
      true,
    );
  }
  const within = dayWithin(text, tokens, today);
  if (within === null || within.problem !== null)
    return dated(readLine({ text, tokens, day: chosen, context: known }), chosen, today, false);
  const rest = [...tokens.slice(0, within.from), ...tokens.slice(within.to)];
  const moved = readLine({ text, tokens: rest, day: within.day, context: known });
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
function readLine(line: Line): ParsedEntry {
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

/** `row 3x10 50 kg` is lifted, not rowed. */
function isLiftedRow({ tokens }: Line, { kind }: { kind: string }): boolean {
  return kind === "row" && tokens.some((_, at) => massUnitAt(tokens, at) !== null || isWord(tokens[at], "reps", "rir"));
}

/** Sets of exercises that are named in the line. */
function readNamed(line: Line, names: readonly NameAt<Exercise>[], superset?: string): ParsedEntry {
  const { tokens, text, day, context } = line;
  const several = names.find(({ things }) => things.length > 1);
  if (several) return askWhich(line, several.from, several.to, several.things, "");
  const segments =
    segmentsOf(tokens, names)?.map((segment) => (superset === undefined ? segment : { ...segment, superset })) ?? null;
  if (segments === null)
    return reading("session", dateOf(day), {
      problems: [
        {
          ...placeOf(tokens, names[1]!.from, names[1]!.to),
          message: "Two exercises are written. Which sets are of which? Write each name before its sets.",
        },
      ],
    });
  const [name] = names;
  const lead = segments.length === 1 ? leadOf(tokens, name!) : null;
  if (lead !== null) {
    const place = placeOf(tokens, lead.from, name!.to);
    const [words, whole] = [
      text.slice(tokens[lead.from]!.start, tokens[lead.to - 1]!.end),
      text.slice(place.start, place.end),
    ];
    const day = lead.to - lead.from === 1 ? slipOf(tokens[lead.from]!.text, dayWords) : null;
    const exercise = name!.things[0]!;
    const near = nearTo(whole, context.exercises)
      .filter(({ id }) => id !== exercise.id)
      .slice(0, 3);
    const end = text.length;
    return reading("session", dateOf(line.day), {
      problems: [
        {
          ...placeOf(tokens, lead.from, lead.to),
          message:
            day === null
              ? `"${words}" is not understood before ${exercise.name.toLowerCase()}.`
              : `"${words}" is not understood. Is ${day} meant?`,
        },
      ],
      choices: [
        ...(day === null
          ? []
          : [{ label: day, text: rewritten(text, [{ ...placeOf(tokens, lead.from, lead.to), text: day }]) }]),
        ...near.map((one) => ({ label: one.name, text: rewritten(text, [{ ...place, text: one.name }]) })),
        {
          label: `${exercise.name}, with a note`,
          text: rewritten(text, [
            { ...place, text: exercise.name },
            { start: end, end, text: ` (${words})` },
          ]),
        },
        { label: `"${whole}", an exercise of its own`, text: rewritten(text, [{ ...place, text: `"${whole}"` }]) },
      ],
    });
  }
  const result = readLifting(line, segments);
  return segments.length === 1 ? (variantOf(line, segments[0]!, result) ?? result) : result;
}

/** Words before the first name that are neither sets, a letter of a superset, nor idle. Null when there are none. */
function leadOf(tokens: readonly Token[], name: NameAt<Exercise>): { from: number; to: number } | null {
  let from = 0;
  while (from < name.from && isWord(tokens[from], ...idle)) from += 1;
  const lettered = tokens[from]?.kind === "word" && /^[a-h]$/.test(tokens[from]!.text);
  if (
    from >= name.from ||
    lettered ||
    !tokens.slice(from, name.from).every(({ kind, text }) => kind === "word" || text === "-")
  )
    return null;
  return isWord(
    tokens[from],
    "warm",
    "warmup",
    "wu",
    "working",
    "work",
    "top",
    "rpe",
    "amrap",
    "drop",
    "single",
    "double",
    "triple",
    "max",
  )
    ? null
    : { from, to: name.from };
}

/** Words behind the sets that make another exercise of it (`bench press 3x5 80 kg paused`) are asked about. */
function variantOf(line: Line, { exercise, name }: Segment, result: ParsedEntry): ParsedEntry | null {
  const note = result.written.sessions[0]?.exercises[0]?.note ?? "";
  if (result.change === null || note === "") return null;
  const at = line.text.lastIndexOf(note);
  if (at < 0 || line.text[at - 1] === "(" || /note\s*:\s*$/i.test(line.text.slice(0, at))) return null;
  const words = tokensOf(note).filter(({ kind }) => kind === "word");
  const others = line.context.exercises.filter(({ id }) => id !== exercise.id);
  const own = wordSet(exercise.name);
  // Exercises with all words of this one's name and others that stand in the note, or nearly.
  const known = others.filter(({ name }) => {
    const more = [...wordSet(name)].filter((word) => !own.has(word));
    return (
      more.length > 0 &&
      [...own].every((word) => wordSet(name).has(word)) &&
      more.every((word) =>
        words.some(({ text }) => text === word || (text.length > 4 && slipOf(text, [word]) !== null)),
      )
    );
  });
  if (known.length === 0) return null;
  const place = { start: at, end: at + note.length };
  return {
    ...result,
    change: null,
    problems: [{ ...place, message: `Is this ${known[0]!.name.toLowerCase()}, or a note?` }],
    choices: [
      ...known.map((one) => ({
        label: one.name,
        text: rewritten(line.text, [
          { ...name, text: one.name },
          { ...place, text: "" },
        ]).trim(),
      })),
      { label: "a note", text: rewritten(line.text, [{ ...place, text: `(${note})` }]) },
    ],
  };
}

function wordSet(name: string): Set<string> {
  return new Set(tokensOf(name).flatMap(({ kind, text }) => (kind === "word" ? [text] : [])));
}

/** Each exercise with its tokens: names before their sets, or all of them behind. Null when it cannot be told. */
function segmentsOf(tokens: readonly Token[], names: readonly NameAt<Exercise>[]): Segment[] | null {
  const segment = ({ from, to, things }: NameAt<Exercise>, own: readonly Token[]): Segment => ({
    exercise: things[0]!,
    isNew: false,
    tokens: own,
    name: { start: tokens[from]!.start, end: tokens[to - 1]!.end },
  });
  const without = (from: number, to: number, name: NameAt<Exercise>) => [
    ...tokens.slice(from, name.from),
    ...tokens.slice(name.to, to),
  ];
  if (names.length === 1) return [segment(names[0]!, without(0, tokens.length, names[0]!))];
  const joint =
    names.length === 2
      ? tokens.findIndex(
          (token, at) => at >= names[0]!.to && at < names[1]!.from && isWord(token, "superset", "supersetted", "ss"),
        )
      : -1;
  if (joint >= 0) {
    const behind = isWord(tokens[joint + 1], "with", "w") ? joint + 2 : joint + 1;
    return [
      { ...segment(names[0]!, without(0, joint, names[0]!)), superset: "A" },
      { ...segment(names[1]!, without(behind, tokens.length, names[1]!)), superset: "A" },
    ];
  }
  const cuts = names.map(({ from }) => lettered(tokens, from));
  const numbersBefore = tokens.slice(0, cuts[0]).some(({ kind }) => kind === "number");
  if (!numbersBefore)
    return names.map((name, index) =>
      segment(name, without(index === 0 ? 0 : cuts[index]!, cuts[index + 1] ?? tokens.length, name)),
    );
  if (names.at(-1)!.to !== tokens.length) return null;
  return names.map((name, index) => segment(name, without(index === 0 ? 0 : names[index - 1]!.to, name.to, name)));
}

/** Where the segment of a name begins: before the letter of its superset. */
function lettered(tokens: readonly Token[], from: number): number {
  let at = from;
  if (isMark(tokens[at - 1], ".", ")", ":")) at -= 1;
  if (isWhole(tokens[at - 1]) && tokens[at - 1]!.glued && tokens[at - 1]!.value < 10) at -= 1;
  return at < from && tokens[at - 1]?.kind === "word" && /^[a-h]$/.test(tokens[at - 1]!.text) ? at - 1 : from;
}

function askWhich(line: Line, from: number, to: number, things: readonly Exercise[], more: string): ParsedEntry {
  const place = placeOf(line.tokens, from, to);
  const typed = line.text.slice(place.start, place.end);
  return reading("session", dateOf(line.day), {
    problems: [{ ...place, message: `"${typed}" is part of several exercises. Which one?${more}` }],
    choices: things
      .slice(0, 6)
      .map(({ name }) => ({ label: name, text: rewritten(line.text, [{ ...place, text: name }]) })),
  });
}

/** A name in quotes is taken as it stands; it is added when there is none like it. */
function readQuoted(line: Line): ParsedEntry {
  const { tokens, text, context, day } = line;
  const end = tokens.findIndex((token, at) => at > 0 && isMark(token, '"', "”"));
  if (end < 2)
    return reading("unclear", dateOf(day), {
      problems: [{ ...placeOf(tokens, 0, 1), message: "The name in quotes is not closed." }],
    });
  const name = text.slice(tokens[1]!.start, tokens[end - 1]!.end);
  const held = context.exercises.find((exercise) => sameName(exercise.name, name));
  return readLifting(line, [
    {
      exercise: held ?? newExercise(name, line),
      isNew: held === undefined,
      tokens: tokens.slice(end + 1),
      name: { start: tokens[1]!.start, end: tokens[end - 1]!.end },
    },
  ]);
}

/**
 * A line that names no exercise in full: one begun, one misspelt, or a new one. Null when it does not look like sets.
 */
function readUnknown(line: Line, kind: { at: number; kind: string } | null): ParsedEntry | null {
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

function readNote(line: Line): ParsedEntry {
  const { tokens, text, day, context } = line;
  const from = isMark(tokens[1], ":") ? 2 : 1;
  const date = dateOf(day);
  if (tokens.length <= from)
    return reading("note", date, { problems: [{ ...placeOf(tokens, 0, 1), message: "The note is missing." }] });
  const said = text.slice(tokens[from]!.start, tokens.at(-1)!.end);
  const held = context.noteOn(day);
  const record = {
    ...(held ?? { id: context.newId(), personId: context.personId, date }),
    text: held?.text ? `${held.text}\n${said}` : said,
  };
  return reading("note", date, {
    fields: [{ label: "note of the day", text: said }, ...(held?.text ? [{ label: "behind", text: held.text }] : [])],
    change: [put("dayNotes", record, held ?? undefined)],
    written: { ...nothingWritten, dayNote: said },
    label: `Note: ${said}`,
  });
}

function readSkip({ text, tokens, day, context }: Line): ParsedEntry {
  const date = dateOf(day);
  const [skip] = tokens;
  const rest = tokens.length > 1 ? text.slice(tokens[1]!.start, tokens.at(-1)!.end) : "";
  const place = { start: skip!.start, end: skip!.end };
  const open = context.sessionsOn(day).filter(({ status }) => status === "planned");
  const titleOf = (session: (typeof open)[number]) => session.title || session.kind;
  const named = open.filter((session) => rest !== "" && folded(rest).startsWith(folded(titleOf(session))));
  const chosen = named.length > 0 ? named : open;
  if (chosen.length === 0)
    return reading("skip", date, {
      problems: [{ ...place, message: "Nothing is planned and still open on that day." }],
    });
  if (chosen.length > 1)
    return reading("skip", date, {
      problems: [{ ...place, message: "Several sessions are planned. Which one?" }],
      choices: chosen.map((session): EntryChoice => ({
        label: titleOf(session),
        text: rewritten(text, [{ ...place, text: `${text.slice(place.start, place.end)} ${titleOf(session)}` }]),
      })),
    });
  const session = chosen[0]!;
  const reason = named.length > 0 ? rest.slice(titleOf(session).length).trim() : rest;
  return reading("skip", date, {
    fields: [{ label: "skip", text: titleOf(session) }, ...(reason ? [{ label: "reason", text: reason }] : [])],
    change: [put("sessions", { ...session, status: "skipped", ...(reason ? { reason } : {}) }, session)],
    label: `${titleOf(session)} skipped`,
    written: { ...nothingWritten, sessions: [] },
  });
}

/** Names of the trainee's own that the last words typed may become. */
function completionsFor({ text, tokens, context }: Line): EntryChoice[] {
  const body = tokens.length === 0 ? "" : text.slice(tokens[0]!.start).trimEnd();
  const prefix = tokens.length === 0 ? text : text.slice(0, tokens[0]!.start);
  const tail = lastWords(body);
  if (tail.length < 2) return [];
  const before = body.slice(0, body.length - tail.length);
  const whole = before === "";
  // Behind other words only what follows an amount, or a mark between two things, is the beginning of a name.
  if (!whole && !/(?:[,;:]\s*|\d\s*(?:g|ml|kg)?\s)$/.test(before.slice(-40))) return [];
  const things = [...(whole ? context.exercises : []), ...(whole ? [] : [...context.foods, ...context.recipes])];
  return candidatesFor(tail.trim(), things)
    .filter(({ name }) => folded(name) !== folded(tail.trim()))
    .slice(0, 6)
    .map(({ name }) => ({ label: name, text: `${prefix}${before}${name}${whole ? " " : ""}` }));
}

/**
 * The letters, spaces and hyphens at the end of a text, from the first letter on, without the unit of an amount that
 * stands before them.
 */
function lastWords(text: string): string {
  let from = text.length;
  while (from > 0 && /[\p{L}\s-]/u.test(text[from - 1]!)) from -= 1;
  const run = text.slice(from).replace(/^[\s-]+/, "");
  const unit = from > 0 && /\d/.test(text[from - 1]!) ? /^(?:g|ml|kg)\s+(?=\p{L})/iu.exec(run) : null;
  return unit === null ? run : run.slice(unit[0].length);
}
