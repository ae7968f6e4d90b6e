import type { LogName } from "./database";

/**
 * The lock that whoever writes to the browser's storage shares, and that belongs alone to whoever finds out how much
 * room there is: for a moment that may leave none, and a write that fails for it makes a browser clear everything it
 * keeps for a page.
 */
export const writingLock = (name: LogName): string => `oat-column-writing-${name}`;

/** Name of the channel on which a commit is hinted at; only a hint, since a frozen tab misses it. */
export function hintChannel(name: LogName): string {
  return `oat-column-${name}`;
}
