import { type Day, mustDay, weekStartOf } from "../base/calendar/day";
import { concatMap } from "../base/calendar/groupBy";
import { perOwner } from "../base/memo";
import { weightOf } from "../body/slice";
import { type AsOf, byDateAndId, Slice } from "../log/asOf";
import type { Exercise } from "../log/kinds/exercises";
import type { Maximum } from "../log/kinds/maxima";
import type { Session } from "../log/kinds/sessions";
import { bucketDays, bucketOf, daysOfBucket } from "../log/logIndex";
import { sessionsOf } from "../sessions/slice";
import { type Factor, factorOf, type FormulaChoice } from "./e1rm";
import { daysOfRun, type LiftRun, liftsDone, testsIn, warmUpKg, workKg } from "./liftRun";
import {
  type LiftCourse,
  type LiftSegment,
  liftStanding,
  type LiftStanding,
  maximumInForce,
  withMaximum,
} from "./maximum";
import { curveFactor, curveSets, fitRepCurve, type RepCurve } from "./repCurve";
import { bodyPartOf, type Counting, type PerformedSet, performedSets } from "./sets";

/** A tested maximum of a lift, quoted as it is loaded; `maximum` is its record where it was entered as such. */
export interface Test {
  day: Day;
  kg: number;
  maximum: Maximum | null;
}

/** The lifts of a person: what was done of each, their estimated and tested maxima, and the formula in force. */
class Strength extends Slice {
  readonly #sessions = sessionsOf(this.asOf);
  readonly #weight = weightOf(this.asOf);

  exercises(): ReadonlyMap<string, Exercise> {
    return this.asOf.index.all("exercises");
  }

  /** Which sets count as work, apart from the other settings: a change of those leaves what rests on this. */
  readonly counting = this.kept((): Counting => ({ countWarmUps: this.asOf.settings.countWarmUps ?? false }));

  formula(): FormulaChoice {
    return this.asOf.settings.e1rmFormula ?? "mean";
  }

  /** Performed sets of one session; none while it lies ahead. */
  setsOf(session: Session): readonly PerformedSet[] {
    const day = mustDay(session.date);
    return day > this.asOf.on ? [] : this.#performed(session);
  }
  readonly #performed = this.#sessions.keptBySession((session) =>
    performedSets(session, mustDay(session.date), this.exercises(), this.#weight.on),
  );

  /** Performed sets of the week that begins on `start`, oldest first. */
  setsOfWeek(start: Day): PerformedSet[] {
    return this.#sessions.ofWeek(start).flatMap((session) => this.setsOf(session));
  }

  /**
   * What was done of each lift on some days; nothing on those that lie ahead. Of one session alone where that is given.
   */
  liftsDone(
    days: readonly Day[],
    sessionsOn = (day: Day): readonly Session[] => this.#sessions.on(day),
  ): Map<string, LiftRun> {
    return liftsDone(
      days.filter((day) => day <= this.asOf.on),
      sessionsOn,
      this.exercises(),
      this.#weight.on,
    );
  }

  /** What was done of each lift through a bucket of days, whatever the formula. */
  readonly #runsIn = this.keptBy((bucket: number) => this.liftsDone(daysOfBucket(bucket)));

  /** The lifts done in a bucket of days. */
  liftsIn(bucket: number): Iterable<string> {
    return this.#runsIn(bucket).keys();
  }

