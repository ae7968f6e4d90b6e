import { type Day, mustDay } from "../base/calendar/day";
import { type Clock, Dependency, track } from "../base/memo";
import { type DatedKind, isDated } from "./kinds/all";
import type { AnyRecord, RecordKind, RecordOf } from "./records";

interface Dated {
  id: string;
  personId: string;
  date: string;
  time?: string | null;
}

/**
 * A log's records by person and day, brought up to date with every record written. Whoever reads here while a figure is
 * being computed is noted as depending on exactly what was read, so that the figure is computed again when that has
 * changed, and only then.
 */
export class LogIndex implements Clock {
  #version = 0;
  readonly #kinds = new Map<RecordKind, Dependency>();
  readonly #dated = new Map<DatedKind, Map<string, PersonDays>>();

  constructor(private readonly records: { readonly [K in RecordKind]: ReadonlyMap<string, RecordOf<K>> }) {}

  /** How many records were ever written or removed: the log's own clock. */
  get version(): number {
    return this.#version;
  }

  /** All records of a kind, by id. */
  all<K extends RecordKind>(kind: K): ReadonlyMap<string, RecordOf<K>> {
    track(this.#kind(kind));
    return this.records[kind];
  }

  /** A person's records of one day, in order of time and id. */
  on<K extends DatedKind>(kind: K, personId: string, day: Day): readonly RecordOf<K>[] {
    return this.#person(kind, personId).on(day) as unknown as readonly RecordOf<K>[];
  }

  /** The days on which a person has records of a kind, in order. */
  days(kind: DatedKind, personId: string): readonly Day[] {
    return this.#person(kind, personId).days();
  }

  /** The buckets of days in which a person has records of a kind, in order. */
  buckets(kind: DatedKind, personId: string): readonly number[] {
    return this.#person(kind, personId).buckets();
  }

  /**
   * Takes records up while a log is read that nobody has asked yet: then they are at hand, later each would have to be
   * fetched again.
   */
  fill(kind: RecordKind, records: readonly AnyRecord[]): void {
    if (isDated(kind)) fill(this.#people(kind), records as unknown as readonly Dated[], this);
  }

  /** Notes that a record was written, replaced or removed. */
  changed(kind: RecordKind, before: AnyRecord | undefined, after: AnyRecord | undefined): void {
    this.#version += 1;
    const part = this.#kinds.get(kind);
    if (part !== undefined) part.changed = this.#version;
    const people = this.#dated.get(kind as DatedKind);
    if (people === undefined) return;
    const [old, now] = [before, after] as unknown as [Dated | undefined, Dated | undefined];
    const moved = old?.personId !== now?.personId || old?.date !== now?.date;
    if (old !== undefined && moved) personDays(people, old.personId, this).remove(old);
    if (now !== undefined) personDays(people, now.personId, this).write(now);
  }

  #kind(kind: RecordKind): Dependency {
    const part = this.#kinds.get(kind) ?? new Dependency(this.#version);
    this.#kinds.set(kind, part);
    return part;
  }

  #person(kind: DatedKind, personId: string): PersonDays {
    return personDays(this.#people(kind), personId, this);
  }

  #people(kind: DatedKind): Map<string, PersonDays> {
    let people = this.#dated.get(kind);
    if (people !== undefined) return people;
    people = new Map();
    this.#dated.set(kind, people);
    fill(people, this.records[kind].values() as Iterable<Dated>, this);
    return people;
  }
}

function fill(people: Map<string, PersonDays>, records: Iterable<Dated>, clock: Clock): void {
  let of = "";
  let days: PersonDays | null = null;
  for (const record of records) {
    if (days === null || record.personId !== of) days = personDays(people, (of = record.personId), clock);
    days.fill(record);
  }
}

function personDays(people: Map<string, PersonDays>, personId: string, clock: Clock): PersonDays {
  let days = people.get(personId);
  if (days === undefined) people.set(personId, (days = new PersonDays(clock)));
  return days;
}

/**
 * Days stand together in buckets: whoever reads a day depends on its bucket, so a sum over twenty years rests on some
 * hundred parts, not on thousands.
 */
export const bucketDays = 56;

/** The bucket that holds a day. */
export function bucketOf(day: Day): number {
  return Math.floor(day / bucketDays);
}

/** The days of a bucket, in order. */
export function daysOfBucket(bucket: number): Day[] {
  const days: Day[] = [];
  for (let day = bucket * bucketDays; day < (bucket + 1) * bucketDays; day++) days.push(day);
  return days;
}

class PersonDays {
  /** Days that have records. */
  readonly #byDay = new Map<Day, { records: Dated[]; sorted: boolean }>();
  readonly #buckets = new Map<number, Dependency>();
  /** Days with records, in order once asked for; null while that must be found again. */
  #days: Day[] | null = null;
  #bucketList: number[] | null = null;
  readonly #part: Dependency;
  /** The day filled last: records that follow one another are mostly of one day. */
  #filled: { date: string; records: Dated[] } | null = null;

  constructor(private readonly clock: Clock) {
    this.#part = new Dependency(clock.version);
  }

  on(day: Day): readonly Dated[] {
    track(this.#bucket(day));
    const held = this.#byDay.get(day);
    if (held === undefined) return none;
    if (!held.sorted) {
      if (held.records.length > 1) held.records.sort(byTime);
      held.sorted = true;
    }
    return held.records;
  }

  days(): readonly Day[] {
    track(this.#part);
    this.#days ??= [...this.#byDay.keys()].sort((a, b) => a - b);
    return this.#days;
  }

  buckets(): readonly number[] {
    track(this.#part);
    this.#bucketList ??= [...new Set(this.days().map(bucketOf))];
    return this.#bucketList;
  }

  /** Adds a record while the index is built for the first time. */
  fill(record: Dated): void {
    if (this.#filled === null || record.date !== this.#filled.date) {
      const day = mustDay(record.date);
      const held = this.#byDay.get(day) ?? { records: [], sorted: false };
      this.#byDay.set(day, held);
      this.#filled = { date: record.date, records: held.records };
    }
    this.#filled.records.push(record);
  }

  write(record: Dated): void {
    this.#set(mustDay(record.date), (records) => [...records.filter(({ id }) => id !== record.id), record]);
  }

  remove(record: Dated): void {
    this.#set(mustDay(record.date), (records) => records.filter(({ id }) => id !== record.id));
  }

  /** A day's list is replaced, never changed in place: whoever holds the old one keeps it. */
  #set(day: Day, change: (records: readonly Dated[]) => Dated[]): void {
    this.#filled = null;
    const before = this.#byDay.get(day)?.records ?? none;
    const records = change(before);
    if (records.length > 0) this.#byDay.set(day, { records, sorted: false });
    else this.#byDay.delete(day);
    this.#bucket(day).changed = this.clock.version;
    if (before.length > 0 === records.length > 0) return;
    this.#days = null;
    this.#bucketList = null;
    this.#part.changed = this.clock.version;
  }

  #bucket(day: Day): Dependency {
    const number = bucketOf(day);
    let bucket = this.#buckets.get(number);
    if (bucket === undefined) this.#buckets.set(number, (bucket = new Dependency(this.clock.version)));
    return bucket;
  }
}

const none: readonly Dated[] = [];

/** The order of records of a day: by their time, without one first, then by id. */
export function byTime(a: Pick<Dated, "id" | "time">, b: Pick<Dated, "id" | "time">): number {
  const [at, bt] = [a.time ?? "", b.time ?? ""];
  return at < bt ? -1 : at > bt ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
