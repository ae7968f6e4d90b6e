"use client";

import { useSyncExternalStore } from "react";

const query = "(pointer: coarse)";

function subscribe(changed: () => void): () => void {
  const media = matchMedia(query);
  media.addEventListener("change", changed);
  return () => media.removeEventListener("change", changed);
}

/** Whether the page is touched with a finger: then the device's own way of choosing a date is the better one. */
export function useCoarse(): boolean {
  return useSyncExternalStore(
    subscribe,
    () => matchMedia(query).matches,
    () => false,
  );
}
