"use client";

import { useEffect } from "react";

const offKey = "oat-column-keys-off";

/** Whether plain keys act in this browser; Ctrl Z always does. */
export const shortcuts = {
  on: () => localStorage.getItem(offKey) === null,
  set: (on: boolean) => {
    if (on) localStorage.removeItem(offKey);
    else localStorage.setItem(offKey, "1");
  },
};

/**
 * Plain keys and what they do. Only outside of fields and without a modifier, so that no key of the browser is taken.
 */
export function useShortcuts(actions: Record<string, () => void>): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const typing =
        target.isContentEditable ||
        /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
        document.querySelector('[role="dialog"][aria-modal="true"]') !== null;
      if (typing || event.defaultPrevented || event.altKey) return;
      const isModified = event.ctrlKey || event.metaKey;
      const name = isModified ? modified(event) : event.key;
      const action = actions[name];
      if (!action || (!isModified && !shortcuts.on())) return;
      event.preventDefault();
      action();
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, [actions]);
}

/** What a key does with Ctrl or the command key; nothing that the browser does by it is taken. */
function modified({ key, shiftKey }: KeyboardEvent): string {
  if (key.toLowerCase() === "z") return shiftKey ? "redo" : "undo";
  return key.toLowerCase() === "y" && !shiftKey ? "redo" : "";
}
