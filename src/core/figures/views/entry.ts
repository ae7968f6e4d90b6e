import type { Day } from "../../calendar/day";
import { printDay } from "../../calendar/print";
import { readEntry } from "../../entry/read";
import type { Reading } from "../../entry/reading";
import { Printer, unitsOf } from "../../units/printer";
import type { Figures } from "../figures";

/** Reads the quick-entry line against a person's own log. `figures` must be asked for today. */
export function entryView(figures: Figures, text: string, day: Day, newId: () => string): Reading {
  return readEntry(text, {
    personId: figures.person.id, day, today: figures.on, printer: new Printer(unitsOf(figures.person.units)),
    exercises: [...figures.exercises.values()], kinds: [...figures.log.index.all("kinds").values()], foods: [...figures.foods.values()], recipes: [...figures.recipes.values()],
    formula: figures.formula,
    sessionsOn: (on) => [...figures.sessionsOn(on)],
    weighInOn: (on) => figures.primaryOn(on),
    expectedKg: figures.levelOn, bodyWeightOn: figures.bodyWeightOn,
    bestOf: (exerciseId) => {
      const best = figures.liftOf(exerciseId)?.best;
      return best ? { e1rmKg: best.e1rmKg, date: printDay(best.set.day) } : null;
    },
    newId,
  });
}
