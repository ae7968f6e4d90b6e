import type { Day } from "../base/calendar/day";
import { mealNames } from "../nutrition/mealNames";
import { printDay } from "../base/calendar/print";
import type { Exercise } from "../log/kinds/exercises";
import { readEntry } from "./read";
import type { EntryContext, Reading } from "../entry/reading";
import type { Figures } from "../figures/figures";
import { lifting } from "../strength/lifting";

/** Reads the quick-entry line against a person's own log. `figures` must be asked for today. */
export function entryView(
  figures: Figures,
  text: string,
  day: Day,
  dateOrder: EntryContext["dateOrder"],
  newId: () => string,
): Reading {
  return readEntry(text, entryContext(figures, day, dateOrder, newId));
}

/** What a line is read against on a day. */
export function entryContext(
  figures: Figures,
  day: Day,
  dateOrder: EntryContext["dateOrder"],
  newId: () => string,
): EntryContext {
  return {
    personId: figures.person.id,
    day,
    today: figures.on,
    printer: figures.printer,
    exercises: byPractice(figures),
    kinds: [...figures.log.index.all("kinds").values()],
    foods: [...figures.foods.values()],
    recipes: [...figures.recipes.values()],
    factorFor: figures.factorFor,
    sessionsOn: (on) => [...figures.sessionsOn(on)],
    weighInOn: (on) => figures.primaryOn(on),
    expectedKg: (on) => figures.heldOn(on),
    bodyWeightOn: figures.bodyWeightOn,
    shareOf: (exercise, share, on) => {
      const target = lifting(figures).target(exercise, { percent: share }, on);
      return "reason" in target ? null : target.kg;
    },
    meals: mealNames(figures.settings).map((name) => ({ id: name, name })),
    noteOn: (on) => figures.noteOn(on),
    measures: [...figures.log.index.all("measures").values()],
    dateOrder,
    lastReading: figures.readingBefore,
    bestOf: (exerciseId) => {
      const best = figures.liftOf(exerciseId)?.best;
      return best ? { e1rmKg: best.e1rmKg, date: printDay(best.set.day) } : null;
    },
    newId,
  };
}

/** The exercises, those done most often first: what fits several names is offered in this order. */
function byPractice(figures: Figures): Exercise[] {
  const sessions = new Map(figures.lifts.map((lift) => [lift.exerciseId, lift.sessions]));
  return [...figures.exercises.values()].sort((a, b) => (sessions.get(b.id) ?? 0) - (sessions.get(a.id) ?? 0));
}
