"use client";

import { useEffect } from "react";
import { hasTyped } from "./grid/writeBehind";

/** Fields in which something was typed that is not yet saved, whether they stand in a form or not. */
const typedIn = new WeakSet<Element>();
/** What else would be lost with the page, such as a file that was read and is on show. */
const onShow = new Set<object>();

function noteTyping({ target }: Event): void {
  if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) typedIn.add(target);
}

function noteSubmit({ target }: Event): void {
  // The quick-entry line is emptied when it is saved; until then it is not.
  if ((target as HTMLFormElement).getAttribute("role") === "search") return;
  for (const field of fieldsIn(target as HTMLFormElement)) typedIn.delete(field);
}

const fieldsIn = (within: ParentNode) =>
  within.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>("input:not([type=search], [type=file]), textarea");

/** Takes note of typing from now on, until the returned function is called. */
export function watchTyping(): () => void {
  document.addEventListener("input", noteTyping);
  document.addEventListener("submit", noteSubmit);
  return () => {
    document.removeEventListener("input", noteTyping);
    document.removeEventListener("submit", noteSubmit);
  };
}

/** Whether something half-written, or read and not yet taken, would be lost if the page were loaded anew. */
export function hasUnsaved(): boolean {
  return (
    onShow.size > 0 || hasTyped() || [...fieldsIn(document)].some((field) => typedIn.has(field) && field.value !== "")
  );
}

/** Says that something would be lost with the page, as long as it is so. */
export function useUnsaved(is: boolean): void {
  useEffect(() => {
    if (!is) return;
    const mark = {};
    onShow.add(mark);
    return () => {
      onShow.delete(mark);
    };
  }, [is]);
}
