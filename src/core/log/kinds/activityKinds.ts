import type * as z from "zod";
import { met, name, open, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

const schema = open({
  ...shared,
  name,
  /** Its shape, and its colour by name, wherever its sessions are drawn. */
  mark: text.nullish(),
  colour: text.nullish(),
  /** What the trainee counts it under, together with others. */
  category: text.nullish(),
  speedUnit: text.nullish(),
  /** What it costs as a multiple of resting, where the trainee knows better than the table. */
  met: met.nullish(),
});

export type ActivityKind = z.infer<typeof schema>;

export const activityKinds = householdKind({
  schema,
  names: { one: "own kind", several: "own kinds" },
  refersTo: {},
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: null,
});
