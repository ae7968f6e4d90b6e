import { dateOf, weekStartOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { nextBlockStart } from "./blocks";
import { type BlockWork, blockWorks } from "./blockWorks";
import { planningOf } from "./slice";

export interface BlocksView {
  /** Newest first. */
  blocks: BlockWork[];
  blocksInAll: number;
  /** The first day that is proposed for a new block. */
  next: string;
}

/** The latest blocks of training with their work. */
export function blocksView(asOf: AsOf, atMost: number): BlocksView {
  return {
    blocks: blockWorks(asOf, atMost).toReversed(),
    blocksInAll: planningOf(asOf).blocks().length,
    next: dateOf(nextBlockStart(planningOf(asOf).blocks(), weekStartOf(asOf.on, asOf.weekStart))),
  };
}
