import { dateOf } from "../base/calendar/day";
import type { AsOf } from "../log/asOf";
import { blockWorks } from "./blockWorks";
import { cycleStanding } from "./cycleStanding";
import { phaseStanding } from "./phase";
import { plannedLoads } from "./plannedLoad";
import { planningOf } from "./slice";

/** Of each phase how it was kept, and where the figures stand by which it is judged. */
function phasesSection(asOf: AsOf) {
  return planningOf(asOf)
    .phases()
    .map((phase) => {
      const { course, sessions, toCome, measures } = phaseStanding(asOf, phase);
      const { planned, done, partly, skipped, missed, extra } = sessions;
      return {
        phaseId: phase.id,
        name: phase.name,
        startDate: phase.startDate,
        endDate: dateOf(course.last),
        days: phase.days,
        passed: course.passed,
        sessions: { planned, done, partly, skipped, missed, extra, toCome },
        measures: measures.map(
          ({ measure: { of, exerciseId, kind, metres }, from, to, now, doneShare, heading, reason }) => ({
            of,
            ...(exerciseId == null ? {} : { exerciseId }),
            ...(kind == null ? {} : { kind }),
            ...(metres == null ? {} : { metres }),
            from,
            to,
            now,
            doneShare,
            ...(heading === null ? {} : { heading }),
            ...(reason === null ? {} : { reason }),
          }),
        ),
      };
    });
}

/** Of each cycle its maxima, every load, and its sums by week and by lift, as planned and as it stands. */
function cyclesSection(asOf: AsOf) {
  return planningOf(asOf)
    .cycles()
    .map((cycle) => {
      const { maxima, loads, planned, asItStands } = cycleStanding(asOf, cycle);
      return {
        cycleId: cycle.id,
        name: cycle.name,
        startDate: cycle.startDate,
        maxima: maxima.map(({ exerciseId, kg }) => ({
          exerciseId,
          kg,
          ...(kg === null ? { reason: "the lift has no maximum" } : {}),
        })),
        weeks: planned.weeks,
        lifts: planned.lifts,
        total: planned.total,
        loads: loads.map(({ week, weekday, exerciseId, sets }) => ({
          week,
          weekday,
          exerciseId,
          sets: sets.map(({ reps, percent, kg }) => ({ reps, percent, kg })),
        })),
        asItStands,
      };
    });
}

/** The contract's figures of what is planned: blocks, phases, cycles, and the load of the weeks to come. */
export function planningContract(asOf: AsOf) {
  return {
    phases: phasesSection(asOf),
    cycles: cyclesSection(asOf),
    plannedLoad: plannedLoads(asOf).map(({ weekStart, ...load }) => ({ weekStart: dateOf(weekStart), ...load })),
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
