/** What can go wrong between the log and the browser's storage. */
export type ProblemKind = "unavailable" | "damaged" | "stopped" | "blocked" | "full" | "outdated" | "newer" | "invalid" | "failed";

const messages: Record<ProblemKind, string> = {
  unavailable: "This window has no storage for the log, as in some private windows. Nothing can be saved here; open Oat Column in an ordinary window.",
  damaged: "The browser could not open its own storage of this log, as after a power cut in the middle of a write. Reload the page; should the log then be empty, the browser has discarded its storage: bring the log back from your last export, under Files.",
  stopped: "Reading the log was stopped. Nothing was changed; read it when it suits.",
  blocked: "Another tab still holds an older version of the log open. Close the other tabs of Oat Column and reload this one. Nothing is lost.",
  full: "The browser's storage is full. This change was not written; everything written before is safe. Free some space and try again, or export the log under Files.",
  outdated: "Another tab has brought the log to a newer version. Reload this tab to go on. Nothing that was saved is lost.",
  newer: "This log was written by a newer Oat Column. Start that version to open it. Nothing was changed.",
  invalid: "This change is not sound and was not written. Everything written before is safe.",
  failed: "The browser could not write this change. Everything written before is safe. Try again, or reload the page.",
};

/** A problem of the store in words for the trainee; nothing of the change was written. */
export class StoreProblem extends Error {
  constructor(readonly kind: ProblemKind, detail?: string) {
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
  if (name === "InvalidStateError") return new StoreProblem("outdated");
  return new StoreProblem("failed", error instanceof Error ? error.message : String(error));
}
