import * as z from "zod";
import { date, id, open, owned, text } from "./fields";
import { dailyKind } from "./kind";

const schema = open({ ...owned, measureId: id, date, value: z.number(), method: text.nullish() });

export type Reading = z.infer<typeof schema>;

export const readings = dailyKind({
  schema,
  names: { one: "reading", several: "readings" },
  refersTo: { measureId: "measures" },
  title: ({ measureId }, { nameOf }) => nameOf("measures", measureId),
  changesSayWhich: false,
  standIn: null,
  lists: null,
  tells: () => true,
  oneADay: null,
  readAhead: null,
});
