import type { MassUnit } from "../base/units/mass";
import {
  type At,
  denialIn,
  denied,
  durationAt,
  isMark,
  isNoteAt,
  isWhole,
  isWord,
  massUnitAt,
  restWithoutUnit,
} from "../entry/amounts";
import { slipOf } from "../entry/names";
import type { Token } from "../entry/tokens";
import type { Exercise } from "../log/kinds/exercises";
import type { Load, WrittenSet } from "./setAmounts";
import { type Doubt, SetGrammar } from "./setGrammar";

/** A set with all that was said of it. */
export interface SaidSet extends WrittenSet {
  rpe?: number;
  warmUp?: boolean;
  restSeconds?: number;
}

/** What was read of the sets of one exercise. */
export interface SetLine {
  sets: SaidSet[];
  superset: string | null;
  tempo: string | null;
  note: string | null;
  problems: Unread[];
  doubts: Doubt[];
}

/** A place that is not understood, and why. Places are of tokens. */
export interface Unread {
  from: number;
  to: number;
  message: string;
  readings?: { label: string; text: string }[];
}

interface Grouped {
  from: number;
  to: number;
  sets: SaidSet[];
  apart: boolean;
}

/**
 * Words with a meaning of their own in a line of sets: where one of them stands and is not understood, it is no note.
 */
const keywords = new Set([
  "kg",
  "kgs",
  "kilo",
  "kilos",
  "lb",
  "lbs",
  "pound",
  "pounds",
  "rep",
  "reps",
  "set",
  "sets",
  "rpe",
  "rir",
  "warm",
  "warmup",
  "rest",
  "tempo",
  "amrap",
  "max",
  "each",
  "per",
  "side",
  "arm",
  "leg",
  "hand",
  "drop",
  "dropset",
  "bw",
  "bodyweight",
  "min",
  "mins",
  "sec",
  "secs",
  "s",
  "m",
  "km",
  "at",
  "for",
  "of",
  "with",
  "x",
  "superset",
  "ss",
  "failed",
  "fail",
  "failure",
  "missed",
  "percent",
  "pct",
  "reserve",
]);
/** Words that change what counts, and are no part of a note unless it is marked as one. */
const counted = new Set(["failed", "fail", "failure", "missed", "amrap", "drop", "dropset", "warmup", "superset"]);
/** Words that say nothing of what was done. */
const idle = new Set(["did", "do", "done", "i", "we", "my", "the", "total", "got", "hit", "straight"]);
const isUp = (token: Token | undefined) => isWord(token, "up", "ups");

/** Reads what was written of one exercise, its name left out. Every token is taken, or named as not understood. */
export class SetLineReader {
  readonly #grammar: SetGrammar;
  readonly #result: SetLine = { sets: [], superset: null, tempo: null, note: null, problems: [], doubts: [] };
  readonly #groups: Grouped[] = [];
  readonly #notes: string[] = [];
  /** A load that stood alone, for the sets without one. */
  #lone: { from: number; to: number; load: Load } | null = null;
  #efforts: { from: number; to: number; values: number[] } | null = null;
  #warm: { to: number; scope: "next" | "on" } | null = null;
  #warmed: number[] = [];
  #drop: "next" | "all" | null = null;
  /** Whether the group just read was a drop: a lighter one behind a comma may be another. */
  #dropping = false;
  #apart = true;

  constructor(
    readonly line: string,
    readonly tokens: readonly Token[],
    readonly exercise: Exercise,
    readonly defaultUnit: MassUnit,
  ) {
    this.#grammar = new SetGrammar(tokens, exercise.measure ?? "load-reps", defaultUnit);
  }

