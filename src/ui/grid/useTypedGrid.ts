"use client";

import { counted } from "@/core/base/units/number";
import { type KeyboardEvent, type RefObject, useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { useUnsaved } from "../unsaved";
import { editAction, gridAction } from "./keys";
import { type CellRange, type Extent, held, type Place, rangeOf } from "./selection";
import type { Returned, WriteBehind, WriteCell } from "./writeBehind";

/** What is said over a grid. */
export interface Message {
  text: string;
  warn: boolean;
}

/** A grid that is typed into: where its cells are, what they say, and how one is written. */
export interface TypedGrid<C> {
  behind: WriteBehind<C>;
  keyOf: (cell: C) => string;
  extent: () => Extent;
  cellAt: (place: Place) => C;
  /** Where a cell is now; null where it is not shown. */
  placeOf: (cell: C) => Place | null;
  /** The cell in hand. */
  place: Place;
  onPlace: (to: Place) => void;
  /** What a cell says by the log. */
  textOf: (cell: C) => string;
  /** What a cell is called in a message. */
  titleOf: (cell: C) => string;
  /** Why a cell cannot be typed over; null where it can. */
  whyNot: (cell: C) => string | null;
  /** The same function as long as it writes into the same log for the same person. */
  write: WriteCell<C>;
  /** What has the focus while no cell is typed into. */
  root: RefObject<HTMLElement | null>;
  /** Told what stands in the cell that is typed into, and that it was left. */
  onText?: (cell: C, text: string | null) => void;
  /** Empties the cells of a range. */
  onEmpty: (range: CellRange) => void;
  /** Fills the first row of a range of several into the others. */
  onFillDown: (range: CellRange) => void;
}

/**
 * Within so many milliseconds nobody has seen that a cell has called back and pressed a key for it: the key belongs
 * where the trainee was (our judgement: reading a message and answering it takes longer).
 */
const unseenFor = 700;

/** The cell that is typed into. */
interface OpenCell<C> {
  cell: C;
  /** What it said before. */
  before: string;
  text: string;
  /** The text that was questioned: written as it stands, it is agreed to. */
  questioned: string | null;
}

/** A grid into which is typed as fast as keys come: the cells chosen, the one that is typed into, and its keys. */
export function useTypedGrid<C>(grid: TypedGrid<C>) {
  const { behind, keyOf } = grid;
  const [anchor, setAnchor] = useState<Place | null>(null);
  const [open, setOpen] = useState<OpenCell<C> | null>(null);
  const [message, setMessage] = useState<Message | null>(null);
  /** Where the trainee was when a cell called back, as long as nobody can have seen that it did. */
  const [calledFrom, setCalledFrom] = useState<Place | null>(null);
  useEffect(() => {
    if (calledFrom === null) return;
    const timer = setTimeout(() => setCalledFrom(null), unseenFor);
    return () => clearTimeout(timer);
  }, [calledFrom]);
  /** Keys and presses so far, and how many there were when a cell was last left. */
  const acts = useRef(0);
  const leftAt = useRef(-1);
  const { waiting, returned } = useSyncExternalStore(
    behind.subscribe,
    () => behind.behind,
    () => behind.behind,
  );
  useUnsaved(open !== null);
  const { place, root, titleOf, write } = grid;
  const focus = () => root.current?.focus({ preventScroll: true });
  const range = rangeOf(place, anchor);
  const openKey = open === null ? null : keyOf(open.cell);

  /** What a cell shows: what was typed into it last, else what the log has. */
  const textAt = (cell: C): string => {
    const key = keyOf(cell);
    return waiting.get(key)?.text ?? returned.get(key)?.typed.text ?? grid.textOf(cell);
  };
  const go = (target: Place, widen = false) => {
    setAnchor(widen ? (anchor ?? place) : null);
    grid.onPlace(held(target, grid.extent()));
    setMessage(null);
  };
  const openCell = (cell: C, text: string, before: string, questioned: string | null) => {
    setAnchor(null);
    setOpen({ cell, before, text, questioned });
    grid.onText?.(cell, text);
  };
  const begin = (at: Place, typed: string | null) => {
    const cell = grid.cellAt(at);
    const why = grid.whyNot(cell);
    if (why !== null) return setMessage({ text: why, warn: true });
    const back = returned.get(keyOf(cell));
    setMessage(null);
    openCell(
      cell,
      typed ?? textAt(cell),
      back?.typed.before ?? textAt(cell),
      back?.questioned ? back.typed.text : null,
    );
  };
  const close = () => {
    if (open !== null) grid.onText?.(open.cell, null);
    setOpen(null);
    setCalledFrom(null);
    leftAt.current = acts.current;
    focus();
  };
  /** Sends the open cell on its way and goes on; nothing is waited for. */
  const leave = (then: Place) => {
    const { cell, text, before, questioned } = open!;
    close();
    go(then);
    const back = returned.get(keyOf(cell));
    if (text.trim() === before.trim() && back === undefined && !waiting.has(keyOf(cell))) return;
    behind.add({ cell, text, before, agreed: questioned === text });
  };
  /** Where the cell is that is typed into; where it is not shown any more, the cell in hand. */
  const openAt = (): Place => (open === null ? null : grid.placeOf(open.cell)) ?? place;

  /** Goes back to a cell that was not written, and opens it with what was typed. */
  const callBack = (back: Returned<C>) => {
    const at = grid.placeOf(back.typed.cell);
    setMessage(messageFor(back, grid.titleOf, false));
    if (at === null) return;
    grid.onPlace(at);
    openCell(back.typed.cell, back.typed.text, back.typed.before, back.questioned ? back.typed.text : null);
  };
  /** A key that nobody can have meant for the cell that has just called back belongs where the trainee was. */
  const resume = (from: Place): void => {
    setCalledFrom(null);
    if (open !== null) grid.onText?.(open.cell, null);
    setOpen(null);
    grid.onPlace(from);
    focus();
  };

  // What comes back is told; where nothing has been done since its cell was left, the trainee is called back to it.
  const known = useRef(returned);
  const now = { callBack, leave: () => leave(place), isIdle: open === null && anchor === null };
  const latest = useRef(now);
  useEffect(() => {
    latest.current = now;
  });
  useEffect(() => {
    const fresh = [...returned].filter(([key, back]) => known.current.get(key) !== back);
    known.current = returned;
    const [, back] = fresh.at(-1) ?? [];
    if (back === undefined) return;
    const isIdle = latest.current.isIdle && document.activeElement === root.current;
    if (isIdle && acts.current === leftAt.current) {
      setCalledFrom(place);
      latest.current.callBack(back);
    } else setMessage(messageFor(back, titleOf, true));
  }, [returned, titleOf, place, root]);
  useEffect(() => behind.begin(write), [behind, write]);
  // A cell that is not shown any more, since its column or row has gone, is sent on its way as it stands.
  const isGone = open !== null && grid.placeOf(open.cell) === null;
  useEffect(() => {
    if (isGone) latest.current.leave();
  }, [isGone]);

  const act = (at: Place, action: NonNullable<ReturnType<typeof gridAction>>) => {
    if (action.do === "narrow") return setAnchor(null);
    if (action.do === "move") go(action.to, action.widen);
    else if (action.do === "edit") begin(at, action.text);
    else if (action.do === "empty") grid.onEmpty(rangeOf(at, anchor));
    else fillDown();
  };
  const fillDown = () => {
    if (range.bottom > range.top) return grid.onFillDown(range);
    setMessage({
      text: "Choose some rows first (Shift and the arrow keys); the first is filled into the others.",
      warn: false,
    });
  };
  const backs = useMemo(() => [...returned.values()], [returned]);
  return {
    range,
    message,
    say: setMessage,
    /** The cell that is typed into, by its key, and what stands in it. */
    openKey,
    openText: open?.text ?? "",
    textAt,
    /** Why a cell was not written; null where nothing came back of it. */
    whyBack: (cell: C): string | null => returned.get(keyOf(cell))?.why ?? null,
    /** Whether the open cell has called back so lately that what is typed is not meant for it. */
    isUnseen: calledFrom !== null,
    /** How many cells came back, and the way to the first of them. */
    backs: backs.length,
    goBack: () => {
      const [first] = backs;
      if (first === undefined) return;
      if (open !== null) leave(place);
      callBack(first);
    },
    fillDown,
    type: (text: string) => {
      setOpen((now) => now && { ...now, text });
      if (open !== null) grid.onText?.(open.cell, text);
    },
    /** A cell was pointed at; what is being typed elsewhere is sent on its way first. */
    point: (at: Place, widen: boolean) => {
      acts.current += 1;
      if (open !== null) return leave(at);
      go(at, widen);
      focus();
    },
    /** A cell was pointed at twice. */
    open: (at: Place) => {
      acts.current += 1;
      if (open === null) begin(at, null);
    },
    onKeyDown: (event: KeyboardEvent) => {
      // What stands in the grid as a button has its own keys; the field of the open cell has those of `onEditKey`.
      if (event.target !== event.currentTarget || grid.extent().rows === 0) return;
      acts.current += 1;
      if (event.key === "F8" && backs.length > 0) {
        event.preventDefault();
        return callBack(backs[0]!);
      }
      // Typed into the grid while a cell elsewhere is still open: that one comes first.
      if (open !== null) {
        if (event.key.length === 1) go(openAt());
        return;
      }
      const action = gridAction(event, place, grid.extent());
      if (action === null) return;
      if (action.do !== "narrow") event.preventDefault();
      act(place, action);
    },
    onEditKey: (event: KeyboardEvent) => {
      acts.current += 1;
      // Enter and Escape of an input method that is putting letters together are its own.
      if (event.nativeEvent.isComposing) return;
      if (calledFrom !== null && event.key !== "Escape") {
        const action = gridAction(event, calledFrom, grid.extent());
        if (action === null) return;
        event.preventDefault();
        resume(calledFrom);
        return act(calledFrom, action);
      }
      const action = editAction(event, openAt(), grid.extent());
      if (action === null) return;
      event.preventDefault();
      if (action.do === "write") return leave(action.then);
      behind.drop(openKey!);
      close();
      setMessage(null);
    },
  };
}

function messageFor<C>(
  { typed, why, questioned }: Returned<C>,
  titleOf: (cell: C) => string,
  elsewhere: boolean,
): Message {
  const ask = questioned ? `${why} Press Enter again if it is right.` : why;
  return { text: elsewhere ? `${titleOf(typed.cell)}, “${typed.text}”: ${ask}` : ask, warn: true };
}

/** What came back, counted. */
export function backsText(count: number): string {
  return `${counted(count, "cell")} not written`;
}
