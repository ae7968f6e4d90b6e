import { dateOf } from "../base/calendar/day";
import { toKg } from "../base/units/mass";
import { printNumber, printPlain } from "../base/units/number";
import { isMark, isNoteAt, isWhole, isWord, massUnitAt } from "../entry/amounts";
import { LineCursor } from "../entry/cursor";
import { type NameAt, type Named, namesIn, slipOf } from "../entry/names";
import {
  type EntryChoice,
  type Line,
  nothingWritten,
  type ParsedEntry,
  placeOf,
  reading,
  rewritten,
} from "../entry/parsedEntry";
import type { Token } from "../entry/tokens";
import type { WeighIn } from "../log/kinds/weighIns";
import { type Change, put, type RecordOf } from "../log/records";
import { centimetresIn, inUnit, isFarReading, readingProblem, usualMeasures } from "./usualMeasures";
import { heaviest, isFarOff, lightest } from "./weighIns";

type MeasureName = Named & { unit: string; known: RecordOf<"measures"> | null };

interface Scale {
  kg: number;
  time: string | null;
  primary: boolean | null;
  note: string[];
  from: number;
  to: number;
  exact: boolean;
}

const weighWords = ["weight", "weighed", "weigh", "weighing", "bw", "bodyweight", "scale", "weighin"];
const firstWords = ["morning", "fasted", "am", "first", "woke", "waking"];
const secondWords = ["evening", "night", "second", "pm", "afternoon", "bedtime", "bed", "later"];
const vessels = ["glass", "glasses", "cup", "cups", "bottle", "bottles"];
const litres: Readonly<Record<string, number>> = {
  ml: 1,
  millilitre: 1,
  millilitres: 1,
  cl: 10,
  dl: 100,
  l: 1000,
  litre: 1000,
  litres: 1000,
  liter: 1000,
  liters: 1000,
};

/** The measures that a line may name: those of the log, then those usually taken. */
function measureNames({ context }: Line): MeasureName[] {
  const own = context.measures.map((measure): MeasureName => ({
    id: measure.id,
    name: measure.name,
    aliases: usualMeasures.find(({ name }) => name.toLowerCase() === measure.name.toLowerCase())?.aliases ?? [],
    unit: measure.unit ?? "",
    known: measure,
  }));
  const names = new Set(own.map(({ name }) => name.toLowerCase()));
  return [
    ...own,
    ...usualMeasures
      .filter(({ name }) => !names.has(name.toLowerCase()))
      .map(({ name, unit, aliases }): MeasureName => ({ id: `usual ${name}`, name, aliases, unit, known: null })),
  ];
}

/**
 * What the scale and the tape said, and water: `71.4 kg 06:40 slept badly`, `81.9, waist 82 cm`, `evening 82.4`, `500
 * ml water`.
 */
class Facts extends LineCursor {
  readonly weighIns: Scale[] = [];
  readonly readings: { measure: MeasureName; value: number }[] = [];
  water: number | null = null;
  /** Said before a weight: when, and whether it is the first of the day. */
  #pending: { time: string | null; primary: boolean | null; note: string[] } = { time: null, primary: null, note: [] };
  #names: ReadonlyMap<number, NameAt<MeasureName>>;
  /** Whether words were taken as a note of a number that does not say itself that it is a weight. */
  doubtful = false;

  constructor(line: Line) {
    super(line);
    this.#names = new Map(namesIn(line.tokens, measureNames(line)).map((name) => [name.from, name]));
  }

