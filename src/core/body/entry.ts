import { dateOf } from "../base/calendar/day";
import { printNumber, printPlain } from "../base/units/number";
import { isMark, isWord, massUnitAt } from "../entry/amounts";
import {
  type EntryChoice,
  type Line,
  nothingWritten,
  type ParsedEntry,
  placeOf,
  reading,
  rewritten,
} from "../entry/parsedEntry";
import type { WeighIn } from "../log/kinds/weighIns";
import { type Change, put } from "../log/records";
import { Facts, firstWords, isSecond, millilitres, type Scale, secondWords, vessels, weighWords } from "./facts";
import { isFarReading } from "./usualMeasures";
import { isFarOff } from "./weighIns";

/** Whether a line may speak of weight, measures or water; what stands first in it tells. */
export function isBodyLine(line: Line): boolean {
  const [first, second] = line.tokens;
  if (first === undefined) return false;
  if (isWord(first, ...weighWords, "water") || (isWord(first, "body") && isWord(second, "weight"))) return true;
  if (
    isWord(first, ...firstWords, ...secondWords) &&
    (second?.kind === "number" || second?.kind === "clock" || isMark(second, ":") || isWord(second, ...weighWords))
  )
    return true;
  const facts = new Facts(line);
  if (facts.first !== undefined) return true;
  if (
    line.tokens.some(
      (token, at) =>
        isWord(token, "water") &&
        at > 0 &&
        line.tokens[at - 1]!.kind === "word" &&
        millilitres[line.tokens[at - 1]!.text] !== undefined,
    )
  )
    return true;
  if (isWord(first, "after", "before", "post") && line.tokens.slice(0, 4).some(({ kind }) => kind === "number"))
    return true;
  if (first.kind === "clock") return second?.kind === "number";
  if (isSecond(first, second)) return true;
  if (
    first.kind === "number" &&
    isWord(second, ...vessels) &&
    line.tokens.slice(2, 4).some((token) => isWord(token, "water"))
  )
    return true;
  if (first.kind !== "number" || (first.text === "0.5" && first.end - first.start === 1)) return false;
  // A cross, or words of sets and foods, make it something else.
  if (
    line.tokens.some(
      (token, at) =>
        isMark(token, "x") ||
        (isMark(token, "@") && line.tokens[at + 1]?.kind !== "clock") ||
        isWord(token, "rpe", "rir", "reps", "sets", "g"),
    )
  )
    return false;
  return (
    first.decimals > 0 ||
    massUnitAt(line.tokens, 1) !== null ||
    isWord(second, "st", "stone") ||
    second === undefined ||
    second.kind !== "word" ||
    isWord(second, ...firstWords, ...secondWords) ||
    (facts.named.length > 0 && facts.named[0]!.from <= 2)
  );
}

/** What one fact of a line puts into the log, and how it is shown. */
interface Part {
  change: Change;
  fields: ParsedEntry["fields"];
  caution: string | null;
}

/** What has to be known before anything of a line is written. */
interface Question {
  ask: string;
  choices: EntryChoice[];
}

/** Reads such a line; null when its first number, with the words behind it, may as well be something else. */
export function readBodyLine(line: Line): ParsedEntry | null {
  const date = dateOf(line.day);
  const facts = new Facts(line).read();
  facts.finish();
  if (facts.doubtful) return null;
  const { problems, choices, weighIns, readings, water } = facts;
  if (problems.length > 0) return reading("weighIn", date, { problems, choices });
  const parts: (Part | Question)[] = [
    ...askedOfAll(line, facts),
    ...weighIns.map((scale) => weighInPart(scale, line)),
    ...readings.map((one) => readingPart(one, line)),
    ...(water === null ? [] : [waterPart(water, line)]),
  ];
  const question = parts.find((part) => "ask" in part);
  if (question !== undefined)
    return reading("weighIn", date, {
      problems: [{ ...placeOf(line.tokens, 0, line.tokens.length), message: question.ask }],
      choices: question.choices,
    });
  const told = parts.flatMap((part) => ("ask" in part ? [] : [part]));
  const fields = told.flatMap((part) => part.fields);
  const cautions = told.flatMap(({ caution }) => caution ?? []);
  return reading(weighIns.length > 0 || readings.length > 0 ? "weighIn" : "note", date, {
    fields,
    change: told.flatMap(({ change }) => change),
    caution: cautions.length > 0 ? cautions.join(" ") : null,
    written: {
      ...nothingWritten,
      weighIns: weighIns.map(({ kg, time, primary, note }) => ({
        kg,
        time,
        primary: primary !== false,
        note: note.join(" "),
      })),
      readings: readings.map(({ measure, value }) => ({
        name: measure.name,
        measureId: measure.known?.id ?? "",
        value,
        unit: measure.unit,
      })),
      waterMl: water,
    },
    label: fields
      .filter(({ label }) => label !== "time" && label !== "note" && label !== "replaces")
      .map(({ label, text: value }) => `${label.charAt(0).toUpperCase()}${label.slice(1)} ${value}`)
      .join(", "),
  });
}

