"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { ComputeClient } from "@/compute/client";
import type { Log } from "@/core/log/log";
import type { Change } from "@/core/log/records";
import { unitsOf } from "@/core/units/printer";
import { problemOf } from "@/store/problems";
import type { LogName } from "@/store/database";
import type { Committed, Store } from "@/store/store";
import type { Notice, OpenLog } from "./LogContext";
import { useAnswer } from "./useFigure";
import { useToday } from "./useToday";

interface Opened { name: LogName; store: Store; compute: ComputeClient }

/** What is open: nothing yet, a problem in words, a log in which nobody is written, or a log. */
export type Opening = { phase: "opening" } | { phase: "problem"; message: string } | { phase: "empty"; first: FirstHands } | { phase: "open"; log: OpenLog };

/** What the first-run page needs: a way to write the first records, or to open the demo. */
export type FirstHands = Pick<OpenLog, "name" | "compute" | "today" | "commit" | "replace" | "openLog" | "notice" | "dismiss" | "undo">;

function rememberedName(): LogName {
  const asked = new URLSearchParams(location.search).get("log");
  if (asked === "demo" || asked === "own") sessionStorage.setItem("oat-column-log", asked);
  return sessionStorage.getItem("oat-column-log") === "demo" ? "demo" : "own";
}

/** Opens the log this tab is for, and holds it. */
export function useOpenLog(): Opening {
  const today = useToday();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [day, setDay] = useState<string | null>(null);
  const [personId, setPersonId] = useState<string | null>(null);
  const [notice, setNotice] = useState<Notice | null>(null);
  const nextNotice = useRef(0);

  const say = useCallback((text: string, undo: boolean, isProblem = false) => setNotice({ id: nextNotice.current++, text, undo, problem: isProblem }), []);

  useEffect(() => {
    let left = false;
    const open = async () => {
      const name = rememberedName();
      const [{ Store: StoreClass }, { ComputeClient: Client }] = await Promise.all([import("@/store/store"), import("@/compute/client")]);
      const store = await StoreClass.open(name, () => setProblem("Another tab has brought the log to a newer version. Reload this tab to go on. Nothing that was saved is lost."));
      const compute = new Client(name);
      await compute.opened;
      if (!left) setOpened({ name, store, compute });
    };
    open().catch((error: unknown) => { if (!left) setProblem(problemOf(error).message); });
    return () => { left = true; };
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
  const commit = useCallback((change: Change, label: string) => attempt(() => store!.commit(change, label), () => say(`Saved: ${label}`, true)), [attempt, say, store]);
  const replace = useCallback((log: Log, label: string) => attempt(() => store!.replace(log, label), () => say(`Saved: ${label}`, true)), [attempt, say, store]);
  const undo = useCallback(async () => { await attempt(() => store!.undo(), (done) => say(done ? `Undone: ${done.label}` : "There is nothing to undo.", false)); }, [attempt, say, store]);
  const redo = useCallback(async () => { await attempt(() => store!.redo(), (done) => say(done ? `Done again: ${done.label}` : "There is nothing to do again.", false)); }, [attempt, say, store]);
  const dismiss = useCallback(() => setNotice(null), []);
  const openLog = useCallback((name: LogName) => {
    sessionStorage.setItem("oat-column-log", name);
    // A whole new page, so that no subscription of the other log lives on.
    location.replace(location.origin);
  }, []);

  const needsDemo = opened?.name === "demo" && people?.length === 0 && today !== null;
  useEffect(() => {
    if (!needsDemo) return;
    void opened.compute.remote.demo(today).then((log) => opened.store.replace(log, "Demo log")).catch((error: unknown) => setProblem(error instanceof Error ? error.message : String(error)));
  }, [needsDemo, opened, today]);

  return useMemo((): Opening => {
    if (problem !== null) return { phase: "problem", message: problem };
    if (opened === null || today === null || people == null || needsDemo) return { phase: "opening" };
    const hands = { name: opened.name, compute: opened.compute, today, commit, replace, openLog, notice, dismiss, undo };
    const person = people.find(({ id }) => id === (personId ?? localStorage.getItem(`oat-column-person-${opened.name}`))) ?? people[0];
    if (person === undefined) return { phase: "empty", first: hands };
    const choosePerson = (id: string) => {
      localStorage.setItem(`oat-column-person-${opened.name}`, id);
      setPersonId(id);
    };
    return { phase: "open", log: { ...hands, people, person, units: unitsOf(person.units), day: day ?? today, chooseDay: (date) => setDay(date === today ? null : date), choosePerson, redo } };
  }, [problem, opened, today, people, needsDemo, personId, day, commit, replace, undo, redo, notice, dismiss, openLog]);
}
