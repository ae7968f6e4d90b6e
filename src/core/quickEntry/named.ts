import { dateOf } from "../base/calendar/day";
import { isWord, massUnitAt } from "../entry/amounts";
import type { NameAt } from "../entry/names";
import { nearTo, slipOf } from "../entry/names";
import type { Line, ParsedEntry } from "../entry/parsedEntry";
import { placeOf, reading, rewritten } from "../entry/parsedEntry";
import type { Token } from "../entry/tokens";
import { dayWords } from "../entry/when";
import type { Exercise } from "../log/kinds/exercises";
import { readLifting } from "../strength/entry";

import { isMark, isWhole } from "../entry/amounts";
import { sameName } from "../entry/names";
import { tokensOf } from "../entry/tokens";
import type { Segment } from "../strength/entry";
import { newExercise } from "../strength/entry";

/** `row 3x10 50 kg` is lifted, not rowed. */
export function isLiftedRow({ tokens }: Line, { kind }: { kind: string }): boolean {
  return kind === "row" && tokens.some((_, at) => massUnitAt(tokens, at) !== null || isWord(tokens[at], "reps", "rir"));
}

/** Sets of exercises that are named in the line. */
export function readNamed(line: Line, names: readonly NameAt<Exercise>[], superset?: string): ParsedEntry {
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

export function askWhich(line: Line, from: number, to: number, things: readonly Exercise[], more: string): ParsedEntry {
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
export function readQuoted(line: Line): ParsedEntry {
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

export const idle = ["did", "do", "i", "my", "we", "some", "the"];
