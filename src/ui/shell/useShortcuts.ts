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
        isTypedOn(event) ||
        target.isContentEditable ||
        /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
        [...document.querySelectorAll('[role="dialog"][aria-modal="true"]')].some(isSeen);
      if (isBusy || event.defaultPrevented || act === undefined) return;
      event.preventDefault();
      act();
    };
    document.addEventListener("keydown", noteTyping, true);
    document.addEventListener("pointerdown", endTyping, true);
    const plain = on ? [...keys].filter((one): one is [string, string] => one[1] !== null) : [];
    const leave = tinykeys(window, {
      "$mod+z": free(actions.undo),
      "$mod+Shift+z": free(actions.redo),
      "$mod+y": free(actions.redo),
      ...Object.fromEntries(plain.flatMap(([id, key]) => pressesOf(key).map((press) => [press, free(actions[id])]))),
    });
    return () => {
      leave();
      document.removeEventListener("keydown", noteTyping, true);
      document.removeEventListener("pointerdown", endTyping, true);
    };
  }, [actions, keys, on]);
}

const isField = (target: EventTarget | null): target is HTMLElement =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA)$/.test(target.tagName));

/** A field that was typed into, and when its last key came. */
let typedInto: { field: HTMLElement; at: number } | null = null;
/** Keys that follow one another within so many milliseconds belong to one stretch of typing (our judgement). */
const oneStretch = 2000;

/** Notes into what is typed, before whatever a key does. */
function noteTyping(event: KeyboardEvent): void {
  if (isField(event.target)) typedInto = event.key.length === 1 ? { field: event.target, at: event.timeStamp } : null;
  else if (typedInto !== null && !isTypedOn(event)) typedInto = null;
}

/** A press elsewhere ends a stretch of typing: what follows it is meant for the page. */
function endTyping(): void {
  typedInto = null;
}

/**
 * Whether a key belongs to what is being typed though its field has gone from under it: nothing typed does what a plain
 * key does.
 */
function isTypedOn({ target, timeStamp, key }: KeyboardEvent): boolean {
  if (typedInto === null || target !== document.body || typedInto.field.isConnected) return false;
  if (key.length !== 1 || timeStamp - typedInto.at > oneStretch) return false;
  typedInto.at = timeStamp;
  return true;
}

/** Whether it is on the screen: a dialog that was closed is still in the page for a moment. */
function isSeen(element: Element): boolean {
  return element.getClientRects().length > 0;
}

/** How a key is pressed: a sign that is no letter may need Shift, by the keyboard it is on. */
function pressesOf(key: string): string[] {
  return key.toLowerCase() === key.toUpperCase() ? [key, `Shift+${key}`] : [key];
}
