"use client";

import { type Dispatch, type SetStateAction, useCallback, useEffect, useState } from "react";

interface Draft<L> {
  lines: L[];
  setLines: Dispatch<SetStateAction<L[]>>;
  /** Takes lines as what there is to begin with, which need not be kept. */
  begin: (lines: L[]) => void;
  /** Whether something typed earlier was found. */
  wasTyped: boolean;
}

/**
 * Lines that are being typed, kept in this tab until they are saved or as they were to begin with, so that a look at
 * another view loses nothing.
 */
export function useDraft<L>(key: string, empty: L): Draft<L> {
  const [held] = useState(() => read<L>(key));
  const [beginning, setBeginning] = useState<L[]>([empty]);
  const [lines, setLines] = useState<L[]>(held ?? [empty]);
  useEffect(() => {
    if (JSON.stringify(lines) === JSON.stringify(beginning)) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, JSON.stringify(lines));
  }, [key, lines, beginning]);
  const begin = useCallback((first: L[]) => {
    setBeginning(first);
    setLines(first);
  }, []);
  return { lines, setLines, begin, wasTyped: held !== null };
}

function read<L>(key: string): L[] | null {
  try {
    const held = JSON.parse(sessionStorage.getItem(key) ?? "null") as L[] | null;
    return Array.isArray(held) && held.length > 0 ? held : null;
  } catch {
    return null;
  }
}
