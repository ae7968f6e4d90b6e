"use client";

import type { ComputeClient } from "@/compute/client";
import type { Asking, Queries, QueryName } from "@/compute/queries";
import { useCallback, useState, useSyncExternalStore } from "react";
import { useLog } from "./LogContext";

/** A figure that could not be computed, why, and the way to ask for it again. */
export class FigureProblem extends Error {
  constructor(
    reason: string,
    readonly askAgain: () => void,
  ) {
    super(reason);
  }
}

/**
 * The answer to a query, kept up to date; undefined until the first one arrives. While new parameters are being
 * answered the last answer stays.
 * @throws FigureProblem when there is none, for the boundary around what is drawn
 */
export function useAnswer<N extends QueryName>(
  compute: ComputeClient | null,
  name: N,
  asks: Queries[N]["asks"],
): Queries[N]["answers"] | null | undefined {
  const key = JSON.stringify(asks);
  const subscribe = useCallback(
    (listener: () => void) =>
      compute === null ? () => {} : compute.subscribe(name, JSON.parse(key) as Queries[N]["asks"], listener),
    [compute, name, key],
  );
  const current = useSyncExternalStore(
    subscribe,
    () => compute?.current(name, asks),
    () => undefined,
  );
  const problem = useSyncExternalStore(
    subscribe,
    () => compute?.problem(name, asks) ?? null,
    () => null,
  );
  if (problem !== null) throw new FigureProblem(problem, () => compute?.askAgain(name, asks));
  const [last, setLast] = useState<{ person: string; answer: Queries[N]["answers"] | null } | null>(null);
  const person = String((asks as Partial<Asking> | null)?.personId);
  if (current !== undefined && (last === null || last.answer !== current || last.person !== person))
    setLast({ person, answer: current });
  return current !== undefined ? current : last?.person === person ? last.answer : undefined;
}

/** A figure of the person and day in front of the trainee. */
export function useFigure<N extends QueryName>(
  name: N,
  asks: Omit<Queries[N]["asks"], keyof Asking>,
): Queries[N]["answers"] | undefined {
  const { compute, person, today } = useLog();
  return useAnswer(compute, name, { personId: person.id, today, ...asks } as Queries[N]["asks"]) ?? undefined;
}

/** What belongs to the whole household. */
export function useHousehold<N extends "library" | "holdings" | "kindNames" | "ownKinds">(
  name: N,
): Queries[N]["answers"] | undefined {
  return useAnswer(useLog().compute, name, null) ?? undefined;
}
