import * as z from "zod";
import { bodyKg, date, open, owned, text, time } from "./fields";
import { dailyKind } from "./kind";

const schema = open({
  ...owned,
  date,
  time: time.nullish(),
  kg: bodyKg,
  primary: z.boolean().nullish(),
  note: text.nullish(),
});

export type WeighIn = z.infer<typeof schema>;

export const weighIns = dailyKind({
  schema,
  names: { one: "weigh-in", several: "weigh-ins" },
  refersTo: {},
  title: ({ kg }, { printer }) => printer.load(kg),
  changesSayWhich: true,
  standIn: null,
  lists: null,
  tells: () => true,
  oneADay: {
    is: ({ primary }) => primary !== false,
    stands: "first",
    // The same morning's weight stands once; another becomes a second weigh-in.
    join: (own, other) => ({ own, other: own.kg === other.kg ? null : { ...other, primary: false } }),
  },
  readAhead: null,
});
