import { dateOf, type Day } from "@/core/base/calendar/day";
import { recordKinds } from "@/core/log/kinds/all";
import type { Session } from "@/core/log/kinds/sessions";
import type { Log } from "@/core/log/log";
import { type AnyRecord, type ChangeStep, put, type RecordKind } from "@/core/log/records";
import { withSet } from "@/core/sessions/sets";
import { performedAs } from "@/core/training/perform";
import type { Random } from "./random";

/** Kinds of made-up edit, for trying what happens when a log is changed in any way and in any order. */
export const editKinds = [
  "weight",
  "set",
  "meal",
  "water",
  "note",
  "session",
  "exercise",
  "person",
  "goal",
  "block",
  "removal",
] as const;
export type EditKind = (typeof editKinds)[number];

/**
 * A made-up edit of a person's log: a change that a trainee could make on some day between two days.
 * @returns the step, or null when the day drawn has nothing to change
 */
export function madeUpEdit(
  log: Log,
  personId: string,
  kind: EditKind,
  random: Random,
  first: Day,
  last: Day,
): ChangeStep | null {
  const day = first + Math.floor(random.next() * (last - first + 1));
  const date = dateOf(day);
  const tenth = (from: number, to: number) => Math.round((from + random.next() * (to - from)) * 10) / 10;
  switch (kind) {
    case "weight": {
      const [held] = log.index.on("weighIns", personId, day);
      return held
        ? put("weighIns", { ...held, kg: tenth(held.kg - 0.4, held.kg + 0.4) }, held)
        : put("weighIns", { id: `edit-w-${date}`, personId, date, kg: tenth(70, 74), primary: true });
    }
    case "set": {
      const session = log.index.on("sessions", personId, day).find(({ items }) => (items ?? []).length > 0);
      const item = session?.items?.length ? random.pick(session.items) : undefined;
      const set = item?.sets.length ? random.pick(item.sets) : undefined;
      if (session === undefined || item === undefined || set === undefined) return null;
      return put(
        "sessions",
        withSet(session, item.id, set.id, (old) =>
          performedAs(old, { reps: 1 + Math.floor(random.next() * 10), kg: tenth(20, 140) }),
        ),
        session,
      );
    }
    case "meal": {
      const meals = log.index.on("meals", personId, day);
      if (meals.length === 0) return null;
      const meal = random.pick(meals);
      return put("meals", { ...meal, nutrients: { ...meal.nutrients, kcal: tenth(50, 900) } }, meal);
    }
    case "water":
      return put("water", { id: `edit-water-${date}`, personId, date, ml: 100 * Math.floor(random.next() * 20) });
    case "note": {
      const [held] = log.index.on("dayNotes", personId, day);
      return put(
        "dayNotes",
        {
          ...(held ?? { id: `edit-note-${date}`, personId, date }),
          activity: random.pick(["training", "rest"]),
          foodComplete: random.chance(0.5),
        },
        held,
      );
    }
    case "session": {
      const [held] = log.index.on("sessions", personId, day);
      const status = random.pick<Session["status"]>(["done", "partly", "skipped"]);
      return held
        ? put(
            "sessions",
            {
              ...held,
              status,
              effort: Math.floor(random.next() * 11),
              date: random.chance(0.3) ? dateOf(Math.min(last, day + 1)) : held.date,
            },
            held,
          )
        : put("sessions", {
            id: `edit-s-${date}`,
            personId,
            date,
            kind: "run",
            status,
            minutes: 30,
            distance: { done: { metres: 5000, seconds: 1500 + Math.floor(random.next() * 300) } },
          });
    }
    case "exercise": {
      const exercise = random.pick([...log.records.exercises.values()]);
      return put(
        "exercises",
        { ...exercise, group: random.pick(["squat", "press", "pull"]), perSide: random.chance(0.3) },
        exercise,
      );
    }
    case "person": {
      const person = log.records.people.get(personId)!;
      return put(
        "people",
        {
          ...person,
          weekStart: 1 + Math.floor(random.next() * 7),
          settings: {
            e1rmFormula: random.pick(["mean", "epley", "wathan", "personal"]),
            countWarmUps: random.chance(0.3),
          },
        },
        person,
      );
    }
    case "goal":
      return put("goals", {
        id: `edit-goal-${Math.floor(random.next() * 3)}`,
        personId,
        of: "weight",
        startDate: date,
        startKg: tenth(72, 76),
        targetKg: tenth(68, 71),
        by: { date: dateOf(last + 60) },
      });
    case "block":
      return put("blocks", {
        id: `edit-block-${Math.floor(random.next() * 3)}`,
        personId,
        name: "Block",
        startDate: date,
        days: 7 * Math.floor(1 + random.next() * 8),
      });
    case "removal": {
      const held = recordKinds
        .filter(
          (held): held is Exclude<RecordKind, "people" | "exercises" | "foods"> =>
            !["people", "exercises", "foods"].includes(held),
        )
        .flatMap((held) =>
          ([...log.records[held].values()] as AnyRecord[])
            .filter((record) => record.personId === personId)
            .map(({ id }) => ({ kind: held, id })),
        );
      return held.length === 0 ? null : { remove: random.pick(held) };
    }
  }
}
