import { metresPer } from "../base/units/length";
import {
  type At,
  denialIn,
  denied,
  distanceAt,
  durationAt,
  energyAt,
  isMark,
  isNoteAt,
  isWhole,
  isWord,
  lengthUnitAt,
  massUnitAt,
  restWithoutUnit,
} from "../entry/amounts";
import { LineCursor } from "../entry/cursor";
import { slipOf } from "../entry/names";
import type { Line } from "../entry/parsedEntry";
import { believed, inMetres } from "./believed";
import { idle, kindWords, plainWords, purposes, unplaced } from "./entryWords";

interface Pace {
  secondsPerKm: number;
  from: number;
  to: number;
}

/** Collects what a line says of a run, a row or another activity. */
export class Collected extends LineCursor {
  metres: number | null = null;
  /** Where the number of a distance without its unit stands. */
  bare: { from: number; to: number } | null = null;
  repeats: number | null = null;
  times: { seconds: number; from: number; to: number }[] = [];
  /** Whether the time was said to be that of each piece, or of all. */
  timeOf: "each" | "all" | null = null;
  pace: Pace | null = null;
  rest: number | null = null;
  effort: number | null = null;
  purpose: string | null = null;
  /** What a watch or a machine said it took, with what is spent at rest or without it. */
  energy: { kcal: number; kcalIs: "gross" | "net" } | null = null;
  note: string[] = [];

  constructor(
    line: Line,
    readonly kind: string,
  ) {
    super(line);
  }

  protected step(at: number): number {
    const token = this.token(at)!;
    if (
      isMark(token, ",", ";", ".", "!", ":", "+", "&", ")", "]", "@", "=") ||
      isWord(token, "and", "then") ||
      (isMark(token, "-") && !(token.glued && this.token(at + 1)?.glued))
    ) {
      if (isMark(token, "@")) {
        const pace = this.#bareRate(at);
        if (pace !== null) return pace;
      }
      if (isMark(token, "@") && this.token(at + 1)?.kind === "number")
        return this.unread(
          at,
          at + 2,
          "Is that a pace, a rate or the effort? A pace is written 4:50 /km, an effort rpe 7.",
        );
      return at + 1;
    }
    if (isMark(token, "/") && this.token(at + 1)?.kind === "clock") return at + 1;
    return (
      this.#brackets(at) ??
      this.#noted(at) ??
      this.#effort(at) ??
      this.#rested(at) ??
      this.#paced(at) ??
      this.#pieces(at) ??
      this.#time(at) ??
      this.#distance(at) ??
      this.#energy(at) ??
      this.#number(at) ??
      this.#words(at)
    );
  }

  /**
   * `@ 5:00`, `at 5:00` may be a pace or the time. Where a piece is as long as what a pace is quoted over it is the
   * same.
   */
  #bareRate(at: number): number | null {
    const time = this.token(at + 1);
    if (time?.kind !== "clock" || this.#paced(at + 1, true) !== null || this.metres === null) return null;
    const over =
      this.kind === "row" ? 500 : this.kind === "swim" ? 100 : metresPer(this.line.context.printer.units.distance);
    if (Math.abs(this.metres - over) < 1) return null;
    const unit =
      this.kind === "row" ? "/500 m" : this.kind === "swim" ? "/100 m" : `/${this.line.context.printer.units.distance}`;
    const clock = this.said(at + 1, at + 2);
    return this.unread(at, at + 2, `Is ${clock} the pace, or the time?`, [
      { label: `${clock} ${unit}`, text: `${clock} ${unit}` },
      { label: `in ${clock}`, text: `in ${clock}` },
    ]);
  }

