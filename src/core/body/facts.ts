import { byWord } from "../base/byWord";
import { toKg } from "../base/units/mass";
import { isMark, isNoteAt, isWhole, isWord, massUnitAt, thousandsAt } from "../entry/amounts";
import { LineCursor } from "../entry/cursor";
import { type NameAt, type Named, namesIn, slipOf } from "../entry/names";
import type { Line } from "../entry/parsedEntry";
import type { Token } from "../entry/tokens";
import { clock } from "../entry/typed";
import type { RecordOf } from "../log/records";
import { centimetresIn, inUnit, readingProblem, usualMeasures } from "./usualMeasures";
import { heaviest, lightest } from "../log/bounds";

/** A measure that a line may name; `known` where the log has it. */
export type MeasureName = Named & { unit: string; known: RecordOf<"measures"> | null };

/** A weigh-in as it is written. `primary`: whether it is the first of its day; null where that is not said. */
export interface Scale {
  kg: number;
  time: string | null;
  primary: boolean | null;
  note: string[];
  from: number;
  to: number;
  exact: boolean;
}

export const weighWords = ["weight", "weighed", "weigh", "weighing", "bw", "bodyweight", "scale", "weighin"];
export const firstWords = ["morning", "fasted", "am", "first", "woke", "waking"];
export const secondWords = ["evening", "night", "second", "pm", "afternoon", "bedtime", "bed", "later"];
export const vessels = ["glass", "glasses", "cup", "cups", "bottle", "bottles"];
/** Millilitres of each unit. */
export const millilitres: Readonly<Record<string, number>> = byWord({
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
});

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
export class Facts extends LineCursor {
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
      const glass = isWord(unit, "glass", "glasses") ? this.line.context.glassMl : null;
      const ml = glass ?? (unit?.kind === "word" ? millilitres[unit.text] : undefined);
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
          "How much is in one? Write 500 ml water, or glasses once Settings → Meals knows what yours holds.",
        );
    }
    if (found === null) return null;
    const thousands = [at, at + 1, at + 2]
      .map((place) => thousandsAt(this.line.tokens, place))
      .find((one) => one !== null);
    if (thousands != null)
      return this.unread(at, found.to, `Is that ${thousands} ml?`, [
        { label: `${thousands} ml`, text: `${thousands} ml water` },
      ]);
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
      time = clock(Number(hours), Number(minutes), half);
    } else if (isWhole(token) && half !== null && token.value >= 1 && token.value <= 12)
      time = clock(token.value, 0, half);
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
export function isSecond(token: Token | undefined, next: Token | undefined): boolean {
  return isWhole(token) && token.value === 2 && isWord(next, "nd") && next!.glued;
}
