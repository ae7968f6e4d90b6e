import { type Day, mustDay, weekdayFrom } from "../base/calendar/day";
import { toKg } from "../base/units/mass";
import type { Exercise } from "../log/kinds/exercises";
import type { Cycle, CycleEntry, CycleMaximum } from "../log/kinds/cycles";
import { estimateMaximum, type Factor } from "../strength/e1rm";
import { bodyPartOf, totalWith } from "../strength/sets";
import { targetOf } from "../strength/suggest";

/** What of a person's log a cycle is worked out from. */
export interface CycleGround {
  exercises: ReadonlyMap<string, Exercise>;
  /** The maximum that was in force when the cycle began, quoted as the lift is loaded, kilograms. */
  maximumOf: (exerciseId: string) => number | null;
  /** The relation of repetitions to load in force. */
  factorFor: (exerciseId: string) => Factor;
  /** Body weight when the cycle began, kilograms. */
  bodyKg: number | null;
  /** The step of an exercise where the cycle has no rounding, kilograms. */
  stepOf: (exercise: Exercise) => number;
}

/** A set of a cycle as it is to be done. */
export interface CycleLoad {
  /** Of a set of as many repetitions as possible, the fewest. */
  reps: number | null;
  /** The share of the training maximum it was written as. */
  percent: number | null;
  rpe: number | null;
  asManyAsPossible: boolean;
  /** The load, made loadable, as the lift is quoted; null where it cannot be known. */
  kg: number | null;
}

/** What is done of an exercise on a day of a cycle. */
export interface CycleLoads {
  entryId: string;
  week: number;
  weekday: number;
  exerciseId: string;
  /** The maximum of this exercise in this entry: its own, or its share of its parent's. */
  maximumKg: number | null;
  sets: CycleLoad[];
}

/**
 * The first day of a cycle's week and weekday: the first such weekday from the cycle's first day on is of week 1.
 * @param weekday Monday 1 to Sunday 7
 */
export function cycleDay({ startDate }: Pick<Cycle, "startDate">, week: number, weekday: number): Day {
  const start = mustDay(startDate);
  return weekdayFrom(start, weekday) + 7 * (week - 1);
}

/**
 * A maximum of a cycle, quoted as the lift is loaded, kilograms: as typed, from a set to the limit by the formula in
 * force, or the one that was in force when the cycle began. Null where none is known.
 */
export function cycleMaximum({ exerciseId, kg, fromSet }: CycleMaximum, ground: CycleGround): number | null {
  if (kg != null) return kg;
  if (fromSet == null) return ground.maximumOf(exerciseId);
  const exercise = ground.exercises.get(exerciseId);
  if (exercise === undefined) return null;
  const body = bodyPartOf(exercise, ground.bodyKg);
  const estimate = estimateMaximum(ground.factorFor(exerciseId), fromSet.kg + body, fromSet.reps);
  return "reason" in estimate ? null : estimate.kg - body;
}

/** The maxima of a cycle by lift: those it names, else those that were in force when it began. */
export function cycleMaxima(cycle: Cycle, ground: CycleGround): (exerciseId: string) => number | null {
  const named = new Map((cycle.maxima ?? []).map((one) => [one.exerciseId, one]));
  const known = new Map<string, number | null>();
  const of = (exerciseId: string): number | null => {
    const held = known.get(exerciseId);
    if (held !== undefined) return held;
    // A lift that follows one of the cycle's takes its share of that one.
    const parent = ground.exercises.get(exerciseId)?.maximumFrom;
    const whole =
      !named.has(exerciseId) && parent && parent.exerciseId !== exerciseId && named.has(parent.exerciseId)
        ? of(parent.exerciseId)
        : undefined;
    const kg =
      whole === undefined
        ? cycleMaximum(named.get(exerciseId) ?? { exerciseId }, ground)
        : whole === null
          ? null
          : whole * parent!.ratio;
    known.set(exerciseId, kg);
    return kg;
  };
  return of;
}

/** The maximum of the exercise of an entry: its own, or, of a variation, its share of its parent's. */
export function entryMaximum(
  { exerciseId, maximumOf, ratio }: Pick<CycleEntry, "exerciseId" | "maximumOf" | "ratio">,
  maxima: (exerciseId: string) => number | null,
  exercises: CycleGround["exercises"],
): number | null {
  const whole = maxima(maximumOf ?? exerciseId);
  const own = exercises.get(exerciseId)?.maximumFrom;
  const share = ratio ?? (maximumOf != null && own?.exerciseId === maximumOf ? own.ratio : 1);
  return whole === null ? null : whole * share;
}

/**
 * Every set of a cycle with its load, in the order of its days: the percentage of the training maximum (or the load of
 * the effort by the maximum, or the load as it is written), to the nearest that can be loaded, a tie going down.
 */
