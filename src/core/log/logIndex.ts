import { mustDay, type Day } from "../base/calendar/day";
import { Part, track, type Clock } from "../base/memo";
import { isDated, type DatedKind } from "./kinds/all";
import type { AnyRecord, RecordKind, RecordOf } from "./records";

interface Dated {
  id: string;
  personId: string;
  date: string;
  time?: string | null;
}

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

  /** The blocks of days in which a person has records of a kind, in order. */
  blocks(kind: DatedKind, personId: string): readonly number[] {
    return this.#person(kind, personId).blocks();
  }

  /** Takes records up while a log is read that nobody has asked yet: then they are at hand, later each would have to be fetched again. */
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

  #kind(kind: RecordKind): Part {
    const part = this.#kinds.get(kind) ?? new Part(this.#version);
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

/** Days stand together in blocks: whoever reads a day depends on its block, so a sum over twenty years rests on some hundred parts, not on thousands. */
export const blockDays = 56;

/** The block that holds a day. */
export function blockOf(day: Day): number {
  return Math.floor(day / blockDays);
}

/** The days of a block, in order. */
export function daysOf(block: number): Day[] {
  const days: Day[] = [];
  for (let day = block * blockDays; day < (block + 1) * blockDays; day++) days.push(day);
  return days;
}

class PersonDays {
  /** Days that have records. */
  readonly #buckets = new Map<Day, { records: Dated[]; sorted: boolean }>();
  readonly #blocks = new Map<number, Part>();
  /** Days with records, in order once asked for; null while that must be found again. */
  #days: Day[] | null = null;
  #blockList: number[] | null = null;
  readonly #part: Part;
  /** The day filled last: records that follow one another are mostly of one day. */
  #filled: { date: string; records: Dated[] } | null = null;

  constructor(private readonly clock: Clock) {
    this.#part = new Part(clock.version);
  }

  on(day: Day): readonly Dated[] {
    track(this.#block(day));
    const bucket = this.#buckets.get(day);
    if (bucket === undefined) return none;
    if (!bucket.sorted) {
      if (bucket.records.length > 1) bucket.records.sort(byTime);
      bucket.sorted = true;
    }
    return bucket.records;
  }

  days(): readonly Day[] {
    track(this.#part);
    this.#days ??= [...this.#buckets.keys()].sort((a, b) => a - b);
    return this.#days;
  }

  blocks(): readonly number[] {
    if (this.#days === null || this.#blockList === null) this.#blockList = [...new Set(this.days().map(blockOf))];
    track(this.#part);
    return this.#blockList;
  }

  /** Adds a record while the index is built for the first time. */
  fill(record: Dated): void {
    if (this.#filled === null || record.date !== this.#filled.date) {
      const day = mustDay(record.date);
      const bucket = this.#buckets.get(day) ?? { records: [], sorted: false };
      this.#buckets.set(day, bucket);
      this.#filled = { date: record.date, records: bucket.records };
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
    const before = this.#buckets.get(day)?.records ?? none;
    const records = change(before);
    if (records.length > 0) this.#buckets.set(day, { records, sorted: false });
    else this.#buckets.delete(day);
    this.#block(day).changed = this.clock.version;
    if (before.length > 0 === records.length > 0) return;
    this.#days = null;
    this.#part.changed = this.clock.version;
  }

  #block(day: Day): Part {
    const number = blockOf(day);
    let block = this.#blocks.get(number);
    if (block === undefined) this.#blocks.set(number, (block = new Part(this.clock.version)));
    return block;
  }
}

const none: readonly Dated[] = [];

function byTime(a: Dated, b: Dated): number {
  const [at, bt] = [a.time ?? "", b.time ?? ""];
  return at < bt ? -1 : at > bt ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}
