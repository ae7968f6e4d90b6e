"use client";

import { messageOf } from "@/core/base/messageOf";
import { counted } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { CellPlace, CycleCellEdit } from "@/core/planning/cycleEdit";
import type { CycleTyped, CycleView } from "@/core/planning/cycleView";
import { weekdayDate } from "@/ui/dates";
import { type CellRange, held as within, type Place } from "@/ui/grid/selection";
import { useTypedGrid } from "@/ui/grid/useTypedGrid";
import { writeBehind, type WriteCell } from "@/ui/grid/writeBehind";
import { useLog } from "@/ui/log/LogContext";
import { type ClipboardEvent, type RefObject, useCallback, useMemo, useRef, useState } from "react";

const keyOf = ({ week, weekday, columnId }: CellPlace): string => `${week} ${weekday} ${columnId ?? ""}`;
const rowOf = ({ week, weekday }: CellPlace): string => `${week} ${weekday}`;

/**
 * The form of a cycle as it is moved in and written. What is being typed is asked what the cycle comes to with it; each
 * cell that is left is one change of the cycle, and so is a paste, a filling down, an emptying.
 */
export function useCycleGrid(
  held: CycleView,
  root: RefObject<HTMLDivElement | null>,
  onTyped: (typed: CycleTyped | null) => void,
) {
  const { compute, person, today, commit, name: logName } = useLog();
  const [at, setPlace] = useState<Place>({ row: 0, column: 0 });
  const { rows, columns } = held;
  const { id: cycleId, name } = held.cycle;
  const personId = person.id;
  const extent = { rows: rows.length, columns: columns.length, page: 6 };
  const place = within(at, extent);
  const cellAt = ({ row, column }: Place): CellPlace => ({
    week: rows[row]!.week,
    weekday: rows[row]!.weekday,
    columnId: columns[column]!.id,
  });
  const rowIndex = ({ week, weekday }: CellPlace) =>
    rows.findIndex((row) => row.week === week && row.weekday === weekday);
  const placeOf = (cell: CellPlace): Place | null => {
    const [row, column] = [rowIndex(cell), columns.findIndex(({ id }) => id === cell.columnId)];
    return row < 0 || column < 0 ? null : { row, column };
  };
  const ask = useCallback(
    (what: { edits: readonly CycleCellEdit[] } | { paste: string; at: CycleCellEdit }) =>
      compute.ask("cycleTyped", { personId, today, cycleId, ...what }),
    [compute, personId, today, cycleId],
  );
  const putCycle = useCallback(
    async ({ held: before, view }: CycleTyped, label: string): Promise<boolean> =>
      JSON.stringify(view.cycle) === JSON.stringify(before) ||
      (await commit([put("cycles", view.cycle, before)], label)),
    [commit],
  );
  const behind = useMemo(
    () => writeBehind<CellPlace>(`cycle-${logName}-${personId}-${cycleId}`, keyOf, rowOf),
    [logName, personId, cycleId],
  );
  const write = useCallback<WriteCell<CellPlace>>(
    async ({ cell, text }) => {
      const answer = await ask({ edits: [{ ...cell, text }] });
      if (answer === null) return { refused: "This cycle is not in the log any more." };
      const [refused] = answer.refused;
      if (refused !== undefined) return { refused: refused.why };
      if (!(await putCycle(answer, `${name}, a cell`)))
        return { refused: "It could not be written, and stands here as it was typed. Enter tries again." };
      const now = answer.view.rows
        .find((row) => row.week === cell.week && row.weekday === cell.weekday)
        ?.cells.find(({ columnId }) => columnId === cell.columnId)?.text;
      return { now: now ?? text, shown: compute.caughtUp() };
    },
    [ask, compute, name, putCycle],
  );

  /** What the cycle comes to with the cell that is being typed: one question at a time, and the last one counts. */
  const asking = useRef(false);
  const wanted = useRef<CycleCellEdit | null>(null);
  const preview = async (edit: CycleCellEdit | null) => {
    wanted.current = edit;
    if (edit === null) return onTyped(null);
    if (asking.current) return;
    asking.current = true;
    try {
      for (let next = wanted.current; next !== null;) {
        const answer = await ask({ edits: [next] });
        // Left, or typed on, meanwhile.
        if (wanted.current === next) {
          onTyped(answer?.refused.length === 0 ? answer : null);
          break;
        }
        next = wanted.current;
      }
    } catch (error) {
      grid.say({ text: messageOf(error), warn: true });
    } finally {
      asking.current = false;
    }
  };

  /** Writes several cells as one change; what is refused is said, and the others are written. */
  const writeSeveral = async (what: Parameters<typeof ask>[0], label: string): Promise<void> => {
    await behind.settled();
    const answer = await ask(what);
    if (answer === null) return;
    const { refused, edits, beyond } = answer;
    if (beyond > 0) grid.say({ text: `${counted(beyond, "line")} beyond the last day were left out.`, warn: true });
    const [first] = refused;
    if (first !== undefined)
      grid.say({
        text: `${counted(refused.length, "cell")} refused; week ${first.week}, “${first.text}”: ${first.why}`,
        warn: true,
      });
    if (refused.length === 0 || refused.length < edits) await putCycle(answer, label);
  };
  /** Each cell of the range with what it is to say. */
  const ofRange = (range: CellRange, make: (place: Place) => string): CycleCellEdit[] => {
    const edits = [];
    for (let row = range.top; row <= range.bottom; row++)
      for (let column = range.left; column <= range.right; column++)
        edits.push({ ...cellAt({ row, column }), text: make({ row, column }) });
    return edits;
  };
  const grid = useTypedGrid<CellPlace>({
    behind,
    write,
    keyOf,
    root,
    extent: () => extent,
    cellAt,
    placeOf,
    place,
    onPlace: setPlace,
    textOf: (cell) => rows[rowIndex(cell)]?.cells.find(({ columnId }) => columnId === cell.columnId)?.text ?? "",
    titleOf: (cell) => {
      const column = columns.find(({ id }) => id === cell.columnId)?.name ?? "";
      const row = rows[rowIndex(cell)];
      return row === undefined ? column : `${column}, ${weekdayDate(row.date)}`;
    },
    whyNot: () => null,
    onText: (cell, text) => void preview(text === null ? null : { ...cell, text }),
    onEmpty: (range) => void writeSeveral({ edits: ofRange(range, () => "") }, `${name}, emptied`),
    onFillDown: (range) =>
      void writeSeveral(
        { edits: ofRange(range, ({ column }) => grid.textAt(cellAt({ row: range.top, column }))) },
        `${name}, filled down`,
      ),
  });
  return {
    ...grid,
    place,
    keyAt: (where: Place) => keyOf(cellAt(where)),
    cellAt,
    onCopy: (event: ClipboardEvent) => {
      if (grid.openKey !== null) return;
      event.preventDefault();
      const { range } = grid;
      const lines = Array.from({ length: range.bottom - range.top + 1 }, (_, row) =>
        Array.from({ length: range.right - range.left + 1 }, (_unused, column) =>
          grid.textAt(cellAt({ row: range.top + row, column: range.left + column })),
        ).join("\t"),
      );
      event.clipboardData.setData("text/plain", lines.join("\n"));
      grid.say({ text: `Copied ${counted(lines.length, "day")}.`, warn: false });
    },
    onPaste: (event: ClipboardEvent) => {
      if (grid.openKey !== null || rows.length === 0) return;
      event.preventDefault();
      const paste = event.clipboardData.getData("text/plain");
      const corner = cellAt({ row: grid.range.top, column: grid.range.left });
      if (paste.trim() !== "") void writeSeveral({ paste, at: { ...corner, text: "" } }, `${name}, pasted`);
    },
  };
}
