import { dateOf, type Day } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import type { DayNote } from "../log/kinds/dayNotes";
import { notesOf } from "../log/notes";
import { type Change, put } from "../log/records";

/** The days between two on which rest is planned, in order. */
export function restDaysIn(asOf: AsOf, from: Day, to: Day): Day[] {
  return asOf.index
    .days("dayNotes", asOf.personId)
    .filter((day) => day >= from && day <= to && notesOf(asOf).noteOn(day)?.restPlanned === true);
}

/** Rest planned on some days, and not any more on others; what else the notes of those days say stays. */
export function restChanged(
  asOf: AsOf,
  { off, on }: { off: readonly Day[]; on: readonly Day[] },
  newId: () => string,
): Change {
  const change = (day: Day, restPlanned: true | null) => {
    const note = notesOf(asOf).noteOn(day);
    if ((note?.restPlanned ?? null) === restPlanned) return [];
    const held: DayNote = note ?? { id: newId(), personId: asOf.personId, date: dateOf(day) };
    return [put("dayNotes", { ...held, restPlanned }, note ?? undefined)];
  };
  const stays = new Set(on);
  return [
    ...off.filter((day) => !stays.has(day)).flatMap((day) => change(day, null)),
    ...on.flatMap((day) => change(day, true)),
  ];
}
