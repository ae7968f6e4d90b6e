import * as z from "zod";
import { open, shared, text, name } from "./fields";
import { householdKind, byName } from "./kind";

const schema = open({ ...shared, name, mark: text.nullish(), speedUnit: text.nullish() });

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
