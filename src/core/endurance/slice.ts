import { type Day, mustDay } from "../base/calendar/day";
import { concatMap } from "../base/calendar/groupBy";
import { perOwner } from "../base/memo";
import { type AsOf, Slice } from "../log/asOf";
import type { Session } from "../log/kinds/sessions";
import { bucketOf, daysOfBucket } from "../log/logIndex";
import { sessionsOf } from "../sessions/slice";

/** The sessions of a person that cover a distance. */
class Endurance extends Slice {
  /** Sessions with a distance in a bucket of days, in order. */
  readonly #inBucket = this.keptBy((bucket: number): Session[] =>
    concatMap(daysOfBucket(bucket), (day) =>
      sessionsOf(this.asOf)
        .on(day)
        .filter(({ distance }) => distance),
    ),
  );

  /** Sessions with a distance from a day up to the one asked about, in order. */
  from(first: Day): Session[] {
    return concatMap(
      sessionsOf(this.asOf)
        .pastBuckets()
        .filter((bucket) => bucket >= bucketOf(first)),
      this.#inBucket,
    ).filter(({ date }) => mustDay(date) >= first && mustDay(date) <= this.asOf.on);
  }
}

export const enduranceOf = perOwner((asOf: AsOf) => new Endurance(asOf));
