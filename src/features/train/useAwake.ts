"use client";

import { useEffect } from "react";

/**
 * Keeps the screen on while something is shown, where the browser allows it; asked for again whenever the page comes
 * back into view.
 */
export function useAwake(): void {
  useEffect(() => {
    if (!("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = () => {
      if (document.visibilityState !== "visible" || left) return;
      navigator.wakeLock
        .request("screen")
        .then((held) => {
          if (left) void held.release();
          else lock = held;
        })
        .catch(() => {});
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
}
