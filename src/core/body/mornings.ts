import type { Day } from "../base/calendar/day";
import { concatMap } from "../base/calendar/groupBy";
import { memo, memoByKey, perOwner } from "../base/memo";
import type { Log } from "../log/log";
import { daysOfBucket } from "../log/logIndex";
import { remarks } from "../log/notes";
import type { SecondWeighed } from "./secondWeighIns";
import { type Fit, fitScatter, settledBefore } from "./trend";
import { primaryOf, type Weighed } from "./weighIns";

// What is kept of a person's mornings and notes whatever day is asked about.

/** All weigh-ins of a person, oldest first: the primary ones, and the second ones beside them. */
export const weighIns = perOwner(({ index }: Log) =>
  memoByKey(index, (personId: string) => {
    const inBucket = memoByKey(index, (bucket: number) => {
      const [mornings, seconds]: [Weighed[], SecondWeighed[]] = [[], []];
      for (const day of daysOfBucket(bucket)) {
        const all = index.on("weighIns", personId, day);
        const primary = primaryOf(all);
        if (primary !== null) mornings.push({ day, kg: primary.kg, id: primary.id });
        if (all.length > Number(primary !== null))
          for (const one of all)
            if (one !== primary)
              seconds.push({ day, time: one.time ?? null, kg: one.kg, morningKg: primary?.kg ?? null });
      }
      return { mornings, seconds };
    });
    const buckets = () => index.buckets("weighIns", personId);
    return {
      mornings: memo(index, () => concatMap(buckets(), (bucket) => inBucket(bucket).mornings)),
      seconds: memo(index, () => concatMap(buckets(), (bucket) => inBucket(bucket).seconds)),
    };
  }),
);

/** The days on which a person's notes let the level of the weight jump, oldest first. */
export const jumps = perOwner((log: Log) =>
  memoByKey(log.index, (personId: string) => {
    const inBucket = memoByKey(log.index, (bucket: number) =>
      remarks(log)(personId)(bucket)
        .filter(({ levelMayJump }) => levelMayJump)
        .map(({ day }) => day),
    );
    return memo(log.index, () => concatMap(log.index.buckets("dayNotes", personId), inBucket));
  }),
);

/**
 * Scatter of a person's weights as fitted for a month: it rests on the weigh-ins before that month, whatever day is
 * asked about, and is the costly part of the trend.
 */
export const fits = perOwner((log: Log) =>
  memoByKey(log.index, (personId: string) => {
    const settled = memoByKey(log.index, (month: Day) => settledBefore(weighIns(log)(personId).mornings(), month));
    const marked = memoByKey(log.index, (month: Day) => jumps(log)(personId)().filter((day) => day < month));
    return memoByKey(log.index, (month: Day): Fit => fitScatter(settled(month), marked(month)));
  }),
);
