import { describe, expect, it } from "vitest";
import { editAction, gridAction, type Pressed } from "./keys";
import { held, isWithin, rangeOf } from "./selection";

const extent = { rows: 100, columns: 5, page: 12 };
const at = { row: 50, column: 2 };
const press = (key: string, more: Partial<Pressed> = {}): Pressed => ({
  key,
  shiftKey: false,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  ...more,
});
const to = (key: string, more?: Partial<Pressed>, place = at) => {
  const action = gridAction(press(key, more), place, extent);
  return action?.do === "move" ? [action.to.row, action.to.column, action.widen] : (action?.do ?? null);
};

describe("a key in the grid", () => {
  it("moves a cell, a page, to the ends of a row, and with Ctrl of the log", () => {
    expect(["ArrowUp", "ArrowDown", "ArrowLeft", "ArrowRight"].map((key) => to(key))).toEqual([
      [49, 2, false],
      [51, 2, false],
      [50, 1, false],
      [50, 3, false],
    ]);
    expect([to("PageUp"), to("PageDown")]).toEqual([
      [38, 2, false],
      [62, 2, false],
    ]);
    expect([to("Home"), to("End")]).toEqual([
      [50, 0, false],
      [50, 4, false],
    ]);
    expect([to("Home", { ctrlKey: true }), to("End", { metaKey: true })]).toEqual([
      [0, 2, false],
      [99, 2, false],
    ]);
  });
  it("never leaves the log, and widens what is chosen with Shift", () => {
    expect(to("PageUp", {}, { row: 3, column: 0 })).toEqual([0, 0, false]);
    expect(to("ArrowRight", {}, { row: 3, column: 4 })).toEqual([3, 4, false]);
    expect(to("ArrowDown", { shiftKey: true })).toEqual([51, 2, true]);
  });
  it("goes on by Tab, and out of the grid behind the last column", () => {
    expect([to("Tab"), to("Tab", { shiftKey: true })]).toEqual([
      [50, 3, false],
      [50, 1, false],
    ]);
    expect(to("Tab", {}, { row: 3, column: 4 })).toBeNull();
    expect(to("Tab", { shiftKey: true }, { row: 3, column: 0 })).toBeNull();
  });
  it("types over a cell with what was pressed, and opens it as it is with Enter", () => {
    expect(gridAction(press("7"), at, extent)).toEqual({ do: "edit", text: "7" });
    expect(["Enter", "F2"].map((key) => gridAction(press(key), at, extent))).toEqual([
      { do: "edit", text: null },
      { do: "edit", text: null },
    ]);
    expect(["Delete", "Backspace", "Escape"].map((key) => to(key))).toEqual(["empty", "empty", "narrow"]);
    expect([to("d", { ctrlKey: true }), to("D", { metaKey: true })]).toEqual(["fillDown", "fillDown"]);
  });
  it("leaves to the browser what is its own", () => {
    expect([to(" "), to("c", { ctrlKey: true }), to("x", { altKey: true }), to("F5"), to("Shift")]).toEqual([
      null,
      null,
      null,
      null,
      null,
    ]);
  });
});

describe("a key in the cell that is typed into", () => {
  const then = (key: string, shiftKey = false, place = at) => editAction({ key, shiftKey }, place, extent);
  it("writes and goes down or across, back with Shift, and never out of the log", () => {
    expect(then("Enter")).toEqual({ do: "write", then: { row: 51, column: 2 } });
    expect(then("Enter", true)).toEqual({ do: "write", then: { row: 49, column: 2 } });
    expect(then("Tab")).toEqual({ do: "write", then: { row: 50, column: 3 } });
    expect(then("Tab", true, { row: 50, column: 0 })).toEqual({ do: "write", then: { row: 50, column: 0 } });
    expect(then("Enter", false, { row: 99, column: 2 })).toEqual({ do: "write", then: { row: 99, column: 2 } });
  });
  it("leaves it with Escape, and is the text's own otherwise", () => {
    expect([then("Escape"), then("a"), then("ArrowLeft")]).toEqual([{ do: "leave" }, null, null]);
  });
});

describe("what is chosen", () => {
  it("lies between the cell in hand and the one it was widened from, whichever way", () => {
    const range = rangeOf({ row: 3, column: 4 }, { row: 7, column: 1 });
    expect(range).toEqual({ top: 3, bottom: 7, left: 1, right: 4 });
    expect(rangeOf(at, null)).toEqual({ top: 50, bottom: 50, left: 2, right: 2 });
    expect([isWithin(range, { row: 3, column: 1 }), isWithin(range, { row: 8, column: 1 })]).toEqual([true, false]);
    expect(held({ row: -3, column: 9 }, extent)).toEqual({ row: 0, column: 4 });
  });
});
