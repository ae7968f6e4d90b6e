"use client";

import { madeUpLog, writeArchiveFile } from "@/compute/archives";
import { ComputeClient } from "@/compute/client";
import { messageOf } from "@/core/base/messageOf";
import { unitsOf } from "@/core/base/units/printer";
import type { Change } from "@/core/log/records";
import type { Backup } from "@/store/backup";
import type { CopyClient } from "@/store/copy/client";
import type { Restored } from "@/store/copy/restore";
import type { ClosedBy, LogName, StoredPhoto } from "@/store/database";
import type { LaidOut } from "@/store/pages";
import { askStorage } from "@/store/persistence";
import { problemOf, StoreProblem } from "@/store/problems";
import type { Committed, Store } from "@/store/store";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { chosenName, closedFromOutside, found, lastOpenKey } from "./findLog";
import type { Notice, OpenLog } from "./LogContext";
import { broughtBackKey, restoredText, savedText, travelText, unreadText } from "./told";
import { useAnswer } from "./useFigure";
import { turnToToday, useToday } from "./useToday";

interface Opened {
  name: LogName;
  years: number;
  discarded: string | null;
  store: Promise<Store>;
  compute: ComputeClient;
  copy: () => Promise<CopyClient>;
  backup: () => Promise<Backup>;
  ready: boolean;
}

/** What is open: nothing yet, a problem, a log in which nobody is written, or a log. */
export type Opening =
  | Waiting
  | { phase: "problem"; name: LogName; problem: StoreProblem }
  | { phase: "empty"; first: FirstRunActions }
  | { phase: "open"; log: OpenLog };

/**
 * A log that is being read: how far, and how to stop it. `late`: the browser's storage has not answered for some
 * seconds.
 */
interface Waiting {
  phase: "opening";
  name: LogName;
  share: number | null;
  late: boolean;
  stop: () => void;
}

/** What the first-run page needs: a way to write the first records, or to open the demo. */
export type FirstRunActions = Pick<
  OpenLog,
  "name" | "compute" | "today" | "commit" | "replace" | "openLog" | "notice" | "dismiss" | "undo"
> & {
  /** The day on which this browser last had the log open, when its storage has since been discarded. */
  discarded: string | null;
  /** What an undo would take back, in words; null when there is nothing. */
  nextUndo: () => Promise<string | null>;
};

/** So long a browser's storage may keep its first answer back before that is said, in milliseconds. */
const lateAfter = 6000;

