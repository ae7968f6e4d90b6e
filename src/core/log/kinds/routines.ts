import * as z from "zod";
import { effort, minutes, name, open, plannedDistance, plannedItem, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

/** A session without a day: what it is made of is planned only. */
const schema = open({
  ...shared,
  name,
  kind: name.nullish(),
  minutes: minutes.nullish(),
  effort: effort.nullish(),
  instructor: text.nullish(),
  links: z.array(text).max(50).nullish(),
  note: text.nullish(),
  items: z.array(plannedItem).max(500).nullish(),
  distance: plannedDistance.nullish(),
});

export type Routine = z.infer<typeof schema>;

export const routines = householdKind({
  schema,
  names: { one: "routine", several: "routines" },
  refersTo: { "items[].exerciseId": "exercises" },
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: (id, name) => ({ id, name }),
});
