"use client";

import { messageOf } from "@/core/base/messageOf";
import { counted } from "@/core/base/units/number";
import { put } from "@/core/log/records";
import type { CycleCellEdit } from "@/core/planning/cycleEdit";
import type { CycleTyped, CycleView } from "@/core/planning/cycleView";
import { editAction, gridAction } from "@/ui/grid/keys";
import { held as within, type Place, rangeOf } from "@/ui/grid/selection";
import { useLog } from "@/ui/log/LogContext";
import { useUnsaved } from "@/ui/unsaved";
import { type ClipboardEvent, type KeyboardEvent, type RefObject, useRef, useState } from "react";

export interface Said {
  text: string;
  warn: boolean;
}

/**
 * The form of a cycle as it is moved in and written: a cell in hand, a range from it, a cell that is typed into. Each
 * keystroke is asked what the cycle comes to with it; what is written is one change of the cycle.
 */
export function useCycleGrid(
  held: CycleView,
  grid: RefObject<HTMLDivElement | null>,
  onTyped: (typed: CycleTyped | null) => void,
) {
  const { compute, person, today, commit } = useLog();
  const [place, setPlace] = useState<Place>({ row: 0, column: 0 });
  const [anchor, setAnchor] = useState<Place | null>(null);
  const [editing, setEditing] = useState<{ place: Place; text: string } | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const asked = useRef(0);
  useUnsaved(editing !== null);
  const { rows, columns, cycle } = held;
  const extent = { rows: rows.length, columns: columns.length, page: 6 };
  const at = within(place, extent);
  const range = rangeOf(at, anchor);
  const textAt = (row: number, column: number) => rows[row]?.cells[column]?.text ?? "";
  const editAt = (row: number, column: number, text: string): CycleCellEdit => ({
    week: rows[row]!.week,
    weekday: rows[row]!.weekday,
    columnId: columns[column]!.id,
    text,
  });
  const focus = () => grid.current?.focus({ preventScroll: true });
  const ask = (what: { edits: readonly CycleCellEdit[] } | { paste: string; at: CycleCellEdit }) =>
    compute.ask("cycleTyped", { personId: person.id, today, cycleId: cycle.id, ...what });

  const go = (to: Place, widen = false) => {
    setAnchor(widen ? (anchor ?? at) : null);
    setPlace(within(to, extent));
    setSaid(null);
  };
  const begin = (to: Place, text: string) => {
    setPlace(to);
    setAnchor(null);
    setSaid(null);
    setEditing({ place: to, text });
  };
  const leave = () => {
    asked.current += 1;
    setEditing(null);
    setSaid(null);
    onTyped(null);
    focus();
  };
  const type = (text: string) => {
    if (editing === null) return;
    setEditing({ ...editing, text });
    const mine = (asked.current += 1);
    ask({ edits: [editAt(editing.place.row, editing.place.column, text)] })
      .then((answer) => {
        if (mine === asked.current) onTyped(answer?.refused.length === 0 ? answer : null);
      })
      .catch((error: unknown) => setSaid({ text: messageOf(error), warn: true }));
  };
  /** Writes cells as one change; what is refused is said, and of several cells the others are written. */
  const write = async (what: Parameters<typeof ask>[0], label: string): Promise<boolean> => {
    const answer = await ask(what);
    if (answer === null) return false;
    const { refused, view, edits, beyond } = answer;
    if (beyond > 0) setSaid({ text: `${counted(beyond, "line")} beyond the last day were left out.`, warn: true });
    if (refused.length > 0) {
      const first = refused[0]!;
      setSaid({
        text:
          edits === 1
            ? first.why
            : `${counted(refused.length, "cell")} refused; week ${first.week}, “${first.text}”: ${first.why}`,
        warn: true,
      });
      if (refused.length === edits) return false;
    }
    return (
      JSON.stringify(view.cycle) === JSON.stringify(cycle) || (await commit([put("cycles", view.cycle, cycle)], label))
    );
  };
  const writeTyped = async (then: Place | null) => {
    const { place: typedAt, text } = editing!;
    const isWritten = await write({ edits: [editAt(typedAt.row, typedAt.column, text)] }, `${cycle.name}, a cell`);
    if (!isWritten) return;
    asked.current += 1;
    setEditing(null);
    onTyped(null);
    focus();
    if (then !== null) go(then);
  };
  /** Each cell of the range with what it is to say. */
  const ofRange = (make: (row: number, column: number) => string): CycleCellEdit[] => {
    const edits = [];
    for (let row = range.top; row <= range.bottom; row++)
      for (let column = range.left; column <= range.right; column++) edits.push(editAt(row, column, make(row, column)));
    return edits;
  };
  const fillDown = () => {
    if (range.bottom === range.top)
      return setSaid({
        text: "Choose some days first (Shift and the arrow keys); the first is filled into the others.",
        warn: false,
      });
    void write({ edits: ofRange((_, column) => textAt(range.top, column)) }, `${cycle.name}, filled down`);
  };
  return {
    place: at,
    range,
    editing,
    said,
    type,
    fillDown,
    say: setSaid,
    /** A cell was pointed at; what is being typed elsewhere is written first. */
    point: (to: Place, widen: boolean) => {
      if (editing !== null) return void writeTyped(to);
      go(to, widen);
      focus();
    },
    open: (to: Place) => {
      if (editing === null) begin(to, textAt(to.row, to.column));
    },
    onKeyDown: (event: KeyboardEvent) => {
      // What stands in the grid as a button has its own keys.
      if (editing !== null || rows.length === 0 || event.target !== event.currentTarget) return;
      const action = gridAction(event, at, extent);
      if (action === null) return;
      if (action.do === "narrow") return setAnchor(null);
      event.preventDefault();
      if (action.do === "move") go(action.to, action.widen);
      else if (action.do === "edit") begin(at, action.text ?? textAt(at.row, at.column));
      else if (action.do === "empty") void write({ edits: ofRange(() => "") }, `${cycle.name}, emptied`);
      else fillDown();
    },
    onEditKey: (event: KeyboardEvent) => {
      const action = editAction(event, editing!.place, extent);
      if (action === null) return;
      event.preventDefault();
      if (action.do === "write") void writeTyped(action.then);
      else leave();
    },
    onCopy: (event: ClipboardEvent) => {
      if (editing !== null) return;
      event.preventDefault();
      const lines = Array.from({ length: range.bottom - range.top + 1 }, (_, row) =>
        Array.from({ length: range.right - range.left + 1 }, (_unused, column) =>
          textAt(range.top + row, range.left + column),
        ).join("\t"),
      );
      event.clipboardData.setData("text/plain", lines.join("\n"));
      setSaid({ text: `Copied ${counted(lines.length, "day")}.`, warn: false });
    },
    onPaste: (event: ClipboardEvent) => {
      if (editing !== null || rows.length === 0) return;
      event.preventDefault();
      const paste = event.clipboardData.getData("text/plain");
      if (paste.trim() !== "") void write({ paste, at: editAt(range.top, range.left, "") }, `${cycle.name}, pasted`);
    },
  };
}
