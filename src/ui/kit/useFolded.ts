"use client";

import { type RefCallback, useCallback, useState } from "react";
import { usePrinted } from "./useMedia";

/** The room that paper has (A4 upright, without its margins), px. */
const paper = 718;

/**
 * Whether there is too little room for a table: it would be wider than its place, or its columns narrow. It is measured
 * before it is drawn.
 * @param least the room in px below which it is hard to read
 */
export function useFolded<E extends HTMLElement>(least: number): { place: RefCallback<E>; isFolded: boolean } {
  const [room, setRoom] = useState(Number.POSITIVE_INFINITY);
  // The widest place that was too narrow so far.
  const [tooNarrow, setTooNarrow] = useState(0);
  const place = useCallback((element: E | null) => {
    if (element === null) return;
    const measure = () => {
      setRoom(element.clientWidth);
      const table = element.querySelector("table");
      if (table !== null && table.offsetWidth > element.clientWidth + 1)
        setTooNarrow((before) => Math.max(before, element.clientWidth));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  // On paper the window's width says nothing.
  const isPrinted = usePrinted();
  return { place, isFolded: isPrinted ? paper < least : room <= tooNarrow || room < least };
}
