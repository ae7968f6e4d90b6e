import { type Day, mustDay } from "../base/calendar/day";
import type { Block } from "../log/kinds/blocks";

/** A block has two years at most, days. */
export const longestBlock = 728;

/**
 * Where a block stands on a day: its first and its last day (both belong to it), and how many of its days have passed,
 * that day among them.
 */
export interface BlockCourse {
  first: Day;
  last: Day;
  passed: number;
  state: "ahead" | "under way" | "over";
}

/** From Monday 5 January 42 days are six weeks and end on Sunday 15 February. */
export function blockCourse({ startDate, days }: Pick<Block, "startDate" | "days">, on: Day): BlockCourse {
  const first = mustDay(startDate);
  const last = first + days - 1;
  return {
    first,
    last,
    passed: Math.max(0, Math.min(on, last) - first + 1),
    state: on < first ? "ahead" : on <= last ? "under way" : "over",
  };
}

/** The first day of a new block: the one after the last block ends, else that of the week that holds a day. */
export function nextBlockStart(blocks: readonly Pick<Block, "startDate" | "days">[], weekStart: Day): Day {
  return blocks.length === 0 ? weekStart : Math.max(...blocks.map((block) => blockCourse(block, weekStart).last)) + 1;
}
