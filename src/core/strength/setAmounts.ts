import { byWord } from "../base/byWord";
import type { MassUnit } from "../base/units/mass";
import { type At, isMark, isWhole, isWord, massUnitAt } from "../entry/amounts";
import type { Token } from "../entry/tokens";
import type { Exercise } from "../log/kinds/exercises";

/** A load as it was written. */
export interface Load {
  value: number;
  unit: MassUnit | null;
  percent: boolean;
  /** On top of the body's own weight (`bw`, `bw + 10`, `+10`). */
  added: boolean;
  /** The body alone. */
  bodyAlone: boolean;
}

/** One set as it was written; what was not said is absent. */
export interface WrittenSet {
  reps?: number;
  seconds?: number;
  metres?: number;
  parts?: readonly { reps: number; load?: Load }[];
  failed?: boolean;
  asManyAsPossible?: boolean;
  load?: Load;
}

/** More sets than this in one go are not believed: a load without its unit is meant. */
export const setsBelieved = 12;
export type Reps = Pick<WrittenSet, "reps" | "parts" | "failed" | "asManyAsPossible">;

export const isCross = (token: Token | undefined) => isMark(token, "x") || isWord(token, "times", "by");
export const isSets = (token: Token | undefined) => isWord(token, "set", "sets");
export const isReps = (token: Token | undefined) => isWord(token, "rep", "reps", "repetition", "repetitions");
const countWords: Readonly<Record<string, number>> = byWord({
  single: 1,
  singles: 1,
  double: 2,
  doubles: 2,
  triple: 3,
  triples: 3,
});

/** Reads the numbers of a line of sets: loads, repetitions, and lists of both. */
export class SetAmounts {
  constructor(
    readonly tokens: readonly Token[],
    readonly measure: NonNullable<Exercise["measure"]>,
    readonly defaultUnit: MassUnit,
  ) {}

  protected token(at: number): Token | undefined {
    return this.tokens[at];
  }

  /** `80`, `80 kg`, `+10`, `-20 kg`, `bw`, `bw+10 kg`, `75%`. */
  loadAt(at: number): At<Load> | null {
    const [first, second] = [this.token(at), this.token(at + 1)];
    const body = isWord(first, "bw", "bodyweight") ? 1 : isWord(first, "body") && isWord(second, "weight") ? 2 : 0;
    if (body > 0) {
      const extra = isMark(this.token(at + body), "+", "-") ? this.loadAt(at + body) : null;
      return extra
        ? { value: { ...extra.value, added: true, bodyAlone: false }, to: extra.to }
        : { value: { value: 0, unit: null, percent: false, added: true, bodyAlone: true }, to: at + body };
    }
    const sign = isMark(first, "+", "-") ? first!.text : null;
    const number = this.token(sign === null ? at : at + 1);
    if (number?.kind !== "number" || (sign !== null && !number.glued && (sign === "-" || first!.glued))) return null;
    if (isListPair(number)) return null;
    let to = at + (sign === null ? 1 : 2);
    const value = sign === "-" ? -number.value : number.value;
    if (isMark(this.token(to), "%")) {
      to += 1;
      if (isWord(this.token(to), "of")) to += 1;
      if (isWholeOf(this.token(to), 1) && isWord(this.token(to + 1), "rm")) to += 2;
      else if (isWord(this.token(to), "max", "e1rm", "tm")) to += 1;
      return { value: { value, unit: null, percent: true, added: false, bodyAlone: false }, to };
    }
    const unit = massUnitAt(this.tokens, to);
    return {
      value: { value, unit, percent: false, added: sign !== null, bodyAlone: false },
      to: unit === null ? to : to + 1,
    };
  }

  /** Whether a load says itself that it is one. */
  protected isSure(at: number, { value }: At<Load>): boolean {
    return value.unit !== null || value.percent || value.added || value.value % 1 !== 0 || this.token(at)?.pair != null;
  }

