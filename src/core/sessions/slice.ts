import { type Day, mustDay } from "../base/calendar/day";
import { concatMap, groupBy } from "../base/calendar/groupBy";
import { perOwner } from "../base/memo";
import { type AsOf, Slice } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { bucketDays, bucketOf, daysOfBucket } from "../log/logIndex";
import { adherence, type Adherence, wasPerformed } from "./adherence";
import { firstDateOf, leftDays } from "./firstPlan";

/** The sessions of a person by day. */
class Sessions extends Slice {
  /** Sessions of a day, planned ones included, in order of time and id. */
  on(day: Day): readonly Session[] {
    return this.asOf.index.on("sessions", this.asOf.personId, day);
  }

  /** A session by its day and id, or null. */
  find(day: Day, id: string): Session | null {
    return this.on(day).find((session) => session.id === id) ?? null;
  }

  /** Days that have a session, those to come included, in order. */
  days(): readonly Day[] {
    return this.asOf.index.days("sessions", this.asOf.personId);
  }

  /** Days up to the one asked about that have a session, in order. */
  readonly pastDays = this.kept(() => this.days().filter((day) => day <= this.asOf.on));

  /** Buckets of days up to the one asked about that hold sessions, in order. */
  readonly pastBuckets = this.kept(() =>
    this.asOf.index.buckets("sessions", this.asOf.personId).filter((bucket) => bucket <= bucketOf(this.asOf.on)),
  );

  /** Every session from a day to another, planned ones included, in order of date, time and id. */
  between(from: Day, to: Day): Session[] {
    const days = this.days();
    return concatMap(days.slice(firstFrom(days, from), firstFrom(days, to + 1)), (day) => this.on(day));
  }

  /** Sessions of the seven days from `start`, planned ones included. */
  ofWeek(start: Day): Session[] {
    return Array.from({ length: 7 }, (_, index) => this.on(start + index)).flat();
  }

  /** Sessions by the day on which they were first planned, where they now stand on another. */
  readonly movedFrom = this.kept(() => groupBy(this.#moved(), firstDateOf));

  /**
   * Sessions that stood on one of some days and were moved to another week once theirs had begun; twice where two such
   * weeks are among the days.
   */
  awayFrom(from: Day, to: Day): Session[] {
    return concatMap([...this.#left()], ([day, sessions]) =>
      day >= from && day <= to ? sessions.map(({ session }) => session) : [],
    );
  }

  /** The days that such sessions left. */
  awayDays(): Day[] {
    return [...this.#left().keys()];
  }

  /** How much of what was planned for some days was done. */
  adherence(from: Day, to: Day): Adherence {
    return adherence(this.between(from, to), this.asOf.on, this.awayFrom(from, to));
  }

  readonly #left = this.kept(() => {
    const left = concatMap(this.#moved(), (session) =>
      leftDays(session, this.asOf.weekStart).map((date) => ({ day: mustDay(date), session })),
    );
    return groupBy(left, ({ day }) => day);
  });
  readonly #moved = this.keptWhere((session) => session.moves != null || firstDateOf(session) !== session.date);

  /** Whether a session was performed on a day, wholly or partly. */
  readonly trainedOn = (day: Day): boolean => this.#trained(bucketOf(day))[day - bucketOf(day) * bucketDays]!;
  readonly #trained = this.keptBy((bucket: number) =>
    daysOfBucket(bucket).map((day) => this.on(day).some((session) => wasPerformed(session, this.asOf.on))),
  );

  /** The few sessions of the log of which something holds, kept a bucket of days at a time. */
  keptWhere(holds: (session: Session) => boolean): () => Session[] {
    const inBucket = this.keptBy((bucket: number) =>
      concatMap(daysOfBucket(bucket), (day) => this.on(day).filter(holds)),
    );
    return this.kept(() => concatMap(this.asOf.index.buckets("sessions", this.asOf.personId), inBucket));
  }

  /** Something of each session of the log, kept a day at a time. */
  keptBySession<T>(compute: (session: Session) => T): (session: Session) => T {
    const onDay = this.keptBy((day: Day) => new Map(this.on(day).map((session) => [session.id, compute(session)])));
    return (session) => onDay(mustDay(session.date)).get(session.id)!;
  }
}

export const sessionsOf = perOwner((asOf: AsOf) => new Sessions(asOf));

/** Where the first of some days in order stands that is not before a day; their number when there is none. */
function firstFrom(days: readonly Day[], from: Day): number {
  let [low, high] = [0, days.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (days[middle]! < from) low = middle + 1;
    else high = middle;
  }
  return low;
}
