"use client";

import { useEffect } from "react";
import { tinykeys } from "tinykeys";
import { useKeys } from "./keys";

/**
 * Keys and what they do. Plain ones act outside of fields and dialogs, and where the trainee has not switched them off;
 * undo and redo by Ctrl always do outside of fields, which have their own.
 * @param actions by the id of what a key does
 */
export function useShortcuts(actions: Readonly<Record<string, () => void>>): void {
  const { on, keys } = useKeys();
  useEffect(() => {
    const free = (act: (() => void) | undefined) => (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const isBusy =
        target.isContentEditable ||
        /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
        [...document.querySelectorAll('[role="dialog"][aria-modal="true"]')].some(isSeen);
      if (isBusy || event.defaultPrevented || act === undefined) return;
      event.preventDefault();
      act();
    };
    const plain = on ? [...keys].filter((one): one is [string, string] => one[1] !== null) : [];
    return tinykeys(window, {
      "$mod+z": free(actions.undo),
      "$mod+Shift+z": free(actions.redo),
      "$mod+y": free(actions.redo),
      ...Object.fromEntries(plain.flatMap(([id, key]) => pressesOf(key).map((press) => [press, free(actions[id])]))),
    });
  }, [actions, keys, on]);
}

/** Whether it is on the screen: a dialog that was closed is still in the page for a moment. */
function isSeen(element: Element): boolean {
  return element.getClientRects().length > 0;
}

/** How a key is pressed: a sign that is no letter may need Shift, by the keyboard it is on. */
function pressesOf(key: string): string[] {
  return key.toLowerCase() === key.toUpperCase() ? [key, `Shift+${key}`] : [key];
}