  read(): SetLine {
    let at = this.#superset();
    while (at < this.tokens.length) at = this.#step(at);
    this.#settle();
    this.#result.sets = this.#groups.flatMap(({ sets }) => sets);
    if (this.#notes.length > 0) this.#result.note = this.#notes.join("; ");
    return this.#result;
  }

  #token(at: number): Token | undefined {
    return this.tokens[at];
  }
  /** What was written from one place up to another. */
  #said(from: number, to: number): string {
    return this.line.slice(this.tokens[from]!.start, this.tokens[to - 1]!.end);
  }

  #unread(from: number, to: number, message: string, readings?: Unread["readings"]): number {
    this.#result.problems.push({ from, to, message, ...(readings ? { readings } : {}) });
    return to;
  }

  /** `A1`, `B.`, `C)`: the letter of a superset. */
  #superset(): number {
    const [letter, next] = [this.#token(0), this.#token(1)];
    if (letter?.kind !== "word" || !/^[a-h]$/.test(letter.text)) return 0;
    const numbered = isWhole(next) && next.glued && next.value < 10;
    const to = numbered ? 2 : 1;
    const marked = isMark(this.#token(to), ".", ")", ":");
    if (!numbered && !marked) return 0;
    this.#result.superset = letter.text.toUpperCase();
    return marked ? to + 1 : to;
  }

  /** Reads one thing at a place; the place behind it. */
  #step(at: number): number {
    const token = this.#token(at)!;
    if (isMark(token, ";", "|") || isWord(token, "then")) {
      if (this.#warm?.scope === "on" && this.#warmed.length > 0) this.#warm = null;
      if (this.#drop === "all") this.#drop = null;
      this.#dropping = false;
      this.#apart = true;
      return at + 1;
    }
    if (isWord(token, "w") && isMark(this.#token(at + 1), "/") && !isWord(this.#token(at + 2), "u")) return at + 2;
    const early = this.#plus(at) ?? (isMark(token, "/") ? this.#sided(at) : null);
    if (early !== null) return early;
    if (
      isMark(token, ",", "/", "&", ".", "!", ":") ||
      isWord(token, "and", "plus") ||
      (isMark(token, "-") && !(this.#token(at + 1)?.kind === "number" && this.#token(at + 1)!.glued && !token.glued))
    ) {
      if (isMark(token, ":") && this.#groups.length > 0 && this.#token(at + 1)?.kind === "word") return at + 1;
      this.#apart = true;
      return at + 1;
    }
    return (
      this.#range(at) ??
      this.#inBrackets(at) ??
      this.#noted(at) ??
      this.#effort(at) ??
      this.#warmUp(at) ??
      this.#dropped(at) ??
      this.#rested(at) ??
      this.#tempo(at) ??
      this.#sided(at) ??
      this.#failed(at) ??
      this.#marker(at) ??
      this.#group(at) ??
      this.#loneLoad(at) ??
      this.#mostOf(at) ??
      this.#words(at) ??
      this.#nothing(at)
    );
  }

  /** `80x8+60x8`: parts of a drop set, or sets; `5+`: how many were they? */
  #plus(at: number): number | null {
    const next = this.#token(at + 1);
    if (!isMark(this.#token(at), "+") || this.#groups.length === 0) return null;
    if (next === undefined || (next.kind === "number" && this.#grammar.at(at + 1) === null && !next.glued))
      return this.#unread(at, at + 1, "How many repetitions were done? A + says that there may have been more.");
    if (
      next.kind !== "number" ||
      this.#grammar.at(at + 1) === null ||
      (massUnitAt(this.tokens, at + 2) !== null && !isMark(this.#token(at + 3), "x"))
    )
      return null;
    this.#result.doubts.push({
      from: at,
      to: at + 1,
      message: "Are these parts of a drop set, or sets?",
      readings: [
        { label: "parts of a drop set", text: " > " },
        { label: "sets", text: ", " },
      ],
    });
    this.#apart = true;
    return at + 1;
  }

  /** `8-12`: a range was planned, not done. */
  #range(at: number): number | null {
    const cross = isWhole(this.#token(at)) && isMark(this.#token(at + 1), "x") ? at + 2 : at;
    const [low, dash, high, then] = [
      this.#token(cross),
      this.#token(cross + 1),
      this.#token(cross + 2),
      this.#token(cross + 3),
    ];
    if (
      !isWhole(low) ||
      !isMark(dash, "-") ||
      !dash!.glued ||
      !isWhole(high) ||
      !high.glued ||
      (isMark(then, "-") && then!.glued)
    )
      return null;
    return this.#unread(
      cross,
      cross + 3,
      `${low.text}–${high.text} is what was planned. How many were done in each set? For example 12, 11, 9.`,
    );
  }

  #nothing(at: number): number {
    const token = this.#token(at)!;
    const said = this.#said(at, at + 1);
    const effort = token.kind === "number" && token.value >= 5 && token.value <= 10 && this.#groups.length > 0;
    return this.#unread(
      at,
      at + 1,
      token.kind === "number"
        ? `What is ${said}? ${effort ? "An effort is written rpe 8, sets" : "Sets are written"} 3x6 90 kg, or 90 kg x 6.`
        : `"${said}" is not understood here.`,
      effort ? [{ label: `effort, rpe ${said}`, text: `rpe ${said}` }] : undefined,
    );
  }

  #inBrackets(at: number): number | null {
    const open = this.#token(at);
    const closing = isMark(open, "(", "[")
      ? open!.text === "("
        ? ")"
        : "]"
      : isMark(open, '"', "“")
        ? open!.text === '"'
          ? '"'
          : "”"
        : null;
    if (closing === null) return isMark(open, ")", "]") ? at + 1 : null;
    const end = this.tokens.findIndex((token, index) => index > at && isMark(token, closing));
    if (end < 0) return null;
    const inside = this.tokens.slice(at + 1, end);
    // Sets in brackets beside sets: warm-ups, as often as not.
    if (
      inside.some(({ text }) => text === "x") &&
      this.tokens.some(({ text }, index) => text === "x" && (index < at || index > end))
    )
      return this.#unread(
        at,
        end + 1,
        `What are the sets in brackets? Warm-ups are written warm-up ${this.#said(at + 1, end)}, then the others.`,
      );
    if (
      inside.some(({ kind }) => kind === "number" || kind === "clock") ||
      inside.some((token) => keywords.has(token.text))
    )
      return closing === '"' || closing === "”" ? null : at + 1;
    if (inside.length > 0) this.#note(at + 1, end);
    return end + 1;
  }

  #note(from: number, to: number): void {
    this.#notes.push(this.#said(from, to));
  }

  #noted(at: number): number | null {
    if (!isNoteAt(this.tokens, at)) return null;
    if (at + 2 < this.tokens.length) this.#note(at + 2, this.tokens.length);
    return this.tokens.length;
  }

  /** `rpe 8`, `@8`, `8 rpe`, `rpe 7, 8, 9`, `rir 2`, `2 rir`, `2 in reserve`. */
  #effort(at: number): number | null {
    const [first, second] = [this.#token(at), this.#token(at + 1)];
    let [from, reserve] = [at, false];
    const behind =
      first?.kind === "number" &&
      first.value <= 10 &&
      isWord(second, "rpe", "rir") &&
      this.#token(at + 2)?.kind !== "number"
        ? 1
        : isWhole(first) && isWord(second, "in") && isWord(this.#token(at + 2), "reserve")
          ? 2
          : 0;
    if (behind > 0) return this.#rate(at, at + behind + 1, [first!.value], !isWord(second, "rpe"));
    if (isWord(first, "rpe", "rir", "effort")) {
      reserve = first!.text === "rir";
      from = at + 1;
      if (isMark(this.#token(from), ":", "@", "=") || isWord(this.#token(from), "of")) from += 1;
    } else if (isMark(first, "@")) {
      from = at + 1;
      if (isWord(this.#token(from), "rpe", "rir")) {
        reserve = this.#token(from)!.text === "rir";
        from += 1;
      }
      const number = this.#token(from);
      if (
        number?.kind !== "number" ||
        number.value > 10 ||
        massUnitAt(this.tokens, from + 1) !== null ||
        isMark(this.#token(from + 1), "%")
      )
        return null;
    } else return null;
    const values: number[] = [];
    let to = from;
    for (let next = from; ;) {
      const number = this.#token(next);
      const ends = this.#token(next + 1);
      if (
        number?.kind !== "number" ||
        isMark(ends, "x", "%") ||
        massUnitAt(this.tokens, next + 1) !== null ||
        isWord(ends, "reps", "rep", "sets", "set", "for", "s", "sec", "min", "rpe", "rir")
      )
        break;
      if (values.length > 0 && number.value > 10) break;
      if (number.pair !== null && !(number.decimals === 1 && (number.pair[1] === 5 || number.pair[1] === 0)))
        values.push(...number.pair);
      else values.push(number.value);
      to = next + 1;
      const separator = this.#token(to);
      if (isMark(separator, "-") && separator!.glued && this.#token(to + 1)?.kind === "number")
        return this.#unread(
          at,
          to + 2,
          "An effort from one number to another is two: which one was it?",
          [number.value, this.#token(to + 1)!.value].map((one) => ({ label: `rpe ${one}`, text: `rpe ${one}` })),
        );
      next = isMark(separator, ",", "/", "@") || isWord(separator, "and") ? to + 1 : to;
    }
    return values.length === 0
      ? this.#unread(at, from, "The effort is missing behind it, for example rpe 8.")
      : this.#rate(at, to, values, reserve);
  }

  #rate(from: number, to: number, values: number[], reserve: boolean): number {
    const efforts = values.map((value) => (reserve ? 10 - value : value));
    if (efforts.some((value) => value < 0 || value > 10))
      return this.#unread(from, to, "An effort (RPE) runs from 0 to 10.");
    const last = this.#groups.at(-1);
    if (last === undefined) {
      this.#efforts = { from, to, values: efforts };
      return to;
    }
    const all = this.#groups.flatMap(({ sets }) => sets);
    if (last.sets.some(({ rpe }) => rpe !== undefined))
      return this.#unread(from, to, "An effort is said of these sets already.");
    if (efforts.length === 1 && this.#apart && this.#groups.length > 1) {
      return this.#unread(
        from,
        to,
        "Is this the effort of all the sets, or of the last? Without a comma before it it is that of the last.",
        [{ label: "of all", text: `rpe ${all.map(() => efforts[0]).join("/")}` }],
      );
    }
    this.#efforts = { from, to, values: efforts };
    this.#giveEfforts();
    return to;
  }

  /** Efforts read go to the last sets, or, when there are as many, to all. */
  #giveEfforts(): void {
    if (this.#efforts === null) return;
    const { from, to, values } = this.#efforts;
    this.#efforts = null;
    const last = this.#groups.at(-1)!;
    const all = this.#groups.flatMap(({ sets }) => sets);
    const sets =
      values.length === 1
        ? last.sets
        : values.length === last.sets.length
          ? last.sets
          : values.length === all.length
            ? all
            : null;
    if (sets === null) {
      this.#unread(
        from,
        to,
        `${values.length} efforts do not fit ${last.sets.length === 1 ? "one set" : `${last.sets.length} sets`}.`,
      );
      return;
    }
    sets.forEach((set, index) => {
      set.rpe = values.length === 1 ? values[0]! : values[index]!;
    });
  }

  /** `warm-up`, `wu`, `w/u`: of the sets before it in the same breath, else of those behind it. */
  #warmUp(at: number): number | null {
    const [first, second, third] = [this.#token(at), this.#token(at + 1), this.#token(at + 2)];
    let to = isWord(first, "warmup", "warmups", "wu")
      ? at + 1
      : isWord(first, "warm") && isUp(second)
        ? at + 2
        : isWord(first, "warm") && isMark(second, "-") && isUp(third)
          ? at + 3
          : isWord(first, "w") && isMark(second, "/") && isWord(third, "u")
            ? at + 3
            : null;
    if (to === null) return null;
    if (isWord(this.#token(to), "set", "sets")) to += 1;
    const last = this.#groups.at(-1);
    if (last && !this.#apart) {
      for (const set of last.sets) set.warmUp = true;
      return to;
    }
    this.#warm = { to, scope: "on" };
    this.#warmed = [];
    return isMark(this.#token(to), ":") ? to + 1 : to;
  }

  /** `work`, `working sets`, `top set`, `back-off`: where warm-ups end, or what says nothing more. */
  #marker(at: number): number | null {
    const [first, second, third] = [this.#token(at), this.#token(at + 1), this.#token(at + 2)];
    let to: number;
    if (isWord(first, "work", "working", "backoff", "top")) to = at + 1;
    else if (isWord(first, "back") && isWord(second, "off")) to = at + 2;
    else if (isWord(first, "back") && isMark(second, "-") && isWord(third, "off")) to = at + 3;
    else if (isWord(first, "set") && isWhole(second) && (isMark(third, ":", "-", ")") || third?.kind === "number")) {
      this.#apart = true;
      return isMark(third, ":", "-", ")") ? at + 3 : at + 2;
    } else if (first?.kind === "word" && idle.has(first.text)) return at + 1;
    else return null;
    this.#warm = null;
    this.#apart = true;
    if (isWord(this.#token(to), "set", "sets") && !isWord(this.#token(to + 1), "of")) to += 1;
    return isMark(this.#token(to), ":") ? to + 1 : to;
  }

  /** `drop set`, `drop to`, `>`: the next sets are parts of the one before. */
  #dropped(at: number): number | null {
    const [first, second] = [this.#token(at), this.#token(at + 1)];
    let to = isMark(first, ">", "→")
      ? at + 1
      : isWord(first, "dropset", "dropsets", "drop", "drops", "dropped")
        ? isMark(second, "-") && isWord(this.#token(at + 2), "set", "sets")
          ? at + 3
          : isWord(second, "set", "sets", "to")
            ? at + 2
            : at + 1
        : null;
    if (to === null) return null;
    if (isMark(this.#token(to), ":")) to += 1;
    this.#drop = this.#groups.length === 0 ? "all" : "next";
    this.#apart = true;
    return to;
  }

  /** `rest 3 min`, `3 min rest`, `rest 90`. */
  #rested(at: number): number | null {
    const behind = durationAt(this.tokens, at);
    let found: At<number> | null = null;
    if (
      behind &&
      isWord(this.#token(behind.to), "rest", "rests", "r") &&
      durationAt(this.tokens, behind.to + 1) === null
    )
      found = { value: behind.value, to: behind.to + 1 };
    else if (isWord(this.#token(at), "rest", "rests", "resting")) {
      const from = isMark(this.#token(at + 1), ":", "=") || isWord(this.#token(at + 1), "of") ? at + 2 : at + 1;
      found = durationAt(this.tokens, from);
      const bare = this.#token(from);
      if (found === null && isWhole(bare)) {
        const { message, readings } = restWithoutUnit(bare.value);
        return this.#unread(at, from + 1, message, readings);
      }
      if (found === null) return this.#unread(at, at + 1, "How long was the rest? For example rest 3 min.");
    }
    if (found === null) return null;
    if (!(found.value > 0)) return this.#unread(at, found.to, "That is no time.");
    for (const { sets } of this.#groups) for (const set of sets) set.restSeconds ??= found.value;
    if (this.#groups.length === 0) return this.#unread(at, found.to, "A rest stands behind its sets.");
    return found.to;
  }

  /** `tempo 3-1-1`, `tempo 3110`. */
  #tempo(at: number): number | null {
    if (!isWord(this.#token(at), "tempo")) return null;
    let to = isMark(this.#token(at + 1), ":") ? at + 2 : at + 1;
    const from = to;
    while (
      to < this.tokens.length &&
      (to === from || this.tokens[to]!.glued) &&
      /^(?:\d+(?:\.\d+)?|x|-|\/|\.)$/.test(this.tokens[to]!.text)
    )
      to += 1;
    if (to === from) return this.#unread(at, at + 1, "The tempo is missing behind it, for example tempo 3-1-1.");
    this.#result.tempo = this.#said(from, to);
    return to;
  }

  /** `each side`, `per arm`, `/leg`: what one-sided work counts anyway. */
  #sided(at: number): number | null {
    const first = this.#token(at);
    const word = isWord(first, "each", "per", "ea", "a") || (isMark(first, "/") && this.#token(at + 1)?.glued === true);
    const side = isWord(this.#token(at + 1), "side", "sides", "arm", "leg", "hand");
    if (!word || (!side && !isWord(first, "each", "ea"))) return null;
    const to = side ? at + 2 : at + 1;
    return this.exercise.perSide
      ? to
      : this.#unread(
          at,
          to,
          `${this.exercise.name} does not count per side. Write repetitions and load as they are counted, or mark the exercise as one-sided under Lifts.`,
        );
  }

  /** `failed`, `missed`, `to failure`: which repetition was it? */
  #failed(at: number): number | null {
    const led =
      isWord(this.#token(at), "to", "till", "until", "at") && isWord(this.#token(at + 1), "failure", "fail")
        ? at + 1
        : at;
    if (!isWord(this.#token(led), "failed", "fail", "failure", "miss", "missed")) return null;
    let to = led + 1;
    if (isWord(this.#token(to), "the")) to += 1;
    if (isWord(this.#token(to), "last")) {
      to += 1;
      if (isWord(this.#token(to), "one", "rep")) to += 1;
    }
    const last = this.#groups.at(-1);
    if (last === undefined)
      return this.#unread(
        at,
        to,
        "What failed? Write f behind the repetitions completed: 100 kg x 4f is four, and a fifth tried and missed.",
      );
    if (last.sets.length !== 1 || last.sets[0]!.reps === undefined || last.sets[0]!.parts)
      return this.#unread(
        at,
        to,
        "Which set failed? Write f behind the repetitions it completed, for example 5, 5, 4f.",
      );
    const { reps, load } = last.sets[0]!;
    // `1x180 failed`: that many are not done in a set; it is the load.
    if (load === undefined && reps! > 50 && (this.exercise.measure ?? "load-reps") === "load-reps") {
      const unit = this.defaultUnit;
      this.#result.doubts.push({
        from: last.from,
        to,
        message: `Was ${reps} the load?`,
        readings: [{ label: `one repetition at ${reps} ${unit}, missed`, text: `${reps} ${unit} x 0f` }],
      });
      return to;
    }
    const told = (count: number) => `${load ? `${this.#spoken(load)} x ` : ""}${count}f`;
    const readings = [
      ...(reps! > 0 ? [{ label: `${reps! - 1} done, the ${ordinal(reps!)} missed`, text: told(reps! - 1) }] : []),
      { label: `${reps} done, one more missed`, text: told(reps!) },
    ];
    this.#result.doubts.push({
      from: last.from,
      to,
      message:
        reps === 1
          ? "Was it made and another missed, or was it missed?"
          : `Were ${reps} completed, or was the last of them missed?`,
      readings,
    });
    return to;
  }

  #spoken({ value, unit, percent, bodyAlone, added }: Load): string {
    return bodyAlone
      ? "bw"
      : `${added && value >= 0 ? "+" : ""}${value}${percent ? "%" : ` ${unit ?? this.defaultUnit}`}`;
  }

  #group(at: number): number | null {
    const found = this.#grammar.at(at);
    if (found === null) return null;
    if ("doubt" in found) {
      this.#result.doubts.push(found.doubt);
      this.#groups.push({
        from: at,
        to: found.doubt.to,
        sets: [{ reps: 1, load: { value: 1, unit: null, percent: false, added: false, bodyAlone: false } }],
        apart: this.#apart,
      });
      this.#apart = false;
      return found.doubt.to;
    }
    const { to, sets } = found.group;
    if (to === at + 1 && this.#groups.length > 0 && this.#token(at)!.kind === "number") {
      const said = this.#token(at)!.text;
      return this.#unread(
        at,
        to,
        `What is ${said}? A load added is written +${said} kg, an effort rpe 8, another set 1x${said}.`,
        [
          { label: `+${said} ${this.defaultUnit}`, text: `+${said} ${this.defaultUnit}` },
          ...(this.#token(at)!.value <= 10 ? [{ label: `effort, rpe ${said}`, text: `rpe ${said}` }] : []),
          { label: `another set of ${said}`, text: `1x${said}` },
        ],
      );
    }
    const next = this.#token(to);
    if (
      to === at + 1 &&
      this.#token(at)!.kind === "number" &&
      (this.exercise.measure ?? "load-reps") !== "load-reps" &&
      isWhole(next) &&
      isMark(this.#token(to + 1), "x")
    ) {
      const said = this.#token(at)!.text;
      return this.#unread(at, to, `Is ${said} a load, or a set of ${said}?`, [
        { label: `+${said} ${this.defaultUnit}`, text: `+${said} ${this.defaultUnit}` },
        { label: `a set of ${said}`, text: `1x${said},` },
      ]);
    }
    const timed = sets.some(({ seconds }) => seconds !== undefined);
    if (
      timed &&
      sets.length === 1 &&
      this.exercise.measure === "distance" &&
      isWhole(next) &&
      isMark(this.#token(to + 1), "x")
    ) {
      const said = this.#said(at, to);
      return this.#unread(at, to, `Is ${said} a set of its own?`, [{ label: `a set of ${said}`, text: `${said},` }]);
    }
    const odd =
      timed &&
      this.#groups.length > 0 &&
      (this.exercise.measure !== "duration" && this.exercise.measure !== "distance"
        ? true
        : !this.#apart && this.#groups.at(-1)!.sets.length > 1);
    if (odd && sets.length === 1) {
      const said = this.#said(at, to);
      return this.#unread(at, to, `What is ${said}: the rest?`, [
        { label: `rest ${said}`, text: `rest ${said}` },
        ...(this.exercise.measure === "duration" ? [{ label: "another set", text: `, ${said}` }] : []),
      ]);
    }
    const said: SaidSet[] = sets.map((set) => ({ ...set, ...(this.#warm === null ? {} : { warmUp: true }) }));
    if (this.#warm !== null) this.#warmed.push(at);
    const before = this.#groups.at(-1)?.sets.at(-1);
    const lightest = before?.parts?.at(-1)?.load;
    if (
      this.#dropping &&
      this.#drop === null &&
      said.length === 1 &&
      lightest &&
      said[0]!.load &&
      said[0]!.load.value < lightest.value
    ) {
      const text = this.#said(at, to);
      return this.#unread(at, to, `Is ${text} another drop, or a set of its own?`, [
        { label: "another drop", text: `drop ${text}` },
        { label: "a set of its own", text: `then ${text}` },
      ]);
    }
    this.#dropping = this.#drop === "next";
    if (this.#drop !== null && before !== undefined && (this.#drop === "next" || this.#groups.length > 0)) {
      if (said.some(({ reps, parts }) => reps === undefined || parts))
        return this.#unread(at, to, "The parts of a drop set are repetitions with a load each.");
      before.parts = [
        ...(before.parts ?? []),
        ...said.map(({ reps, load }) => ({ reps: reps!, ...(load ? { load } : {}) })),
      ];
      if (this.#drop === "next") this.#drop = null;
    } else this.#groups.push({ from: at, to, sets: said, apart: this.#apart });
    this.#apart = false;
    this.#giveEfforts();
    return to;
  }

  #loneLoad(at: number): number | null {
    const load = this.#grammar.loadAt(at);
    if (load === null || this.#lone !== null) return null;
    if (this.#groups.length > 0 && this.#groups.every(({ sets }) => sets.every((set) => set.load))) return null;
    if (load.value.unit === null && !load.value.percent && !load.value.added && this.exercise.measure !== "load-reps")
      return null;
    this.#lone = { from: at, to: load.to, load: load.value };
    return load.to;
  }

  /** `amrap`, `as many as possible` behind a set. */
  #mostOf(at: number): number | null {
    const long =
      isWord(this.#token(at), "as") &&
      isWord(this.#token(at + 1), "many") &&
      isWord(this.#token(at + 2), "as") &&
      isWord(this.#token(at + 3), "possible");
    if (!long && !isWord(this.#token(at), "amrap", "max")) return null;
    const last = this.#groups.at(-1)?.sets.at(-1);
    if (last?.reps === undefined || this.#apart)
      return this.#unread(at, long ? at + 4 : at + 1, "How many repetitions were done? For example 80 kg x 12 amrap.");
    last.asManyAsPossible = true;
    return long ? at + 4 : at + 1;
  }

  /** Words behind the sets that say nothing countable are a note. */
  #words(at: number): number | null {
    if (this.#token(at)!.kind !== "word") return null;
    const joins =
      isWord(this.#token(at), "with", "for", "at", "of", "on") &&
      this.#token(at + 1)?.kind === "word" &&
      !keywords.has(this.#token(at + 1)!.text) &&
      this.#groups.length > 0;
    if (!joins && keywords.has(this.#token(at)!.text))
      return this.#unread(at, at + 1, `"${this.#said(at, at + 1)}" is not understood here.`);
    let to = at;
    while (
      to < this.tokens.length &&
      (this.tokens[to]!.kind === "word" || isMark(this.tokens[to], "-", "'", ".", "!", "&"))
    )
      to += 1;
    for (let place = at; place < to; place++) {
      const { text, kind, start, end } = this.tokens[place]!;
      if (kind !== "word") continue;
      if (place > at && counted.has(text))
        return this.#unread(
          at,
          to,
          `"${this.#said(at, to)}" is not understood. Write it with the set it is of (4f: four, and a fifth missed), or in brackets as a note.`,
        );
      const meant = text.length > 2 && !keywords.has(text) ? slipOf(text, keywords) : null;
      if (meant !== null && !commonWords.has(text))
        return this.#unread(
          place,
          place + 1,
          `"${this.line.slice(start, end)}" is not understood. Is ${meant} meant?`,
          [{ label: meant, text: meant }],
        );
    }
    if (this.#groups.length === 0)
      return this.#unread(
        at,
        to,
        `"${this.#said(at, to)}" is not understood before the sets. A note stands behind them.`,
        undefined,
      );
    const denial = denialIn(this.tokens, at, to, false);
    if (denial !== null) return this.#unread(at, to, denied(this.line.slice(denial.start, denial.end)));
    const next = this.#token(to);
    if (next !== undefined && !isMark(next, ",", ";", "|", ")", "]", "/"))
      return this.#unread(
        at,
        to + 1,
        `"${this.#said(at, to + 1)}" is not understood. A note with numbers is written behind note:`,
      );
    this.#note(at, to);
    return to;
  }

  /**
   * `100 lb x 8, 110 x 8` in a log of kilograms: a load without its unit beside one in the other unit may be in either.
   */
  #sameUnit(): void {
    const loadsOf = ({ sets }: Grouped) =>
      sets
        .flatMap(({ load, parts }) => [load, ...(parts ?? []).map((part) => part.load)])
        .filter((load) => load !== undefined && !load.percent && !load.bodyAlone);
    const other = this.#groups
      .flatMap(loadsOf)
      .find((load) => load?.unit != null && load.unit !== this.defaultUnit)?.unit;
    if (other === undefined || other === null) return;
    for (const group of this.#groups) {
      const bare = loadsOf(group).find((load) => load?.unit === null && load.value !== 0);
      if (bare)
        this.#unread(
          group.from,
          group.to,
          `Is ${bare.value} in ${other} or in ${this.defaultUnit}? Write the unit with it.`,
        );
    }
  }

  /** What is still open at the end: a load alone, an effort alone, how far warm-ups go. */
  #settle(): void {
    if (this.#efforts !== null) this.#unread(this.#efforts.from, this.#efforts.to, "An effort of which sets?");
    if (this.#lone !== null) {
      const { from, to, load } = this.#lone;
      const bare = this.#groups.flatMap(({ sets }) => sets).filter((set) => set.load === undefined);
      if (bare.length === 0) this.#unread(from, to, "A load of which sets? Sets are written 3x6 90 kg, or 90 kg x 6.");
      for (const set of bare) set.load = load;
    }
    this.#sameUnit();
    if (this.#warm !== null && this.#warmed.length > 1) {
      const span = (from: number) => this.#said(from, this.tokens.length);
      this.#unread(
        this.#warmed[0]!,
        this.tokens.length,
        "Which of these are warm-ups? Write work before the first that is none.",
        this.#warmed.slice(1).map((from) => ({
          label: `work from ${span(from)}`,
          text: `${this.line.slice(this.tokens[this.#warmed[0]!]!.start, this.tokens[from]!.start)}work ${span(from)}`,
        })),
      );
    }
  }
}

/** Words of notes that a slip of the finger could have made of a keyword, and are not. */
const commonWords = new Set(
  "are arm arms back bad beach bend best but crap crop drip drops easy fall far fast feeling feels fell felt form from good grip hands hard head heavy held help her here hip hips hold knee knees last leap least legs let light like list lower mad man mat may miss mist mix more nest next not over pain paused pauses pen pest pet pre prop reach rested ripe rope ropes rust sat sec see ser sex side sides sit six slow step steps strong team test war ward warm west wide worn".split(
    " ",
  ),
);

function ordinal(count: number): string {
  return `${count}${count % 10 === 1 && count % 100 !== 11 ? "st" : count % 10 === 2 && count % 100 !== 12 ? "nd" : count % 10 === 3 && count % 100 !== 13 ? "rd" : "th"}`;
}
