"use client";

import { createElement, useEffect, useState } from "react";
import { lateCode } from "./late";

/** What is said of something, and where it is. */
export interface Hint {
  text: string;
  at: DOMRect;
}

const bubble = lateCode(() => import("./HintBubble").then(({ HintBubble }) => HintBubble));
/** So long a pointer rests before it is answered. */
const restMs = 400;

/**
 * Says what stands in `data-hint` of whatever the pointer rests on or the keyboard's focus comes to, wherever in the
 * page that is; Escape puts it away.
 */
export function HintLayer() {
  const [hint, setHint] = useState<Hint | null>(null);
  const drawn = bubble.useCode();
  useEffect(() => {
    let timer = 0;
    const hide = () => {
      clearTimeout(timer);
      setHint(null);
    };
    const show = (target: EventTarget | null, after: number) => {
      hide();
      const said = target instanceof Element ? target.closest<HTMLElement>("[data-hint]") : null;
      if (!said) return;
      bubble.fetch();
      timer = window.setTimeout(
        () => said.isConnected && setHint({ text: said.dataset.hint!, at: said.getBoundingClientRect() }),
        after,
      );
    };
    const onPointer = (event: PointerEvent) => {
      if (event.pointerType === "mouse") show(event.target, restMs);
    };
    const onFocus = (event: FocusEvent) => {
      if (event.target instanceof Element && event.target.matches(":focus-visible")) show(event.target, 0);
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "Escape") hide();
    };
    const ended = new AbortController();
    const listening = { signal: ended.signal };
    document.addEventListener("pointerover", onPointer, listening);
    document.addEventListener("focusin", onFocus, listening);
    document.addEventListener("keydown", onKey, listening);
    for (const one of ["pointerdown", "focusout", "scroll"] as const)
      document.addEventListener(one, hide, { ...listening, capture: true });
    return () => {
      ended.abort();
      clearTimeout(timer);
    };
  }, []);
  return hint !== null && drawn !== null ? createElement(drawn, hint) : null;
}