  /** Loads listed: `60, 70, 80 kg`, `60/70/80`, `60 70 80`. A unit behind the last is that of all. */
  loadsAt(at: number, upToCross = false): At<Load[]> {
    const loads: Load[] = [];
    let to = at;
    for (let next = at; ;) {
      const pair = this.token(next)?.pair;
      const one = this.loadAt(next);
      if (one === null && pair != null && isListPair(this.token(next)!)) {
        const unit = massUnitAt(this.tokens, next + 1);
        loads.push(...pair.map((value) => ({ value, unit, percent: false, added: false, bodyAlone: false })));
        to = unit === null ? next + 1 : next + 2;
      } else if (
        one !== null &&
        !(
          loads.length > 0 &&
          this.#beginsGroup(one.to) &&
          !(upToCross && isCross(this.token(one.to)) && !this.#isCount(next, one))
        )
      ) {
        loads.push(one.value);
        to = one.to;
      } else break;
      next = isMark(this.token(to), ",", "/", ">") || isWord(this.token(to), "and", "then") ? to + 1 : to;
    }
    const last = loads.at(-1);
    if (
      last !== undefined &&
      loads.slice(0, -1).every(({ unit, percent, added }) => unit === null && !percent && !added)
    )
      for (const load of loads) {
        load.unit = last.unit;
        load.percent = last.percent;
      }
    return { value: loads, to };
  }

  /** Whether a number before a cross may be a number of sets. */
  #isCount(at: number, load: At<Load>): boolean {
    return !this.isSure(at, load) && load.value.value <= setsBelieved;
  }

  /** Whether what stands at a place makes the number before it the first of a group. */
  #beginsGroup(at: number): boolean {
    const token = this.token(at);
    return (
      isCross(token) ||
      isWord(token, "for") ||
      isSets(token) ||
      isReps(token) ||
      isMark(token, ":") ||
      (isMark(token, "@") && !this.#isEffortAt(at)) ||
      this.#isEffort(at) ||
      isWord(token, "s", "sec", "secs", "min") ||
      isMark(token, "'")
    );
  }

