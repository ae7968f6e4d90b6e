"use client";

import type { ComputeClient } from "@/compute/client";
import type { Units } from "@/core/base/units/printer";
import type { Person } from "@/core/log/kinds/people";
import type { Change } from "@/core/log/records";
import type { Backup } from "@/store/backup";
import type { CopyClient } from "@/store/copy/client";
import type { LogName, StoredPhoto } from "@/store/database";
import type { LaidOut } from "@/store/pages";
import { createContext, use } from "react";

/** What the last action told the trainee. */
export interface Notice {
  id: number;
  text: string;
  undo: boolean;
  problem: boolean;
  /** In whose log it was done, where there are several; null where that need not be said. */
  whose: string | null;
  /** Whether what is saved is in this browser alone: no copy of the log has ever left it. */
  hereOnly: boolean;
}

/** The open log and the actions on it. */
export interface OpenLog {
  name: LogName;
  compute: ComputeClient;
  /** The second copy beside the database; begun when it is first asked for. */
  copy: () => Promise<CopyClient>;
  /** The backup file in a folder of the trainee's choice. */
  backup: () => Promise<Backup>;
  /** How much of the log the worker has read, from 0 to 1, and how to stop it; null once it has all of it. */
  reading: { share: number; stop: () => void } | null;
  people: Person[];
  person: Person;
  units: Units;
  today: string;
  /** The day chosen in the Column. */
  day: string;
  /**
   * The day before midnight on which the page stays, since something begun then is not saved yet; null when it does
   * not.
   */
  stays: string | null;
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
  /** Says something that stays until it is dismissed. */
  warn: (text: string) => void;
  dismiss: () => void;
}

export const LogContext = createContext<OpenLog | null>(null);

/** The open log. Only below the shell, which waits until there is one. */
export function useLog(): OpenLog {
  const log = use(LogContext);
  if (log === null) throw new Error("no log is open here");
  return log;
}
