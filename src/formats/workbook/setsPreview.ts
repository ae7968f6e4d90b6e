import { dateOf } from "@/core/base/calendar/day";
import { groupBy } from "@/core/base/calendar/groupBy";
import { compare } from "@/core/base/text";
import type { AsOf } from "@/core/log/asOf";
import type { Change } from "@/core/log/records";
import { describeSets } from "@/core/strength/describe";
import { strengthOf } from "@/core/strength/slice";
import { sessionsOfRows } from "@/core/training/setRows";
import { describe, doubtOf, strengthOn } from "@/core/training/setsTable";
import type { SetsSheet, SetsSheetAsk } from "@/formats/workbook/setsSheet";
import { readSetsSheet } from "@/formats/workbook/setsSheet";

/** What pasted sets would write: a line an exercise and day, and whether the day already holds the same. */
export interface SetsPreview {
  sheet: Omit<SetsSheet, "rows">;
  lines: { date: string; name: string; text: string; held: string; doubt: string | null }[];
  sessions: number;
  sets: number;
  change: Change | null;
}

export function setsPreview(
  asOf: AsOf,
  text: string,
  ask: SetsSheetAsk,
  newId: () => string,
): SetsPreview | { reason: string } {
  const printer = asOf.printer;
  const sheet = readSetsSheet(text, ask, [...strengthOf(asOf).exercises().values()], printer.units.mass, asOf.on);
  if ("reason" in sheet) return sheet;
  const { rows, ...rest } = sheet;
  const change = sessionsOfRows(rows, asOf.person.id, (day) => strengthOn(asOf, day), newId);
  const lines = [...groupBy(rows, ({ day, exerciseId }) => `${day} ${exerciseId}`).values()].map((group) => {
    const { day, exerciseId } = group[0]!;
    const exercise = strengthOf(asOf).exercises().get(exerciseId)!;
    const held = (strengthOn(asOf, day)?.items ?? [])
      .filter((item) => item.exerciseId === exerciseId)
      .flatMap((item) => item.sets);
    return {
      date: dateOf(day),
      name: exercise.name,
      text: describe(
        group.flatMap(({ performed }) => performed),
        exercise,
        printer,
      ),
      held: describeSets(held, "done", exercise, printer),
      doubt: doubtOf(
        asOf,
        exercise,
        group.flatMap(({ performed }) => performed),
      ),
    };
  });
  return {
    sheet: rest,
    lines: lines.sort((a, b) => compare(b.date, a.date)),
    sessions: change.length,
    sets: rows.reduce((sum, { performed }) => sum + performed.length, 0),
    change: rows.length === 0 ? null : change,
  };
}
