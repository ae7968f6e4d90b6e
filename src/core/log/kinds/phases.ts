import * as z from "zod";
import { blockDays, date, id, metres, name, open, owned, text } from "./fields";
import { byName, personalKind } from "./kind";

/** A figure by which a phase is judged: where it stood, and where it is to be at the end. */
const measure = open({
  /** `weight`, `e1rm` of a lift, `bestTime` over a distance of a kind, `sessions` done, or a measure by its id. */
  of: name,
  exerciseId: id.nullish(),
  /** Of sessions and best times: the kind of activity; every kind without it. */
  kind: text.nullish(),
  metres: metres.nullish(),
  /** Kilograms, seconds, a count, or the measure's unit; what stood at the phase's beginning where it is not said. */
  from: z.number().nullish(),
  to: z.number().nullish(),
});

/** Some months of training with one kind of aim, by the first day and how many days there are. */
const schema = open({
  ...owned,
  name,
  aim: text.nullish(),
  startDate: date,
  days: blockDays,
  intention: text.nullish(),
  why: text.nullish(),
  note: text.nullish(),
  measures: z.array(measure).max(50).nullish(),
});

export type Phase = z.infer<typeof schema>;
export type PhaseMeasure = z.infer<typeof measure>;

export const phases = personalKind({
  schema,
  names: { one: "phase", several: "phases" },
  refersTo: { "measures[].exerciseId": "exercises" },
  title: byName,
  changesSayWhich: false,
  standIn: (id, name, personId) => ({ id, name, personId, startDate: "2000-01-01", days: 1 }),
  lists: null,
  begins: "startDate",
});
