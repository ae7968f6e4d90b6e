import { dateOf, type Day } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import { ladderOf } from "../energy/ladder";
import type { AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";
import { nutritionOf } from "../nutrition/slice";
import { effectiveStatus } from "../sessions/adherence";
import { sessionsOf } from "../sessions/slice";

/**
 * Something that waits: the morning's weight, a planned session neither done nor skipped, a day whose food is not finished,
 * or a step of the targets that the weight asks for.
 */
export interface Due {
  what: "weighIn" | "session" | "food" | "step";
  date: string;
  title: string;
}

/** How far back an unfinished day is still spoken of. */
const daysBack = 2;
/** A habit is something done on so many of the last seven days: nothing else is reminded of. */
const habitDays = 4;

/**
 * What is due on the day asked about: this morning's weight where weighing in is a habit, and what the last two days
 * left open.
 */
export function dueOf(asOf: AsOf): Due[] {
  const { on } = asOf;
  const often = (did: (day: Day) => boolean) =>
    Array.from({ length: 7 }, (_, index) => on - 1 - index).filter(did).length >= habitDays;
  const due: Due[] =
    weightOf(asOf).primaryOn(on) === null && often((day) => weightOf(asOf).primaryOn(day) !== null)
      ? [{ what: "weighIn", date: dateOf(on), title: "" }]
      : [];
  const completes = often((day) => notesOf(asOf).noteOn(day)?.foodComplete === true);
  for (let day = on - 1; day >= on - daysBack; day--) {
    for (const session of sessionsOf(asOf).on(day))
      if (effectiveStatus(session, on) === "missed" && session.status === "planned" && !session.optional)
        due.push({ what: "session", date: dateOf(day), title: session.title || session.kind });
    if (completes && notesOf(asOf).noteOn(day)?.foodComplete !== true && nutritionOf(asOf).mealsOn(day).length > 0)
      due.push({ what: "food", date: dateOf(day), title: "" });
  }
  const ladder = ladderOf(asOf);
  if (ladder !== null && ladder.proposal !== null && ladder.look !== null)
    due.push({ what: "step", date: ladder.look.date, title: "" });
  return due;
}
