import { byWord } from "../base/byWord";
import { KJ_PER_KCAL } from "../base/units/energy";
import { METRES_PER_MILE } from "../base/units/length";
import type { MassUnit } from "../base/units/mass";
import type { Token } from "./tokens";

/** What was read from some place on, and the place behind it. */
export interface At<T> {
  value: T;
  to: number;
}

const massUnits: Readonly<Record<string, MassUnit>> = byWord({
  kg: "kg",
  kgs: "kg",
  kilo: "kg",
  kilos: "kg",
  kilogram: "kg",
  kilograms: "kg",
  lb: "lb",
  lbs: "lb",
  pound: "lb",
  pounds: "lb",
  "#": "lb",
});
const hours = /^(?:h|hr|hrs|hour|hours)$/;
const minutes = /^(?:min|mins|minute|minutes)$/;
const seconds = /^(?:s|sec|secs|second|seconds)$/;
const lengths: Readonly<Record<string, number>> = byWord({
  km: 1000,
  kms: 1000,
  k: 1000,
  kilometre: 1000,
  kilometres: 1000,
  kilometer: 1000,
  kilometers: 1000,
  mi: METRES_PER_MILE,
  mile: METRES_PER_MILE,
  miles: METRES_PER_MILE,
  m: 1,
  metre: 1,
  metres: 1,
  meter: 1,
  meters: 1,
  yd: 0.9144,
  yds: 0.9144,
  yard: 0.9144,
  yards: 0.9144,
});

/** Kilocalories of each unit of energy; a calorie of food is a kilocalorie (common practice, no source). */
const energyUnits: Readonly<Record<string, number>> = byWord({
  kcal: 1,
  kcals: 1,
  cal: 1,
  cals: 1,
  calories: 1,
  kj: 1 / KJ_PER_KCAL,
});

/**
 * `1,200` and `1.200`, of a unit so small that three decimals of it are never meant: the thousands they are to some. Null for
 * a number that is none.
 */
function thousandsOf({ kind, decimals, value }: Token): number | null {
  return kind === "number" && decimals === 3 && value >= 1 ? Math.round(value * 1000) : null;
}

/** Grams or millilitres at a place that may be thousands, as they are written without a mark; null where there are none. */
export function thousandsAt(tokens: readonly Token[], at: number): string | null {
  const number = tokens[at];
  const thousands = number === undefined ? null : thousandsOf(number);
  return thousands !== null && isWord(tokens[at + 1], "g", "gr", "gram", "grams", "ml") ? String(thousands) : null;
}

/** An energy with its unit at a place, kilocalories, below zero as it was typed. Thousands are thousands: `1,200 kcal` is no kilocalorie. */
export function energyAt(tokens: readonly Token[], at: number): At<number> | null {
  const [number, unit] = [tokens[at], energyUnits[tokens[at + 1]?.text ?? ""]];
  if (number?.kind !== "number" || unit === undefined) return null;
  const sign = isMark(tokens[at - 1], "-") && number.glued ? -1 : 1;
  return { value: sign * (thousandsOf(number) ?? number.value) * unit, to: at + 2 };
}

/** The mass unit at a place, or null. */
export function massUnitAt(tokens: readonly Token[], at: number): MassUnit | null {
  return massUnits[tokens[at]?.text ?? ""] ?? null;
}

/** Whether a token is a whole number that can be read in one way. */
export function isWhole(token: Token | undefined): token is Token {
  return token?.kind === "number" && token.decimals === 0 && token.pair === null;
}

/** Whether a token is one of some words. */
export function isWord(token: Token | undefined, ...words: readonly string[]): boolean {
  return token?.kind === "word" && words.includes(token.text);
}

/** Whether a token is one of some marks. */
export function isMark(token: Token | undefined, ...marks: readonly string[]): boolean {
  return token?.kind === "mark" && marks.includes(token.text);
}

/**
 * Words which say, wherever they stand, that it was not done, not yet, or more than once: none of them is a note unless
 * it is marked as one.
 */
const denials = new Set([
  "cancelled",
  "canceled",
  "skipped",
  "postponed",
  "planned",
  "aborted",
  "abandoned",
  "dnf",
  "dns",
  "didn't",
  "didnt",
  "todo",
  "twice",
  "thrice",
]);
/** The same in front of what it is about. */
const denialsInFront = new Set([
  "no",
  "not",
  "never",
  "plan",
  "goal",
  "target",
  "want",
  "wanted",
  "will",
  "should",
  "would",
  "could",
  "must",
  "might",
  "may",
  "need",
  "next",
  "missed",
  "instead",
]);

