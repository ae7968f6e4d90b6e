import { byWord } from "@/core/base/byWord";
import { type Extent, held, type Place } from "./selection";

/** A key as it was pressed. */
export interface Pressed {
  key: string;
  shiftKey: boolean;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
}

/**
 * What a key asks for while no cell is being typed into. `edit` begins with `text`, or with what the cell says where it
 * is null.
 */
export type GridAction =
  | { do: "move"; to: Place; widen: boolean }
  | { do: "edit"; text: string | null }
  | { do: "empty" }
  | { do: "fillDown" }
  | { do: "narrow" };

/** What a key does in the grid; null where it is left to the browser. */
export function gridAction(pressed: Pressed, place: Place, extent: Extent): GridAction | null {
  const { key, shiftKey, altKey } = pressed;
  const jump = pressed.ctrlKey || pressed.metaKey;
  const { row, column } = place;
  const moves: Record<string, Place> = byWord({
    ArrowUp: { row: row - 1, column },
    ArrowDown: { row: row + 1, column },
    ArrowLeft: { row, column: column - 1 },
    ArrowRight: { row, column: column + 1 },
    PageUp: { row: row - extent.page, column },
    PageDown: { row: row + extent.page, column },
    Home: jump ? { row: 0, column } : { row, column: 0 },
    End: jump ? { row: extent.rows - 1, column } : { row, column: extent.columns - 1 },
  });
  const target = moves[key];
  if (target !== undefined) return { do: "move", to: held(target, extent), widen: shiftKey };
  if (key === "Tab") {
    const next = column + (shiftKey ? -1 : 1);
    // Beyond the last column the focus leaves the grid.
    return next >= 0 && next < extent.columns ? { do: "move", to: { row, column: next }, widen: false } : null;
  }
  if (key === "Enter" || key === "F2") return { do: "edit", text: null };
  if (key === "Escape") return { do: "narrow" };
  if (key === "Delete" || key === "Backspace") return { do: "empty" };
  if (jump && key.toLowerCase() === "d") return { do: "fillDown" };
  return key.length === 1 && !jump && !altKey && key !== " " ? { do: "edit", text: key } : null;
}

/**
 * What a key does in the cell that is being typed into: it is left, or written and the cell beside it chosen; null
 * where the key is the text's.
 */
export function editAction(
  { key, shiftKey }: Pick<Pressed, "key" | "shiftKey">,
  typedAt: Place,
  extent: Extent,
): { do: "leave" } | { do: "write"; then: Place } | null {
  const step = shiftKey ? -1 : 1;
  if (key === "Escape") return { do: "leave" };
  if (key === "Enter") return { do: "write", then: held({ ...typedAt, row: typedAt.row + step }, extent) };
  if (key === "Tab") return { do: "write", then: held({ ...typedAt, column: typedAt.column + step }, extent) };
  return null;
}
