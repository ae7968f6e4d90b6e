import type { MassUnit } from "../base/units/mass";
import { counted } from "../base/units/number";
import type { Cycle, CycleEntry, CycleSet } from "../log/kinds/cycles";
import type { Exercise } from "../log/kinds/exercises";
import { type CellContext, type CellLine, cellText, readCell } from "./cycleCell";

/** A cell of a cycle: a training day and a lift, or what accompanies the lifts (null). */
export interface CellPlace {
  week: number;
  weekday: number;
  columnId: string | null;
}

/** A text typed, pasted or filled into a cell of a cycle. */
export interface CycleCellEdit extends CellPlace {
  text: string;
}

/** The lifts of a cycle that have a column each: those whose maxima it names. */
export function columnsOf({ maxima }: Pick<Cycle, "maxima">): string[] {
  return [...new Set((maxima ?? []).map(({ exerciseId }) => exerciseId))];
}

/** The column of an entry: its own lift's, else that of the lift of which its percentages are, else the last (null). */
export function columnOf(cycle: Pick<Cycle, "maxima">, { exerciseId, maximumOf }: CycleEntry): string | null {
  const columns = columnsOf(cycle);
  if (columns.includes(exerciseId)) return exerciseId;
  return maximumOf != null && columns.includes(maximumOf) ? maximumOf : null;
}

/** The entries of a cell, in their order. */
export function entriesAt(cycle: Cycle, { week, weekday, columnId }: CellPlace): CycleEntry[] {
  return (cycle.entries ?? []).filter(
    (entry) => entry.week === week && entry.weekday === weekday && columnOf(cycle, entry) === columnId,
  );
}

/** What a cycle is read and written with. */
export function cellContext(
  cycle: Cycle,
  columnId: string | null,
  exercises: ReadonlyMap<string, Exercise>,
  unit: MassUnit,
): CellContext {
  return { exercises, columnId, columns: columnsOf(cycle), unit };
}

/** A cycle with some of its cells written anew; what cannot be read is refused, and leaves its cell as it was. */
export function withCells(
  cycle: Cycle,
  edits: readonly CycleCellEdit[],
  exercises: ReadonlyMap<string, Exercise>,
  unit: MassUnit,
  newId: () => string,
): { cycle: Cycle; refused: (CycleCellEdit & { why: string })[] } {
  let next = cycle;
  const refused: (CycleCellEdit & { why: string })[] = [];
  for (const edit of edits) {
    const lines =
      edit.week > cycle.weeks
        ? { why: `The cycle has ${counted(cycle.weeks, "week")}; this would be week ${edit.week}.` }
        : readCell(edit.text, cellContext(next, edit.columnId, exercises, unit));
    if ("why" in lines) refused.push({ ...edit, why: lines.why });
    else next = withLines(next, edit, lines, newId);
  }
  return { cycle: next, refused };
}

/** A cycle with what a cell says: an exercise that stays in it keeps its id, its note and its share of the maximum. */
function withLines(cycle: Cycle, place: CellPlace, lines: readonly CellLine[], newId: () => string): Cycle {
  const before = entriesAt(cycle, place);
  const written = lines.map((line): CycleEntry => {
    const held = before.find(({ exerciseId }) => exerciseId === line.exerciseId);
    return { ...(held ?? { id: newId(), week: place.week, weekday: place.weekday }), ...line };
  });
  const entries = cycle.entries ?? [];
  const at = entries.findIndex((entry) => before.includes(entry));
  const others = entries.filter((entry) => !before.includes(entry));
  const from = at === -1 ? others.length : at;
  return { ...cycle, entries: [...others.slice(0, from), ...written, ...others.slice(from)] };
}

/** How a cell grows from week to week. */
export interface CellStep {
  /** Of the percentages: 0.025 for 2.5 %. */
  percent: number;
  /** Of the loads, kilograms. */
  kg: number;
  reps: number;
}

/** A cell filled into the weeks after it, so much more each week; texts, to be written like typed ones. */
export function filledWeeks(
  cycle: Cycle,
  place: CellPlace,
  step: CellStep,
  exercises: ReadonlyMap<string, Exercise>,
  unit: MassUnit,
): CycleCellEdit[] {
  const lines = entriesAt(cycle, place);
  return Array.from({ length: Math.max(0, cycle.weeks - place.week) }, (_, index) => ({
    ...place,
    week: place.week + index + 1,
    text: cellText(
      lines.map((line) => ({ ...line, sets: line.sets.map((set) => stepped(set, step, index + 1)) })),
      cellContext(cycle, place.columnId, exercises, unit),
    ),
  }));
}

/** A set so many steps on; never fewer than one repetition. Percentages keep their hundredths, so that 0.7 + 3 × 0.025 is 77.5 %. */
export function stepped<S extends Pick<CycleSet, "percent" | "kg" | "reps" | "repsTo">>(
  set: S,
  { percent, kg, reps }: CellStep,
  times: number,
): S {
  return {
    ...set,
    ...(set.percent == null ? {} : { percent: Math.round((set.percent + percent * times) * 1e6) / 1e6 }),
    ...(set.kg == null ? {} : { kg: set.kg + kg * times }),
    ...(set.reps == null ? {} : { reps: Math.max(1, set.reps + reps * times) }),
    ...(set.repsTo == null ? {} : { repsTo: Math.max(1, set.repsTo + reps * times) }),
  };
}
