"use client";

import { useCallback, useRef, useState } from "react";
import type { Notice } from "./LogContext";

/**
 * Says something of the log: in plain words, with an undo beside it or not, whether it is a problem, and of what is
 * saved whose it is and where it lies.
 */
export type Say = (
  text: string,
  undo: boolean,
  isProblem?: boolean,
  saved?: Pick<Notice, "whose" | "hereOnly">,
) => void;

const unsaved: Pick<Notice, "whose" | "hereOnly"> = { whose: null, hereOnly: false };

/** What was last said of the log, and how something is said. */
export function useNotice(): { notice: Notice | null; say: Say; warn: (text: string) => void; dismiss: () => void } {
  const [notice, setNotice] = useState<Notice | null>(null);
  const next = useRef(0);
  const say = useCallback(
    (text: string, undo: boolean, isProblem = false, saved = unsaved) =>
      setNotice({ id: next.current++, text, undo, problem: isProblem, ...saved }),
    [],
  );
  const warn = useCallback((text: string) => say(text, false, true), [say]);
  const dismiss = useCallback(() => setNotice(null), []);
  return { notice, say, warn, dismiss };
}