  readonly #run = this.keptBy((exerciseId: string) =>
    this.keptBy((bucket: number): LiftRun | null => this.#runsIn(bucket).get(exerciseId) ?? null),
  );
  readonly #segment = this.keptBy((exerciseId: string) =>
    this.keptBy((bucket: number): LiftSegment | null => {
      const run = this.#run(exerciseId)(bucket);
      return run && this.withMaximum(run);
    }),
  );

  /** What was done of one lift in a bucket of days, with each day's highest estimate; null where it was not done. */
  segmentIn(exerciseId: string, bucket: number): LiftSegment | null {
    return this.#segment(exerciseId)(bucket);
  }

  /** Volume load of a lift on one of its days. */
  readonly volumeOn = (run: LiftRun, index: number): number =>
    this.counting().countWarmUps ? workKg(run, index) + warmUpKg(run, index) : workKg(run, index);

  /** What was done of a lift, with the highest estimate of each day. */
  withMaximum(run: LiftRun): LiftSegment {
    return withMaximum(run, this.factorFor(run.exercise.id), this.#weight.on);
  }

  /** The relation of repetitions to load in force for a lift. */
  readonly factorFor = this.keptBy((exerciseId: string): Factor => {
    const formula = this.formula();
    return formula === "personal" ? curveFactor(this.curveOf(exerciseId)) : factorOf[formula];
  });

  /** A lift's own relation of repetitions to load, from its hard sets and tested maxima up to the day asked about. */
  readonly curveOf = this.keptBy((exerciseId: string): RepCurve => {
    const exercise = this.exercises().get(exerciseId)!;
    const tests = this.testsOf(exerciseId)
      .map(({ kg, day }) => ({ day, totalKg: kg + bodyPartOf(exercise, this.#weight.on(day)) }))
      .filter(({ totalKg }) => totalKg > 0);
    return fitRepCurve(
      concatMap(this.#sessions.pastBuckets(), (bucket) => {
        const run = this.#run(exerciseId)(bucket);
        return run === null ? [] : curveSets(run);
      }),
      tests,
      this.asOf.on,
    );
  });

  /** What was done of one lift, oldest first. */
  readonly courseOf = this.keptBy((exerciseId: string): LiftCourse =>
    this.#sessions.pastBuckets().flatMap((bucket) => this.segmentIn(exerciseId, bucket) ?? []),
  );
  readonly #lifted = this.kept(() =>
    [...new Set(concatMap(this.#sessions.pastBuckets(), (bucket) => [...this.#runsIn(bucket).keys()]))].sort(),
  );

  /** Every lift that was worked or tested, in order of exercise id. */
  readonly lifts = this.kept((): LiftStanding[] =>
    [
      ...new Set([
        ...this.#lifted(),
        ...this.#tested()
          .map(({ exerciseId }) => exerciseId)
          .filter((id) => this.exercises().has(id)),
      ]),
    ]
      .sort()
      .flatMap((id) => this.liftOf(id) ?? []),
  );

  /** How a lift stands; null where it was neither worked nor tested. */
  readonly liftOf = this.keptBy(
    (exerciseId: string): LiftStanding | null =>
      liftStanding(exerciseId, this.courseOf(exerciseId)) ??
      (this.testsOf(exerciseId).length > 0
        ? { exerciseId, best: null, latest: null, lastDone: null, sessions: 0 }
        : null),
  );

  /**
   * Maximum in force for a lift on a day, quoted as the lift is loaded; a variation may take a share of its parent's.
   */
  readonly maximumOn = (exerciseId: string, day: Day): number | null =>
    this.#maxima(exerciseId)(bucketOf(day))[day - bucketOf(day) * bucketDays]!;

  readonly #maxima = this.keptBy((exerciseId: string) =>
    this.keptBy((bucket: number): (number | null)[] => {
      const parent = this.exercises().get(exerciseId)?.maximumFrom;
      if (!parent || parent.exerciseId === exerciseId) return daysOfBucket(bucket).map(this.#ownMaximum(exerciseId));
      const whole = this.#ownMaximum(parent.exerciseId);
      return daysOfBucket(bucket).map((day) => {
        const kg = whole(day);
        return kg === null ? null : kg * parent.ratio;
      });
    }),
  );
  readonly #ownMaximum = this.keptBy((exerciseId: string) =>
    maximumInForce(this.courseOf(exerciseId), this.testsOf(exerciseId)),
  );

  readonly #tested = this.kept(() =>
    this.asOf
      .own("maxima")
      .filter((maximum) => maximum.tested !== false && mustDay(maximum.date) <= this.asOf.on)
      .sort(byDateAndId),
  );

  /** Tested maxima of a lift, oldest first: those entered as such, and singles made in a session of testing. */
  readonly testsOf = this.keptBy((exerciseId: string): Test[] => {
    const entered = this.#tested()
      .filter((maximum) => maximum.exerciseId === exerciseId)
      .map((maximum) => ({ day: mustDay(maximum.date), kg: maximum.kg, maximum }));
    const made = concatMap(this.#sessions.pastBuckets(), this.#tried).flatMap((one) =>
      one.exerciseId === exerciseId ? [{ day: one.day, kg: one.kg, maximum: null }] : [],
    );
    return made.length === 0 ? entered : [...entered, ...made].sort((a, b) => a.day - b.day || a.kg - b.kg);
  });

  /** What was tested in sessions of a bucket of days. */
  readonly #tried = this.keptBy((bucket: number) => concatMap(this.#runsIn(bucket).values(), testsIn));

  /** Weeks in which something was lifted, by first day, oldest first. */
  readonly liftedWeeks = this.kept((): Day[] => [
    ...new Set(
      concatMap(this.#sessions.pastBuckets(), this.#liftedDays).map((day) => weekStartOf(day, this.asOf.weekStart)),
    ),
  ]);
  readonly #liftedDays = this.keptBy((bucket: number): Day[] =>
    [...new Set(concatMap(this.#runsIn(bucket).values(), daysOfRun))].sort((a, b) => a - b),
  );
}

export const strengthOf = perOwner((asOf: AsOf) => new Strength(asOf));
