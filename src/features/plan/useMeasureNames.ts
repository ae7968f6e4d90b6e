"use client";

import type { PhaseProgress } from "@/core/planning/phase";
import { useFigure, useHousehold } from "@/ui/log/useFigure";
import { usePrinter } from "@/ui/usePrinter";

/** What a phase is judged by, in words. */
export function useMeasureNames(): (measure: PhaseProgress["measure"]) => string {
  const lifts = useHousehold("library")?.exercises ?? [];
  const known = useFigure("measures", {})?.known ?? [];
  const printer = usePrinter();
  return ({ of, exerciseId, kind, metres }) =>
    of === "weight"
      ? "weight, trend"
      : of === "e1rm"
        ? `maximum, ${lifts.find(({ id }) => id === exerciseId)?.name ?? exerciseId}`
        : of === "bestTime"
          ? `best ${kind ?? ""} over ${metres == null ? "a distance" : printer.distance(metres)}`
          : of === "sessions"
            ? `${kind ?? ""} sessions done`.trim()
            : (known.find(({ id }) => id === of)?.name ?? of);
}
