import { mustDay, type Day } from "../calendar/day";
import type { Block } from "../log/records";

/** Where a block stands on a day: its days (first and last included), and how many of them have passed, that day among them. */
export interface BlockCourse { first: Day; last: Day; days: number; passed: number; state: "ahead" | "under way" | "over" }

/** Length and standing of a block. From Monday 5 January to Sunday 15 February are 42 days. */
export function blockCourse({ startDate, endDate }: Pick<Block, "startDate" | "endDate">, on: Day): BlockCourse {
  const [first, last] = [mustDay(startDate), mustDay(endDate)];
  const passed = Math.max(0, Math.min(on, last) - first + 1);
  return { first, last, days: last - first + 1, passed, state: on < first ? "ahead" : on <= last ? "under way" : "over" };
}

/** Six weeks that begin where the last block ends, else on the first day of the week that holds a day. */
export function nextBlock(blocks: readonly Pick<Block, "endDate">[], weekStart: Day): { first: Day; last: Day } {
  const end = blocks.reduce<Day>((latest, { endDate }) => Math.max(latest, mustDay(endDate)), -Infinity);
  const first = Number.isFinite(end) ? end + 1 : weekStart;
  return { first, last: first + 41 };
}
