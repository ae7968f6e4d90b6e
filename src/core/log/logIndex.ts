import { mustDay, type Day } from "../calendar/day";
import { track, type Clock, type Part } from "../memo";
import type { AnyRecord, RecordKind, RecordOf } from "./records";

/** Kinds of record that belong to a person and a day. */
export type DatedKind = "weighIns" | "dayNotes" | "maxima" | "sessions" | "readings" | "meals" | "water" | "photos";

interface Dated { id: string; personId: string; date: string; time?: string | null }

/**
 * A log's records by person and day, brought up to date with every record written. Whoever reads here while a figure is being
 * computed is noted as depending on exactly what was read, so that the figure is computed again when that has changed, and only then.
 */
export class LogIndex implements Clock {
  #version = 0;
  readonly #kinds = new Map<RecordKind, Part>();
  readonly #dated = new Map<DatedKind, Map<string, PersonDays>>();

  constructor(private readonly records: { readonly [K in RecordKind]: ReadonlyMap<string, RecordOf<K>> }) {}

  /** How many records were ever written or removed: the log's own clock. */
  get version(): number { return this.#version; }

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

  /** Notes that a record was written, replaced or removed. */
  changed(kind: RecordKind, before: AnyRecord | undefined, after: AnyRecord | undefined): void {
    this.#version += 1;
    const part = this.#kinds.get(kind);
    if (part !== undefined) part.changed = this.#version;
    const people = this.#dated.get(kind as DatedKind);
    if (people === undefined) return;
    const [old, now] = [before, after] as unknown as [Dated | undefined, Dated | undefined];
    if (old !== undefined) personDays(people, old.personId, this).remove(old);
    if (now !== undefined) personDays(people, now.personId, this).add(now);
  }

  #kind(kind: RecordKind): Part {
    const part = this.#kinds.get(kind) ?? { changed: this.#version };
    this.#kinds.set(kind, part);
    return part;
  }

  #person(kind: DatedKind, personId: string): PersonDays {
    let people = this.#dated.get(kind);
    if (people === undefined) {
      people = new Map();
      this.#dated.set(kind, people);
      for (const record of this.records[kind].values() as Iterable<Dated>) personDays(people, record.personId, this).fill(record);
    }
    return personDays(people, personId, this);
  }
}

function personDays(people: Map<string, PersonDays>, personId: string, clock: Clock): PersonDays {
  let days = people.get(personId);
  if (days === undefined) people.set(personId, (days = new PersonDays(clock)));
  return days;
}

/** One day's records. */
interface Bucket extends Part { records: Dated[]; sorted: boolean }

class PersonDays {
  readonly #buckets = new Map<Day, Bucket>();
  /** Days with records, in order once asked for; null while that must be found again. */
  #days: Day[] | null = null;
  readonly #part: Part;

  constructor(private readonly clock: Clock) {
    this.#part = { changed: clock.version };
  }

  on(day: Day): readonly Dated[] {
    const bucket = this.#bucket(day);
    track(bucket);
    if (!bucket.sorted) {
      if (bucket.records.length > 1) bucket.records = bucket.records.toSorted(byTime);
      bucket.sorted = true;
    }
    return bucket.records;
  }

  days(): readonly Day[] {
    track(this.#part);
    this.#days ??= [...this.#buckets].filter(([, { records }]) => records.length > 0).map(([day]) => day).sort((a, b) => a - b);
    return this.#days;
  }

  /** Adds a record while the index is built for the first time. */
  fill(record: Dated): void {
    const bucket = this.#bucket(mustDay(record.date));
    bucket.records.push(record);
    bucket.sorted = false;
  }

  add(record: Dated): void {
    this.#set(mustDay(record.date), (records) => [...records, record]);
  }

  remove(record: Dated): void {
    this.#set(mustDay(record.date), (records) => records.filter(({ id }) => id !== record.id));
  }

  #set(day: Day, change: (records: Dated[]) => Dated[]): void {
    const bucket = this.#bucket(day);
    const held = bucket.records.length > 0;
    bucket.records = change(bucket.records);
    bucket.sorted = false;
    bucket.changed = this.clock.version;
    if (held === bucket.records.length > 0) return;
    this.#days = null;
    this.#part.changed = this.clock.version;
  }

  #bucket(day: Day): Bucket {
    let bucket = this.#buckets.get(day);
    if (bucket === undefined) this.#buckets.set(day, (bucket = { records: [], sorted: true, changed: this.clock.version }));
    return bucket;
  }
}

function byTime(a: Dated, b: Dated): number {
  const [at, bt] = [a.time ?? "", b.time ?? ""];
  return at < bt ? -1 : at > bt ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
