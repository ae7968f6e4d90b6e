import { mustDay, type Day } from "../base/calendar/day";
import { joined } from "../base/calendar/groupBy";
import { family, memo, ownedBy } from "../base/memo";
import { daysOf } from "../log/logIndex";
import type { Exercise } from "../log/kinds/exercises";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { liftsByZone, type ZoneLifts } from "./intensity";
import { loadStep } from "./loading";
import { curveFactor } from "./repCurve";
import { withMaximum, type LiftCourse } from "./maximum";
import { strengthOn, targetOf, type Strength, type Target } from "./suggest";
import { hasPlan } from "../training/perform";
import { meets, type Meet } from "./meet";
import { bestRatio, liftRecords, type LiftRecords, type Ratio } from "./strengthRecords";
import { bodyPartOf, totalLoad, type PerformedSet } from "./sets";
import { intensitySums, workOf, type Volume } from "./volume";
import type { Figures } from "../figures/figures";

/** The work of a stretch of days: performed, how it is spread over the zones, and what was planned for it. */
export interface Work {
  volume: Volume;
  zones: ZoneLifts;
  intensity: { weighted: number; reps: number };
  planned: PlannedWork;
}

/** What was planned: sets of work, Σ reps and Σ reps × total load, kilograms. A set without a load adds its repetitions alone. */
export interface PlannedWork {
  sets: number;
  numberOfLifts: number;
  volumeLoadKg: number;
  byGroup: Record<string, { numberOfLifts: number; volumeLoadKg: number }>;
}

class Of {
  constructor(protected readonly figures: Figures) {}
}

type Lifted = Pick<Work, "volume" | "planned">;

function withIntensity({ volume, planned }: Lifted, { intensity, zones }: Pick<Work, "intensity" | "zones">): Work {
  return {
    volume: { ...volume, averageIntensity: intensity.reps > 0 ? intensity.weighted / intensity.reps : null },
    zones,
    intensity,
    planned,
  };
}

