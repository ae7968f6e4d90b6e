import { date, open, owned, text } from "./fields";
import { dailyKind } from "./kind";

const schema = open({ ...owned, date, file: text });

export const photos = dailyKind({
  schema,
  names: { one: "photograph", several: "photographs" },
  refersTo: {},
  title: () => "",
  changesSayWhich: false,
  standIn: null,
  lists: null,
  // A picture measures nothing.
  tells: () => false,
  oneADay: null,
  readAhead: null,
});
