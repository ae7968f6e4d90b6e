"use client";

import { createContext, use } from "react";
import type { ComputeClient } from "@/compute/client";
import type { Change, Person } from "@/core/log/records";
import type { Units } from "@/core/units/printer";
import type { LogName, StoredPhoto } from "@/store/database";
import type { LaidOut } from "@/store/pages";

/** What the last action told the trainee. */
export interface Notice { id: number; text: string; undo: boolean; problem: boolean }

/** The open log and the hands on it. */
export interface OpenLog {
  name: LogName;
  compute: ComputeClient;
  /** How much of the log the worker has read, from 0 to 1, and how to stop it; null once it has all of it. */
  reading: { share: number; stop: () => void } | null;
  people: Person[];
  person: Person;
  units: Units;
  today: string;
  /** The day chosen in the Column. */
  day: string;
  chooseDay: (date: string) => void;
  choosePerson: (id: string) => void;
  /** Writes a change and says so once it is on disk. Resolves to whether it was written. */
  commit: (change: Change, label: string, photos?: readonly StoredPhoto[]) => Promise<boolean>;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  replace: (laidOut: LaidOut, label: string, photos?: readonly StoredPhoto[]) => Promise<boolean>;
  /** A photograph's bytes; null when they are not here. */
  photo: (file: string) => Promise<Uint8Array<ArrayBuffer> | null>;
  openLog: (name: LogName) => void;
  notice: Notice | null;
  dismiss: () => void;
}

export const LogContext = createContext<OpenLog | null>(null);

/** The open log. Only below the shell, which waits until there is one. */
export function useLog(): OpenLog {
  const log = use(LogContext);
  if (log === null) throw new Error("no log is open here");
  return log;
}
