import type { LogName } from "./database";

/** Name of the channel on which a commit is hinted at; only a hint, since a frozen tab misses it. */
export function hintChannel(name: LogName): string {
  return `oat-column-${name}`;
}