  /** Whether `@` stands before an effort and not before a load. */
  #isEffortAt(at: number): boolean {
    const number = this.token(at + 1);
    if (isMark(this.token(at), "@") && isWord(number, "rpe", "rir")) return true;
    return (
      isMark(this.token(at), "@") &&
      number?.kind === "number" &&
      number.value <= 10 &&
      massUnitAt(this.tokens, at + 2) === null &&
      !isMark(this.token(at + 2), "%")
    );
  }

  /** Whether the number before a place is an effort (`8 rpe`), and not followed by one (`80 rpe 8`). */
  #isEffort(at: number): boolean {
    return (
      isWord(this.token(at), "rpe", "rir") &&
      this.token(at - 1)!.value <= 10 &&
      this.token(at + 1)?.kind !== "number" &&
      !isMark(this.token(at + 1), ":", "@")
    );
  }

  /** Repetitions of one set: `5`, `5 reps`, `5f`, `6+3+2`, `amrap 12`, `12 amrap`, `single`. */
  repsAt(at: number): At<Reps & { labelled: boolean }> | null {
    const first = this.token(at);
    if (first?.kind === "word" && countWords[first.text] !== undefined && !/s$/.test(first.text))
      return { value: { reps: countWords[first.text]!, labelled: true }, to: at + 1 };
    if (isWord(first, "amrap", "max")) {
      let to = at + 1;
      if (isReps(this.token(to))) to += 1;
      if (isMark(this.token(to), ":", "=", "-", "x")) to += 1;
      const reps = this.repsAt(to);
      return reps && !reps.value.asManyAsPossible
        ? { value: { ...reps.value, asManyAsPossible: true, labelled: true }, to: reps.to }
        : null;
    }
    if (!isWhole(first)) return null;
    const parts: { reps: number }[] = [];
    let to = at + 1;
    while (
      isMark(this.token(to), "+") &&
      this.token(to)!.glued &&
      isWhole(this.token(to + 1)) &&
      this.token(to + 1)!.glued &&
      massUnitAt(this.tokens, to + 2) === null &&
      !isCross(this.token(to + 2))
    ) {
      parts.push({ reps: this.token(to + 1)!.value });
      to += 2;
    }
    const failed = isWord(this.token(to), "f") && this.token(to)!.glued;
    if (failed) to += 1;
    const labelled = isReps(this.token(to)) || (isWord(this.token(to), "r") && this.token(to)!.glued);
    if (labelled) to += 1;
    const most = isWord(this.token(to), "amrap");
    if (most) to += 1;
    if (
      massUnitAt(this.tokens, to) !== null ||
      isMark(this.token(to), "%", '"') ||
      isWord(this.token(to), "s", "sec", "secs", "seconds", "min", "mins", "minutes", "m", "km", "rm") ||
      this.#isEffort(to)
    )
      return null;
    return {
      value: {
        reps: first.value,
        labelled: labelled || most || failed,
        ...(parts.length > 0 ? { parts } : {}),
        ...(failed ? { failed } : {}),
        ...(most ? { asManyAsPossible: true } : {}),
      },
      to,
    };
  }

  /** Repetitions of one set after another: `5,5,4`, `5/5/4`, `5-5-4`, and with `spaces` also `5 5 4`. */
  repsListAt(at: number, spaces: boolean): At<Reps[]> | null {
    const list: Reps[] = [];
    let to = at;
    let marks = "";
    for (let next = at; ;) {
      const pair = this.token(next)?.pair;
      if (pair != null) {
        if (massUnitAt(this.tokens, next + 1) !== null || isMark(this.token(next + 1), "%")) break;
        list.push({ reps: pair[0] }, { reps: pair[1] });
        marks += ",";
        to = next + 1;
      } else {
        const one = this.repsAt(next);
        if (one === null || (list.length > 0 && this.#beginsAnother(one.to))) break;
        const { labelled: _, ...reps } = one.value;
        list.push(reps);
        to = one.to;
      }
      const separator = this.token(to);
      if (
        isMark(separator, ",", "/") ||
        (isMark(separator, "-") && separator!.glued && this.token(to + 1)?.glued === true) ||
        (list.length > 0 && isWord(separator, "and", "then") && this.token(to + 1)?.kind === "number")
      ) {
        marks += separator!.text;
        next = to + 1;
      } else if (spaces && this.token(to)?.kind === "number" && !this.token(to)!.glued) {
        marks += " ";
        next = to;
      } else break;
    }
    // Two numbers with a dash between are a range, not two sets.
    return list.length === 0 || (marks === "-" && list.length === 2) ? null : { value: list, to };
  }

  #beginsAnother(at: number): boolean {
    return isCross(this.token(at)) || isSets(this.token(at)) || isWord(this.token(at), "for") || this.#isEffort(at);
  }

  /** What stands between sets and their load. */
  protected connector(at: number): number {
    const dash = isMark(this.token(at), "-") && this.token(at + 1)?.glued !== true;
    return dash ||
      isMark(this.token(at), "@", ":", ",", "=", "/") ||
      isWord(this.token(at), "at", "with", "of", "on", "using")
      ? at + 1
      : isWord(this.token(at), "w") && isMark(this.token(at + 1), "/")
        ? at + 2
        : at;
  }

  /**
   * A load, or one for each set, from a place on, behind whatever joins it to the sets. Null where there is none that
   * fits.
   */
  protected loadsFor(count: number, at: number): At<Load[]> | null {
    const from = this.connector(at);
    if (this.#isEffortAt(at)) return null;
    const list = this.loadsAt(from);
    if (list.value.length === count && count > 1) return list;
    const one = this.loadAt(from);
    if (
      one === null ||
      this.#beginsGroup(one.to) ||
      (this.token(from) !== undefined &&
        isMark(this.token(at), ",") &&
        isWhole(this.token(from)) &&
        !this.isSure(from, one) &&
        this.measure !== "load-reps")
    )
      return null;
    if (
      !this.isSure(from, one) &&
      this.measure !== "load-reps" &&
      !isMark(this.token(at), "@") &&
      !isWord(this.token(at), "at", "with")
    )
      return null;
    return { value: [one.value], to: one.to };
  }

  protected sets(count: number, reps: readonly Reps[], loads: readonly Load[]): WrittenSet[] {
    return Array.from({ length: count }, (_, index) => {
      const load = loads.length > 1 ? loads[index] : loads[0];
      return { ...(reps.length > 1 ? reps[index] : reps[0]), ...(load ? { load } : {}) };
    });
  }
}

function isWholeOf(token: Token | undefined, value: number): boolean {
  return isWhole(token) && token.value === value;
}

/** Whether `60,70` is two loads: 70 hundredths are no load's decimals. */
function isListPair({ pair, decimals }: Token): boolean {
  return pair !== null && (decimals === 3 || (decimals === 2 && pair[1] >= 20 && ![25, 50, 75].includes(pair[1])));
}
