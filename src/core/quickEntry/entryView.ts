import type { Day } from "../base/calendar/day";
import { printDay } from "../base/calendar/print";
import { measuresOf } from "../body/measuresSlice";
import { weightOf } from "../body/slice";
import type { EntryContext, ParsedEntry } from "../entry/parsedEntry";
import type { AsOf } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import { peopleOf } from "../log/log";
import { notesOf } from "../log/notes";
import { mealLines } from "../nutrition/mealGroups";
import { mealNames } from "../nutrition/mealNames";
import { nutritionOf } from "../nutrition/slice";
import { mealsCopied } from "../nutrition/usuals";
import { sessionsOf } from "../sessions/slice";
import { liftingOf } from "../strength/lifting";
import { strengthOf } from "../strength/slice";
import { doubtedFor, forWhom, readFor } from "./forWhom";
import { readEntry } from "./read";

/**
 * Reads the quick-entry line against a person's own log, or that of whom it names in front. `asOf` must be asked for
 * today.
 * @param ofOther another person's log as of the same day
 */
export function entryView(
  asOf: AsOf,
  text: string,
  day: Day,
  dateOrder: EntryContext["dateOrder"],
  newId: () => string,
  ofOther: (personId: string) => AsOf | null = () => null,
): ParsedEntry {
  const people = peopleOf(asOf.log);
  const meals = mealNames(asOf.settings);
  const named = forWhom(text, people, meals);
  const theirs = named === null ? null : named.person.id === asOf.personId ? asOf : ofOther(named.person.id);
  if (named !== null && theirs !== null)
    return readFor(named, text, readEntry(text.slice(named.length), entryContext(theirs, day, dateOrder, newId)));
  return doubtedFor(text, readEntry(text, entryContext(asOf, day, dateOrder, newId)), asOf.person, people);
}

/** What a line is read against on a day. */
export function entryContext(
  asOf: AsOf,
  day: Day,
  dateOrder: EntryContext["dateOrder"],
  newId: () => string,
): EntryContext {
  return {
    personId: asOf.person.id,
    day,
    today: asOf.on,
    printer: asOf.printer,
    exercises: byPractice(asOf),
    kinds: [...asOf.log.index.all("kinds").values()],
    foods: [...nutritionOf(asOf).foods().values()],
    recipes: [...nutritionOf(asOf).recipes().values()].filter(({ hidden }) => hidden !== true),
    factorFor: strengthOf(asOf).factorFor,
    sessionsOn: (on) => [...sessionsOf(asOf).on(on)],
    weighInOn: (on) => weightOf(asOf).primaryOn(on),
    expectedKg: (on) => weightOf(asOf).heldOn(on),
    bodyWeightOn: weightOf(asOf).on,
    shareOf: (exercise, share, on) => {
      const target = liftingOf(asOf).target(exercise, { percent: share }, on);
      return "reason" in target ? null : target.kg;
    },
    meals: mealNames(asOf.settings).map((name) => ({ id: name, name })),
    noteOn: (on) => notesOf(asOf).noteOn(on),
    glassMl: asOf.settings.glassMl ?? null,
    mealsAgain: (from, to, meal) => {
      const lines = mealLines(asOf, from).filter((one) => meal === null || one.meal.meal === meal);
      return {
        change: mealsCopied(asOf, { from, to, meal, days: 1 }, newId),
        eaten: lines.map(({ name, grams, portions, meal: of }) => ({ name, grams, portions, meal: of.meal ?? null })),
        kcal: lines.reduce((sum, { nutrients }) => sum + (nutrients?.kcal ?? 0), 0),
      };
    },
    measures: [...asOf.log.index.all("measures").values()],
    dateOrder,
    lastReading: measuresOf(asOf).before,
    bestOf: (exerciseId) => {
      const best = strengthOf(asOf).liftOf(exerciseId)?.best;
      return best ? { e1rmKg: best.e1rmKg, date: printDay(best.set.day) } : null;
    },
    newId,
  };
}

/** The exercises, those done most often first: what fits several names is offered in this order. */
function byPractice(asOf: AsOf): Exercise[] {
  const sessions = new Map(
    strengthOf(asOf)
      .lifts()
      .map((lift) => [lift.exerciseId, lift.sessions]),
  );
  return [...strengthOf(asOf).exercises().values()].sort(
    (a, b) => (sessions.get(b.id) ?? 0) - (sessions.get(a.id) ?? 0),
  );
}
