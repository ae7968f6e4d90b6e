import { memoByKey, perOwner } from "../base/memo";
import type { AsOf } from "../log/asOf";
import type { Block } from "../log/kinds/blocks";
import type { WorkSum, WorkTotal } from "../strength/stretch";
import { stretchOf } from "../strength/stretch";
import type { BlockCourse } from "./blocks";
import { blockCourse } from "./blocks";
import { planningOf } from "./slice";

/**
 * The work of a block: what was performed up to the day asked about, beside what was planned up to it and for the whole
 * block.
 */
export interface BlockWork extends WorkTotal {
  block: Block;
  course: BlockCourse;
  /** Over the days that have passed; null before the block begins. */
  perWeek: { numberOfLifts: number; volumeLoadKg: number } | null;
  plannedSoFar: WorkSum["planned"];
  /**
   * Lifts a week, load a week and average weight as multiples of the block's before; null where one of the two has
   * nothing.
   */
  against: { numberOfLifts: number; volumeLoadKg: number; averageKg: number } | null;
}

/** The latest blocks of training with their work, at most so many, in the order in which they begin. */
export function blockWorks(asOf: AsOf, atMost = Infinity): BlockWork[] {
  const work = workOfBlock(asOf);
  return planningOf(asOf)
    .blocks()
    .map((_, index) => index)
    .slice(-atMost)
    .map((index) => ({ ...work(index), against: index === 0 ? null : heldAgainst(work(index), work(index - 1)) }));
}

/** The work of a block by its place among them. */
const workOfBlock = perOwner((asOf: AsOf) =>
  memoByKey(asOf.log.index, (index: number): Omit<BlockWork, "against"> => {
    const block = planningOf(asOf).blocks()[index]!;
    const course = blockCourse(block, asOf.on);
    const { total } = stretchOf(asOf, course.first, course.last);
    const soFar = course.state === "under way" ? stretchOf(asOf, course.first, asOf.on).total : total;
    const weeks = course.passed / 7;
    return {
      block,
      course,
      ...total,
      perWeek:
        weeks === 0 ? null : { numberOfLifts: total.numberOfLifts / weeks, volumeLoadKg: total.volumeLoadKg / weeks },
      plannedSoFar: course.state === "ahead" ? { sets: 0, numberOfLifts: 0, volumeLoadKg: 0 } : soFar.planned,
    };
  }),
);

function heldAgainst(now: Omit<BlockWork, "against">, before: Omit<BlockWork, "against">): BlockWork["against"] {
  if (
    !now.perWeek ||
    !before.perWeek ||
    now.averageKg === null ||
    before.averageKg === null ||
    before.volumeLoadKg === 0
  )
    return null;
  return {
    numberOfLifts: now.perWeek.numberOfLifts / before.perWeek.numberOfLifts,
    volumeLoadKg: now.perWeek.volumeLoadKg / before.perWeek.volumeLoadKg,
    averageKg: now.averageKg / before.averageKg,
  };
}
