"use client";

import { entryDayOf } from "@/core/base/calendar/day";
import type { Exercise } from "@/core/log/kinds/exercises";
import type { TrainingSet } from "@/core/log/kinds/sessions";
import type { LogName } from "@/store/database";
import { useCallback, useEffect, useState } from "react";

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

const keyOf = (name: LogName) => `oat-column-training-${name}`;

/** The session in training that this browser remembers of a log; null when there is none. */
export function rememberedTraining(name: LogName): TrainingState | null {
  try {
    const held = JSON.parse(localStorage.getItem(keyOf(name)) ?? "null") as TrainingState | null;
    return held !== null &&
      typeof held.sessionId === "string" &&
      typeof held.date === "string" &&
      entryDayOf(held.date) !== null
      ? held
      : null;
  } catch {
    return null;
  }
}

/** The state of a session in training, kept in this browser at every change. */
export function useTraining(
  name: LogName,
  date: string,
  sessionId: string,
): [TrainingState, (changed: Partial<TrainingState>) => void, () => void] {
  const [state, setState] = useState<TrainingState>(() => {
    const held = rememberedTraining(name);
    return held?.sessionId === sessionId && held.date === date
      ? held
      : { sessionId, date, at: null, draft: null, rest: null, startedAt: Date.now() };
  });
  useEffect(() => {
    localStorage.setItem(keyOf(name), JSON.stringify(state));
  }, [name, state]);
  const change = useCallback((changed: Partial<TrainingState>) => setState((now) => ({ ...now, ...changed })), []);
  const forget = useCallback(() => localStorage.removeItem(keyOf(name)), [name]);
  return [state, change, forget];
}
