import { byWord } from "../base/byWord";
import { dateOf, type Day, dayOf, entryDayOf, outsideYears, weekdayOf } from "../base/calendar/day";
import { monthNamed, printDay, weekdayNames } from "../base/calendar/print";
import { isMark, isWhole, isWord, lengthUnitAt, massUnitAt } from "./amounts";
import type { Token } from "./tokens";

const weekdays = weekdayNames.map((name) => name.toLowerCase());
const shortWeekdays: Readonly<Record<string, number>> = byWord({
  mon: 1,
  tue: 2,
  tues: 2,
  wed: 3,
  weds: 3,
  thu: 4,
  thur: 4,
  thurs: 4,
  fri: 5,
  sat: 6,
  sun: 7,
});

/** Words that name a day, for a slip of the finger in one. */
export const dayWords: readonly string[] = ["today", "yesterday", "tomorrow", ...weekdays];

/** The tokens that name a day: which day it is, or why it is none, or which two it may be. */
export interface When {
  from: number;
  to: number;
  day: Day;
  problem: string | null;
  days: readonly Day[];
  /** The next such day, where the year is not said. */
  next: Day | null;
}

/**
 * The day a line begins with: `yesterday`, `mon`, `last friday`, `2 days ago`, `2026-05-01`, `12 Nov`, `24/11`,
 * `24.11.2026`. Null when it begins with none.
 */
export function dayInFront(
  text: string,
  tokens: readonly Token[],
  today: Day,
  order: "dmy" | "mdy" | null,
): When | null {
  const at = isWord(tokens[0], "on") ? 1 : 0;
  const first = inFigures(text, tokens, at, today, order) ?? named(tokens, at, today, true);
  if (first === null) return null;
  const found = weekdayWithDate(text, tokens, first, today, order) ?? first;
  const behind = tokens[found.to];
  const ends = isMark(behind, ":", ",") || (isMark(behind, "-") && !(behind!.glued && tokens[found.to + 1]?.glued));
  return { ...found, from: 0, to: ends ? found.to + 1 : found.to };
}

/** `Tue 24/11`, `Tuesday, 24 November`: the date, if it is such a day. Null when no date follows a weekday. */
function weekdayWithDate(
  text: string,
  tokens: readonly Token[],
  { from, to, day }: When,
  today: Day,
  order: "dmy" | "mdy" | null,
): When | null {
  const word = tokens[to - 1];
  if (to - from !== 1 || word?.kind !== "word" || !(weekdays.includes(word.text) || word.text in shortWeekdays))
    return null;
  const at = isMark(tokens[to], ",", ".") ? to + 1 : to;
  const date = inFigures(text, tokens, at, today, order) ?? inWords(tokens, at, today);
  if (date === null || date.problem !== null) return date;
  const its = weekdayNames[weekdayOf(date.day) - 1]!;
  return weekdayOf(date.day) === weekdayOf(day)
    ? date
    : { ...date, problem: `${printDay(date.day)} is a ${its}. Which is meant?`, days: [date.day, day] };
}

/**
 * A day named further on in a line by its word (`81.9 yesterday`, `… on Monday`, `… 2026-05-01`); null when there is
 * none, or more than one.
 */
export function dayWithin(text: string, tokens: readonly Token[], today: Day): When | null {
  const found: When[] = [];
  let depth = 0;
  for (let at = 1; at < tokens.length; at++) {
    if (isMark(tokens[at], "(", "[")) depth += 1;
    if (isMark(tokens[at], ")", "]")) depth -= 1;
    if (isWord(tokens[at], "note") && isMark(tokens[at + 1], ":")) break;
    if (depth > 0) continue;
    const iso = isoAt(text, tokens, at);
    const worded = inWords(tokens, at, today);
    const one =
      iso ??
      named(tokens, at, today, false) ??
      (worded !== null && worded.problem === null && worded.to === tokens.length ? worded : null);
    if (one === null || (one.to < tokens.length && iso === null && tokens[at]!.text in shortWeekdays)) continue;
    found.push({ ...one, from: isWord(tokens[at - 1], "on") ? at - 1 : at });
    at = one.to - 1;
  }
  return found.length === 1 ? found[0]! : null;
}

function sure(from: number, to: number, day: Day): When {
  return { from, to, day, problem: null, days: [], next: null };
}

