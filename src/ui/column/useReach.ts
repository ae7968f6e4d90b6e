"use client";

import { useState } from "react";
import { addDays, daysBetween } from "../dates";

/** First and last day of a run of days. */
export interface Reach {
  first: string;
  last: string;
}

/**
 * The days that a run shows: those of the log, and, once a day before or after them was chosen, whole weeks as far as
 * that one. It never grows shorter, so that nothing moves under the hand.
 */
export function useReach(span: Reach | undefined, day: string): Reach | undefined {
  const [reach, setReach] = useState(span);
  if (span === undefined) return undefined;
  const weeks = (days: number) => 7 * Math.max(0, Math.ceil(days / 7));
  const wanted = [
    span,
    reach ?? span,
    {
      first: addDays(span.first, -weeks(daysBetween(day, span.first))),
      last: addDays(span.last, weeks(daysBetween(span.last, day))),
    },
  ];
  const next = {
    first: wanted.map(({ first }) => first).sort()[0]!,
    last: wanted
      .map(({ last }) => last)
      .sort()
      .at(-1)!,
  };
  if (reach?.first !== next.first || reach.last !== next.last) setReach(next);
  return next;
}