/** Opens the log this tab is for, and holds it. */
export function useOpenLog(): Opening {
  const now = useToday();
  const today = now?.date ?? null;
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState<StoreProblem | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [late, setLate] = useState(false);
  const [day, setDay] = useState<string | null>(null);
  const [personId, setPersonId] = useState<string | null>(null);
  const [notice, setNotice] = useState<Notice | null>(null);
  const nextNotice = useRef(0);

  const say = useCallback(
    (text: string, undo: boolean, isProblem = false) =>
      setNotice({ id: nextNotice.current++, text, undo, problem: isProblem }),
    [],
  );

  useEffect(() => {
    let left = false;
    const waited = setTimeout(() => {
      if (!left) setLate(true);
    }, lateAfter);
    const onRestored = (restored: Restored) => {
      if (!left) say(restoredText(restored), false, true);
    };
    const open = async () => {
      const { name, years, discarded, restored, database, saved } = await found!;
      if (left) return;
      if (restored !== null) onRestored(restored);
      const byHand = sessionStorage.getItem(broughtBackKey);
      sessionStorage.removeItem(broughtBackKey);
      if (byHand !== null) say(byHand, false, true);
      // What was saved earlier is shown at once; what writes and what computes come after it.
      const drawn =
        saved.size === 0
          ? Promise.resolve()
          : new Promise<void>((done) => {
              requestIdleCallback(() => done(), { timeout: 600 });
            });
      const compute = new ComputeClient(
        name,
        saved,
        (done) => {
          if (!left) setShare(Math.floor(done * 10) / 10);
        },
        (bytes) => room(bytes),
        drawn,
      );
      // The copy is looked at when there is something to keep, or when all else is there.
      let client: Promise<CopyClient> | null = null;
      const copy = () =>
        (client ??= import("@/store/copy/client").then(({ CopyClient }) => CopyClient.beside(name, onRestored)));
      const room = async (bytes: number) => (await copy()).room(bytes);
      const store = drawn
        .then(() => import("@/store/store"))
        .then(
          ({ Store }) => new Store(name, database, { room, keep: async (...entry) => (await copy()).keep(...entry) }),
        );
      let kept: Promise<Backup> | null = null;
      const backup = () =>
        (kept ??= import("@/store/backup").then(
          ({ Backup }) => new Backup(name, database, (exportedAt) => writeArchiveFile(name, exportedAt)),
        ));
      const parts = { name, years, discarded, store, compute, copy, backup };
      setOpened({ ...parts, ready: false });
      await compute.opened();
      clearTimeout(waited);
      void copy();
      if (left) return;
      setOpened({ ...parts, ready: true });
      const unread = (await compute.ask("holdings", null))?.unread ?? 0;
      if (!left && unread > 0) say(unreadText(unread), false, true);
    };
    const onClosed = ({ type }: Event) => setProblem(new StoreProblem(type as ClosedBy));
    for (const by of ["outdated", "cleared", "closed"]) closedFromOutside.addEventListener(by, onClosed);
    open().catch((error: unknown) => {
      if (!left) setProblem(problemOf(error));
    });
    return () => {
      left = true;
      clearTimeout(waited);
      for (const by of ["outdated", "cleared", "closed"]) closedFromOutside.removeEventListener(by, onClosed);
    };
  }, [say]);

  const people = useAnswer(opened?.compute ?? null, "people", null);

  const store = opened?.store;
  const promised = useRef(false);
  /**
   * A browser that has promised to keep the log does not clear it when the disk runs low. Asked for once there is
   * something to keep.
   */
  const askPromise = useCallback(() => {
    if (promised.current) return;
    promised.current = true;
    void askStorage().catch(() => {});
  }, []);
  const attempt = useCallback(
    async (work: () => Promise<Committed | null>, tell: (committed: Committed | null) => void) => {
      try {
        tell(await work());
        askPromise();
        return true;
      } catch (error) {
        say(messageOf(error), false, true);
        return false;
      }
    },
    [say, askPromise],
  );
  const told = useCallback(
    (label: string) => (done: Committed | null) => {
      if (done !== null) say(savedText(label, done), true, done.copyLacks !== null);
    },
    [say],
  );
  const commit = useCallback(
    (change: Change, label: string, photos?: readonly StoredPhoto[]) =>
      attempt(async () => (await store!).commit(change, label, photos), told(label)),
    [attempt, told, store],
  );
  const replace = useCallback(
    (laidOut: LaidOut, label: string, photos?: readonly StoredPhoto[]) =>
      attempt(async () => (await store!).replace(laidOut, label, photos), told(label)),
    [attempt, told, store],
  );
  const photo = useCallback(async (file: string) => (await store!).photo(file), [store]);
  // Whose log is looked at, and which change of somebody else an undo has been asked about.
  const looking = useRef<{ id: string; people: readonly { id: string; name: string }[] } | null>(null);
  const askedOf = useRef<number | null>(null);
  const askWhose = useCallback(
    async (from: "undo" | "redo") => {
      const next = await (await store!).next(from);
      const others =
        looking.current === null ||
        next === null ||
        next.of.includes(looking.current.id) ||
        askedOf.current === next.sequence
          ? []
          : looking.current.people.filter(({ id }) => next.of.includes(id));
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
  const undo = useCallback(async () => {
    if (await askWhose("undo")) return;
    await attempt(
      async () => (await store!).undo(),
      (done) => say(done ? travelText("Undone", done) : "There is nothing to undo.", false),
    );
  }, [askWhose, attempt, say, store]);
  const nextUndo = useCallback(async () => (await (await store!).next("undo"))?.label ?? null, [store]);
  const redo = useCallback(async () => {
    if (await askWhose("redo")) return;
    await attempt(
      async () => (await store!).redo(),
      (done) => say(done ? travelText("Done again", done) : "There is nothing to do again.", false),
    );
  }, [askWhose, attempt, say, store]);
  const dismiss = useCallback(() => setNotice(null), []);
  const warn = useCallback((text: string) => say(text, false, true), [say]);
  const openLog = useCallback((name: LogName) => {
    sessionStorage.setItem("oat-column-log", name);
    // A whole new page, so that no subscription of the other log lives on.
    location.replace(location.origin);
  }, []);

  const stop = useCallback(() => opened?.compute.stop(), [opened]);
  const kept = opened?.name === "own" && (people?.length ?? 0) > 0;
  useEffect(() => {
    if (kept && today !== null) localStorage.setItem(lastOpenKey, today);
  }, [kept, today]);

  const needsMaking =
    opened !== null && opened.ready && opened.name !== "own" && people?.length === 0 && today !== null;
  useEffect(() => {
    if (!needsMaking) return;
    const { name, years, store: made } = opened;
    void madeUpLog(today, name === "demo" ? null : years)
      .then(async (laidOut) =>
        (await made).replace(laidOut, name === "demo" ? "Demo log" : `Generated log of ${years} years`),
      )
      .catch((error: unknown) => setProblem(problemOf(error)));
  }, [needsMaking, opened, today]);

  const viewed =
    people?.find(
      ({ id }) =>
        id === (personId ?? (opened === null ? null : localStorage.getItem(`oat-column-person-${opened.name}`))),
    ) ?? people?.[0];
  useEffect(() => {
    looking.current = viewed === undefined || people == null ? null : { id: viewed.id, people };
  }, [viewed, people]);
  return useMemo((): Opening => {
    if (problem !== null) return { phase: "problem", name: opened?.name ?? chosenName(), problem };
    if (opened === null || today === null || people == null || needsMaking)
      return { phase: "opening", name: opened?.name ?? chosenName(), share, late: late && share === null, stop };
    const { name, discarded, compute, copy, backup } = opened;
    const actions = {
      name,
      discarded,
      compute,
      copy,
      backup,
      today,
      commit,
      replace,
      photo,
      openLog,
      notice,
      warn,
      dismiss,
      undo,
    };
    const person = viewed;
    if (person === undefined)
      return opened.ready
        ? { phase: "empty", first: { ...actions, nextUndo } }
        : { phase: "opening", name, share, late: late && share === null, stop };
    const chooseDay = (date: string) => {
      if (date === today) turnToToday();
      setDay(date === today ? null : date);
    };
    const choosePerson = (id: string) => {
      localStorage.setItem(`oat-column-person-${name}`, id);
      setPersonId(id);
    };
    return {
      phase: "open",
      log: {
        ...actions,
        reading: opened.ready ? null : { share: share ?? 0, stop },
        people,
        person,
        units: unitsOf(person.units),
        day: day ?? now?.stays ?? today,
        stays: day === null ? (now?.stays ?? null) : null,
        chooseDay,
        choosePerson,
        redo,
      },
    };
  }, [
    problem,
    opened,
    now,
    today,
    people,
    viewed,
    nextUndo,
    needsMaking,
    share,
    late,
    day,
    commit,
    replace,
    photo,
    undo,
    redo,
    notice,
    warn,
    dismiss,
    openLog,
    stop,
  ]);
}