/**
 * The word by which what is written was perhaps not done, or not so often; null where there is none. @param front
 * whether nothing else stands before it
 */
export function denialIn(tokens: readonly Token[], from: number, to: number, front: boolean): Token | null {
  const first = front
    ? tokens.findIndex((token, at) => at >= from && !isWord(token, "did", "do", "i", "we", "have"))
    : -1;
  return (
    tokens
      .slice(from, to)
      .find(
        (token, index) =>
          token.kind === "word" &&
          (denials.has(token.text) ||
            (from + index === first &&
              (denialsInFront.has(token.text) || (token.text === "to" && isWord(tokens[first + 1], "do"))))),
      ) ?? null
  );
}

/** What is said of such a word. */
export const denied = (said: string): string =>
  `"${said}": was it done as it is written? A note is written behind note:`;

/** Whether `note:` stands at a place: all behind it is the note. */
export function isNoteAt(tokens: readonly Token[], at: number): boolean {
  return isWord(tokens[at], "note", "notes", "comment") && isMark(tokens[at + 1], ":");
}

/** What is asked of a rest that names no unit. */
export function restWithoutUnit(value: number): { message: string; readings: { label: string; text: string }[] } {
  return {
    message: `Is a rest of ${value} seconds or minutes meant?`,
    readings: ["s", "min"].map((unit) => ({ label: `${value} ${unit}`, text: `rest ${value} ${unit}` })),
  };
}

/** The length of metres that a unit at a place stands for; null when there is none. */
export function lengthUnitAt(tokens: readonly Token[], at: number): number | null {
  const token = tokens[at];
  return token?.kind === "word" ? (lengths[token.text] ?? null) : null;
}

/**
 * A distance with its unit: `6 km`, `10k`, `400 m`, `2,000 m` (a comma before three digits and metres parts thousands).
 */
export function distanceAt(tokens: readonly Token[], at: number): At<number> | null {
  const number = tokens[at];
  const unit = lengthUnitAt(tokens, at + 1);
  if (number?.kind !== "number" || unit === null) return null;
  const thousands = number.pair !== null && number.decimals === 3 && unit <= 1;
  // A point before three digits and metres may part thousands or decimals: the caller finds no distance that anyone
  // covers.
  return { value: (thousands ? number.pair![0] * 1000 + number.pair![1] : number.value) * unit, to: at + 2 };
}

/**
 * A time that lasts: `33:10`, `1:02:03`, `48 min 30 s`, `1 h 5`, `90 s`, `48'30"`. NaN for a clock with more than 59 of
 * something.
 */
export function durationAt(tokens: readonly Token[], at: number): At<number> | null {
  const first = tokens[at];
  if (first?.kind === "clock") {
    const named = tokens[at + 1];
    // `48:30 min` says the same; `1:05 h` are hours and minutes.
    if (named?.kind === "word" && hours.test(named.text) && named.text !== "hr")
      return { value: first.text.split(":").length === 2 ? first.value * 60 : first.value, to: at + 2 };
    return { value: first.value, to: named?.kind === "word" && minutes.test(named.text) ? at + 2 : at + 1 };
  }
  let [to, total, last] = [at, 0, 4];
  for (;;) {
    const [number, unit, then] = [tokens[to], tokens[to + 1], tokens[to + 2]];
    if (number?.kind !== "number") break;
    const word = unit?.kind === "word" || isMark(unit, "'", "’", "′", '"', "″", "”") ? unit!.text : "";
    const compact = word === "m" && unit!.glued && then?.kind === "number" && then.glued;
    const rank = hours.test(word)
      ? 3
      : minutes.test(word) || compact || /^['’′]$/.test(word)
        ? 2
        : seconds.test(word) || /^["″”]$/.test(word)
          ? 1
          : 0;
    // `1h05`: minutes need no unit behind hours; `48'30`: nor seconds behind the mark of minutes.
    const bare =
      rank === 0 && isWhole(number) && number.glued && number.value < 60 && (last === 3 || last === 2) && to > at
        ? last - 1
        : 0;
    if (rank === 0 && bare === 0) break;
    const place = rank || bare;
    if (place >= last) break;
    total += number.value * 60 ** (place - 1);
    last = place;
    to += rank === 0 ? 1 : 2;
    if (isWord(tokens[to], "and") && tokens[to + 1]?.kind === "number" && place > 1) to += 1;
  }
  return to === at ? null : { value: total, to: isWord(tokens[to - 1], "and") ? to - 1 : to };
}
