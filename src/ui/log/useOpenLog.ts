"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { ComputeClient } from "@/compute/client";
import type { Change } from "@/core/log/records";
import { unitsOf } from "@/core/units/printer";
import { problemOf, StoreProblem } from "@/store/problems";
import type { LogName, StoredPhoto } from "@/store/database";
import type { LaidOut } from "@/store/pages";
import type { Committed, Store } from "@/store/store";
import { found, lastOpenKey, outdated } from "./findLog";
import type { Notice, OpenLog } from "./LogContext";
import { useAnswer } from "./useFigure";
import { useToday } from "./useToday";

interface Opened { name: LogName; years: number; discarded: string | null; store: Promise<Store>; compute: ComputeClient; ready: boolean }

/** What is open: nothing yet, a problem in words, a log in which nobody is written, or a log. */
export type Opening = { phase: "opening"; share: number | null; stop: () => void } | { phase: "problem"; message: string } | { phase: "empty"; first: FirstHands } | { phase: "open"; log: OpenLog };

/** What the first-run page needs: a way to write the first records, or to open the demo. */
export type FirstHands = Pick<OpenLog, "name" | "compute" | "today" | "commit" | "replace" | "openLog" | "notice" | "dismiss" | "undo"> & {
  /** The day on which this browser last had the log open, when its storage has since been discarded. */
  discarded: string | null;
};

/** Opens the log this tab is for, and holds it. */
export function useOpenLog(): Opening {
  const today = useToday();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [day, setDay] = useState<string | null>(null);
  const [personId, setPersonId] = useState<string | null>(null);
  const [notice, setNotice] = useState<Notice | null>(null);
  const nextNotice = useRef(0);

  const say = useCallback((text: string, undo: boolean, isProblem = false) => setNotice({ id: nextNotice.current++, text, undo, problem: isProblem }), []);

  useEffect(() => {
    let left = false;
    const open = async () => {
      const { name, years, discarded, database, saved } = await found!;
      if (left) return;
      // What was saved earlier is shown at once; what writes and what computes come after it.
      const drawn = saved.size === 0 ? Promise.resolve() : new Promise<void>((done) => { requestIdleCallback(() => done(), { timeout: 600 }); });
      const compute = new ComputeClient(name, saved, (done) => { if (!left) setShare(Math.floor(done * 10) / 10); }, drawn);
      const store = drawn.then(() => import("@/store/store")).then(({ Store }) => new Store(name, database));
      setOpened({ name, years, discarded, store, compute, ready: false });
      await compute.opened();
      if (!left) setOpened({ name, years, discarded, store, compute, ready: true });
    };
    const tell = () => setProblem(new StoreProblem("outdated").message);
    outdated.addEventListener("outdated", tell);
    open().catch((error: unknown) => { if (!left) setProblem(problemOf(error).message); });
    return () => {
      left = true;
      outdated.removeEventListener("outdated", tell);
    };
  }, []);

  const people = useAnswer(opened?.compute ?? null, "people", null);

  const store = opened?.store;
  const attempt = useCallback(async (work: () => Promise<Committed | null>, tell: (committed: Committed | null) => void) => {
    try {
      tell(await work());
      return true;
    } catch (error) {
      say(error instanceof Error ? error.message : String(error), false, true);
      return false;
    }
  }, [say]);
  const commit = useCallback((change: Change, label: string, photos?: readonly StoredPhoto[]) => attempt(async () => (await store!).commit(change, label, photos), (done) => say(savedText(label, done), true)), [attempt, say, store]);
  const replace = useCallback((laidOut: LaidOut, label: string, photos?: readonly StoredPhoto[]) => attempt(async () => (await store!).replace(laidOut, label, photos), () => say(`Saved: ${label}`, true)), [attempt, say, store]);
  const photo = useCallback(async (file: string) => (await store!).photo(file), [store]);
  const undo = useCallback(async () => { await attempt(async () => (await store!).undo(), (done) => say(done ? `Undone: ${done.label}` : "There is nothing to undo.", false)); }, [attempt, say, store]);
  const redo = useCallback(async () => { await attempt(async () => (await store!).redo(), (done) => say(done ? `Done again: ${done.label}` : "There is nothing to do again.", false)); }, [attempt, say, store]);
  const dismiss = useCallback(() => setNotice(null), []);
  const openLog = useCallback((name: LogName) => {
    sessionStorage.setItem("oat-column-log", name);
    // A whole new page, so that no subscription of the other log lives on.
    location.replace(location.origin);
  }, []);

  const stop = useCallback(() => opened?.compute.stop(), [opened]);
  const kept = opened?.name === "own" && (people?.length ?? 0) > 0;
  useEffect(() => { if (kept && today !== null) localStorage.setItem(lastOpenKey, today); }, [kept, today]);

  const needsMaking = opened !== null && opened.ready && opened.name !== "own" && people?.length === 0 && today !== null;
  useEffect(() => {
    if (!needsMaking) return;
    const { name, years, compute, store: made } = opened;
    void compute.madeUp(today, name === "demo" ? null : years).then(async (laidOut) => (await made).replace(laidOut, name === "demo" ? "Demo log" : `Generated log of ${years} years`)).catch((error: unknown) => setProblem(error instanceof Error ? error.message : String(error)));
  }, [needsMaking, opened, today]);

  return useMemo((): Opening => {
    if (problem !== null) return { phase: "problem", message: problem };
    if (opened === null || today === null || people == null || needsMaking) return { phase: "opening", share, stop };
    const hands = { name: opened.name, discarded: opened.discarded, compute: opened.compute, today, commit, replace, photo, openLog, notice, dismiss, undo };
    const person = people.find(({ id }) => id === (personId ?? localStorage.getItem(`oat-column-person-${opened.name}`))) ?? people[0];
    if (person === undefined) return opened.ready ? { phase: "empty", first: hands } : { phase: "opening", share, stop };
    const choosePerson = (id: string) => {
      localStorage.setItem(`oat-column-person-${opened.name}`, id);
      setPersonId(id);
    };
    return { phase: "open", log: { ...hands, reading: opened.ready ? null : { share: share ?? 0, stop }, people, person, units: unitsOf(person.units), day: day ?? today, chooseDay: (date) => setDay(date === today ? null : date), choosePerson, redo } };
  }, [problem, opened, today, people, needsMaking, share, personId, day, commit, replace, photo, undo, redo, notice, dismiss, openLog, stop]);
}

/** What is said of a commit: that it is saved, and what another tab had done meanwhile. */
function savedText(label: string, committed: Committed | null): string {
  const clash = committed?.clashes[0];
  const also = clash ? `. Another tab had changed the same field to ${printed(clash.theirs)}; yours, ${printed(clash.ours)}, is kept` : committed?.revived ? ". Another tab had removed it; your change has brought it back" : "";
  return `Saved: ${label}${also}`;
}

function printed(value: unknown): string {
  return value === undefined || value === null ? "nothing" : typeof value === "object" ? "something else" : `"${String(value)}"`;
}
