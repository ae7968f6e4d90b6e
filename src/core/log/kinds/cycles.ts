import * as z from "zod";
import {
  date,
  id,
  maximumKg,
  maximumRatio,
  name,
  open,
  owned,
  plannedSet,
  seconds,
  text,
  weekday,
  weekNumber,
} from "./fields";
import { byName, personalKind } from "./kind";

/** So many sets of one load; of as many repetitions as possible, `reps` is the fewest. */
const cycleSet = plannedSet.extend({
  count: z.number().int().min(1).max(100).nullish(),
  restSeconds: seconds.nullish(),
});

/** What is done of an exercise on a weekday of a week. */
const entry = open({
  id,
  week: weekNumber,
  weekday,
  exerciseId: id,
  /** The lift of whose maximum the percentages are, and the share of it that is this variation's. */
  maximumOf: id.nullish(),
  ratio: maximumRatio.nullish(),
  note: text.nullish(),
  sets: z.array(cycleSet).max(100),
});

/** The maximum of a lift by which a cycle is worked out: typed, from a set, or the one in force on its first day. */
const cycleMaximum = open({
  exerciseId: id,
  kg: maximumKg.nullish(),
  fromSet: open({ reps: z.number().min(1).max(20), kg: maximumKg }).nullish(),
});

/** Some weeks by percentage of maxima. */
const schema = open({
  ...owned,
  name,
  startDate: date,
  weeks: weekNumber,
  /** The training maximum as a share of the maximum: the percentages are of it. */
  trainingMaximumShare: z.number().positive().max(1.5).nullish(),
  /** To what loads are rounded; each exercise's own step without it. */
  rounding: z
    .union([open({ kg: z.number().positive().max(100) }), open({ lb: z.number().positive().max(200) })])
    .nullish(),
  maxima: z.array(cycleMaximum).max(100).nullish(),
  /** The weekdays of its training days, those of its entries besides. */
  weekdays: z.array(weekday).max(7).nullish(),
  /** Weeks that are easy on purpose, counted from 1. */
  easyWeeks: z.array(weekNumber).max(200).nullish(),
  entries: z.array(entry).max(5000).nullish(),
  note: text.nullish(),
});

export type Cycle = z.infer<typeof schema>;
export type CycleEntry = z.infer<typeof entry>;
export type CycleSet = z.infer<typeof cycleSet>;
export type CycleMaximum = z.infer<typeof cycleMaximum>;

export const cycles = personalKind({
  schema,
  names: { one: "cycle", several: "cycles" },
  refersTo: {
    "maxima[].exerciseId": "exercises",
    "entries[].exerciseId": "exercises",
    "entries[].maximumOf": "exercises",
  },
  title: byName,
  changesSayWhich: false,
  standIn: (id, name, personId) => ({ id, name, personId, startDate: "2000-01-01", weeks: 1 }),
  lists: {
    what: "entries",
    of: {
      entries: {
        letter: "e",
        called: ({ exerciseId, week, weekday }: CycleEntry, _, { nameOf }) =>
          `${nameOf("exercises", exerciseId)}, week ${week} day ${weekday}`,
        inside: {},
      },
    },
  },
  begins: "startDate",
});
