import type { LogName } from "@/store/database";

/**
 * When a copy of a log last left this browser, and as what. Kept outside of the database, beside which it would say
 * nothing.
 */
export interface LeftAt {
  at: string;
  as: "archive" | "backup";
}

const key = (name: LogName): string => `oat-column-left-${name}`;

/** Null when none is known to have left. */
export function leftAt(name: LogName): LeftAt | null {
  const [at, as] = (localStorage.getItem(key(name)) ?? "").split(" ");
  return at !== undefined && !Number.isNaN(Date.parse(at)) && (as === "archive" || as === "backup") ? { at, as } : null;
}

/** Notes that a copy leaves now. */
export function noteLeaving(name: LogName, as: LeftAt["as"]): void {
  localStorage.setItem(key(name), `${new Date().toISOString()} ${as}`);
}

/** Whether a log that is somebody's own has never left this browser; what is made up for trying need not. */
export function isAlone(name: LogName): boolean {
  return name === "own" && leftAt(name) === null;
}
