import * as z from "zod";
import { doneSets } from "../doneSets";
import {
  amount,
  covered,
  date,
  effort,
  energyKcal,
  feel,
  id,
  load,
  metres,
  minutes,
  name,
  open,
  owned,
  plannedSet,
  reps,
  seconds,
  sessionStep,
  text,
  time,
  weekday,
  weekNumber,
} from "./fields";
import { dailyKind } from "./kind";

const doneSet = open({
  reps: reps.nullish(),
  kg: load.nullish(),
  rpe: effort.nullish(),
  failed: z.boolean().nullish(),
  seconds: seconds.nullish(),
  metres: metres.nullish(),
  /** What followed the first part without a full rest: lighter in a drop set, as heavy in a cluster. */
  parts: z
    .array(open({ reps: reps.nullish(), kg: load.nullish() }))
    .max(50)
    .nullish(),
});
const trainingSet = open({
  id,
  warmUp: z.boolean().nullish(),
  restSeconds: seconds.nullish(),
  planned: plannedSet.nullish(),
  done: doneSet.nullish(),
});
/** A set as it was asked for. */
const askedSet = open({ warmUp: z.boolean().nullish(), planned: plannedSet.nullish() });
const item = open({
  id,
  exerciseId: id,
  note: text.nullish(),
  superset: z.union([text, z.number()]).nullish(),
  sets: z.array(trainingSet).max(500, "an exercise has at most 500 sets in one session"),
  /** How fast the parts of a repetition are, as the trainee writes it (`3-1-1`). */
  tempo: text.nullish(),
  /** Why the exercise was left out, once it was. */
  skipped: text.nullish(),
  /** What was planned in its place, once it was swapped for another on the day: that stays the plan. */
  insteadOf: open({ exerciseId: id, sets: z.array(askedSet).max(500) }).nullish(),
});

/** More sets than this nobody does in one session. */
const setsAtMost = 4000;

const schema = open({
  ...owned,
  date,
  time: time.nullish(),
  kind: name,
  title: text.nullish(),
  place: text.nullish(),
  optional: z.boolean().nullish(),
  /** A meet or a day of testing: its sets are attempts, and its made ones tested maxima. */
  test: z.boolean().nullish(),
  status: z.enum(["planned", "done", "partly", "skipped", "missed"]),
  reason: text.nullish(),
  photoIds: z.array(id).max(500).nullish(),
  minutes: minutes.nullish(),
  effort: effort.nullish(),
  feel: feel.nullish(),
  note: text.nullish(),
  /** What a watch or a machine said it took, with what is spent at rest (gross) or without it (net). */
  kcal: energyKcal.nullish(),
  kcalIs: z.enum(["gross", "net"]).nullish(),
  planned: open({ minutes: minutes.nullish(), effort: effort.nullish() }).nullish(),
  distance: open({
    planned: covered.nullish(),
    done: covered.nullish(),
    purpose: text.nullish(),
    surface: text.nullish(),
  }).nullish(),
  /** The pieces of a session of pieces, in order; `distance.done` is their sum. */
  repeats: z
    .array(
      open({
        metres: metres.nullish(),
        seconds: seconds.nullish(),
        restSeconds: seconds.nullish(),
        heartRate: amount(300).nullish(),
        watts: amount(5000).nullish(),
      }),
    )
    .max(500)
    .nullish(),
  /** What it was made of, and the week of its cycle; the weekday it was planned for, whatever day it is moved to. */
  routineId: id.nullish(),
  standardWeekId: id.nullish(),
  cycleId: id.nullish(),
  week: weekNumber.nullish(),
  weekday: weekday.nullish(),
  /** The day on which it was first planned, once it was moved to another. */
  movedFrom: date.nullish(),
  /** As it was first planned, once that was changed: its day, the week of its cycle, its hour, and what was asked for. */
  first: open({
    date,
    week: weekNumber.nullish(),
    time: time.nullish(),
    planned: open({
      minutes: minutes.nullish(),
      effort: effort.nullish(),
      metres: metres.nullish(),
      seconds: seconds.nullish(),
      items: z
        .array(open({ exerciseId: id, sets: z.array(askedSet).max(500) }))
        .max(500)
        .nullish(),
    }),
  }).nullish(),
  /** The days it was moved away from, each with the day on which that was done, the earliest first. */
  moves: z
    .array(open({ from: date, on: date }))
    .max(500)
    .nullish(),
  /** What it is in the calendar it came from, so that the same event is not planned twice. */
  source: text.nullish(),
  /** A class: whether a place in it is booked, and who leads it. */
  booked: z.boolean().nullish(),
  instructor: text.nullish(),
  links: z.array(text).max(50).nullish(),
  /** What is asked for of a run, a row or a swim, part by part, and what was ticked of it. */
  steps: z.array(sessionStep).max(200).nullish(),
  /** What was said of it, by the trainee or a coach; each stands for itself. */
  comments: z
    .array(open({ id, by: text.nullish(), text }))
    .max(200)
    .nullish(),
  items: z
    .array(item)
    .max(500)
    .refine(
      (items) => items.reduce((sum, { sets }) => sum + sets.length, 0) <= setsAtMost,
      `a session has at most ${setsAtMost} sets`,
    )
    .nullish(),
});

export type Session = z.infer<typeof schema>;
export type Item = z.infer<typeof item>;
export type TrainingSet = z.infer<typeof trainingSet>;

export const sessions = dailyKind({
  schema,
  names: { one: "session", several: "sessions" },
  refersTo: {
    "items[].exerciseId": "exercises",
    "items[].insteadOf.exerciseId": "exercises",
    "first.planned.items[].exerciseId": "exercises",
  },
  cameFrom: { routineId: "routines", standardWeekId: "standardWeeks", cycleId: "cycles" },
  title: ({ title, kind }) => title || kind,
  changesSayWhich: false,
  standIn: null,
  lists: {
    what: "exercises, sets and comments",
    of: {
      items: {
        letter: "i",
        called: ({ exerciseId }: Item, _, { nameOf }) => nameOf("exercises", exerciseId),
        inside: { sets: { letter: "s", called: (_, index) => `set ${index + 1}`, inside: {} } },
      },
      comments: { letter: "c", called: (_, index) => `comment ${index + 1}`, inside: {} },
    },
  },
  tells: ({ status }) => status !== "planned",
  oneADay: null,
  readAhead: doneSets,
});
