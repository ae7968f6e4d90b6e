import * as z from "zod";
import { date, id, maximumKg, open, owned } from "./fields";
import { dailyKind } from "./kind";

const schema = open({
  ...owned,
  exerciseId: id,
  date,
  kg: maximumKg,
  tested: z.boolean().nullish(),
});

export type Maximum = z.infer<typeof schema>;

export const maxima = dailyKind({
  schema,
  names: { one: "tested maximum", several: "tested maxima" },
  refersTo: { exerciseId: "exercises" },
  title: ({ exerciseId }, { nameOf }) => nameOf("exercises", exerciseId),
  changesSayWhich: false,
  standIn: null,
  lists: null,
  tells: () => true,
  oneADay: null,
  readAhead: null,
});
