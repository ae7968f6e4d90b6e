"use client";

import { localDate } from "@/core/base/calendar/localDate";
import { useSyncExternalStore } from "react";
import { hasUnsaved } from "../unsaved";

/**
 * The trainee's civil date, which turns at local midnight. `stays`: the day on which something was begun that is not
 * saved yet; the page stays there until it is, so that a line written at 23:59 is that day's.
 */
export interface Today {
  date: string;
  stays: string | null;
}

let today: Today | null = null;
const changed = new EventTarget();

function look(): void {
  const date = localDate(new Date());
  const before = today ?? { date, stays: null };
  const stays =
    before.date === date && before.stays === null ? null : hasUnsaved() ? (before.stays ?? before.date) : null;
  if (today !== null && date === today.date && stays === today.stays) return;
  today = { date, stays };
  changed.dispatchEvent(new Event("change"));
}

/** Turns to today although something is not saved yet. */
export function turnToToday(): void {
  today = { date: localDate(new Date()), stays: null };
  changed.dispatchEvent(new Event("change"));
}

function subscribe(listener: () => void): () => void {
  const timer = setInterval(look, 20_000);
  changed.addEventListener("change", listener);
  document.addEventListener("visibilitychange", look);
  return () => {
    clearInterval(timer);
    changed.removeEventListener("change", listener);
    document.removeEventListener("visibilitychange", look);
  };
}

function current(): Today {
  return (today ??= { date: localDate(new Date()), stays: null });
}

/** Null on the server, which does not know it. */
export function useToday(): Today | null {
  return useSyncExternalStore(subscribe, current, () => null);
}
