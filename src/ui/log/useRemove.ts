"use client";

import type { RecordKind } from "@/core/log/records";
import { useCallback } from "react";
import { useLog } from "./LogContext";

/**
 * Removes a record together with what points to it, as one change, and says what became of that. Resolves to whether it
 * was written.
 */
export function useRemove(): (kind: RecordKind, id: string) => Promise<boolean> {
  const { compute, commit } = useLog();
  return useCallback(
    async (kind, id) => {
      const found = await compute.ask("removing", { kind, id });
      return found !== null && commit(found.change, found.label);
    },
    [compute, commit],
  );
}
