import * as z from "zod";
import { blockDays, date, id, name, open, owned, text, weekNumber } from "./fields";
import { byName, personalKind } from "./kind";

/**
 * Some weeks of training with one aim, by its first day and how many days it has: whatever two tabs or devices change
 * of it, it ends after it begins.
 */
const schema = open({
  ...owned,
  name,
  startDate: date,
  days: blockDays,
  phaseId: id.nullish(),
  /** Its easy weeks, counted from 1. */
  easyWeeks: z.array(weekNumber).max(150).nullish(),
  focus: text.nullish(),
  aim: text.nullish(),
  note: text.nullish(),
});

export type Block = z.infer<typeof schema>;

export const blocks = personalKind({
  schema,
  names: { one: "block", several: "blocks" },
  refersTo: {},
  cameFrom: { phaseId: "phases" },
  title: byName,
  changesSayWhich: false,
  standIn: null,
  lists: null,
  begins: "startDate",
});
