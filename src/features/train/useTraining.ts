"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import type { Exercise } from "@/core/log/kinds/exercises";
import type { TrainingSet } from "@/core/log/kinds/sessions";
import type { LogName } from "@/store/database";
import { store, stored } from "@/ui/kit/stored";
import { useEffect, useState, useSyncExternalStore } from "react";

/**
 * Where a session stands beyond what is saved: the set in front, what was changed of it, and when the rest ends. It
 * outlives a closed browser.
 */
export interface TrainingState {
  sessionId: string;
  date: string;
  /** The set in front, as chosen; null for the next one open. */
  at: { itemId: string; setId: string } | null;
  draft: Draft | null;
  /** When the rest ends, milliseconds since 1970, and how long it was; null when none runs. */
  rest: { until: number; seconds: number } | null;
  /**
   * When the session was first in front in this browser, milliseconds since 1970; absent in what older versions
   * remember.
   */
  startedAt?: number;
  /** Whether the page at the end is asked for while sets are open. */
  finishing?: boolean;
}

/** What was changed of the set in front and not yet confirmed. */
export interface Draft {
  itemId: string;
  setId: string;
  reps: number | null;
  kg: number | null;
  seconds: number | null;
  metres: number | null;
  rpe: number | null;
  failed: boolean;
}

/** What a draft says was done, without what it leaves open. */
export function doneOf(
  { reps, kg, seconds, metres, rpe, failed }: Draft,
  { measure }: Exercise,
): NonNullable<TrainingSet["done"]> {
  const amount =
    measure === "duration"
      ? { seconds: seconds ?? 0 }
      : measure === "distance"
        ? { metres: metres ?? 0 }
        : { reps: reps ?? 0 };
  return { ...amount, ...(kg === null ? {} : { kg }), ...(rpe === null ? {} : { rpe }), ...(failed ? { failed } : {}) };
}

const keyOf = (name: LogName, personId: string) => `oat-column-training-${name}-${personId}`;

/** What this page holds, by key; ahead of the browser's storage only where that refuses to keep it. */
const held = new Map<string, TrainingState>();
const listeners = new Set<() => void>();
const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

function hold(key: string, state: TrainingState): void {
  held.set(key, state);
  store(key, JSON.stringify(state));
  for (const listener of listeners) listener();
}

function forget(key: string): void {
  held.delete(key);
  store(key, null);
  for (const listener of listeners) listener();
}

function remembered(key: string): TrainingState | null {
  const known = held.get(key);
  if (known !== undefined) return known;
  try {
    const kept = JSON.parse(stored(key) ?? "null") as TrainingState | null;
    if (
      kept === null ||
      typeof kept.sessionId !== "string" ||
      typeof kept.date !== "string" ||
      entryDayOf(kept.date) === null
    )
      return null;
    held.set(key, kept);
    return kept;
  } catch {
    return null;
  }
}

/** The session that this browser remembers a person of a log to be training; null when there is none. */
export function useRemembered(name: LogName, personId: string): TrainingState | null {
  const key = keyOf(name, personId);
  return useSyncExternalStore(
    listen,
    () => remembered(key),
    () => null,
  );
}

/**
 * The state of a session in training, kept in this browser at every change; a change that comes after another person
 * or another page has come in front is kept as well.
 */
export function useTraining({
  name,
  personId,
  date,
  sessionId,
}: {
  name: LogName;
  personId: string;
  date: string;
  sessionId: string;
}): [TrainingState, (changed: Partial<TrainingState>) => void, () => void] {
  const key = keyOf(name, personId);
  const [begun] = useState((): TrainingState => ({
    sessionId,
    date,
    at: null,
    draft: null,
    rest: null,
    startedAt: Date.now(),
  }));
  const known = useRemembered(name, personId);
  const ofThis = (one: TrainingState | null) => (one?.sessionId === sessionId && one.date === date ? one : begun);
  const state = ofThis(known);
  useEffect(() => {
    if (ofThis(remembered(key)) === begun) hold(key, begun);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each session that comes in front
  }, [key, begun]);
  return [state, (changed) => hold(key, { ...ofThis(remembered(key)), ...changed }), () => forget(key)];
}
