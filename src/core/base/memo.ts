/**
 * Values kept until what they were computed from changes. A value notes what is read while it is computed; asked again
 * after the clock has moved on, it first looks whether any of that has changed. A value computed anew that comes out
 * equal counts as unchanged, so what rests on it stays. Nothing needs to be told to forget, and so nothing can be
 * forgotten to be told.
 */

/** Counts changes of the ground on which values rest. */
export interface Clock {
  readonly version: number;
}

/** Something that is read: since when it is as it is, and (for a computed one) a way to find out. */
export class Dependency {
  /** The last run that read it, so that a run notes it once however often it reads. */
  run = 0;
  constructor(public changed: number) {}
  refresh(): void {}
}

let reading: { run: number; parts: Dependency[] } | null = null;
let runs = 0;

/** Notes that a part is read by whatever is being computed. */
export function track(part: Dependency): void {
  if (reading === null || part.run === reading.run) return;
  part.run = reading.run;
  reading.parts.push(part);
}

/** Computes something without noting what it reads: for an answer given once and not kept. */
export function untracked<T>(compute: () => T): T {
  const outer = reading;
  reading = null;
  try {
    return compute();
  } finally {
    reading = outer;
  }
}

/** A value that keeps itself. */
export class Memo<T> extends Dependency {
  #checked = -1;
  #parts: readonly Dependency[] = [];
  #value: T | undefined;

  constructor(
    private readonly clock: Clock,
    private readonly compute: () => T,
  ) {
    super(-1);
  }

  get value(): T {
    this.refresh();
    track(this);
    return this.#value as T;
  }

  /** Brings the value up to date; afterwards `changed` says since when it is what it is. */
  override refresh(): void {
    const { version } = this.clock;
    if (this.#checked === version) return;
    if (this.#checked < 0 || this.#stale()) this.#renew(version);
    this.#checked = version;
  }

  #stale(): boolean {
    for (const part of this.#parts) {
      part.refresh();
      if (part.changed > this.#checked) return true;
    }
    return false;
  }

  #renew(version: number): void {
    const outer = reading;
    const parts: Dependency[] = [];
    reading = { run: ++runs, parts };
    let value: T;
    try {
      value = this.compute();
    } finally {
      reading = outer;
    }
    this.#parts = parts;
    if (this.#checked >= 0 && equal(this.#value, value)) return;
    this.#value = value;
    this.changed = version;
  }
}

/** A kept value, as a function that gives it. */
export function memo<T>(clock: Clock, compute: () => T): () => T {
  const kept = new Memo(clock, compute);
  return () => kept.value;
}

/** Kept values by key. */
export function memoByKey<K, T>(clock: Clock, compute: (key: K) => T): (key: K) => T {
  const members = new Map<K, Memo<T>>();
  return (key) => {
    let member = members.get(key);
    if (member === undefined) members.set(key, (member = new Memo(clock, () => compute(key))));
    return member.value;
  };
}

/** Something made once for each owner and kept as long as the owner is. */
export function perOwner<O extends object, T>(make: (owner: O) => T): (owner: O) => T {
  const made = new WeakMap<O, T>();
  return (owner) => {
    let one = made.get(owner);
    if (one === undefined) made.set(owner, (one = make(owner)));
    return one;
  };
}

/**
 * Whether two values are the same all the way down, the order of keys included (it shows in what is printed). Functions
 * and other objects are equal only when they are one.
 */
export function equal(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a)) {
    if (!Array.isArray(b) || a.length !== b.length) return false;
    for (let index = 0; index < a.length; index++)
      if (a[index] !== b[index] && !equal(a[index], b[index])) return false;
    return true;
  }
  if (a instanceof Float64Array) {
    if (!(b instanceof Float64Array) || a.length !== b.length) return false;
    for (let index = 0; index < a.length; index++)
      if (a[index] !== b[index] && !Object.is(a[index], b[index])) return false;
    return true;
  }
  if (a instanceof Map) {
    if (!(b instanceof Map) || a.size !== b.size) return false;
    const others = b.entries();
    for (const [key, value] of a) {
      const [otherKey, otherValue] = others.next().value as [unknown, unknown];
      if (!Object.is(key, otherKey) || !equal(value, otherValue)) return false;
    }
    return true;
  }
  if (Object.getPrototypeOf(a) !== Object.prototype || Object.getPrototypeOf(b) !== Object.prototype) return false;
  const [x, y] = [a, b] as [Record<string, unknown>, Record<string, unknown>];
  const [keys, others] = [Object.keys(x), Object.keys(y)];
  if (keys.length !== others.length) return false;
  for (let index = 0; index < keys.length; index++)
    if (keys[index] !== others[index] || !equal(x[keys[index]!], y[keys[index]!])) return false;
  return true;
}
