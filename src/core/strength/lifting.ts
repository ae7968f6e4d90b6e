import { type Day, mustDay } from "../base/calendar/day";
import { concatMap } from "../base/calendar/groupBy";
import { perOwner } from "../base/memo";
import { weightOf } from "../body/slice";
import { type AsOf, Slice } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import type { Session, TrainingSet } from "../log/kinds/sessions";
import { daysOfBucket } from "../log/logIndex";
import { sessionsOf } from "../sessions/slice";
import { loadStep } from "./loading";
import { type LiftCourse, withMaximum } from "./maximum";
import { type Meet, meets } from "./meet";
import { curveFactor } from "./repCurve";
import { bodyPartOf } from "./sets";
import { strengthOf } from "./slice";
import { bestRatio, liftRecords, type LiftRecords, type Ratio } from "./strengthRecords";
import { type Strength, strengthOn, type Target, targetOf } from "./suggest";

/** What the lifts of a person ask and tell beyond their maxima: loads for sets to come, records, meets. */
class Lifting extends Slice {
  /** The body weight that a movement carries on a day. */
  bodyPart(exercise: Exercise, day: Day): number {
    return bodyPartOf(exercise, weightOf(this.asOf).on(day));
  }

  /** The days of a lift with their highest estimates by its own curve, whatever the formula in force. */
  readonly #ownCourse = this.keptBy((exerciseId: string): LiftCourse => {
    const factor = curveFactor(strengthOf(this.asOf).curveOf(exerciseId));
    return strengthOf(this.asOf)
      .courseOf(exerciseId)
      .map(({ run }) => withMaximum(run, factor, weightOf(this.asOf).on));
  });

  /**
   * How strong a lift is on a day by its own curve, before what was done on it; a variation takes its share of the lift
   * it follows. Null when nothing tells. Loads are worked out by the same curve, so that a set done as asked asks for
   * the same load again.
   */
  strengthOn(exercise: Exercise, day: Day): Strength | null {
    const { maximumFrom } = exercise;
    const parent =
      maximumFrom && maximumFrom.exerciseId !== exercise.id
        ? strengthOf(this.asOf).exercises().get(maximumFrom.exerciseId)
        : undefined;
    const of = parent ?? exercise;
    const strength = strengthOn(this.#ownCourse(of.id), strengthOf(this.asOf).testsOf(of.id), day, (on) =>
      this.bodyPart(of, on),
    );
    return strength === null || parent === undefined
      ? strength
      : { ...strength, totalKg: strength.totalKg * maximumFrom!.ratio };
  }

  /**
   * The load of a planned set: as planned, or worked out from the maximum in force before the day, or from an effort by
   * the lift's own curve.
   */
  target(exercise: Exercise, planned: TrainingSet["planned"], day: Day): Target {
    if (planned?.kg != null || (planned?.percent == null && planned?.rpe == null))
      return { kg: planned?.kg ?? null, from: "plan" };
    const before = Math.min(day, this.asOf.on + 1) - 1;
    const maximum = planned.percent == null ? null : strengthOf(this.asOf).maximumOn(exercise.id, before);
    const strength = planned.percent == null ? this.strengthOn(exercise, day) : null;
    return targetOf(
      planned,
      exercise,
      maximum === null ? null : maximum + this.bodyPart(exercise, before),
      strength,
      curveFactor(strengthOf(this.asOf).curveOf(exercise.id)),
      this.bodyPart(exercise, day),
      this.step(exercise),
    );
  }

  /** The step in which a lift's load is changed. */
  step(exercise: Exercise): number {
    return loadStep(exercise, this.asOf.units.mass);
  }

  /** Records of a lift: as they were beaten, and those that stand. */
  readonly records = this.keptBy((exerciseId: string): LiftRecords =>
    liftRecords(strengthOf(this.asOf).courseOf(exerciseId), strengthOf(this.asOf).volumeOn),
  );

  /** The best of a lift against body weight; of equal ones the earlier. */
  readonly bestRatio = this.keptBy((exerciseId: string): Ratio | null => {
    let best: Ratio | null = null;
    for (const bucket of sessionsOf(this.asOf).pastBuckets()) {
      const one = this.#ratios(bucket).get(exerciseId);
      if (one && one.ratio > (best?.ratio ?? 0)) best = one;
    }
    return best;
  });
  readonly #ratios = this.keptBy(
    (bucket: number) =>
      new Map(
        [...strengthOf(this.asOf).liftsIn(bucket)].map((exerciseId) => [
          exerciseId,
          bestRatio(
            strengthOf(this.asOf).segmentIn(exerciseId, bucket)!,
            weightOf(this.asOf).on,
            bodyPartOf(strengthOf(this.asOf).exercises().get(exerciseId)!, 1),
          ),
        ]),
      ),
  );

  /** Meets and days of testing up to the day asked about, oldest first. */
  readonly meets = this.kept((): Meet[] =>
    meets(
      concatMap(sessionsOf(this.asOf).pastBuckets(), this.#testsIn).filter(({ date }) => mustDay(date) <= this.asOf.on),
      this.asOf.settings.totalLifts ?? [],
    ),
  );
  readonly #testsIn = this.keptBy((bucket: number): Session[] => {
    const tests: Session[] = [];
    for (const day of daysOfBucket(bucket))
      for (const session of sessionsOf(this.asOf).on(day)) if (session.test) tests.push(session);
    return tests;
  });
}

export const liftingOf = perOwner((asOf: AsOf) => new Lifting(asOf));