export function cycleLoads(cycle: Cycle, ground: CycleGround): CycleLoads[] {
  const maxima = cycleMaxima(cycle, ground);
  return (cycle.entries ?? [])
    .map((entry, index) => ({ entry, index }))
    .sort(
      (a, b) =>
        cycleDay(cycle, a.entry.week, a.entry.weekday) - cycleDay(cycle, b.entry.week, b.entry.weekday) ||
        a.index - b.index,
    )
    .map(({ entry }) => {
      const maximumKg = entryMaximum(entry, maxima, ground.exercises);
      return {
        entryId: entry.id,
        week: entry.week,
        weekday: entry.weekday,
        exerciseId: entry.exerciseId,
        maximumKg,
        sets: entry.sets.flatMap((set) => {
          const load: CycleLoad = {
            reps: set.reps ?? null,
            percent: set.percent ?? null,
            rpe: set.rpe ?? null,
            asManyAsPossible: set.asManyAsPossible === true,
            kg: loadOf(cycle, entry.exerciseId, set, maximumKg, ground),
          };
          return Array.from({ length: set.count ?? 1 }, () => load);
        }),
      };
    });
}

function loadOf(
  { trainingMaximumShare, rounding }: Cycle,
  exerciseId: string,
  set: CycleEntry["sets"][number],
  maximumKg: number | null,
  ground: CycleGround,
): number | null {
  const exercise = ground.exercises.get(exerciseId);
  if (set.kg != null || exercise === undefined) return set.kg ?? null;
  const body = bodyPartOf(exercise, ground.bodyKg);
  const total = maximumKg === null ? null : maximumKg + body;
  const step =
    rounding == null
      ? ground.stepOf(exercise)
      : "kg" in rounding
        ? (rounding.kg as number)
        : toKg(rounding.lb as number, "lb");
  const target = targetOf(
    { reps: set.reps, percent: set.percent, rpe: set.rpe },
    exercise,
    total === null ? null : total * (trainingMaximumShare ?? 1),
    total === null ? null : { totalKg: total, day: 0, standsOn: "test", recent: true },
    ground.factorFor(exerciseId),
    body,
    step,
  );
  return "reason" in target ? null : target.kg;
}

/** Lifts, load and intensity of a part of a cycle. */
export interface CycleSum {
  numberOfLifts: number;
  volumeLoadKg: number;
  /** Σ (repetitions × load ÷ the cycle's maximum) ÷ Σ repetitions, over lifts with both; null where there are none. */
  averageIntensity: number | null;
  /** Of the whole cycle; null where that has none. */
  shareOfLifts: number | null;
  shareOfVolumeLoad: number | null;
}

/** What a set adds to a sum. */
export interface CycleWork {
  week: number;
  exerciseId: string;
  numberOfLifts: number;
  volumeLoadKg: number;
  /** Σ repetitions × share of the maximum, and the repetitions it is over. */
  weighted: number;
  rated: number;
}

/** What the sets of a cycle come to as they are planned, an entry each. */
export function plannedWork(loads: readonly CycleLoads[], ground: CycleGround): CycleWork[] {
  return loads.map(({ week, exerciseId, maximumKg, sets }) => {
    const exercise = ground.exercises.get(exerciseId);
    const body = exercise === undefined ? 0 : bodyPartOf(exercise, ground.bodyKg);
    const sides = exercise?.perSide ? 2 : 1;
    const work: CycleWork = { week, exerciseId, numberOfLifts: 0, volumeLoadKg: 0, weighted: 0, rated: 0 };
    for (const { reps, kg } of sets) {
      const lifts = (reps ?? 0) * sides;
      const total = kg === null || exercise === undefined ? null : totalWith(exercise, kg, ground.bodyKg);
      work.numberOfLifts += lifts;
      work.volumeLoadKg += lifts * (total ?? 0);
      if (total === null || maximumKg === null || maximumKg + body <= 0) continue;
      work.weighted += (lifts * total) / (maximumKg + body);
      work.rated += lifts;
    }
    return work;
  });
}

/** The sums of a cycle by week, every week of it, and by lift in the order in which they come. */
export function cycleSums(
  weeks: number,
  work: readonly CycleWork[],
): { weeks: ({ week: number } & CycleSum)[]; lifts: ({ exerciseId: string } & CycleSum)[]; total: CycleSum } {
  const whole = added(work);
  const sumOf = (some: readonly CycleWork[]): CycleSum => {
    const { numberOfLifts, volumeLoadKg, weighted, rated } = added(some);
    return {
      numberOfLifts,
      volumeLoadKg,
      averageIntensity: rated === 0 ? null : weighted / rated,
      shareOfLifts: whole.numberOfLifts === 0 ? null : numberOfLifts / whole.numberOfLifts,
      shareOfVolumeLoad: whole.volumeLoadKg === 0 ? null : volumeLoadKg / whole.volumeLoadKg,
    };
  };
  const last = Math.max(weeks, ...work.map(({ week }) => week));
  return {
    weeks: Array.from({ length: last }, (_, index) => ({
      week: index + 1,
      ...sumOf(work.filter(({ week }) => week === index + 1)),
    })),
    lifts: [...new Set(work.map(({ exerciseId }) => exerciseId))].map((exerciseId) => ({
      exerciseId,
      ...sumOf(work.filter((one) => one.exerciseId === exerciseId)),
    })),
    total: sumOf(work),
  };
}

function added(work: readonly CycleWork[]): Omit<CycleWork, "week" | "exerciseId"> {
  const sum = { numberOfLifts: 0, volumeLoadKg: 0, weighted: 0, rated: 0 };
  for (const one of work) {
    sum.numberOfLifts += one.numberOfLifts;
    sum.volumeLoadKg += one.volumeLoadKg;
    sum.weighted += one.weighted;
    sum.rated += one.rated;
  }
  return sum;
}
