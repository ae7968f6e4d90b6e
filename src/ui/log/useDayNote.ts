import type { DayNote } from "@/core/log/kinds/dayNotes";
import { put } from "@/core/log/records";
import { v7 as newId } from "uuid";
import { useLog } from "./LogContext";

/**
 * Changes the note of a day, which is made where there is none.
 * @param note the day's own, or null
 * @returns changes some of it under a name; true once it is written
 */
export function useDayNote(
  note: DayNote | null,
  date: string,
): (change: Partial<DayNote>, label: string) => Promise<boolean> {
  const { person, commit } = useLog();
  return (change, label) =>
    commit(
      [put("dayNotes", { ...(note ?? { id: newId(), personId: person.id, date }), ...change }, note ?? undefined)],
      label,
    );
}
