"use client";

import { type ReactNode, useEffect, useLayoutEffect } from "react";
import { late, whenIdle } from "./late";

export interface DialogProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
}

const Panel = late<DialogProps>(
  () => import("./DialogPanel").then(({ DialogPanel }) => DialogPanel),
  () => null,
);

/**
 * A panel over the page that keeps the focus until it is closed, by its button, Escape, or a click beside it; the focus
 * then is where it was.
 */
export function Dialog(props: DialogProps) {
  useFocusBack(Panel.fetch);
  return <Panel {...props} />;
}

/** Fetches a panel over the page, and gives the focus back once it is gone. */
export function useFocusBack(fetch: () => void): void {
  useLayoutEffect(() => {
    const before = document.activeElement;
    fetch();
    return () => {
      // Once the panel, which holds the focus, is gone from the page.
      queueMicrotask(() => {
        if (before instanceof HTMLElement && before.isConnected) before.focus();
      });
    };
  }, [fetch]);
}

/** Fetches the panel when the browser has time, so that the first dialog opens at once. */
export function useDialogSoon(): void {
  useEffect(() => whenIdle(Panel.fetch), []);
}
