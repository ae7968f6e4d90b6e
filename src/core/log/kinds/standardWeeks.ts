import * as z from "zod";
import {
  date,
  effort,
  id,
  minutes,
  name,
  open,
  owned,
  plannedDistance,
  plannedItem,
  text,
  time,
  weekday,
} from "./fields";
import { byName, personalKind } from "./kind";

/** A session of a weekday: a routine, or one that stands here alone. */
const weekSession = open({
  routineId: id.nullish(),
  kind: name.nullish(),
  title: text.nullish(),
  time: time.nullish(),
  minutes: minutes.nullish(),
  effort: effort.nullish(),
  optional: z.boolean().nullish(),
  items: z.array(plannedItem).max(500).nullish(),
  distance: plannedDistance.nullish(),
});

const schema = open({
  ...owned,
  name,
  days: z
    .array(open({ weekday, rest: z.boolean().nullish(), sessions: z.array(weekSession).max(50).nullish() }))
    .max(7)
    .nullish(),
  /** The standard week that this one stands for in its easy or its hard weeks. */
  variantOf: id.nullish(),
  variant: z.enum(["easy", "hard"]).nullish(),
  /** Sessions that were laid of it and taken out by hand, by their day and title: they are not laid there again. */
  leftOut: z
    .array(open({ date, title: text }))
    .max(2000)
    .nullish(),
  note: text.nullish(),
});

export type StandardWeek = z.infer<typeof schema>;

export const standardWeeks = personalKind({
  schema,
  names: { one: "standard week", several: "standard weeks" },
  refersTo: { "days[].sessions[].items[].exerciseId": "exercises" },
  cameFrom: { variantOf: "standardWeeks", "days[].sessions[].routineId": "routines" },
  title: byName,
  changesSayWhich: false,
  standIn: (id, name, personId) => ({ id, name, personId }),
  lists: null,
  begins: null,
});