  get first(): NameAt<MeasureName> | undefined {
    return this.#names.get(0);
  }
  get named(): readonly NameAt<MeasureName>[] {
    return [...this.#names.values()];
  }

  protected step(at: number): number {
    const token = this.token(at)!;
    if (
      isMark(token, ",", ";", "/", ".", "&", "!") ||
      isWord(token, "and", "then") ||
      isMark(token, ":", "=", "@") ||
      (isMark(token, "-") && !(this.token(at + 1)?.glued && this.token(at + 1)!.kind === "number"))
    )
      return at + 1;
    return (
      this.#noted(at) ??
      this.#water(at) ??
      this.#measure(at) ??
      this.#word(at) ??
      this.#clock(at) ??
      this.#weight(at) ??
      this.#note(at)
    );
  }

  #noted(at: number): number | null {
    const last = this.weighIns.at(-1);
    if (isMark(this.token(at), "(")) {
      const end = this.line.tokens.findIndex((token, index) => index > at && isMark(token, ")"));
      if (end < 0 || last === undefined)
        return this.unread(at, this.line.tokens.length, "The bracket is not understood here.");
      // `71.4 (06:40)`, `71.4 (evening)`: when it was, and no note.
      const when = this.line.tokens.slice(at + 1, end);
      if (
        when.length > 0 &&
        when.every((token) => token.kind === "clock" || isWord(token, "at", ...firstWords, ...secondWords))
      ) {
        for (let place = at + 1; place < end;) place = this.step(place);
        return end + 1;
      }
      if (end > at + 1) last.note.push(this.said(at + 1, end));
      return end + 1;
    }
    if (!isNoteAt(this.line.tokens, at)) return null;
    if (last === undefined)
      return this.unread(at, this.line.tokens.length, "A note of what? Write the weight before it.");
    if (at + 2 < this.line.tokens.length) last.note.push(this.said(at + 2, this.line.tokens.length));
    return this.line.tokens.length;
  }