function named(tokens: readonly Token[], at: number, today: Day, front: boolean): When | null {
  const [found, second] = [tokens[at], tokens[at + 1]];
  // `yesterday's run`: in front it is the day; further on it may be part of a note.
  const bare = (token: Token | undefined) =>
    front && token?.kind === "word" ? { ...token, text: token.text.replace(/'s$/, "") } : token;
  const first = bare(found);
  if (isWord(first, "today", "tonight")) return sure(at, first!.text === "tonight" ? at : at + 1, today);
  if (isWord(first, "yesterday")) return sure(at, at + 1, today - 1);
  if (isWord(first, "tomorrow")) return sure(at, at + 1, today + 1);
  if (isWord(first, "this") && isWord(second, "morning", "evening", "afternoon")) return sure(at, at + 1, today);
  if (isWord(first, "last") && isWord(second, "night", "evening")) return sure(at, at + 1, today - 1);
  const ago =
    (isWhole(first) || isWord(first, "a", "one", "two", "three")) &&
    isWord(second, "day", "days", "week", "weeks") &&
    isWord(tokens[at + 2], "ago");
  if (ago) {
    const count = isWhole(first) ? first.value : { a: 1, one: 1, two: 2, three: 3 }[first!.text]!;
    return sure(at, at + 3, today - count * (second!.text.startsWith("week") ? 7 : 1));
  }
  const led = isWord(first, "last", "next", "this") ? 1 : 0;
  const word = bare(tokens[at + led]);
  const weekday =
    word?.kind !== "word"
      ? 0
      : weekdays.indexOf(word.text) + 1 ||
        (shortWeekdays[word.text] ?? 0) ||
        (front && word.text.length > 2 && isMark(tokens[at + led + 1], ":")
          ? weekdays.findIndex((name) => name.startsWith(word.text)) + 1
          : 0);
  if (weekday > 0) {
    const back = (weekdayOf(today) - weekday + 7) % 7;
    if (led === 0) return sure(at, at + 1, today - back);
    if (first!.text === "last") return sure(at, at + 2, today - (back === 0 ? 7 : back));
    return first!.text === "next" ? sure(at, at + 2, today + 7 - back) : null;
  }
  return front ? inWords(tokens, at, today) : null;
}

/** `12 Nov`, `12th of November 2026`, `Nov 12, 2026`. */
function inWords(tokens: readonly Token[], at: number, today: Day): When | null {
  const monthOf = (token: Token | undefined) => (token?.kind === "word" ? monthNamed(token.text) : 0);
  const ordinal = (place: number) =>
    (isWord(tokens[place], "st", "nd", "rd", "th") && tokens[place]!.glued) ||
    (isMark(tokens[place], ".") && tokens[place]!.glued)
      ? place + 1
      : place;
  let [dayOfMonth, month, to] = [0, 0, at];
  if (isWhole(tokens[at])) {
    let place = ordinal(at + 1);
    if (isWord(tokens[place], "of")) place += 1;
    [dayOfMonth, month, to] = [tokens[at]!.value, monthOf(tokens[place]), place + 1];
  } else if (monthOf(tokens[at]) > 0 && isWhole(tokens[at + 1])) {
    [dayOfMonth, month, to] = [tokens[at + 1]!.value, monthOf(tokens[at]), ordinal(at + 2)];
  }
  if (month === 0 || dayOfMonth < 1) return null;
  if (isMark(tokens[to], ".")) to += 1;
  const place = isMark(tokens[to], ",") ? to + 1 : to;
  const year = tokens[place];
  const told =
    isWhole(year) &&
    year.end - year.start === 4 &&
    year.value >= 1900 &&
    year.value <= 2100 &&
    massUnitAt(tokens, place + 1) === null &&
    lengthUnitAt(tokens, place + 1) === null &&
    !isMark(tokens[place + 1], "x", "%");
  return told ? dated(at, place + 1, year.value, month, dayOfMonth) : yearless(at, to, month, dayOfMonth, today);
}

function dated(from: number, to: number, year: number, month: number, dayOfMonth: number): When {
  const date = `${String(year).padStart(4, "0")}-${String(month).padStart(2, "0")}-${String(dayOfMonth).padStart(2, "0")}`;
  const day = entryDayOf(date);
  return day !== null
    ? sure(from, to, day)
    : {
        from,
        to,
        day: 0,
        problem: dayOf(date) === null ? `There is no day ${date}.` : `${date} cannot be written: ${outsideYears}.`,
        days: [],
        next: null,
      };
}

/** A day without its year is the last such day, unless the next is nearer: then it is asked. */
function yearless(from: number, to: number, month: number, dayOfMonth: number, today: Day): When {
  const year = Number(dateOf(today).slice(0, 4));
  const days = [year - 1, year, year + 1].flatMap((one) => {
    const { day, problem } = dated(from, to, one, month, dayOfMonth);
    return problem === null ? [day] : [];
  });
  const [past, next] = [days.findLast((day) => day <= today), days.find((day) => day > today)];
  if (past === undefined) return { from, to, day: 0, problem: "There is no such day.", days: [], next: null };
  return next !== undefined && next - today < today - past
    ? { from, to, day: past, problem: "Of which year?", days: [past, next], next }
    : { ...sure(from, to, past), next: next ?? null };
}

function isoAt(text: string, tokens: readonly Token[], at: number): When | null {
  const first = tokens[at]!;
  const match =
    first.kind === "number" && !(first.glued && at > 0)
      ? /^(\d{4})-(\d{1,2})-(\d{1,2})(?!\d)/.exec(text.slice(first.start))
      : null;
  return (
    match &&
    dated(at, behind(tokens, first.start + match[0].length), Number(match[1]), Number(match[2]), Number(match[3]))
  );
}

/** Dates of figures alone. Without a year they need a colon behind them, or a day that can be no fraction. */
function inFigures(
  text: string,
  tokens: readonly Token[],
  at: number,
  today: Day,
  order: "dmy" | "mdy" | null,
): When | null {
  const first = tokens[at];
  if (first?.kind !== "number") return null;
  const iso = isoAt(text, tokens, at);
  if (iso) return iso;
  const rest = text.slice(first.start);
  const ymd = /^(\d{4})[/.](\d{1,2})[/.](\d{1,2})(?!\d)/.exec(rest);
  if (ymd)
    return dated(at, behind(tokens, first.start + ymd[0].length), Number(ymd[1]), Number(ymd[2]), Number(ymd[3]));
  const full = /^(\d{1,2})([/.-])(\d{1,2})\2(\d{4}|\d{2}(?=\s*:))(?!\d)/.exec(rest);
  const short = full
    ? null
    : (/^(\d{1,2})(\.)(\d{1,2})\.(?=\s*:|\s)/.exec(rest) ??
      /^(\d{1,2})([/.])(\d{1,2})(?=\s*:(?!\d))/.exec(rest) ??
      /^(\d{1,2})(\/)(\d{1,2})(?=\s)/.exec(rest));
  const match = full ?? short;
  if (!match) return null;
  const [a, b] = [Number(match[1]), Number(match[3])];
  // `3/4 cup` is an amount: without a colon one of the two must be a day that is no month, or a weight alone must
  // follow.
  const to = behind(tokens, first.start + match[0].length);
  const weighed =
    tokens[to]?.kind === "number" &&
    tokens[to].value >= 30 &&
    tokens.slice(to + 1).every((token) => isWord(token, "kg", "kgs", "lb", "lbs"));
  if (short && match[2] === "/" && !/^\s*:/.test(rest.slice(match[0].length)) && a <= 12 && b <= 12 && !weighed)
    return null;
  const year = match[4] === undefined ? null : match[4].length === 2 ? 2000 + Number(match[4]) : Number(match[4]);
  const read = (dayOfMonth: number, month: number) =>
    year === null
      ? month >= 1 && month <= 12
        ? yearless(at, to, month, dayOfMonth, today)
        : { ...sure(at, to, 0), problem: "There is no such day." }
      : dated(at, to, year, month, dayOfMonth);
  if (match[2] === "." || match[2] === "-") return read(a, b);
  const [dmy, mdy] = [read(a, b), read(b, a)];
  if (a === b || b > 12) return b > 12 ? mdy : dmy;
  if (a > 12) return dmy;
  if (order !== null) return order === "dmy" ? dmy : mdy;
  return {
    from: at,
    to,
    day: dmy.day,
    problem: `Is ${match[0].trim()} a day and a month, or a month and a day?`,
    days: [dmy, mdy].filter(({ problem }) => problem === null).map(({ day }) => day),
    next: null,
  };
}

/** The first token behind a place in the text. */
function behind(tokens: readonly Token[], place: number): number {
  const at = tokens.findIndex(({ start }) => start >= place);
  return at < 0 ? tokens.length : at;
}
