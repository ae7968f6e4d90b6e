import * as z from "zod";
import { date, id, name, open, owned, text } from "./fields";
import { dailyKind } from "./kind";

const schema = open({
  ...owned,
  date,
  text: text.nullish(),
  activity: z.enum(["training", "rest"]).nullish(),
  /** The kind of day of the trainee's own that it is, where that was said of it. */
  dayKind: name.nullish(),
  /** Rest is planned for the day. What the day becomes is said by its sessions; see `activity`. */
  restPlanned: z.boolean().nullish(),
  foodComplete: z.boolean().nullish(),
  /** On the first day of a week: foods of its shopping list that are at home. */
  atHome: z
    .array(open({ foodId: id }))
    .max(500)
    .nullish(),
  /** Marks a change (a start of creatine, a diet break): the level of the weight may jump on this day. */
  levelMayJump: z.boolean().nullish(),
});

export type DayNote = z.infer<typeof schema>;

export const dayNotes = dailyKind({
  schema,
  names: { one: "day note", several: "day notes" },
  refersTo: { "atHome[].foodId": "foods" },
  title: ({ text }) => text ?? "",
  changesSayWhich: true,
  standIn: null,
  lists: null,
  tells: () => true,
  oneADay: {
    is: () => true,
    stands: "last",
    join: (own, other) => {
      const text = [own.text, other.text].filter(Boolean).join("\n");
      return { own: { ...other, ...own, ...(text ? { text } : {}) }, other: null };
    },
  },
  readAhead: null,
});
