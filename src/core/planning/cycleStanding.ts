import { mustDay, weekdayOf } from "../base/calendar/day";
import { weightOf } from "../body/slice";
import type { AsOf } from "../log/asOf";
import type { Cycle } from "../log/kinds/cycles";
import type { Session } from "../log/kinds/sessions";
import { effectiveStatus } from "../sessions/adherence";
import { hasPlan } from "../sessions/planned";
import { liftingOf } from "../strength/lifting";
import { strengthOf } from "../strength/slice";
import { intensitySums, workOf } from "../strength/volume";
import {
  cycleDay,
  type CycleGround,
  type CycleLoads,
  cycleLoads,
  cycleMaxima,
  cycleSums,
  type CycleWork,
  plannedWork,
} from "./cycle";
import { planningOf } from "./slice";

/** A cycle worked out: its loads, its sums as planned, and as it stands. */
export interface CycleStanding {
  cycle: Cycle;
  ground: CycleGround;
  /** The maxima it goes by: those it names, then the others of which percentages are taken. */
  maxima: { exerciseId: string; kg: number | null }[];
  loads: CycleLoads[];
  planned: ReturnType<typeof cycleSums>;
  /** Done work as done, what is still to come as planned, skipped and missed work not at all. */
  asItStands: ReturnType<typeof cycleSums>;
}

/** What a cycle of the log is worked out from: maxima stay what they were when it began, whatever is lifted meanwhile. */
export function groundOf(asOf: AsOf, { startDate }: Pick<Cycle, "startDate">): CycleGround {
  const strength = strengthOf(asOf);
  const start = mustDay(startDate);
  const day = Math.min(start, asOf.on);
  return {
    exercises: strength.exercises(),
    maximumOf: (exerciseId) => {
      // A test of the first day counts; what its sets show does not, since they are the cycle's own.
      const tested = strength.testsOf(exerciseId).findLast((test) => test.day === start);
      return (
        tested?.kg ??
        strength.maximumOn(exerciseId, Math.min(start - 1, asOf.on)) ??
        strength.maximumOn(exerciseId, day)
      );
    },
    factorFor: strength.factorFor,
    bodyKg: weightOf(asOf).on(day),
    stepOf: (exercise) => liftingOf(asOf).step(exercise),
  };
}

/** A cycle worked out as of a day. */
export function cycleStanding(asOf: AsOf, cycle: Cycle): CycleStanding {
  const ground = groundOf(asOf, cycle);
  const maxima = cycleMaxima(cycle, ground);
  const loads = cycleLoads(cycle, ground);
  const named = [
    ...(cycle.maxima ?? []).map(({ exerciseId }) => exerciseId),
    ...(cycle.entries ?? []).map(({ exerciseId, maximumOf }) => maximumOf ?? exerciseId),
  ];
  return {
    cycle,
    ground,
    maxima: [...new Set(named)].map((exerciseId) => ({ exerciseId, kg: maxima(exerciseId) })),
    loads,
    planned: cycleSums(cycle.weeks, plannedWork(loads, ground)),
    asItStands: cycleSums(cycle.weeks, standingWork(asOf, cycle, loads, ground)),
  };
}

function standingWork(asOf: AsOf, cycle: Cycle, loads: readonly CycleLoads[], ground: CycleGround): CycleWork[] {
  const sessions = planningOf(asOf).sessionsOfCycle(cycle.id);
  const placed = new Set<string>();
  const work: CycleWork[] = [];
  const maximumIn = (week: number, exerciseId: string) =>
    (
      loads.find((one) => one.exerciseId === exerciseId && one.week === week) ??
      loads.find((one) => one.exerciseId === exerciseId)
    )?.maximumKg ?? null;
  for (const session of sessions) {
    const { week, weekday } = placeOf(cycle, session);
    placed.add(`${week} ${weekday}`);
    work.push(...doneIn(asOf, session, week, (exerciseId) => maximumIn(week, exerciseId)));
    const status = effectiveStatus(session, asOf.on);
    if (mustDay(session.date) >= asOf.on && (status === "planned" || status === "partly"))
      work.push(
        ...plannedWork(
          toCome(asOf, session, week, (exerciseId) => maximumIn(week, exerciseId)),
          ground,
        ),
      );
  }
  // A day without a session is to come until it has passed.
  const open = loads.filter(
    ({ week, weekday }) => !placed.has(`${week} ${weekday}`) && cycleDay(cycle, week, weekday) >= asOf.on,
  );
  return [...work, ...plannedWork(open, ground)];
}

/** The week and weekday of a cycle that a session stands for: as it says, else by its date. */
export function placeOf(cycle: Cycle, { date, week, weekday }: Session): { week: number; weekday: number } {
  const day = mustDay(date);
  return {
    week: week ?? Math.max(1, Math.floor((day - mustDay(cycle.startDate)) / 7) + 1),
    weekday: weekday ?? weekdayOf(day),
  };
}

/** What was performed in a session of a cycle, a lift each. */
function doneIn(
  asOf: AsOf,
  session: Session,
  week: number,
  maximumOf: (exerciseId: string) => number | null,
): CycleWork[] {
  const counting = strengthOf(asOf).counting();
  const sets = strengthOf(asOf).setsOf(session);
  return [...new Set(sets.map(({ exercise }) => exercise.id))].map((exerciseId) => {
    const own = sets.filter(({ exercise }) => exercise.id === exerciseId);
    const { numberOfLifts, volumeLoadKg } = workOf(own, counting);
    const { weighted, reps } = intensitySums(own, counting, maximumOf, weightOf(asOf).on);
    return { week, exerciseId, numberOfLifts, volumeLoadKg, weighted, rated: reps };
  });
}

/** What is still to come in a session of a cycle, as it is planned there. */
function toCome(
  asOf: AsOf,
  session: Session,
  week: number,
  maximumOf: (exerciseId: string) => number | null,
): CycleLoads[] {
  const exercises = strengthOf(asOf).exercises();
  return (session.items ?? []).flatMap(({ id, exerciseId, skipped, sets }) => {
    const exercise = exercises.get(exerciseId);
    if (exercise === undefined || skipped != null) return [];
    const open = sets.filter((set) => !set.done && !set.warmUp && hasPlan(set));
    return {
      entryId: id,
      week,
      weekday: weekdayOf(mustDay(session.date)),
      exerciseId,
      maximumKg: maximumOf(exerciseId),
      sets: open.map(({ planned }) => {
        const target = liftingOf(asOf).target(exercise, planned, mustDay(session.date));
        return {
          reps: planned!.reps ?? null,
          percent: planned!.percent ?? null,
          rpe: planned!.rpe ?? null,
          asManyAsPossible: planned!.asManyAsPossible === true,
          kg: "reason" in target ? null : target.kg,
        };
      }),
    };
  });
}
