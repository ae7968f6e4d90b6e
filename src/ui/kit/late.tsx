"use client";

import { type ComponentType, createElement, useEffect, useState, useSyncExternalStore } from "react";

/** What stands in a part's place is told to have the focus, so that the part has it when it comes. */
export interface Held {
  onFocus: () => void;
  onBlur: () => void;
  /** Told where it is pressed, so that what comes is open. */
  onPress: () => void;
}

/** What a part that has come is told of what was done in its place meanwhile. */
export interface Late {
  autoFocus: boolean;
  autoOpen: boolean;
}

/** Code that is fetched apart from the page it is used on. */
export interface LateCode<C> {
  fetch: () => void;
  /** The code, or null until it has come; a component that reads it is drawn again when it has. */
  useCode: () => C | null;
}

export function lateCode<C>(load: () => Promise<C>): LateCode<C> {
  let code: C | null = null;
  let asked = false;
  const arrived = new EventTarget();
  const subscribe = (changed: () => void) => {
    arrived.addEventListener("code", changed);
    return () => arrived.removeEventListener("code", changed);
  };
  return {
    fetch: () => {
      if (asked) return;
      asked = true;
      load().then(
        (loaded) => {
          code = loaded;
          arrived.dispatchEvent(new Event("code"));
        },
        () => {
          // What could not be fetched is fetched when it is next needed.
          asked = false;
        },
      );
    },
    useCode: () =>
      useSyncExternalStore(
        subscribe,
        () => code,
        () => null,
      ),
  };
}

/**
 * A part of the kit that is fetched apart from the page it stands on, so that the page is there sooner: as soon as the
 * browser has time, or when its place is given the focus.
 * @param load fetches it
 * @param Holding stands in its place meanwhile, and takes as much room
 */
export function late<P extends object>(
  load: () => Promise<ComponentType<P & Late>>,
  Holding: ComponentType<P & Held>,
): ComponentType<P> & { fetch: () => void } {
  const { fetch, useCode } = lateCode(load);
  function Arriving(props: P) {
    const part = useCode();
    const [focused, setFocused] = useState(false);
    const [pressed, setPressed] = useState(false);
    useEffect(() => whenIdle(fetch), []);
    if (part !== null) return createElement(part, { ...props, autoFocus: focused, autoOpen: pressed });
    return (
      <Holding
        {...props}
        onFocus={() => {
          setFocused(true);
          fetch();
        }}
        onBlur={() => {
          setFocused(false);
          setPressed(false);
        }}
        onPress={() => {
          setPressed(true);
          fetch();
        }}
      />
    );
  }
  return Object.assign(Arriving, { fetch });
}

/** Does something once the browser has nothing else to do; returns what calls it off. */
export function whenIdle(work: () => void): () => void {
  const asked = requestIdleCallback(work, { timeout: 3000 });
  return () => cancelIdleCallback(asked);
}
