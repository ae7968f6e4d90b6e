import type { ChunkedTask } from "@/core/base/chunked";
import type { Log } from "@/core/log/log";

/** A place in a file and what is wrong there, in words for the trainee. */
export interface Problem {
  path: string;
  message: string;
}

/** What was given to be read: a file's bytes under its name, or text that was pasted. */
export interface Given {
  name: string;
  content: Uint8Array | string;
}

/** What was read, or why nothing was taken. */
export type Read<R> = ({ ok: true } & R) | { ok: false; problems: Problem[] };

/**
 * One format of files. Adding one is a folder of its own, a line in `all.ts` and its endings in `endings.ts`.
 * @typeParam R what reading gives
 * @typeParam A what the trainee may settle before it is read again (the order of dates, what columns hold); null where
 *   there is nothing
 */
export interface Format<R, A = null> {
  /** What it is called in a sentence. */
  title: string;
  /**
   * Whether something that was given is of this format, by its name and its first bytes; reading may still refuse it.
   */
  recognise(given: Given): boolean;
  /**
   * Reads in steps that each take a moment. Nothing is executed or written, and whatever goes wrong is told and not
   * thrown.
   */
  read(given: Given, ask: A): ChunkedTask<Read<R>>;
  /** The log in this format, with its photographs by their files; null where it cannot be written. */
  write:
    | ((log: Log, exportedAt: string, photos: ReadonlyMap<string, Uint8Array>) => string | Uint8Array<ArrayBuffer>)
    | null;
}

/** Whether a file's name ends in one of some endings. */
export function endsIn(name: string, endings: readonly string[]): boolean {
  return endings.some((ending) => name.toLowerCase().endsWith(ending));
}
