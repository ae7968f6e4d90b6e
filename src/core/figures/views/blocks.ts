import { dateOf, weekStartOf } from "../../calendar/day";
import { nextBlock } from "../../planning/blocks";
import type { Figures } from "../figures";
import { blockWorks, type BlockWork } from "../stretch";

export interface BlocksView {
  /** Newest first. */
  blocks: BlockWork[];
  blocksInAll: number;
  /** The days that a new block is proposed for. */
  next: { startDate: string; endDate: string };
}

/** The latest blocks of training with their work. */
export function blocksView(figures: Figures, atMost: number): BlocksView {
  const { first, last } = nextBlock(figures.blocks, weekStartOf(figures.on, figures.weekStart));
  return { blocks: blockWorks(figures, atMost).toReversed(), blocksInAll: figures.blocks.length, next: { startDate: dateOf(first), endDate: dateOf(last) } };
}
