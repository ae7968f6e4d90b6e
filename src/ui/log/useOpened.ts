"use client";

import type { Restored } from "@/store/copy/restore";
import type { ClosedBy } from "@/store/database";
import { problemOf, StoreProblem } from "@/store/problems";
import { useEffect, useState } from "react";
import { closedFromOutside, found } from "./findLog";
import { type Opened, openParts } from "./openParts";
import { broughtBackKey, restoredText, unreadText } from "./told";
import type { Say } from "./useNotice";

/** So long a browser's storage may keep its first answer back before that is said, in milliseconds. */
const lateAfter = 6000;

/**
 * Opens the log this tab is for. `opened`: null until its database is there. `ready`: the whole of it has been read.
 * `share`: how much of it has been, from 0 to 1, in tenths. `late`: the storage has not answered for some seconds.
 */
export function useOpened(say: Say) {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [ready, setReady] = useState(false);
  const [problem, setProblem] = useState<StoreProblem | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [late, setLate] = useState(false);

  useEffect(() => {
    let left = false;
    const waited = setTimeout(() => setLate(true), lateAfter);
    const onRestored = (restored: Restored) => {
      if (!left) say(restoredText(restored), false, true);
    };
    const onShare = (done: number) => {
      if (!left) setShare(Math.floor(done * 10) / 10);
    };
    const open = async () => {
      const log = await found!;
      if (left) return;
      if (log.restored !== null) onRestored(log.restored);
      const byHand = sessionStorage.getItem(broughtBackKey);
      sessionStorage.removeItem(broughtBackKey);
      if (byHand !== null) say(byHand, false, true);
      const parts = openParts(log, onShare, onRestored);
      setOpened(parts);
      await parts.compute.opened();
      clearTimeout(waited);
      void parts.copy();
      if (left) return;
      setReady(true);
      const unread = (await parts.compute.ask("holdings", null))?.unread ?? 0;
      if (!left && unread > 0) say(unreadText(unread), false, true);
    };
    open().catch((error: unknown) => {
      if (!left) setProblem(problemOf(error));
    });
    return () => {
      left = true;
      clearTimeout(waited);
    };
  }, [say]);

  useEffect(() => {
    const onClosed = ({ type }: Event) => setProblem(new StoreProblem(type as ClosedBy));
    const reasons: ClosedBy[] = ["outdated", "cleared", "closed"];
    for (const by of reasons) closedFromOutside.addEventListener(by, onClosed);
    return () => {
      for (const by of reasons) closedFromOutside.removeEventListener(by, onClosed);
    };
  }, []);

  return { opened, ready, problem, setProblem, share, late };
}
