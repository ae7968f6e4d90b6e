import { type Day, mustDay, type Weekday } from "../base/calendar/day";
import { memo, memoByKey } from "../base/memo";
import { compare } from "../base/text";
import { Printer, type Units, unitsOf } from "../base/units/printer";
import type { Person, Settings } from "./kinds/people";
import type { Log } from "./log";
import type { LogIndex } from "./logIndex";
import type { OwnedKind, RecordOf } from "./records";

/**
 * One person's log as of one day: what every figure is asked of. It holds who is asked about and what they have
 * settled; what is computed stands in the slices of the domains, each kept as long as this is.
 */
export class AsOf {
  readonly #settings: () => Settings;
  readonly #units: () => Units;
  readonly #printer: () => Printer;
  readonly #weekStart: () => Weekday;

  constructor(
    readonly log: Log,
    readonly personId: string,
    /** The day asked about: nothing dated later is read as performed, weighed or eaten. */
    readonly on: Day,
  ) {
    this.#settings = memo(log.index, () => this.person.settings ?? {});
    this.#units = memo(log.index, () => unitsOf(this.person.units));
    this.#printer = memo(log.index, () => new Printer(this.units));
    this.#weekStart = memo(log.index, () => (this.person.weekStart ?? 1) as Weekday);
  }

  get index(): LogIndex {
    return this.log.index;
  }
  get person(): Person {
    return this.index.all("people").get(this.personId)!;
  }
  get settings(): Settings {
    return this.#settings();
  }
  /** Units apart from the other settings: a change of those leaves what rests on these. */
  get units(): Units {
    return this.#units();
  }
  get printer(): Printer {
    return this.#printer();
  }
  get weekStart(): Weekday {
    return this.#weekStart();
  }

  /** The person's records of a kind, in no order. */
  own<K extends OwnedKind>(kind: K): RecordOf<K>[] {
    return ([...this.index.all(kind).values()] as RecordOf<K>[]).filter(({ personId }) => personId === this.personId);
  }
}

/**
 * What one domain computes of a person on a day. Each value is worked out when first asked for and kept until what it
 * rests on changes: a set changed in one session computes that day, its week and its lift again, and nothing else. Sums
 * always run in the order of the days, so a figure brought up to date has the bits of one computed afresh.
 */
export abstract class Slice {
  constructor(protected readonly asOf: AsOf) {}

  /** A kept value, as a function that gives it. */
  protected kept<T>(compute: () => T): () => T {
    return memo(this.asOf.index, compute);
  }

  /** Kept values by key. */
  protected keptBy<K, T>(compute: (key: K) => T): (key: K) => T {
    return memoByKey(this.asOf.index, compute);
  }
}

/** Records that count from a day on, in order of that day, those of one day by id. */
export function byBeginning<F extends string>(field: F) {
  type Begun = Record<F, string> & { id: string };
  return (a: Begun, b: Begun): number => compare(a[field], b[field]) || compare(a.id, b.id);
}

/** Records in order of their dates, those of one day by id. */
export const byDateAndId = byBeginning("date");

/** The day of a record. */
export const dayOfRecord = ({ date }: { date: string }): Day => mustDay(date);
