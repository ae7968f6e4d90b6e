import * as z from "zod";
import { date, open, owned, waterMl } from "./fields";
import { dailyKind } from "./kind";

const schema = open({ ...owned, date, ml: waterMl });

export type Water = z.infer<typeof schema>;

export const water = dailyKind({
  schema,
  names: { one: "drink", several: "drinks" },
  refersTo: {},
  title: ({ ml }) => `${ml} ml`,
  changesSayWhich: true,
  standIn: null,
  lists: null,
  tells: () => true,
  oneADay: null,
  readAhead: null,
});
