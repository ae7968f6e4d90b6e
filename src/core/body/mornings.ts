import { joined } from "../base/calendar/groupBy";
import type { Day } from "../base/calendar/day";
import { fitScatter, settledBefore, type Fit } from "./trend";
import type { SecondWeighed } from "./second";
import { primaryOf, type Weighed } from "./weighIns";
import type { Log } from "../log/log";
import { daysOf } from "../log/logIndex";
import { family, memo, ownedBy } from "../base/memo";

// What is kept of a person's mornings and notes whatever day is asked about.

/** All weigh-ins of a person, oldest first: the primary ones, and the second ones beside them. */
export const weighIns = ownedBy(({ index }: Log) =>
  family(index, (personId: string) => {
    const inBlock = family(index, (block: number) => {
      const [mornings, seconds]: [Weighed[], SecondWeighed[]] = [[], []];
      for (const day of daysOf(block)) {
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
    const blocks = () => index.blocks("weighIns", personId);
    return {
      mornings: memo(index, () => joined(blocks(), (block) => inBlock(block).mornings)),
      seconds: memo(index, () => joined(blocks(), (block) => inBlock(block).seconds)),
    };
  }),
);

/** What a person's notes of a block of days say, as far as it is to be read, and on which days they let the level of the weight jump. */
export const remarks = ownedBy(({ index }: Log) =>
  family(index, (personId: string) =>
    family(index, (block: number) =>
      daysOf(block).flatMap((day): Remark[] => {
        const note = index.on("dayNotes", personId, day).at(-1);
        return note?.text || note?.levelMayJump
          ? [{ day, text: note.text ?? "", levelMayJump: note.levelMayJump ?? false }]
          : [];
      }),
    ),
  ),
);
export const jumps = ownedBy((log: Log) =>
  family(log.index, (personId: string) => {
    const inBlock = family(log.index, (block: number) =>
      remarks(log)(personId)(block)
        .filter(({ levelMayJump }) => levelMayJump)
        .map(({ day }) => day),
    );
    return memo(log.index, () => joined(log.index.blocks("dayNotes", personId), inBlock));
  }),
);

/** Scatter of a person's weights as fitted for a month: it rests on the weigh-ins before that month, whatever day is asked about, and is the costly part of the trend. */
export const fits = ownedBy((log: Log) =>
  family(log.index, (personId: string) => {
    const settled = family(log.index, (month: Day) => settledBefore(weighIns(log)(personId).mornings(), month));
    const marked = family(log.index, (month: Day) => jumps(log)(personId)().filter((day) => day < month));
    return family(log.index, (month: Day): Fit => fitScatter(settled(month), marked(month)));
  }),
);

/** A day's note, as far as it is to be read. */
export interface Remark {
  day: Day;
  text: string;
  levelMayJump: boolean;
}
