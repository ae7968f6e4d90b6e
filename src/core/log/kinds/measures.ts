import * as z from "zod";
import { open, shared, text, name } from "./fields";
import { householdKind, byName } from "./kind";

const schema = open({
  ...shared,
  name,
  unit: text.nullish(),
  aggregate: z.enum(["mean", "sum", "last"]).nullish(),
});

export type Measure = z.infer<typeof schema>;

export const measures = householdKind({
  schema,
  names: { one: "measure", several: "measures" },
  refersTo: {},
  title: byName,
  changesSayWhich: false,
  lists: null,
  standIn: (id, name) => ({ id, name }),
});
