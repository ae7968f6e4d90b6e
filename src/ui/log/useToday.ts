"use client";

import { useSyncExternalStore } from "react";

function localDate(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}-${String(now.getDate()).padStart(2, "0")}`;
}

function subscribe(listener: () => void): () => void {
  const timer = setInterval(listener, 20_000);
  document.addEventListener("visibilitychange", listener);
  return () => {
    clearInterval(timer);
    document.removeEventListener("visibilitychange", listener);
  };
}

/** The trainee's civil date, which turns at local midnight; null on the server, which does not know it. */
export function useToday(): string | null {
  return useSyncExternalStore(subscribe, localDate, () => null);
}
