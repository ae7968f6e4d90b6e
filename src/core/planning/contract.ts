import { dateOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { blockWorks } from "./blockWorks";

/** The contract's figures of blocks of training. */
export function planningContract(asOf: AsOf) {
  return {
    blocks: blockWorks(asOf).map(
      ({
        block,
        course,
        sessions,
        sets,
        numberOfLifts,
        volumeLoadKg,
        averageKg,
        averageIntensity,
        perWeek,
        planned,
        plannedSoFar,
      }) => ({
        blockId: block.id,
        name: block.name,
        startDate: block.startDate,
        endDate: dateOf(course.last),
        days: block.days,
        passed: course.passed,
        sessions,
        sets,
        numberOfLifts,
        volumeLoadKg,
        averageKg,
        averageIntensity,
        perWeek,
        planned,
        plannedSoFar,
        ...(averageKg === null
          ? { reason: course.state === "ahead" ? "the block has not begun" : "nothing was lifted in the block" }
          : averageIntensity === null
            ? { reason: "no lift of the block has a maximum" }
            : {}),
      }),
    ),
  };
}