/** What is asked of the line as a whole: of a day that has not come yet, and of two first weigh-ins. */
function askedOfAll(line: Line, { weighIns, readings }: Facts): Question[] {
  if (line.day > line.context.today) {
    const ask =
      weighIns.length > 0
        ? "A weigh-in cannot be in the future."
        : readings.length > 0
          ? "A reading cannot be in the future."
          : "Water cannot have been drunk in the future.";
    return [{ ask, choices: [] }];
  }
  const [, other] = weighIns.filter(({ primary }) => primary !== false);
  if (other === undefined) return [];
  const { start, end } = placeOf(line.tokens, other.from, other.to);
  return [
    {
      ask: "Which of these is the first weigh-in of the day? Write evening or second before the other.",
      choices: [{ label: `second: ${line.text.slice(start, end)}`, text: withWordBefore("second", other, line) }],
    },
  ];
}

function withWordBefore(word: string, { from }: Scale, { text, tokens }: Line): string {
  const { start } = tokens[from]!;
  return rewritten(text, [{ start, end: start, text: `${word} ` }]);
}

function weighInPart(scale: Scale, line: Line): Part | Question {
  const { day, context } = line;
  const { printer } = context;
  const { kg, time, primary } = scale;
  const held = primary === false ? null : context.weighInOn(day);
  const isLate = time !== null && primary === null && time >= "15:00";
  if (isLate || (held?.time != null && time !== null && primary === null && held.time !== time))
    return {
      ask: held
        ? `${printer.mass(held.kg)} is written already${held.time ? ` at ${held.time}` : ""}. Is this a second weigh-in, or does it replace it?`
        : "Is this the weigh-in of the day, or a second one?",
      choices: [
        { label: "a second one", text: withWordBefore("second", scale, line) },
        { label: held ? "replaces it" : "the weigh-in of the day", text: withWordBefore("first", scale, line) },
      ],
    };
  const note = scale.note.join(" ");
  const record: WeighIn = {
    ...(held ?? { id: context.newId(), personId: context.personId, date: dateOf(day), primary: primary !== false }),
    kg,
    ...(time ? { time } : {}),
    ...(note ? { note } : {}),
  };
  return {
    change: [put("weighIns", record, held ?? undefined)],
    fields: [
      { label: primary === false ? "second weigh-in" : "weigh-in", text: printer.mass(kg, decimalsOf(line, scale)) },
      ...(time ? [{ label: "time", text: time }] : []),
      ...(note ? [{ label: "note", text: note }] : []),
      ...(held ? [{ label: "replaces", text: printer.mass(held.kg) }] : []),
    ],
    caution: weightDoubt(kg, line),
  };
}

function weightDoubt(kg: number, { day, context: { printer, expectedKg } }: Line): string | null {
  const expected = expectedKg(day);
  if (isFarOff(kg, expected))
    return `That is far from the ${printer.mass(expected)} expected. Press Enter again if it is right.`;
  return expected === null && (kg < 30 || kg > 250)
    ? `Is ${printer.mass(kg)} the weight? Press Enter again if it is right.`
    : null;
}

/** A reading of the tape; a measure that the log does not have yet is made with it. */
function readingPart({ measure, value }: Facts["readings"][number], { day, context }: Line): Part {
  const made =
    measure.known === null
      ? { id: context.newId(), name: measure.name, unit: measure.unit, aggregate: "last" as const }
      : null;
  const record = {
    id: context.newId(),
    personId: context.personId,
    measureId: made?.id ?? measure.id,
    date: dateOf(day),
    value,
  };
  const last = context.lastReading(measure.id, day);
  return {
    change: [...(made ? [put("measures", made)] : []), put("readings", record)],
    fields: [{ label: measure.name.toLowerCase(), text: `${printPlain(value, 2)} ${measure.unit}`.trim() }],
    caution: isFarReading(measure, value, last)
      ? `${measure.name} was ${printNumber(last!, 1)} ${measure.unit} last. Press Enter again if it is right.`
      : null,
  };
}

function waterPart(ml: number, { day, context }: Line): Part {
  return {
    change: [put("water", { id: context.newId(), personId: context.personId, date: dateOf(day), ml })],
    fields: [{ label: "water", text: `${printNumber(ml, 0)} ml` }],
    caution: null,
  };
}

/** As many decimals as were typed, one at least. */
function decimalsOf({ tokens }: Line, { from }: Scale): number {
  return Math.max(1, Math.min(2, tokens[from]!.decimals));
}