/** What is kept of the lifting of one person beyond maxima and weekly volume. */
class Lifting extends Of {
  #each<K, T>(compute: (key: K) => T): (key: K) => T {
    return family(this.figures.log.index, compute);
  }
  #kept<T>(compute: () => T): () => T {
    return memo(this.figures.log.index, compute);
  }

  /** The work of the week that begins on a day. */
  readonly weekWork = this.#each((start: Day): Work =>
    withIntensity(this.#weekLifted(start), this.#intensityOf(this.figures.sessionsOfWeek(start))),
  );
  readonly #weekLifted = this.#each((start: Day): Lifted => this.#lifted(this.figures.sessionsOfWeek(start)));

  /** The work of one session. */
  sessionWork(session: Session): Work {
    return withIntensity(this.#liftedIn(session), this.#intensityOf([session]));
  }
  readonly #liftedIn = this.figures.bySession((session) => this.#lifted([session]));

  /** The work of some sessions, those to come only as planned. */
  workOf(sessions: readonly Session[]): Work {
    return withIntensity(this.#lifted(sessions), this.#intensityOf(sessions));
  }

  /** What was lifted and planned, which stays whatever formula is chosen. */
  #lifted(sessions: readonly Session[]): Lifted {
    return { volume: workOf(this.#setsOf(sessions), this.figures.counting), planned: this.#plannedOf(sessions) };
  }

  #intensityOf(sessions: readonly Session[]): Pick<Work, "intensity" | "zones"> {
    const { counting, maximumOn, bodyWeightOn } = this.figures;
    const sets = this.#setsOf(sessions);
    return {
      intensity: intensitySums(sets, counting, maximumOn, bodyWeightOn),
      zones: liftsByZone(sets, counting, maximumOn, bodyWeightOn),
    };
  }

  #setsOf(sessions: readonly Session[]): PerformedSet[] {
    return joined(sessions, (session) => this.figures.setsOf(session));
  }

  #plannedOf(sessions: readonly Session[]): PlannedWork {
    const work: PlannedWork = { sets: 0, numberOfLifts: 0, volumeLoadKg: 0, byGroup: {} };
    for (const session of sessions) {
      const day = mustDay(session.date);
      for (const { exerciseId, sets } of session.items ?? []) {
        const exercise = this.figures.exercises.get(exerciseId);
        if (exercise === undefined) continue;
        for (const set of sets) {
          if (!set.planned || !hasPlan(set) || set.warmUp) continue;
          const target = this.target(exercise, set.planned, day);
          const reps = (set.planned.reps ?? 0) * (exercise.perSide ? 2 : 1);
          const load =
            reps *
            ("reason" in target || target.kg === null
              ? 0
              : (totalLoad(exercise, target.kg, day, this.figures.bodyWeightOn) ?? 0));
          work.sets += 1;
          work.numberOfLifts += reps;
          work.volumeLoadKg += load;
          const group = (work.byGroup[exercise.group || "other"] ??= { numberOfLifts: 0, volumeLoadKg: 0 });
          group.numberOfLifts += reps;
          group.volumeLoadKg += load;
        }
      }
    }
    return work;
  }

  /** The body weight that a movement carries on a day. */
  bodyPart(exercise: Exercise, day: Day): number {
    return bodyPartOf(exercise, this.figures.bodyWeightOn(day));
  }

  /** The days of a lift with their highest estimates by its own curve, whatever the formula in force. */
  readonly #ownCourse = this.#each((exerciseId: string): LiftCourse => {
    const factor = curveFactor(this.figures.curveOf(exerciseId));
    return this.figures.liftCourse(exerciseId).map(({ run }) => withMaximum(run, factor, this.figures.bodyWeightOn));
  });

  /**
   * How strong a lift is on a day by its own curve, before what was done on it; a variation takes its share of the lift it follows. Null when
   * nothing tells. Loads are worked out by the same curve, so that a set done as asked asks for the same load again.
   */
  strengthOn(exercise: Exercise, day: Day): Strength | null {
    const { maximumFrom } = exercise;
    const parent =
      maximumFrom && maximumFrom.exerciseId !== exercise.id
        ? this.figures.exercises.get(maximumFrom.exerciseId)
        : undefined;
    const of = parent ?? exercise;
    const strength = strengthOn(this.#ownCourse(of.id), this.figures.testsOf(of.id), day, (on) =>
      this.bodyPart(of, on),
    );
    return strength === null || parent === undefined
      ? strength
      : { ...strength, totalKg: strength.totalKg * maximumFrom!.ratio };
  }

  /** The load of a planned set: as planned, or worked out from the maximum in force before the day, or from an effort by the lift's own curve. */
  target(exercise: Exercise, planned: TrainingSet["planned"], day: Day): Target {
    if (planned?.kg != null || (planned?.percent == null && planned?.rpe == null))
      return { kg: planned?.kg ?? null, from: "plan" };
    const before = Math.min(day, this.figures.on + 1) - 1;
    const maximum = planned.percent == null ? null : this.figures.maximumOn(exercise.id, before);
    const strength = planned.percent == null ? this.strengthOn(exercise, day) : null;
    return targetOf(
      planned,
      exercise,
      maximum === null ? null : maximum + this.bodyPart(exercise, before),
      strength,
      curveFactor(this.figures.curveOf(exercise.id)),
      this.bodyPart(exercise, day),
      this.step(exercise),
    );
  }

  /** The step in which a lift's load is changed. */
  step(exercise: Exercise): number {
    return loadStep(exercise, this.figures.units.mass);
  }

  /** Records of a lift: as they were beaten, and those that stand. */
  readonly records = this.#each((exerciseId: string): LiftRecords =>
    liftRecords(this.figures.liftCourse(exerciseId), this.figures.volumeOn),
  );

  /** The best of a lift against body weight; of equal ones the earlier. */
  readonly bestRatio = this.#each((exerciseId: string): Ratio | null => {
    let best: Ratio | null = null;
    for (const block of this.figures.pastBlocks) {
      const one = this.#ratios(block).get(exerciseId);
      if (one && one.ratio > (best?.ratio ?? 0)) best = one;
    }
    return best;
  });
  readonly #ratios = this.#each(
    (block: number) =>
      new Map(
        [...this.figures.liftsInBlock(block)].map((exerciseId) => [
          exerciseId,
          bestRatio(
            this.figures.partIn(exerciseId, block)!,
            this.figures.bodyWeightOn,
            bodyPartOf(this.figures.exercises.get(exerciseId)!, 1),
          ),
        ]),
      ),
  );

  /** Meets and days of testing up to the day asked about, oldest first. */
  get meets(): Meet[] {
    return this.#meets();
  }
  readonly #meets = this.#kept(() =>
    meets(
      joined(this.figures.pastBlocks, this.#testsIn).filter(({ date }) => mustDay(date) <= this.figures.on),
      this.figures.settings.totalLifts ?? [],
    ),
  );
  readonly #testsIn = this.#each((block: number): Session[] => {
    const tests: Session[] = [];
    for (const day of daysOf(block))
      for (const session of this.figures.sessionsOn(day)) if (session.test) tests.push(session);
    return tests;
  });
}

/** The lifting of one person as asked about on one day. */
export const lifting = ownedBy((figures: Figures) => new Lifting(figures));
