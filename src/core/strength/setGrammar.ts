import { type At, distanceAt, durationAt, isMark, isWhole, isWord, massUnitAt } from "../entry/amounts";
import { isCross, isReps, isSets, type Load, type Reps, SetAmounts, setsBelieved, type WrittenSet } from "./setAmounts";

/** Sets read from some place on. `order`: how sure the order of its numbers is. */
export interface Group {
  from: number;
  to: number;
  sets: WrittenSet[];
}

/** Another way to read the same place. */
export interface Doubt {
  from: number;
  to: number;
  message: string;
  readings: { label: string; text: string }[];
}

/** From here on a number before a cross, with no load beside it, can be nothing but a load. */
const surelyLoad = 20;

/** Reads the groups of sets of one exercise. */
export class SetGrammar extends SetAmounts {
  /** The longest group that begins at a place; a doubt where it can be read in two ways; null where none begins. */
  at(from: number): { group: Group } | { doubt: Doubt } | null {
    const found = [
      this.#timed(from),
      this.#counted(from),
      this.#inWords(from),
      this.#loadFirst(from),
      this.#bareLoadFirst(from),
      this.#listThenLoad(from),
      this.#repsThenLoad(from),
      this.#bodyAlone(from),
    ].filter((one) => one !== null);
    const longest = Math.max(...found.map((one) => ("group" in one ? one.group.to : one.doubt.to)));
    return found.find((one) => ("group" in one ? one.group.to : one.doubt.to) === longest) ?? null;
  }

