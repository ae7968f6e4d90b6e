import { messageOf } from "@/core/base/messageOf";

/** What can go wrong between the log and the browser's storage. */
export type ProblemKind =
  | "unavailable"
  | "damaged"
  | "closed"
  | "cleared"
  | "lost"
  | "stopped"
  | "blocked"
  | "full"
  | "noRoom"
  | "outdated"
  | "newer"
  | "invalid"
  | "failed";

/** Each says what happened, what became of the change, and what can be done; none promises what it cannot know. */
const messages: Record<ProblemKind, string> = {
  unavailable:
    "This window has no storage for the log, as in some private windows. Nothing can be saved here; open Oat Column in an ordinary window.",
  damaged:
    "The browser cannot open its own storage of this log, as after a power cut in the middle of a write or on a full disk. This page has changed nothing.",
  closed:
    "The browser has given up its storage of the log while it was open, as on a full disk. Nothing more can be written here. Reload the page: what the storage may have lost is brought back from the second copy.",
  cleared:
    "The storage of the log was deleted from outside this page. Nothing more can be written here. Reload the page: the log is brought back from the second copy, if that is still there.",
  lost: "The browser has lost its storage of this log, and it could not be brought back from the second copy beside it. That copy is untouched.",
  stopped: "Reading the log was stopped. Nothing was changed; read it when it suits.",
  blocked:
    "Another tab still holds an older version of the log open. Close the other tabs of Oat Column and reload this one. Nothing was changed.",
  full: "The browser has no room left: this change was not written. Nothing else was changed. Free some space and try again, or export the log under Files.",
  noRoom:
    "The disk is nearly full, and a full disk can destroy what a browser keeps. So this change was not written; nothing else was changed. Free some space (30 MB will do) and try again, or export the log under Files.",
  outdated:
    "Another tab has opened the log with a newer version of Oat Column. Reload this tab to go on; what was saved is kept.",
  newer: "This log was written by a newer Oat Column. Start that version to open it. Nothing was changed.",
  invalid: "This change is not sound and was not written. Nothing else was changed.",
  failed: "The browser could not write this change. Nothing else was changed. Try again, or reload the page.",
};

/** A problem of the store in words for the trainee; nothing of the change was written. */
export class StoreProblem extends Error {
  constructor(
    readonly kind: ProblemKind,
    detail?: string,
  ) {
    super(detail === undefined ? messages[kind] : `${messages[kind]} (${detail})`);
    this.name = "StoreProblem";
  }
}

/** The problem behind an error of the browser's database. */
export function problemOf(error: unknown): StoreProblem {
  if (error instanceof StoreProblem) return error;
  const name = error instanceof Error || error instanceof DOMException ? error.name : "";
  if (name === "QuotaExceededError") return new StoreProblem("full");
  if (name === "VersionError") return new StoreProblem("newer");
  if (name === "SecurityError") return new StoreProblem("unavailable");
  if (name === "UnknownError") return new StoreProblem("damaged");
  if (name === "InvalidStateError") return new StoreProblem("closed");
  return new StoreProblem("failed", messageOf(error));
}