  #water(at: number): number | null {
    const amountAt = (from: number) => {
      const [number, unit] = [this.token(from), this.token(from + 1)];
      const ml = unit?.kind === "word" ? litres[unit.text] : undefined;
      return number?.kind === "number" && ml !== undefined ? { ml: number.value * ml, to: from + 2 } : null;
    };
    const water = (place: number) => isWord(this.token(place), "water");
    let found: { ml: number; to: number } | null = null;
    if (water(at)) {
      found = amountAt(isMark(this.token(at + 1), ":") ? at + 2 : at + 1);
      if (found === null)
        return this.unread(
          at,
          Math.min(at + 2, this.line.tokens.length),
          "How much water? Write it in ml or l, for example 500 ml water.",
        );
    } else {
      const before = amountAt(at);
      if (before && water(before.to)) found = { ...before, to: before.to + 1 };
      else if (before && isWord(this.token(before.to), "of") && water(before.to + 1))
        found = { ...before, to: before.to + 2 };
      else if (
        this.token(at)?.kind === "number" &&
        isWord(this.token(at + 1), ...vessels) &&
        (water(at + 2) || water(at + 3))
      )
        return this.unread(
          at,
          water(at + 2) ? at + 3 : at + 4,
          "How much is in one? Write water in ml or l, for example 500 ml water.",
        );
    }
    if (found === null) return null;
    if (!(found.ml > 0) || found.ml > 20_000)
      return this.unread(at, found.to, "That amount of water is not taken: more than nothing, at most 20 l.");
    this.water = (this.water ?? 0) + found.ml;
    return found.to;
  }

  #measure(at: number): number | null {
    const name = this.#names.get(at);
    if (name === undefined) return null;
    const [measure] = name.things;
    if (measure === undefined) return null;
    let from = name.to;
    while (
      isMark(this.token(from), ":", "=") ||
      (isMark(this.token(from), "-") && this.token(from + 1)?.glued !== true) ||
      isWord(this.token(from), "is", "at", "was")
    )
      from += 1;
    const number = this.token(from);
    if (isMark(number, "-"))
      return this.unread(
        at,
        Math.min(from + 2, this.line.tokens.length),
        `A ${measure.name.toLowerCase()} below zero is no reading.`,
      );
    if (number?.kind !== "number")
      return this.unread(
        at,
        name.to,
        `The value is missing, for example ${measure.name.toLowerCase()} ${measure.unit === "%" ? "18 %" : `82 ${measure.unit || ""}`.trim()}.`,
      );
    return this.#reading(at, from, from + 1, measure);
  }

  #reading(from: number, numberAt: number, unitAt: number, measure: MeasureName): number {
    const unitToken = this.token(unitAt);
    const unit =
      unitToken !== undefined &&
      (isMark(unitToken, "%", '"') ||
        (unitToken.kind === "word" &&
          (centimetresIn(unitToken.text) !== null || unitToken.text === measure.unit.toLowerCase())))
        ? unitToken.text
        : "";
    const to = unit === "" ? unitAt : unitAt + 1;
    const number = this.token(numberAt)!;
    if (unit === "" && centimetresIn(measure.unit) !== null && this.line.context.printer.units.mass === "lb") {
      const text = this.line.text.slice(number.start, number.end);
      return this.unread(
        numberAt,
        unitAt,
        "In which unit?",
        ["in", "cm"].map((one) => ({ label: `${text} ${one}`, text: `${text} ${one}` })),
      );
    }
    const value = inUnit(number.value, unit, measure);
    if (typeof value !== "number") return this.unread(from, to, value.why);
    const why = readingProblem(measure, value);
    if (why !== null) return this.unread(from, to, why);
    if (this.readings.some((one) => one.measure.id === measure.id))
      return this.unread(from, to, `${measure.name} is written twice. Which is it?`);
    this.readings.push({ measure, value });
    return to;
  }

  /** Words about a weight: that it is one, whether the day's first, when. */
  #word(at: number): number | null {
    const token = this.token(at);
    if (isSecond(token, this.token(at + 1))) {
      this.#pending = { ...this.#pending, primary: false };
      return isWord(this.token(at + 2), "weigh") ? at + 3 : at + 2;
    }
    if (token?.kind !== "word") return null;
    const last = this.weighIns.at(-1);
    const note = last !== undefined && last.note.length > 0;
    if (weighWords.includes(token.text) && !note) {
      if (token.text.startsWith("weigh") && (isMark(this.token(at + 1), "-") || isWord(this.token(at + 1), "in")))
        return isMark(this.token(at + 1), "-") ? at + 3 : at + 2;
      return at + 1;
    }
    if (isWord(token, "body") && isWord(this.token(at + 1), "weight")) return at + 2;
    if (
      isWord(token, "at", "in", "the", "on", "is", "was", "of") &&
      (this.token(at + 1)?.kind === "clock" ||
        this.token(at + 1)?.kind === "number" ||
        isWord(this.token(at + 1), "the", ...firstWords, ...secondWords))
    )
      return at + 1;
    const after =
      isWord(token, "after", "before", "post", "pre") &&
      (isWord(
        this.token(at + 1),
        "training",
        "workout",
        "dinner",
        "run",
        "running",
        "rowing",
        "lifting",
        "bed",
        "lunch",
        "session",
        "swim",
        "swimming",
        "work",
        "supper",
      ) ||
        isMark(this.token(at + 1), "-"));
    const first = isWord(token, ...firstWords) || (isWord(token, "before") && isWord(this.token(at + 1), "breakfast"));
    const nth = isWord(token, "second") && isWord(this.token(at + 1), "weigh");
    if (!first && !after && !isWord(token, ...secondWords)) return null;
    const plain = last === undefined || this.#apartFrom(last, at);
    if (after && last === undefined && this.token(at + 2)?.kind !== "number") return null;
    const to =
      after || (isWord(token, "before") && first)
        ? at + 2
        : nth
          ? isMark(this.token(at + 2), "-")
            ? at + 4
            : isWord(this.token(at + 2), "in")
              ? at + 3
              : at + 2
          : at + 1;
    if (note) return null;
    // `81.2 second day of flu` says nothing of a second weigh-in.
    if (
      last !== undefined &&
      last.primary === null &&
      (!first || isWord(token, "first")) &&
      !after &&
      this.token(to)?.kind === "word" &&
      !isWord(this.token(to), ...weighWords, "at", "and", "after", "before", "post", "pre", "water", "note", "notes") &&
      !this.#names.has(to)
    ) {
      const end = this.line.tokens.length;
      const [word, rest] = [this.said(at, to), this.said(to, end)];
      return this.unread(at, end, `Is ${word} said of the weigh-in, or does a note begin there?`, [
        { label: first ? "the first weigh-in" : "a second weigh-in", text: `${word}, ${rest}` },
        { label: "a note", text: `(${word} ${rest})` },
      ]);
    }
    // A word before a number speaks of that one, unless it stands right behind another; behind the only one, of it.
    const nextIsWeight =
      this.token(to)?.kind === "number" ||
      (isMark(this.token(to), ":") && this.token(to + 1)?.kind === "number") ||
      (this.token(to)?.kind === "clock" && this.token(to + 1)?.kind === "number");
    if (last !== undefined && last.primary === null && !(plain && nextIsWeight)) {
      last.primary = first;
      if (after) last.note.push(this.said(at, to));
      return to;
    }
    if (!nextIsWeight && last !== undefined) return null;
    this.#pending = { ...this.#pending, primary: first, note: after ? [this.said(at, to)] : [] };
    return to;
  }

  /** Whether a mark parts a place from a weight. */
  #apartFrom({ to }: Scale, at: number): boolean {
    return this.line.tokens.slice(to, at).some((token) => isMark(token, ",", ";", "/") || isWord(token, "and"));
  }

  #clock(at: number): number | null {
    const token = this.token(at);
    const half = isWord(this.token(at + 1), "am", "pm") ? this.token(at + 1)!.text : null;
    let time: string | null = null;
    if (token?.kind === "clock") {
      const [hours, minutes, ...rest] = token.text.split(":");
      if (rest.length > 0 || Number(hours) > 23 || Number(minutes) > 59 || !/^\d{2}$/.test(minutes!))
        return this.unread(at, at + 1, `"${token.text}" is no time of day. Write one such as 6:40.`);
      time = clock(Number(hours), minutes!, half);
    } else if (isWhole(token) && half !== null && token.value >= 1 && token.value <= 12)
      time = clock(token.value, "00", half);
    if (time === null) return null;
    const last = this.weighIns.at(-1);
    const to = half === null ? at + 1 : at + 2;
    if (last === undefined || (last.time !== null && this.#apartFrom(last, at)))
      this.#pending = { ...this.#pending, time };
    else if (last.time === null) last.time = time;
    else return this.unread(at, to, "Two times are written. Which was it?");
    return to;
  }

  #weight(at: number): number | null {
    const token = this.token(at);
    if (token?.kind !== "number") return null;
    const measured = this.#behindMeasure(at);
    if (measured !== null) return measured;
    const { printer } = this.line.context;
    const stone = isWord(this.token(at + 1), "st", "stone");
    const unit = massUnitAt(this.line.tokens, at + 1);
    let [kg, to] = [toKg(token.value, unit ?? printer.units.mass), unit === null ? at + 1 : at + 2];
    if (stone) {
      const pounds = this.token(at + 2)?.kind === "number" ? this.token(at + 2)!.value : 0;
      if (pounds >= 14) return this.unread(at, at + 3, "A stone has 14 pounds.");
      kg = toKg(token.value * 14 + pounds, "lb");
      to =
        this.token(at + 2)?.kind === "number"
          ? massUnitAt(this.line.tokens, at + 3) === "lb"
            ? at + 4
            : at + 3
          : at + 2;
    }
    const text = this.line.text.slice(token.start, token.end);
    if (token.pair !== null && token.decimals > 2)
      return this.unread(at, to, `What is ${text}? Write the weight such as 71.4 or 71,4.`);
    const last = this.weighIns.at(-1);
    const { time, primary, note } = this.#pending;
    if (last !== undefined && !(this.#apartFrom(last, at) || primary !== null || last.primary !== null))
      return this.unread(
        at,
        to,
        `What is ${text}? A second weigh-in is written behind a comma, with evening or second. A note with numbers is written behind note:`,
      );
    if (
      last === undefined &&
      this.readings.length > 0 &&
      unit === null &&
      !stone &&
      !this.line.tokens.slice(0, at).some((one) => isWord(one, ...weighWords))
    )
      return this.unread(
        at,
        to,
        `What is ${text}? A weight behind a measure is written with its unit, ${text} ${printer.units.mass}.`,
        [{ label: `${text} ${printer.units.mass}`, text: `${text} ${printer.units.mass}` }],
      );
    if (kg < lightest || kg > heaviest)
      return this.unread(
        at,
        to,
        `${text} ${unit ?? printer.units.mass} is no body weight: ${printer.mass(lightest, 0)} to ${printer.mass(heaviest, 0)} is taken.`,
      );
    this.weighIns.push({
      kg,
      time,
      primary,
      note: [...note],
      from: at,
      to,
      exact: unit !== null || stone || token.decimals > 0,
    });
    this.#pending = { time: null, primary: null, note: [] };
    return to;
  }

  /** `82 cm waist`, `18 % body fat`. */
  #behindMeasure(at: number): number | null {
    const unit = this.token(at + 1);
    const unitTo =
      unit !== undefined && (isMark(unit, "%", '"') || (unit.kind === "word" && centimetresIn(unit.text) !== null))
        ? at + 2
        : at + 1;
    const name = this.#names.get(unitTo);
    const [measure] = name?.things ?? [];
    if (name === undefined || measure === undefined || this.token(name.to)?.kind === "number") return null;
    if (unitTo === at + 1 && centimetresIn(measure.unit) !== null && this.weighIns.length === 0)
      return this.unread(at, name.to, `Is ${this.said(at, name.to)} a measure of the tape?`, [
        {
          label: `${measure.name.toLowerCase()} ${this.said(at, at + 1)} ${measure.unit}`,
          text: `${measure.name} ${this.said(at, at + 1)} ${measure.unit}`,
        },
      ]);
    const read = this.#reading(at, at, at + 1, measure);
    return read === unitTo ? name.to : read;
  }

  #note(at: number): number {
    const token = this.token(at)!;
    const last = this.weighIns.at(-1);
    if (
      token.kind !== "word" ||
      isWord(
        token,
        "cm",
        "mm",
        "m",
        "km",
        "g",
        "kcal",
        "reps",
        "sets",
        "min",
        "ml",
        "l",
        "in",
        "inch",
        "inches",
        "percent",
      )
    )
      return this.unread(at, at + 1, `"${this.said(at, at + 1)}" is not understood here.`);
    if (last === undefined || (token.glued && this.token(at - 1)?.kind === "number"))
      return this.unread(at, at + 1, `"${this.said(at, at + 1)}" is not understood here.`);
    let to = at;
    while (
      to < this.line.tokens.length &&
      (this.line.tokens[to]!.kind === "word" || isMark(this.line.tokens[to], "-", "'", ",", ".", "&", "!", "/", "+")) &&
      !(to > at && this.#names.has(to) && this.token(this.#names.get(to)!.to)?.kind === "number") &&
      !(to > at && isWord(this.line.tokens[to], "water"))
    )
      to += 1;
    const next = this.token(to);
    if (next !== undefined && (next.kind === "number" || next.kind === "clock")) {
      const note = this.said(at, this.line.tokens.length);
      return this.unread(at, this.line.tokens.length, `"${note}" holds a number. Is it a note?`, [
        { label: "a note", text: `(${note})` },
      ]);
    }
    const end = isMark(this.line.tokens[to - 1], ",", ";", "-", "/", "+", "&") ? to - 1 : to;
    const meant =
      at + 1 === end && token.text.length > 3
        ? slipOf(token.text, [...secondWords, ...firstWords, "yesterday", "today"])
        : null;
    if (meant !== null)
      return this.unread(at, end, `"${this.said(at, end)}" is not understood. Is ${meant} meant?`, [
        { label: meant, text: meant },
        { label: "a note", text: `(${this.said(at, end)})` },
      ]);
    last.note.push(this.said(at, end));
    if (!last.exact && last.time === null) this.doubtful = true;
    return to;
  }

  /** Words before a weight that never came. */
  finish(): void {
    if ((this.#pending.time !== null || this.#pending.primary !== null) && this.problems.length === 0)
      this.unread(0, this.line.tokens.length, "The weight is missing, for example 71.4.");
  }
}

/** `2nd`. */
function isSecond(token: Token | undefined, next: Token | undefined): boolean {
  return isWhole(token) && token.value === 2 && isWord(next, "nd") && next!.glued;
}

function clock(hours: number, minutes: string, half: string | null): string {
  const hour = half === null ? hours : (hours % 12) + (half === "pm" ? 12 : 0);
  return `${String(hour).padStart(2, "0")}:${minutes}`;
}

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
        litres[line.tokens[at - 1]!.text] !== undefined,
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

/** Reads such a line; null when its first number, with the words behind it, may as well be something else. */
export function readBodyLine(line: Line): ParsedEntry | null {
  const { day, context, text } = line;
  const { printer } = context;
  const date = dateOf(day);
  const facts = new Facts(line).read();
  facts.finish();
  if (facts.doubtful) return null;
  const kind = facts.weighIns.length > 0 || facts.readings.length > 0 ? "weighIn" : "note";
  if (facts.problems.length > 0) return reading("weighIn", date, { problems: facts.problems, choices: facts.choices });
  const whole = placeOf(line.tokens, 0, line.tokens.length);
  const refused = (message: string, choices: EntryChoice[] = []) =>
    reading("weighIn", date, { problems: [{ ...whole, message }], choices });
  if (day > context.today)
    return refused(
      facts.weighIns.length > 0
        ? "A weigh-in cannot be in the future."
        : facts.readings.length > 0
          ? "A reading cannot be in the future."
          : "Water cannot have been drunk in the future.",
    );
  const firsts = facts.weighIns.filter(({ primary }) => primary !== false);
  if (firsts.length > 1)
    return refused("Which of these is the first weigh-in of the day? Write evening or second before the other.", [
      {
        label: `second: ${text.slice(placeOf(line.tokens, firsts[1]!.from, firsts[1]!.to).start, placeOf(line.tokens, firsts[1]!.from, firsts[1]!.to).end)}`,
        text: rewritten(text, [
          { start: line.tokens[firsts[1]!.from]!.start, end: line.tokens[firsts[1]!.from]!.start, text: "second " },
        ]),
      },
    ]);
  const change: Change = [];
  const fields: ParsedEntry["fields"] = [];
  const cautions: string[] = [];
  const before = (word: string, { from }: Scale) =>
    rewritten(text, [{ start: line.tokens[from]!.start, end: line.tokens[from]!.start, text: `${word} ` }]);
  for (const scale of facts.weighIns) {
    const held = scale.primary === false ? null : context.weighInOn(day);
    const later = scale.time !== null && scale.primary === null && scale.time >= "15:00";
    if (later || (held?.time != null && scale.time !== null && scale.primary === null && held.time !== scale.time)) {
      return refused(
        held
          ? `${printer.mass(held.kg)} is written already${held.time ? ` at ${held.time}` : ""}. Is this a second weigh-in, or does it replace it?`
          : "Is this the weigh-in of the day, or a second one?",
        [
          { label: "a second one", text: before("second", scale) },
          { label: held ? "replaces it" : "the weigh-in of the day", text: before("first", scale) },
        ],
      );
    }
    const note = scale.note.join(" ");
    const record: WeighIn = {
      ...(held ?? { id: context.newId(), personId: context.personId, date, primary: scale.primary !== false }),
      kg: scale.kg,
      ...(scale.time ? { time: scale.time } : {}),
      ...(note ? { note } : {}),
    };
    change.push(put("weighIns", record, held ?? undefined));
    fields.push(
      {
        label: scale.primary === false ? "second weigh-in" : "weigh-in",
        text: printer.mass(scale.kg, decimalsOf(line, scale)),
      },
      ...(scale.time ? [{ label: "time", text: scale.time }] : []),
      ...(note ? [{ label: "note", text: note }] : []),
      ...(held ? [{ label: "replaces", text: printer.mass(held.kg) }] : []),
    );
    const expected = context.expectedKg(day);
    if (isFarOff(scale.kg, expected))
      cautions.push(`That is far from the ${printer.mass(expected)} expected. Press Enter again if it is right.`);
    else if (expected === null && (scale.kg < 30 || scale.kg > 250))
      cautions.push(`Is ${printer.mass(scale.kg)} the weight? Press Enter again if it is right.`);
  }
  for (const { measure, value } of facts.readings) {
    const made =
      measure.known === null
        ? { id: context.newId(), name: measure.name, unit: measure.unit, aggregate: "last" as const }
        : null;
    if (made) change.push(put("measures", made));
    change.push(
      put("readings", {
        id: context.newId(),
        personId: context.personId,
        measureId: made?.id ?? measure.id,
        date,
        value,
      }),
    );
    fields.push({ label: measure.name.toLowerCase(), text: `${printPlain(value, 2)} ${measure.unit}`.trim() });
    const last = context.lastReading(measure.id, day);
    if (isFarReading(measure, value, last))
      cautions.push(
        `${measure.name} was ${printNumber(last!, 1)} ${measure.unit} last. Press Enter again if it is right.`,
      );
  }
  if (facts.water !== null) {
    change.push(put("water", { id: context.newId(), personId: context.personId, date, ml: facts.water }));
    fields.push({ label: "water", text: `${printNumber(facts.water, 0)} ml` });
  }
  return reading(kind, date, {
    fields,
    change,
    caution: cautions.length > 0 ? cautions.join(" ") : null,
    written: {
      ...nothingWritten,
      weighIns: facts.weighIns.map(({ kg, time, primary, note }) => ({
        kg,
        time,
        primary: primary !== false,
        note: note.join(" "),
      })),
      readings: facts.readings.map(({ measure, value }) => ({
        name: measure.name,
        measureId: measure.known?.id ?? "",
        value,
        unit: measure.unit,
      })),
      waterMl: facts.water,
    },
    label: fields
      .filter(({ label }) => label !== "time" && label !== "note" && label !== "replaces")
      .map(({ label, text: value }) => `${label.charAt(0).toUpperCase()}${label.slice(1)} ${value}`)
      .join(", "),
  });
}

/** As many decimals as were typed, one at least. */
function decimalsOf({ tokens }: Line, { from }: Scale): number {
  return Math.max(1, Math.min(2, tokens[from]!.decimals));
}
