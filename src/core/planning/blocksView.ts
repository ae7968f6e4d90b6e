import { dateOf, weekStartOf } from "../base/calendar/day";
import { nextBlockStart } from "./blocks";
import type { Figures } from "../figures/figures";
import { blockWorks, type BlockWork } from "../strength/stretch";

export interface BlocksView {
  /** Newest first. */
  blocks: BlockWork[];
  blocksInAll: number;
  /** The first day that is proposed for a new block. */
  next: string;
}

/** The latest blocks of training with their work. */
export function blocksView(figures: Figures, atMost: number): BlocksView {
  return {
    blocks: blockWorks(figures, atMost).toReversed(),
    blocksInAll: figures.blocks.length,
    next: dateOf(nextBlockStart(figures.blocks, weekStartOf(figures.on, figures.weekStart))),
  };
}
