import type { QueryName } from "./queries";

/** By what an answer is told apart: its name and everything it depends on besides the log, the day included. */
export function answerKey(name: QueryName, asks: unknown): string {
  return `${name} ${JSON.stringify(asks)}`;
}
