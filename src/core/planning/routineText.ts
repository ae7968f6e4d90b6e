import type { MassUnit } from "../base/units/mass";
import type { CycleSet } from "../log/kinds/cycles";
import type { Exercise } from "../log/kinds/exercises";
import { readCell, setsText, together } from "./cycleCell";
import type { PlannedItem } from "./moves";

/** The exercises of a routine as they are typed, a line each: `Back squat 4×5 80 kg rest 2 min`. */
export function itemsText(
  items: readonly PlannedItem[],
  exercises: ReadonlyMap<string, Exercise>,
  unit: MassUnit,
): string {
  return items
    .map(({ exerciseId, sets }) => {
      const working = sets.filter(({ warmUp, planned }) => !warmUp && planned != null);
      const written = working.map(({ planned, restSeconds }): CycleSet => ({
        ...planned,
        count: 1,
        ...(restSeconds == null ? {} : { restSeconds }),
      }));
      return `${exercises.get(exerciseId)?.name ?? exerciseId} ${setsText(together(written), unit)}`;
    })
    .join("\n");
}

/**
 * Exercises read from lines. Of one that was there before, the warm-ups, the note, the tempo and the superset stay.
 * @returns what is wrong, in words, where a line cannot be read
 */
export function readItems(
  text: string,
  before: readonly PlannedItem[],
  exercises: ReadonlyMap<string, Exercise>,
  unit: MassUnit,
): PlannedItem[] | { why: string } {
  const lines = readCell(text, { exercises, columnId: null, columns: [], unit });
  if ("why" in lines) return lines;
  return lines.map(({ exerciseId, sets }): PlannedItem => {
    const held = before.find((item) => item.exerciseId === exerciseId);
    return {
      ...(held ?? {}),
      exerciseId,
      sets: [
        ...(held?.sets ?? []).filter(({ warmUp }) => warmUp),
        ...sets.flatMap(({ count, restSeconds, ...planned }) =>
          Array.from({ length: count ?? 1 }, () => ({ ...(restSeconds == null ? {} : { restSeconds }), planned })),
        ),
      ],
    };
  });
}
