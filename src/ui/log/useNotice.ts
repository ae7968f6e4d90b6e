"use client";

import { useCallback, useRef, useState } from "react";
import type { Notice } from "./LogContext";

/** Says something of the log: in plain words, with an undo beside it or not, and whether it is a problem. */
export type Say = (text: string, undo: boolean, isProblem?: boolean, whose?: string | null) => void;

/** What was last said of the log, and how something is said. */
export function useNotice(): { notice: Notice | null; say: Say; warn: (text: string) => void; dismiss: () => void } {
  const [notice, setNotice] = useState<Notice | null>(null);
  const next = useRef(0);
  const say = useCallback(
    (text: string, undo: boolean, isProblem = false, whose: string | null = null) =>
      setNotice({ id: next.current++, text, undo, problem: isProblem, whose }),
    [],
  );
  const warn = useCallback((text: string) => say(text, false, true), [say]);
  const dismiss = useCallback(() => setNotice(null), []);
  return { notice, say, warn, dismiss };
}