  #brackets(at: number): number | null {
    if (!isMark(this.token(at), "(", "[", '"')) return null;
    const closing = this.token(at)!.text === "(" ? ")" : this.token(at)!.text === "[" ? "]" : '"';
    const end = this.line.tokens.findIndex((token, index) => index > at && isMark(token, closing));
    if (end < 0) return this.unread(at, at + 1, "The bracket is not closed.");
    const inside = this.line.tokens.slice(at + 1, end);
    if (
      inside.some(({ kind }) => kind !== "word" && kind !== "mark") ||
      inside.some(({ text }) => purposes.includes(text))
    )
      return closing === '"' ? this.unread(at, end + 1, "A note with numbers is written behind note:") : at + 1;
    if (inside.length > 0) this.note.push(this.said(at + 1, end));
    return end + 1;
  }

  #noted(at: number): number | null {
    if (!isNoteAt(this.line.tokens, at)) return null;
    if (at + 2 < this.line.tokens.length) this.note.push(this.said(at + 2, this.line.tokens.length));
    return this.line.tokens.length;
  }

  #effort(at: number): number | null {
    const [first, second] = [this.token(at), this.token(at + 1)];
    const front = isWord(first, "rpe", "effort");
    const from = front && isMark(second, ":", "=", "@") ? at + 2 : at + 1;
    const number = front ? this.token(from) : first?.kind === "number" && isWord(second, "rpe") ? first : undefined;
    if (number === undefined)
      return front ? this.unread(at, at + 1, "The effort is missing behind it, for example rpe 7.") : null;
    if (number.kind !== "number") return this.unread(at, from, "The effort is missing behind it, for example rpe 7.");
    const to = front ? from + 1 : at + 2;
    if (number.value > 10) return this.unread(at, to, "An effort runs from 0 to 10.");
    if (isMark(this.token(to), "-", "/") && this.token(to + 1)?.kind === "number") {
      const other = this.token(to + 1)!;
      if (this.token(to)!.text === "/" && other.value === 10) {
        this.effort = number.value;
        return to + 2;
      }
      return this.unread(
        at,
        to + 2,
        "Which effort was it?",
        [number.value, other.value].map((value) => ({ label: `rpe ${value}`, text: `rpe ${value}` })),
      );
    }
    if (this.effort !== null && this.effort !== number.value)
      return this.unread(at, to, "Two efforts are written. Which was it?");
    this.effort = number.value;
    return to;
  }

  /** `rest 2 min`, `2:00 rest`, `r 90 s`. */
  #rested(at: number): number | null {
    const before = durationAt(this.line.tokens, at);
    let found: At<number> | null = null;
    if (
      before &&
      isWord(this.token(before.to), "rest", "rests", "recovery", "recoveries", "off") &&
      durationAt(this.line.tokens, before.to + 1) === null &&
      this.repeats !== null
    )
      found = { value: before.value, to: before.to + 1 };
    else if (isWord(this.token(at), "rest", "rests", "resting", "r")) {
      const from = isMark(this.token(at + 1), ":", "=") || isWord(this.token(at + 1), "of") ? at + 2 : at + 1;
      found = durationAt(this.line.tokens, from);
      if (found === null) {
        const bare = this.token(from);
        if (isWhole(bare)) {
          const { message, readings } = restWithoutUnit(bare.value);
          return this.unread(at, from + 1, message, readings);
        }
        return this.unread(at, at + 1, "How long was the rest? For example rest 2 min.");
      }
    }
    if (found === null) return null;
    if (this.rest !== null) return this.unread(at, found.to, "Two rests are written. Which was it?");
    this.rest = found.value;
    return found.to;
  }

  /** `4:51/km`, `1:53.1 /500m`, `7:48 per mile`, `pace 5:10`, `5:10 pace`, `split 1:53`. */
  #paced(at: number, look = false): number | null {
    const led = isWord(this.token(at), "pace", "split", "splits")
      ? isMark(this.token(at + 1), ":", "=") || isWord(this.token(at + 1), "of")
        ? at + 2
        : at + 1
      : isWord(this.token(at), "avg", "average", "averaging", "ave") && this.token(at + 1)?.kind === "clock"
        ? at + 1
        : at;
    const time = this.token(led)?.kind === "clock" ? durationAt(this.line.tokens, led) : null;
    if (time === null) {
      if (isWord(this.token(at), "avg", "average") && isWord(this.token(at + 1), "pace", "split")) return at + 1;
      return led > at ? this.unread(at, at + 1, "The pace is missing behind it, for example 4:51 /km.") : null;
    }
    let to = isWord(this.token(time.to), "min") ? time.to + 1 : time.to;
    const per = isMark(this.token(to), "/") || isWord(this.token(to), "per", "a");
    let metres: number | null = null;
    if (per) {
      const number = isWhole(this.token(to + 1)) ? this.token(to + 1)! : null;
      const unit = lengthUnitAt(this.line.tokens, to + (number ? 2 : 1));
      if (unit !== null) {
        metres = (number?.value ?? 1) * unit;
        to += number ? 3 : 2;
      } else if (number?.value === 500) {
        metres = 500;
        to += 2;
      }
      if (metres === 1) metres = null;
    }
    const word = isWord(this.token(to), "pace", "split", "splits");
    if (metres === null && !word && led === at) return null;
    if (
      led > at &&
      isWord(this.token(at), "splits") &&
      isMark(this.token(time.to), ",", "/") &&
      this.token(time.to + 1)?.kind === "clock"
    )
      return at + 1;
    if (word) to += 1;
    if (metres === null) {
      const ofPiece = isWord(this.token(at), "avg", "average", "averaging", "ave") && !word;
      if (ofPiece && this.repeats !== null) return null;
      metres =
        this.kind === "row" ? 500 : this.kind === "swim" ? 100 : metresPer(this.line.context.printer.units.distance);
    }
    if (look) return to;
    if (!(time.value > 0)) return this.unread(at, to, "Minutes and seconds after a colon run to 59.");
    if (this.pace !== null) return this.unread(at, to, "Two paces are written. Which was it?");
    this.pace = { secondsPerKm: (time.value / metres) * 1000, from: at, to };
    return to;
  }

  /** `4x500 m`, `3x10 min`, `12x400`. */
  #pieces(at: number): number | null {
    const count = this.token(at);
    if (!isWhole(count) || !(isMark(this.token(at + 1), "x") || isWord(this.token(at + 1), "times"))) return null;
    const distance = distanceAt(this.line.tokens, at + 2);
    const time = durationAt(this.line.tokens, at + 2);
    const bare = this.token(at + 2);
    const metres =
      distance ??
      (time === null &&
      isWhole(bare) &&
      bare.value >= 100 &&
      (inMetres.has(this.kind) || this.kind === "run") &&
      massUnitAt(this.line.tokens, at + 3) === null
        ? { value: bare.value, to: at + 3 }
        : null);
    if (metres === null && time === null)
      return this.unread(at, Math.min(at + 3, this.line.tokens.length), "Pieces are written 4x500 m, or 3x10 min.");
    const to = (time ?? metres)!.to;
    if (this.repeats !== null || this.metres !== null) return this.unread(at, to, "One set of pieces a line is read.");
    if (count.value < 1 || count.value > 200) return this.unread(at, to, "That is no number of pieces.");
    this.repeats = count.value;
    if (time !== null) this.times.push({ seconds: time.value, from: at, to });
    else this.metres = metres!.value;
    return to;
  }

  #time(at: number): number | null {
    const time = durationAt(this.line.tokens, at);
    if (time === null)
      return isWord(this.token(at), "avg", "average", "averaging", "each") && this.token(at + 1)?.kind === "clock"
        ? ((this.timeOf = "each"), at + 1)
        : null;
    if (!(time.value > 0)) return this.unread(at, time.to, "Minutes and seconds after a colon run to 59.");
    let to = time.to;
    this.times.push({ seconds: time.value, from: at, to });
    if (isWord(this.token(to), "each", "ea")) {
      this.timeOf = "each";
      to += 1;
    } else if (isWord(this.token(to), "a", "per") && isWord(this.token(to + 1), "piece", "rep", "interval")) {
      this.timeOf = "each";
      to += 2;
    } else if (isWord(this.token(to), "total", "altogether")) {
      this.timeOf = "all";
      to += 1;
    } else if (isWord(this.token(to), "in") && isWord(this.token(to + 1), "all", "total")) {
      this.timeOf = "all";
      to += 2;
    }
    return isMark(this.token(to), "/") && this.token(to + 1)?.kind === "clock" ? to + 1 : to;
  }

  #distance(at: number): number | null {
    const distance = distanceAt(this.line.tokens, at);
    if (distance === null) return null;
    if (this.metres !== null) return this.unread(at, distance.to, "Two distances are written. Which was it?");
    if (isWord(this.token(distance.to), "steps", "step", "lengths", "length", "laps", "lap", "floors"))
      return this.unread(
        at,
        distance.to + 1,
        `${this.said(at, distance.to + 1)} has no place in a session yet. It can be kept behind note:`,
      );
    const unit = this.token(at + 1)!;
    if (unit.text === "m" && distance.value < 100 && this.kind !== "swim") {
      const number = this.line.text.slice(this.token(at)!.start, this.token(at)!.end);
      return this.unread(
        at,
        distance.to,
        `Are ${number} metres meant?`,
        ["km", "mi"].map((one) => ({ label: `${number} ${one}`, text: `${number} ${one}` })),
      );
    }
    this.metres = distance.value;
    return distance.to;
  }

  /** `450 kcal net`; whether what is spent at rest is counted in must be said. */
  #energy(at: number): number | null {
    const energy = energyAt(this.line.tokens, at);
    if (energy === null) return null;
    const said = this.said(at, energy.to);
    if (this.energy !== null) return this.unread(at, energy.to, "Two energies are written. Which was it?");
    const word = this.token(energy.to);
    const kcalIs = isWord(word, "gross", "total") ? "gross" : isWord(word, "net", "active") ? "net" : null;
    if (kcalIs === null)
      return this.unread(at, energy.to, `Is what is spent at rest in the ${said}?`, [
        { label: "gross: it is in", text: `${said} gross` },
        { label: "net: it is not", text: `${said} net` },
      ]);
    if (!(energy.value > 0) || energy.value > 10_000)
      return this.unread(at, energy.to, "That much energy is not taken: more than nothing, at most 10,000 kcal.");
    this.energy = { kcal: energy.value, kcalIs };
    return energy.to + 1;
  }

  /** A number without its unit: the distance in the trainee's own unit where the kind has one, else asked. */
  #number(at: number): number | null {
    const token = this.token(at);
    if (token?.kind !== "number") return null;
    const text = this.line.text.slice(token.start, token.end);
    const next = this.token(at + 1);
    if (next?.kind === "word" && unplaced.has(next.text))
      return this.unread(
        at,
        at + 2,
        `${this.said(at, at + 2)} has no place in a session yet. It can be kept behind note:`,
      );
    if (massUnitAt(this.line.tokens, at + 1) !== null)
      return this.unread(at, at + 2, "A load belongs to sets, not to a distance.");
    const { distance } = this.line.context.printer.units;
    if (this.metres === null && this.repeats === null && (token.pair === null || token.decimals < 3)) {
      if (inMetres.has(this.kind) && isWhole(token) && token.value >= 100) {
        this.metres = token.value;
        return at + 1;
      }
      if (this.kind in believed && !inMetres.has(this.kind) && token.value > 0 && token.value <= 100) {
        this.metres = token.value * metresPer(distance);
        this.bare = { from: at, to: at + 1 };
        return at + 1;
      }
    }
    if (this.times.length === 0 && this.pace === null) {
      const clock =
        token.decimals === 2 && Number(text.slice(-2)) < 60
          ? [{ label: `${text.slice(0, -3)}:${text.slice(-2)}`, text: `${text.slice(0, -3)}:${text.slice(-2)}` }]
          : [];
      return this.unread(at, at + 1, `What is ${text}? A time is written 24:10, or 24 min.`, [
        ...clock,
        { label: `${text} min`, text: `${text} min` },
      ]);
    }
    return this.unread(
      at,
      at + 1,
      `What is ${text}? It has no unit, and the ${this.metres === null ? "time is" : "distance and the time are"} written already.`,
    );
  }

  /**
   * `marathon 3:45:00`, `half marathon`: the distance of a run, where no other is told. Exact by World Athletics' rule
   * (from memory).
   */
  #race(at: number): number | null {
    const half =
      isWord(this.token(at), "half") && isMark(this.token(at + 1), "-")
        ? at + 2
        : isWord(this.token(at), "half")
          ? at + 1
          : at;
    const whole = isWord(this.token(half), "marathon");
    if (
      (this.kind !== "run" && this.kind !== "row") ||
      this.metres !== null ||
      !(whole || (half === at && isWord(this.token(at), "hm")))
    )
      return null;
    const next = this.token(half + 1);
    if (next?.kind === "word" && !isWord(next, "race", "in")) return null;
    this.metres = half > at || !whole ? 21_097.5 : 42_195;
    return half + 1;
  }

  #words(at: number): number {
    const token = this.token(at)!;
    if (token.kind !== "word") return this.unread(at, at + 1, `"${this.said(at, at + 1)}" is not understood here.`);
    if (isWord(token, "on", "every", "off") && durationAt(this.line.tokens, at + 1) !== null)
      return this.unread(
        at,
        at + 2,
        `"${this.said(at, at + 2)}" is when the next piece began, and has no place in a session yet. It can be kept behind note:`,
      );
    const race = this.#race(at);
    if (race !== null) return race;
    if (purposes.includes(token.text) && this.purpose === null && !isWord(this.token(at + 1), "between")) {
      this.purpose = token.text === "intervals" ? "interval" : token.text;
      return at + 1;
    }
    if (kindWords[token.text] === this.kind) return at + 1;
    if (isWord(token, "at")) {
      const rate = this.#bareRate(at);
      if (rate !== null) return rate;
    }
    if (unplaced.has(token.text) && this.token(at + 1)?.kind === "number")
      return this.unread(
        at,
        at + 2,
        `${this.said(at, at + 2)} has no place in a session yet. It can be kept behind note:`,
      );
    if (idle.has(token.text) && (this.token(at + 1)?.kind !== "word" || isWord(this.token(at + 1), "the", "about")))
      return at + 1;
    let to = at;
    while (
      to < this.line.tokens.length &&
      (this.line.tokens[to]!.kind === "word" || isMark(this.line.tokens[to], "-", "'")) &&
      !(
        to > at &&
        ((purposes.includes(this.line.tokens[to]!.text) &&
          !isWord(this.line.tokens[to - 1], "not", "no", "never", "too")) ||
          isWord(this.line.tokens[to], "rpe", "effort", "rest", "pace", "split", "note"))
      )
    )
      to += 1;
    for (let place = at; place < to; place++) {
      const word = this.line.tokens[place]!;
      if (
        word.kind === "word" &&
        kindWords[word.text] !== undefined &&
        kindWords[word.text] !== this.kind &&
        !isWord(this.line.tokens[place - 1], "the", "a", "to", "from", "after", "before")
      )
        return this.unread(
          place,
          place + 1,
          `"${this.said(place, place + 1)}" is another activity. Write a semicolon between two things, or brackets around a note.`,
        );
      const meant =
        word.kind === "word" && word.text.length > 3
          ? slipOf(word.text, [...purposes, "rest", "pace", "split", "effort"])
          : null;
      if (meant !== null && !plainWords.has(word.text))
        return this.unread(place, place + 1, `"${this.said(place, place + 1)}" is not understood. Is ${meant} meant?`, [
          { label: meant, text: meant },
        ]);
    }
    const next = this.token(to);
    if (
      next !== undefined &&
      (next.kind === "number" || next.kind === "clock") &&
      !isWord(this.line.tokens[to - 1], "in", "for", "at", "rpe")
    ) {
      // What stands behind words and is understood by itself is no part of them.
      const amount = distanceAt(this.line.tokens, to) ?? durationAt(this.line.tokens, to);
      if (amount === null)
        return this.unread(
          at,
          to + 1,
          `"${this.said(at, to + 1)}" is not understood. A note with numbers is written behind note:`,
        );
    }
    const denial = denialIn(
      this.line.tokens,
      at,
      to,
      this.line.tokens.slice(0, at).every((one) => idle.has(one.text)),
    );
    if (denial !== null) return this.unread(at, to, denied(this.line.text.slice(denial.start, denial.end)));
    const end = isWord(this.line.tokens[to - 1], "in", "for", "at") && to - 1 > at ? to - 1 : to;
    this.note.push(this.said(at, end));
    return to;
  }
}
