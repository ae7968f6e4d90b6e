"use client";

import { madeUpLog } from "@/compute/archives";
import { unitsOf } from "@/core/base/units/printer";
import type { LogName } from "@/store/database";
import { problemOf, type StoreProblem } from "@/store/problems";
import { useCallback, useEffect, useMemo, useState } from "react";
import { chosenName, lastOpenKey } from "./findLog";
import type { OpenLog } from "./LogContext";
import type { Opened } from "./openParts";
import { useChanges } from "./useChanges";
import { useAnswer } from "./useFigure";
import { useNotice } from "./useNotice";
import { useOpened } from "./useOpened";
import { turnToToday, useToday } from "./useToday";

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

const personKey = (name: LogName) => `oat-column-person-${name}`;

/** Whose log this tab had in front, else this browser; null when neither is known. */
const rememberedPerson = (name: LogName): string | null =>
  sessionStorage.getItem(personKey(name)) ?? localStorage.getItem(personKey(name));

/** Opens another log, in a whole new page, so that no subscription of this one lives on. */
function openLog(name: LogName): void {
  sessionStorage.setItem("oat-column-log", name);
  location.replace(location.origin);
}

/** Opens the log this tab is for, and holds it. */
export function useOpenLog(): Opening {
  const now = useToday();
  const today = now?.date ?? null;
  const { notice, say, warn, dismiss } = useNotice();
  const { opened, ready, problem, setProblem, share, late } = useOpened(say);
  const people = useAnswer(opened?.compute ?? null, "people", null);
  const [day, setDay] = useState<string | null>(null);
  const [personId, setPersonId] = useState<string | null>(null);
  const person =
    people?.find(({ id }) => id === (personId ?? (opened === null ? null : rememberedPerson(opened.name)))) ??
    people?.[0];
  const looking = useMemo(
    () => (person === undefined || people == null ? null : { id: person.id, people }),
    [person, people],
  );
  const changes = useChanges(opened, looking, say);
  const stop = useCallback(() => opened?.compute.stop(), [opened]);

  // Whose log is in front stays so in this tab, whoever is added or chosen in another; and in this browser at the next
  // opening.
  const inFront = ready ? person?.id : undefined;
  if (inFront !== undefined && inFront !== personId) setPersonId(inFront);
  useEffect(() => {
    if (opened === null || inFront === undefined) return;
    for (const storage of [sessionStorage, localStorage]) storage.setItem(personKey(opened.name), inFront);
  }, [opened, inFront]);

  const isKept = opened?.name === "own" && (people?.length ?? 0) > 0;
  useEffect(() => {
    if (isKept && today !== null) localStorage.setItem(lastOpenKey, today);
  }, [isKept, today]);

  const needsMaking = opened !== null && ready && opened.name !== "own" && people?.length === 0 && today !== null;
  useEffect(() => {
    if (needsMaking) makeUp(opened, today).catch((error: unknown) => setProblem(problemOf(error)));
  }, [needsMaking, opened, today, setProblem]);

  return useMemo((): Opening => {
    if (problem !== null) return { phase: "problem", name: opened?.name ?? chosenName(), problem };
    const waiting: Waiting = {
      phase: "opening",
      name: opened?.name ?? chosenName(),
      share,
      late: late && share === null,
      stop,
    };
    if (opened === null || today === null || people == null || needsMaking) return waiting;
    const { name, discarded, compute, copy, backup } = opened;
    const { nextUndo, redo, ...actions } = changes;
    const log = { ...actions, name, compute, copy, backup, today, openLog, notice, warn, dismiss };
    if (person === undefined) return ready ? { phase: "empty", first: { ...log, discarded, nextUndo } } : waiting;
    return {
      phase: "open",
      log: {
        ...log,
        redo,
        reading: ready ? null : { share: share ?? 0, stop },
        people,
        person,
        units: unitsOf(person.units),
        day: day ?? now?.stays ?? today,
        stays: day === null ? (now?.stays ?? null) : null,
        chooseDay: (date) => {
          if (date === today) turnToToday();
          setDay(date === today ? null : date);
        },
        choosePerson: setPersonId,
      },
    };
  }, [
    problem,
    opened,
    ready,
    now,
    today,
    people,
    person,
    needsMaking,
    share,
    late,
    stop,
    day,
    changes,
    notice,
    warn,
    dismiss,
  ]);
}

/** Writes the demo household or a generated log into the database that is for it. */
async function makeUp({ name, years, store }: Opened, today: string): Promise<void> {
  const laidOut = await madeUpLog(today, name === "demo" ? null : years);
  await (await store).replace(laidOut, name === "demo" ? "Demo log" : `Generated log of ${years} years`);
}
