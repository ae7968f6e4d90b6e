import type { Day } from "../base/calendar/day";
import { dateOf } from "../base/calendar/day";
import { groupBy } from "../base/calendar/groupBy";
import type { MassUnit } from "../base/units/mass";
import { counted, parseDecimal } from "../base/units/number";
import type { Exercise } from "../log/kinds/exercises";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import type { Change } from "../log/records";
import { put } from "../log/records";
import { withSets } from "../sessions/sets";
import { readSet } from "../strength/setText";

/** A line read: sets of one exercise on one day. */
export interface SetsRow {
  day: Day;
  exerciseId: string;
  performed: { done: NonNullable<TrainingSet["done"]>; warmUp: boolean }[];
  note: string | null;
}

/**
 * The sets of one line, or what is wrong with it. Repetitions may be listed (`5, 5, 4` or `5/5/4`), one set each; a set
 * is written as `readSet` has it.
 */
export function performedIn(
  setsText: string,
  repsText: string,
  loadText: string,
  rpeText: string,
  exercise: Exercise,
  unit: MassUnit,
): SetsRow["performed"] | string {
  const amounts = repsText.split(/\s*[/;]\s*|,\s*|\s+(?!f)/).filter(Boolean);
  if (amounts.length === 0) return "No repetitions are written.";
  const count = setsText === "" ? null : parseDecimal(setsText);
  if (setsText !== "" && (count === null || count % 1 !== 0 || count < 1 || count > setsAtMostInALine))
    return `"${setsText}" is no number of sets from 1 to ${setsAtMostInALine}.`;
  if (amounts.length > 1 && count !== null && count !== amounts.length)
    return `${amounts.length} numbers of repetitions do not fit ${counted(count, "set")}.`;
  const each: SetsRow["performed"] = [];
  for (const amount of amounts) {
    const done = readSet(amount, loadText, rpeText, exercise, unit);
    if (typeof done === "string") return done;
    each.push({ done, warmUp: false });
  }
  return each.length === 1 ? Array.from({ length: count ?? 1 }, () => each[0]!) : each;
}

/**
 * The sessions that rows of sets make, one a day: the day's strength session where there is one (its open planned sets
 * are filled first), else a new one.
 */
export function sessionsOfRows(
  rows: readonly SetsRow[],
  personId: string,
  sessionOn: (day: Day) => Session | undefined,
  newId: () => string,
): Change {
  return [...groupBy(rows, ({ day }) => day)].map(([day, lines]) => {
    const held = sessionOn(day);
    let session: Session = held ?? {
      id: newId(),
      personId,
      date: dateOf(day),
      kind: "strength",
      status: "done",
      items: [],
    };
    // All rows of an exercise at once: a day of thousands of sets is gone through once.
    for (const [exerciseId, some] of groupBy(lines, (line) => line.exerciseId)) {
      session = withSets(
        session,
        exerciseId,
        some.flatMap(({ performed }) => performed),
        newId,
      );
      const note = some.flatMap((line) => line.note ?? []).join("; ");
      if (note)
        session = {
          ...session,
          items: session.items!.map((item) =>
            item.exerciseId === exerciseId ? { ...item, note: [item.note, note].filter(Boolean).join("; ") } : item,
          ),
        };
    }
    return put("sessions", session, held);
  });
}

/** So many sets in one line are not believed. */
const setsAtMostInALine = 50;
