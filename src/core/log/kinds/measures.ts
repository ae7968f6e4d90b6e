import * as z from "zod";
import { name, open, shared, text } from "./fields";
import { byName, householdKind } from "./kind";

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