  #group(from: number, to: number, sets: WrittenSet[]): { group: Group } {
    return { group: { from, to, sets } };
  }

  /** `3x5`, `3x5 80 kg`, `3x5x80`, `3x5,5,4 80`, `2x5 80, 85`: sets by repetitions, then the load or the loads. */
  #counted(from: number): { group: Group } | { doubt: Doubt } | null {
    const first = this.token(from);
    if (!isWhole(first) || !isCross(this.token(from + 1)) || first.value === 0) return null;
    const list = this.repsListAt(from + 2, false);
    const single = this.repsAt(from + 2);
    const reps =
      list && list.value.length === first.value
        ? { value: list.value, to: list.to }
        : single
          ? { value: [single.value as Reps], to: single.to }
          : null;
    if (reps === null) return this.#repsByLoad(from);
    const clean = reps.value.map(omit);
    if (isCross(this.token(reps.to))) {
      const load = this.loadAt(reps.to + 1);
      if (load === null) return null;
      const third = this.token(reps.to + 1)!;
      const last = clean[0]!.reps!;
      const byCount = first.value <= setsBelieved;
      const byLoad = !this.isSure(reps.to + 1, load) && isWhole(third) && third.value <= setsBelieved;
      const text = (kg: string, count: number) => `${count}x${last} ${kg} ${this.defaultUnit}`;
      if (byCount && byLoad && third.value !== first.value)
        return {
          doubt: {
            from,
            to: load.to,
            message: "Which is the number of sets, which the load?",
            readings: [text(third.text, first.value), text(first.text, third.value)].map((one) => ({
              label: one,
              text: one,
            })),
          },
        };
      if (byCount) return this.#group(from, load.to, this.sets(first.value, clean, [load.value]));
      return byLoad
        ? this.#whichCount(from, { value: third.value, to: load.to }, last, `${first.text} ${this.defaultUnit}`)
        : null;
    }
    if (first.value > surelyLoad) return null;
    const to = isSets(this.token(reps.to)) ? reps.to + 1 : reps.to;
    const loads = this.loadsFor(first.value, to);
    if (loads === null && first.value > setsBelieved && this.measure === "load-reps") return null;
    if (
      loads === null &&
      this.measure === "load-reps" &&
      clean.length === 1 &&
      clean[0]!.reps! >= surelyLoad &&
      !clean[0]!.parts &&
      to === this.tokens.length
    ) {
      const [reps, kg] = [first.text, `${clean[0]!.reps} ${this.defaultUnit}`];
      return {
        doubt: {
          from,
          to,
          message: `Is ${clean[0]!.reps} the load, or are these repetitions without one?`,
          readings: [{ label: `one set of ${reps} at ${kg}`, text: `1x${reps} ${kg}` }],
        },
      };
    }
    if (
      loads === null &&
      this.measure === "load-reps" &&
      (isMark(this.token(to), ",") || this.token(to) === undefined) === false &&
      this.loadAt(this.connector(to)) !== null &&
      !isMark(this.token(to), "@")
    )
      return this.#group(from, to, this.sets(first.value, clean, []));
    if (first.value > setsBelieved) {
      const [count, amount] = [
        first.text,
        this.tokens
          .slice(from + 2, reps.to)
          .map(({ text }) => text)
          .join(""),
      ];
      return {
        doubt: {
          from,
          to: loads?.to ?? to,
          message: `Are ${count} sets meant? It can be read two ways.`,
          readings: [
            `${count} sets of ${amount}${loads ? ` at ${this.#spoken(loads.value[0]!)}` : ""}`,
            ...(this.measure === "load-reps"
              ? []
              : [`${amount} sets of ${count}${loads ? ` at ${this.#spoken(loads.value[0]!)}` : ""}`]),
          ].map((one) => ({ label: one, text: one })),
        },
      };
    }
    return this.#group(from, loads?.to ?? to, this.sets(first.value, clean, loads?.value ?? []));
  }

  #spoken({ value, unit, percent, bodyAlone, added }: Load): string {
    return bodyAlone
      ? "bw"
      : `${added && value >= 0 ? "+" : ""}${value}${percent ? " %" : ` ${unit ?? this.defaultUnit}`}`;
  }

  /** `5x105 kg`: repetitions by load, or sets of which the repetitions are not said. One is a single. */
  #repsByLoad(from: number): { group: Group } | { doubt: Doubt } | null {
    const first = this.token(from)!;
    const load = this.loadAt(from + 2);
    if (load === null || isCross(this.token(load.to)) || this.measure === "duration" || this.measure === "distance")
      return null;
    if (load.value.unit === null && !load.value.percent && !load.value.added && load.value.value % 1 === 0) return null;
    const spoken = this.#spoken(load.value);
    const plainly =
      first.value === 1 ||
      (first.value > setsBelieved &&
        first.value <= 30 &&
        (load.value.percent || load.value.added || load.value.value > 1.5 * first.value));
    if (plainly) return this.#group(from, load.to, [{ reps: first.value, load: load.value }]);
    if (first.value > setsBelieved) {
      const turned = `${first.text} ${load.value.unit ?? this.defaultUnit} x ${load.value.value}`;
      return {
        doubt: {
          from,
          to: load.to,
          message: "Which is the load, which the repetitions?",
          readings: [
            ...(load.value.value % 1 === 0 ? [{ label: turned, text: turned }] : []),
            { label: `${first.text} repetitions at ${spoken}`, text: `${spoken} x ${first.text}` },
          ],
        },
      };
    }
    return {
      doubt: {
        from,
        to: load.to,
        message: `${first.text} repetitions in one set, or ${first.text} sets? The repetitions of a set are not said.`,
        readings: [
          { label: `one set of ${first.text} at ${spoken}`, text: `1x${first.text} ${spoken}` },
          ...[5, 3, 1].map((reps) => ({
            label: `${first.text} sets of ${reps}`,
            text: `${first.text}x${reps} ${spoken}`,
          })),
        ],
      },
    };
  }

  /** `3 sets 8 8 7 60`: repetitions of each set and a load, or repetitions and a load for each set. */
  #loadOrLoads(from: number, sets: number, { value, to }: At<Reps[]>): Doubt | null {
    const numbers = value.map(({ reps }) => reps!);
    const areBare = value.every((one) => Object.keys(one).length === 1) && this.token(to)?.kind !== "number";
    if (sets < 2 || numbers.length !== sets + 1 || !areBare || numbers.slice(1, -1).some((one) => one >= surelyLoad))
      return null;
    const unit = this.defaultUnit;
    return {
      from,
      to,
      message: "Is the last number the load of all sets, or has each set a load of its own?",
      readings: [
        {
          label: `${numbers.slice(0, -1).join(", ")} at ${numbers.at(-1)} ${unit}`,
          text: `${numbers.slice(0, -1).join(",")} ${numbers.at(-1)} ${unit}`,
        },
        {
          label: `${numbers[0]} at ${numbers.slice(1).join(", ")} ${unit}`,
          text: numbers
            .slice(1)
            .map((load) => `${load} ${unit} x ${numbers[0]}`)
            .join(", "),
        },
      ],
    };
  }

  /** `3 sets of 5 at 80 kg`, `3 sets 8, 8, 7 60 kg`, `5 reps x 3 sets at 80`, `5 reps at 100 kg`. */
  #inWords(from: number): { group: Group } | { doubt: Doubt } | null {
    const first = this.token(from);
    if (isWhole(first) && isSets(this.token(from + 1)) && first.value > 0 && first.value <= 30) {
      let to = from + 2;
      if (isWord(this.token(to), "of") || isMark(this.token(to), "x", "@", ":", ",")) to += 1;
      const list = this.repsListAt(to, true);
      const doubt = list && this.#loadOrLoads(from, first.value, list);
      if (doubt) return { doubt };
      const single = this.repsAt(to);
      const reps =
        list && list.value.length === first.value
          ? list
          : single
            ? { value: [omit(single.value)], to: single.to }
            : null;
      if (reps === null) return null;
      const behind = isCross(this.token(reps.to)) ? reps.to + 1 : reps.to;
      const loads = this.loadsFor(first.value, behind);
      return this.#group(from, loads?.to ?? reps.to, this.sets(first.value, reps.value, loads?.value ?? []));
    }
    const reps = this.repsAt(from);
    if (reps === null || !reps.value.labelled) return null;
    let to = reps.to;
    if (isCross(this.token(to)) || isWord(this.token(to), "for") || isMark(this.token(to), ",")) to += 1;
    if (
      isWhole(this.token(to)) &&
      (isSets(this.token(to + 1)) ||
        (isCross(this.token(to - 1)) &&
          massUnitAt(this.tokens, to + 1) === null &&
          this.token(to)!.value <= setsBelieved &&
          !isCross(this.token(to + 1)) &&
          this.loadsFor(1, to + 1) !== null))
    ) {
      const count = this.token(to)!.value;
      to += isSets(this.token(to + 1)) ? 2 : 1;
      const loads = this.loadsFor(count, isCross(this.token(to)) ? to + 1 : to);
      return this.#group(from, loads?.to ?? to, this.sets(count, [omit(reps.value)], loads?.value ?? []));
    }
    const loads = this.loadsFor(
      1,
      isCross(this.token(reps.to)) || isWord(this.token(reps.to), "for") ? reps.to + 1 : reps.to,
    );
    if (loads === null) return this.#group(from, reps.to, [omit(reps.value)]);
    // `8 reps 60 kg x 3`, `8 reps 60 kg 3 sets`
    const count = this.#countAt(loads.to);
    return this.#group(from, count?.to ?? loads.to, this.sets(count?.value ?? 1, [omit(reps.value)], loads.value));
  }

  /** A count of sets behind a set: `x 3`, `x 3 sets`, `3 sets`, `for 3 sets`. */
  #countAt(at: number): At<number> | null {
    const to = isCross(this.token(at)) || isWord(this.token(at), "for") || isMark(this.token(at), ",") ? at + 1 : at;
    const count = this.token(to);
    if (!isWhole(count) || count.value < 1) return null;
    if (isSets(this.token(to + 1)) && count.value <= 30) return { value: count.value, to: to + 2 };
    const crossed =
      isCross(this.token(at)) &&
      massUnitAt(this.tokens, to + 1) === null &&
      !isCross(this.token(to + 1)) &&
      !isReps(this.token(to + 1));
    return crossed && count.value <= 30 ? { value: count.value, to: to + 1 } : null;
  }

  /** `80 kg x 5`, `80 kg 3x5`, `80 kg: 5, 5, 4`, `60/70/80 kg x 5`, `bw+10 x 5`, `75% x 3`. */
  #loadFirst(from: number): { group: Group } | { doubt: Doubt } | null {
    const one = this.loadAt(from);
    const listed = this.loadsAt(from, true);
    const crossing = isCross(this.token(listed.to)) || isWord(this.token(listed.to), "for");
    const loads =
      listed.value.length > 1 && crossing
        ? listed
        : one && this.isSure(from, one)
          ? { value: [one.value], to: one.to }
          : null;
    if (loads === null) return null;
    const many = loads.value.length;
    const told =
      isCross(this.token(loads.to)) ||
      isWord(this.token(loads.to), "for") ||
      isMark(this.token(loads.to), ":", "=", "-", ",", "@", "/") ||
      isWord(this.token(loads.to), "of");
    const crossed =
      isCross(this.token(loads.to)) || isWord(this.token(loads.to), "for") || isMark(this.token(loads.to), ":");
    const at = told ? loads.to + 1 : loads.to;
    if (many === 1) {
      // sets by repetitions behind the load
      const counted =
        isWhole(this.token(at)) && (isCross(this.token(at + 1)) || isSets(this.token(at + 1)))
          ? this.#plainCounted(at)
          : null;
      if (counted && !(isCross(this.token(loads.to)) && isCross(this.token(at + 1))))
        return this.#group(
          from,
          counted.to,
          counted.value.map((set) => ({ ...set, load: loads.value[0]! })),
        );
    }
    if (isMark(this.token(loads.to), ",", "-", "@") && many === 1) {
      const labelled = this.repsAt(at);
      if (labelled === null || !labelled.value.labelled) return null;
    }
    const list = this.repsListAt(at, many === 1 && crossed === false ? true : crossed);
    const single = this.repsAt(at);
    if (single === null && list === null) return null;
    if (list !== null && list.value.length > 1) {
      if (many > 1 && many !== list.value.length) return null;
      return this.#group(from, list.to, this.sets(list.value.length, list.value, loads.value));
    }
    if (single === null) return null;
    if (!crossed && !single.value.labelled && !single.value.parts) {
      if (at !== loads.to || this.loadsFor(1, single.to) !== null) return null;
      const spoken = this.#spoken(loads.value[0]!);
      return {
        doubt: {
          from,
          to: single.to,
          message: `Are ${single.value.reps} repetitions or sets meant?`,
          readings: [{ label: `${spoken} x ${single.value.reps}`, text: `${spoken} x ${single.value.reps}` }],
        },
      };
    }
    if (many > 1) return this.#group(from, single.to, this.sets(many, [omit(single.value)], loads.value));
    const count = this.#countAt(single.to);
    if (count && !single.value.labelled && !isSets(this.token(count.to - 1)))
      return this.#whichCount(from, count, single.value.reps!, this.#spoken(loads.value[0]!));
    return this.#group(from, count?.to ?? single.to, this.sets(count?.value ?? 1, [omit(single.value)], loads.value));
  }

  /** `100 kg x 5 x 3`: which of the two is the number of sets? */
  #whichCount(
    from: number,
    count: At<number>,
    reps: number,
    spoken: string,
  ): { group: Group } | { doubt: Doubt } | null {
    const load = this.loadAt(from)!.value;
    if (reps === count.value) return this.#group(from, count.to, this.sets(reps, [{ reps }], [load]));
    const text = (sets: number, of: number) => `${sets}x${of} ${spoken}`;
    return {
      doubt: {
        from,
        to: count.to,
        message: "Which is the number of sets, which the repetitions?",
        readings: [
          { label: `${count.value} sets of ${reps}`, text: text(count.value, reps) },
          { label: `${reps} sets of ${count.value}`, text: text(reps, count.value) },
        ],
      },
    };
  }

  /** Sets by repetitions with nothing said of a load: `3x5`, `3x5,5,4`, `3 sets of 5`. */
  #plainCounted(at: number): At<WrittenSet[]> | null {
    const count = this.token(at)!.value;
    if (count < 1 || count > 30) return null;
    const from =
      isWord(this.token(at + 2), "of") || (isSets(this.token(at + 1)) && isMark(this.token(at + 2), "x", ":"))
        ? at + 3
        : at + 2;
    const list = this.repsListAt(from, false);
    if (list && list.value.length === count) return { value: this.sets(count, list.value, []), to: list.to };
    const single = this.repsAt(from);
    return single === null || isCross(this.token(single.to))
      ? null
      : { value: this.sets(count, [omit(single.value)], []), to: single.to };
  }

  /**
   * `100x5`, `100 x 5, 5, 4`, `100x5x3`, `100 3x5`, `100 for 5`: a load without its unit, where nothing else can be
   * meant.
   */
  #bareLoadFirst(from: number): { group: Group } | { doubt: Doubt } | null {
    const first = this.token(from);
    if (!isWhole(first) || this.measure === "duration" || this.measure === "distance") return null;
    const load: Load = { value: first.value, unit: null, percent: false, added: false, bodyAlone: false };
    const then = this.token(from + 1);
    const behind = isMark(then, ":", "@") || isWord(then, "for") ? from + 2 : from + 1;
    if (isMark(then, ":") && this.measure === "load-reps" && first.value >= surelyLoad) {
      const listed = this.repsListAt(from + 2, true);
      if (listed && listed.to > from + 3)
        return this.#group(from, listed.to, this.sets(listed.value.length, listed.value, [load]));
    }
    if (
      isWhole(then) &&
      this.measure === "load-reps" &&
      first.value >= surelyLoad &&
      !isCross(this.token(from + 2)) &&
      !isSets(this.token(from + 2))
    ) {
      const listed = this.repsListAt(from + 1, true);
      if (listed && listed.to === this.tokens.length && listed.value.every(({ reps }) => reps! < surelyLoad)) {
        const marked = this.tokens
          .slice(from + 1, listed.to)
          .some((token) => isMark(token, ",", "/") || token.pair !== null);
        if (marked && listed.value.length > 1)
          return this.#group(from, listed.to, this.sets(listed.value.length, listed.value, [load]));
        const text = `${first.text} ${this.defaultUnit} x ${listed.value.map(({ reps }) => reps).join(", ")}`;
        return {
          doubt: {
            from,
            to: listed.to,
            message: `Is ${first.text} the load, and are the others repetitions?`,
            readings: [{ label: text, text }],
          },
        };
      }
    }
    if (
      isWhole(this.token(behind)) &&
      (isCross(this.token(behind + 1)) || isSets(this.token(behind + 1))) &&
      this.measure === "load-reps"
    ) {
      const counted = this.#plainCounted(behind);
      if (
        counted &&
        this.token(behind)!.value <= setsBelieved &&
        this.loadsFor(counted.value.length, counted.to) === null
      )
        return this.#group(
          from,
          counted.to,
          counted.value.map((set) => ({ ...set, load })),
        );
    }
    if (!(isCross(then) || isWord(then, "for"))) return null;
    const list = this.repsListAt(from + 2, true);
    const single = this.repsAt(from + 2);
    if (single === null && list === null) return null;
    if (first.value <= setsBelieved && !isWord(then, "for")) return null;
    const reps =
      list !== null && list.value.length > 1
        ? list
        : single === null
          ? list!
          : { value: [omit(single.value)], to: single.to };
    if (first.value <= setsBelieved && reps.value[0]!.reps! > first.value) return null;
    const count = reps.value.length > 1 ? null : this.#countAt(reps.to);
    const to = count?.to ?? reps.to;
    if (count && !isSets(this.token(count.to - 1)) && single?.value.labelled !== true)
      return this.measure === "load-reps"
        ? this.#whichCount(from, count, reps.value[0]!.reps!, `${first.text} ${this.defaultUnit}`)
        : null;
    const sets = this.sets(count?.value ?? reps.value.length, reps.value, [load]);
    if (this.measure === "load-reps" && first.value >= surelyLoad) return this.#group(from, to, sets);
    if (this.measure !== "load-reps") return null;
    const text = `${first.text} ${this.defaultUnit} x ${this.tokens
      .slice(from + 2, to)
      .map(({ text: one, glued }) => (glued ? one : ` ${one}`))
      .join("")
      .trim()}`;
    return {
      doubt: {
        from,
        to,
        message: `Is ${first.text} the load? It can be read two ways.`,
        readings: [{ label: text, text }],
      },
    };
  }

  /** `5,5,4 80`, `5/5/4 at 80 kg`. */
  #listThenLoad(from: number): { group: Group } | { doubt: Doubt } | null {
    const list = this.repsListAt(from, false);
    if (list === null || list.value.length < 2) return this.#spacedList(from);
    const at = isCross(this.token(list.to)) ? list.to + 1 : list.to;
    const loads = this.loadsFor(list.value.length, at);
    if (loads !== null) return this.#group(from, loads.to, this.sets(list.value.length, list.value, loads.value));
    return this.measure === "load-reps"
      ? null
      : this.#group(from, list.to, this.sets(list.value.length, list.value, []));
  }

  /** `5 5 5 100`, `8 7 6`: numbers with nothing but blanks between are asked about. */
  #spacedList(from: number): { doubt: Doubt } | null {
    const list = this.repsListAt(from, true);
    if (list === null || list.value.length < 2 || list.to !== this.tokens.length) return null;
    const reps = list.value.map((one) => one.reps!);
    const last = this.measure === "load-reps" ? reps.pop()! : null;
    if (reps.length < 2 || reps.some((one) => one > 50) || (last !== null && last < surelyLoad)) return null;
    const text = `${reps.join(", ")}${last === null ? "" : ` ${last} ${this.defaultUnit}`}`;
    return {
      doubt: {
        from,
        to: list.to,
        message: "Are these the repetitions of one set after another?",
        readings: [{ label: text, text }],
      },
    };
  }

  /** `5 @ 100`, `5 at 100 kg`: one set. */
  #repsThenLoad(from: number): { group: Group } | null {
    const reps = this.repsAt(from);
    if (
      reps === null ||
      !(isMark(this.token(reps.to), "@") || isWord(this.token(reps.to), "at", "with") || reps.value.parts)
    )
      return null;
    const loads = this.loadsFor(1, reps.to);
    return loads && this.#group(from, loads.to, this.sets(1, [omit(reps.value)], loads.value));
  }

  /** `30`, `20, 15, 12`, `8 +10 kg` of a movement with the body's own weight. */
  #bodyAlone(from: number): { group: Group } | null {
    if (this.measure !== "bodyweight-reps" && this.measure !== "assisted-reps") return null;
    const single = this.repsAt(from);
    if (single === null || isCross(this.token(single.to)) || isSets(this.token(single.to))) return null;
    const loads = this.loadsFor(1, single.to);
    return this.#group(from, loads?.to ?? single.to, this.sets(1, [omit(single.value)], loads?.value ?? []));
  }

  /** Holds and carries: `3x40 s`, `60 s`, `1:30, 1:00`, `4x40 m 32 kg`. */
  #timed(from: number): { group: Group } | null {
    const crossed =
      isWhole(this.token(from)) &&
      (isCross(this.token(from + 1)) ||
        (isSets(this.token(from + 1)) && (isWord(this.token(from + 2), "of") || isCross(this.token(from + 2)))));
    const count = crossed ? this.token(from)!.value : 1;
    const start = crossed ? (isCross(this.token(from + 1)) ? from + 2 : from + 3) : from;
    if (count < 1 || count > 30) return null;
    const heavy = crossed ? null : this.loadAt(from);
    const loaded = heavy !== null && heavy.value.unit !== null ? heavy : null;
    const at = loaded
      ? isCross(this.token(loaded.to)) || isWord(this.token(loaded.to), "for")
        ? loaded.to + 1
        : loaded.to
      : start;
    if (loaded && isWhole(this.token(at)) && isCross(this.token(at + 1))) {
      const counted = this.#timed(at);
      return counted && counted.group.sets.every(({ load }) => load === undefined)
        ? this.#group(
            from,
            counted.group.to,
            counted.group.sets.map((set) => ({ ...set, load: loaded.value })),
          )
        : null;
    }
    const amounts: WrittenSet[] = [];
    let to = at;
    for (let next = at; ;) {
      const one = this.#amountAt(next, crossed);
      if (one === null) break;
      amounts.push(one.value);
      to = one.to;
      if (!(isMark(this.token(to), ",", "/") || isWord(this.token(to), "and"))) break;
      next = to + 1;
    }
    if (amounts.length === 0 || (crossed && amounts.length > 1 && amounts.length !== count)) return null;
    const after = !crossed && amounts.length === 1 ? this.#countAt(to) : null;
    const many = crossed ? count : (after?.value ?? amounts.length);
    to = after?.to ?? to;
    const behind = loaded ? null : this.#heldWith(to);
    const load = loaded?.value ?? behind?.value;
    return this.#group(
      from,
      behind?.to ?? to,
      Array.from({ length: many }, (_, index) => ({ ...(amounts[index] ?? amounts[0]!), ...(load ? { load } : {}) })),
    );
  }

  /** A load carried or held, which must say that it is one. */
  #heldWith(at: number): At<Load> | null {
    const from = this.connector(at);
    const load = this.loadAt(from);
    const carried =
      load !== null && this.measure === "distance" && load.value.value >= 5 && load.to === this.tokens.length;
    return load && (carried || this.isSure(from, load)) && !load.value.percent && !isCross(this.token(load.to))
      ? load
      : null;
  }

  #amountAt(at: number, crossed: boolean): At<WrittenSet> | null {
    const time = durationAt(this.tokens, at);
    if (time && Number.isFinite(time.value) && time.value > 0) return { value: { seconds: time.value }, to: time.to };
    const number = this.token(at);
    const far = this.measure === "duration" ? null : distanceAt(this.tokens, at);
    if (far !== null) return { value: { metres: far.value }, to: far.to };
    if (
      crossed &&
      isWhole(number) &&
      (this.measure === "duration" || this.measure === "distance") &&
      massUnitAt(this.tokens, at + 1) === null
    )
      return { value: this.measure === "duration" ? { seconds: number.value } : { metres: number.value }, to: at + 1 };
    return null;
  }
}

function omit({ labelled: _, ...reps }: Reps & { labelled?: boolean }): Reps {
  return reps;
}
