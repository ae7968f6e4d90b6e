import type { Day } from "../base/calendar/day";
import { concatMap } from "../base/calendar/groupBy";
import { memoByKey, perOwner } from "../base/memo";
import { type AsOf, Slice } from "./asOf";
import type { DayNote } from "./kinds/dayNotes";
import type { Log } from "./log";
import { bucketOf, daysOfBucket } from "./logIndex";

/** A day's note, as far as it is to be read. */
export interface Remark {
  day: Day;
  text: string;
  levelMayJump: boolean;
}

/**
 * What a person's notes of a bucket of days say, as far as it is to be read, and on which days they let the level of
 * the weight jump; whatever day is asked about.
 */
export const remarks = perOwner(({ index }: Log) =>
  memoByKey(index, (personId: string) =>
    memoByKey(index, (bucket: number) =>
      daysOfBucket(bucket).flatMap((day): Remark[] => {
        const note = index.on("dayNotes", personId, day).at(-1);
        return note?.text || note?.levelMayJump
          ? [{ day, text: note.text ?? "", levelMayJump: note.levelMayJump ?? false }]
          : [];
      }),
    ),
  ),
);

class Notes extends Slice {
  /** The note of a day; of several the last by id. */
  noteOn(day: Day): DayNote | null {
    return this.asOf.index.on("dayNotes", this.asOf.personId, day).at(-1) ?? null;
  }

  /** What was written of the days between two, oldest first. */
  remarksBetween(from: Day, to: Day): Remark[] {
    const { log, personId } = this.asOf;
    return concatMap(
      log.index.buckets("dayNotes", personId).filter((bucket) => bucket >= bucketOf(from) && bucket <= bucketOf(to)),
      remarks(log)(personId),
    ).filter(({ day }) => day >= from && day <= to);
  }
}

export const notesOf = perOwner((asOf: AsOf) => new Notes(asOf));
