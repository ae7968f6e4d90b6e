"use client";

import { useSyncExternalStore } from "react";

function mediaHook(query: string): () => boolean {
  const subscribe = (changed: () => void) => {
    const media = matchMedia(query);
    media.addEventListener("change", changed);
    return () => media.removeEventListener("change", changed);
  };
  return () =>
    useSyncExternalStore(
      subscribe,
      () => matchMedia(query).matches,
      () => false,
    );
}

/** Whether the page is touched with a finger: then the device's own way of choosing a date is the better one. */
export const useCoarse = mediaHook("(pointer: coarse)");

/** Whether the page is drawn for paper. */
export const usePrinted = mediaHook("print");

/** Whether there is room beside a view for what belongs to it. */
export const useRoomBeside = mediaHook("(min-width: 1500px)");

/** Whether the page is as narrow as a phone: then the Column and most views are a tap away. */
export const useNarrow = mediaHook("(max-width: 820px)");
