"use client";

import { messageOf } from "@/core/base/messageOf";
import type { Change } from "@/core/log/records";
import { remembering } from "@/core/sessions/firstPlan";
import { localDate } from "@/core/base/calendar/localDate";
import type { StoredPhoto } from "@/store/database";
import type { LaidOut } from "@/store/pages";
import { askStorage } from "@/store/persistence";
import type { Committed } from "@/store/store";
import { useCallback, useEffect, useMemo, useRef } from "react";
import { typingSettled } from "../grid/writeBehind";
import { isAlone } from "./leftAt";
import type { Opened } from "./openParts";
import { savedText, travelText } from "./told";
import type { Say } from "./useNotice";

/** Whose log is looked at, and all who are in it. */
export interface Looking {
  id: string;
  people: readonly { id: string; name: string }[];
}

/**
 * Everything that changes the log: each says what it did once it is on the disk, or why it was not.
 * @param opened what writes and what computes; null until a log is open
 * @param looking an undo of what belongs to nobody looked at is asked about first
 */
export function useChanges(
  opened: Pick<Opened, "name" | "store" | "compute"> | null,
  looking: Looking | null,
  say: Say,
) {
  const store = opened?.store ?? null;
  const looked = useRef(looking);
  useEffect(() => {
    looked.current = looking;
  }, [looking]);
  /** The change of somebody else that an undo has been asked about. */
  const askedOf = useRef<number | null>(null);
  const askWhose = useCallback(
    async (from: "undo" | "redo") => {
      const next = await (await store!).next(from);
      const others =
        looked.current === null ||
        next === null ||
        next.of.includes(looked.current.id) ||
        askedOf.current === next.sequence
          ? []
          : looked.current.people.filter(({ id }) => next.of.includes(id));
      askedOf.current = next?.sequence ?? null;
      if (others.length === 0) return false;
      const names = others.map(({ name }) => name);
      say(
        `The last change is ${names.join(" and ")}'s: ${next!.label}. ${from === "undo" ? "Undo it all the same?" : "Press r again to do it again."}`,
        from === "undo",
      );
      return true;
    },
    [say, store],
  );

  const askPromise = useStoragePromise();
  const attempt = useCallback(
    async (work: () => Promise<Committed | null>, tell: (committed: Committed | null) => void) => {
      try {
        const done = await work();
        // What is asked from now on is answered from a log that holds it.
        if (done !== null) opened!.compute.saw(done.sequence);
        tell(done);
        askPromise();
        return true;
      } catch (error) {
        say(messageOf(error), false, true);
        return false;
      }
    },
    [say, askPromise, opened],
  );

  return useMemo(() => {
    const told = (label: string, change: Change = []) => {
      // Of whose records they are, else of who was looked at when it was written, not when that was told.
      const now = looked.current;
      const owner = change.map((step) => ("put" in step ? (step.put as { personId?: string }).personId : undefined));
      const of = owner.find((id) => id !== undefined) ?? now?.id;
      const whose = now !== null && now.people.length > 1 ? now.people.find(({ id }) => id === of)?.name : null;
      return (done: Committed | null) => {
        if (done !== null)
          say(savedText(label, done), true, done.copyLacks !== null, {
            whose: whose ?? null,
            hereOnly: isAlone(opened!.name),
          });
      };
    };
    const travel = async (from: "undo" | "redo", done: Parameters<typeof travelText>[0], nothing: string) => {
      // What was typed before it is written first, so that it is the last thing typed that is taken back.
      await typingSettled();
      if (await askWhose(from)) return;
      await attempt(
        async () => (await store!)[from](),
        (committed) => say(committed ? travelText(done, committed) : nothing, false),
      );
    };
    return {
      commit: (change: Change, label: string, photos?: readonly StoredPhoto[]) =>
        attempt(
          async () => (await store!).commit(remembering(change, localDate(new Date())), label, photos),
          told(label, change),
        ),
      replace: (laidOut: LaidOut, label: string, photos?: readonly StoredPhoto[]) =>
        attempt(async () => (await store!).replace(laidOut, label, photos), told(label)),
      photo: async (file: string) => (await store!).photo(file),
      undo: () => travel("undo", "Undone", "There is nothing to undo."),
      redo: () => travel("redo", "Done again", "There is nothing to do again."),
      nextUndo: async () => (await (await store!).next("undo"))?.label ?? null,
    };
  }, [askWhose, attempt, opened, say, store]);
}

/**
 * A browser that has promised to keep the log does not clear it when the disk runs low. Asked for once there is
 * something to keep.
 */
function useStoragePromise(): () => void {
  const promised = useRef(false);
  return useCallback(() => {
    if (promised.current) return;
    promised.current = true;
    void askStorage().catch(() => {});
  }, []);
}
