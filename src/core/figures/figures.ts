import { readingProblem, usualMeasureOf } from "../body/usualMeasures";
import { joined } from "../base/calendar/groupBy";
import { ageOn, dateOf, monthStartOf, mustDay, weekStartOf, type Day, type Weekday } from "../base/calendar/day";
import { weightTrend, type Trend } from "../body/trend";
import { secondOffset, type SecondOffset, type SecondWeighed } from "../body/second";
import { primaryOf, type Weighed } from "../body/weighIns";
import {
  afterTraining,
  effectMornings,
  weekdayEffects,
  whitened,
  type AfterTraining,
  type WeekdayEffects,
} from "../body/weekday";
import { weeklyWeight, weekStarts, type WeeklyWeight } from "../body/weekly";
import { factorOf, type Factor, type FormulaChoice } from "../strength/e1rm";
import { daysOfRun, liftsDone, testsIn, warmUpKg, workKg, type LiftRun } from "../strength/liftRun";
import {
  liftStanding,
  maximumInForce,
  withMaximum,
  type LiftCourse,
  type LiftPart,
  type LiftStanding,
} from "../strength/maximum";
import { curveFactor, curveSets, fitRepCurve, type RepCurve } from "../strength/repCurve";
import { bodyPartOf, performedSets, type Counting, type PerformedSet } from "../strength/sets";
import { equations, type Body, type EquationName, type Resting, type Sex } from "../energy/resting";
import { goalCourses, milestones, type GoalCourse, type Milestone } from "../body/course";
import { measureGoal, measureTrend, type MeasureGoal, type MeasureTrend, type Reading } from "../body/measureGoal";
import { aimOf, goalInForce, planLine, planWeight, type PlanLine } from "../goals/plan";
import { heldLevel, lastWeighedAgo, levelOn, project, type Projection } from "../body/projection";
import type { Log } from "../log/log";
import { blockDays, blockOf, daysOf } from "../log/logIndex";
import { family, memo } from "../base/memo";
import { Printer, unitsOf, type Units } from "../base/units/printer";
import { wasPerformed } from "../sessions/adherence";
import type { Block } from "../log/kinds/blocks";
import type { DayNote } from "../log/kinds/dayNotes";
import type { EnergySettings } from "../log/kinds/energySettings";
import type { Exercise } from "../log/kinds/exercises";
import type { Food } from "../log/kinds/foods";
import type { Goal } from "../log/kinds/goals";
import type { Maximum } from "../log/kinds/maxima";
import type { Meal } from "../log/kinds/meals";
import type { Person, Settings } from "../log/kinds/people";
import type { Recipe } from "../log/kinds/recipes";
import type { RecordOf } from "../log/records";
import type { Session } from "../log/kinds/sessions";
import type { WeighIn } from "../log/kinds/weighIns";
import { fits, jumps, remarks, weighIns, type Remark } from "../body/mornings";

/** What is asked about. */
class Asked {
  constructor(
    readonly log: Log,
    readonly personId: string,
    readonly on: Day,
  ) {}
}

/**
 * What is computed of one person on one day. Each part is worked out when first asked for and kept until what it rests on changes:
 * a set changed in one session computes that day, its week and its lift again, and nothing else. Nothing dated later is read as
 * performed. Sums always run in the order of the days, so a figure brought up to date has the bits of one computed afresh.
 */
export class Figures extends Asked {
  #kept<T>(compute: () => T): () => T {
    return memo(this.log.index, compute);
  }
  #each<K, T>(compute: (key: K) => T): (key: K) => T {
    return family(this.log.index, compute);
  }

  get person(): Person {
    return this.log.index.all("people").get(this.personId)!;
  }
  get settings(): Settings {
    return this.#settings();
  }
  readonly #settings = this.#kept((): Settings => this.person.settings ?? {});
  /** Units, and which sets count as work, apart from the other settings: a change of those leaves what rests on these. */
  get units(): Units {
    return this.#units();
  }
  readonly #units = this.#kept(() => unitsOf(this.person.units));
  get printer(): Printer {
    return this.#printer();
  }
  readonly #printer = this.#kept(() => new Printer(this.units));
  get counting(): Counting {
    return this.#counting();
  }
  readonly #counting = this.#kept((): Counting => ({ countWarmUps: this.settings.countWarmUps ?? false }));
  get formula(): FormulaChoice {
    return this.settings.e1rmFormula ?? "mean";
  }
  get weekStart(): Weekday {
    return this.#weekStart();
  }
  readonly #weekStart = this.#kept(() => (this.person.weekStart ?? 1) as Weekday);

  get exercises(): ReadonlyMap<string, Exercise> {
    return this.log.index.all("exercises");
  }
  get foods(): ReadonlyMap<string, Food> {
    return this.log.index.all("foods");
  }
  get recipes(): ReadonlyMap<string, Recipe> {
    return this.log.index.all("recipes");
  }

  // Body weight

  /** The primary weigh-in of a day, also of one to come; null when there is none. */
  primaryOn(day: Day): WeighIn | null {
    return primaryOf(this.log.index.on("weighIns", this.personId, day));
  }

  /** The last of a day's second weigh-ins; null when there is none. */
  secondOn(day: Day): WeighIn | null {
    const all = this.log.index.on("weighIns", this.personId, day);
    const primary = primaryOf(all);
    return all.findLast((one) => one !== primary) ?? null;
  }

  /** Primary weigh-ins up to the day asked about, oldest first. */
  readonly #weighed = this.#kept(() => {
    const all = weighIns(this.log)(this.personId).mornings();
    return (all.at(-1)?.day ?? this.on) <= this.on ? all : all.filter(({ day }) => day <= this.on);
  });
  get weighed(): Weighed[] {
    return this.#weighed();
  }

  /** Days up to the one asked about on which the level may jump, as marked, oldest first. */
  get jumps(): Day[] {
    return this.#jumps();
  }
  readonly #jumps = this.#kept(() => jumps(this.log)(this.personId)().filter((day) => day <= this.on));

  readonly #trend = this.#kept(() => {
    const last = this.weighed.at(-1);
    return last === undefined
      ? null
      : weightTrend(this.weighed, this.jumps, fits(this.log)(this.personId)(monthStartOf(last.day)));
  });
  get trend(): Trend | null {
    return this.#trend();
  }

  /** Second weigh-ins up to the day asked about, oldest first: a series of their own. */
  get seconds(): SecondWeighed[] {
    return this.#seconds();
  }
  readonly #seconds = this.#kept(() =>
    weighIns(this.log)(this.personId)
      .seconds()
      .filter(({ day }) => day <= this.on),
  );
  get secondOffset(): SecondOffset | { reason: string } {
    return this.#secondOffset();
  }
  readonly #secondOffset = this.#kept(() => secondOffset(this.seconds));

  readonly #effectMornings = this.#kept(() => effectMornings(this.trend, this.weighed, this.jumps));
  readonly #whitened = this.#kept(() => {
    const mornings = this.#effectMornings();
    return "reason" in mornings ? mornings : whitened(mornings);
  });

  /** What each weekday does to the weight, or why that cannot be said. */
  get weekdayWeight(): WeekdayEffects | { reason: string } {
    return this.#weekdayWeight();
  }
  readonly #weekdayWeight = this.#kept(() => {
    const white = this.#whitened();
    return "reason" in white ? white : weekdayEffects(white);
  });

  /** Mornings after training against mornings after rest, or why that cannot be said. */
  get afterTraining(): AfterTraining | { reason: string } {
    return this.#afterTraining();
  }
  readonly #afterTraining = this.#kept(() => {
    const white = this.#whitened();
    return "reason" in white ? white : afterTraining(white, this.trainedOn);
  });
  /** Whether a session was performed on a day, wholly or partly. */
  readonly trainedOn = (day: Day) => this.#trained(blockOf(day))[day - blockOf(day) * blockDays]!;
  readonly #trained = this.#each((block: number) =>
    daysOf(block).map((day) => this.sessionsOn(day).some((session) => wasPerformed(session, this.on))),
  );

  readonly #firstMorning = this.#kept(() => this.weighed[0]?.day ?? null);
  readonly #weeks = this.#kept(() => {
    const first = this.#firstMorning();
    return first === null ? [] : weekStarts(first, this.on, this.weekStart);
  });

  /** The weeks from the first weigh-in to the one that holds the day asked about; the last so many of them. */
  weekly(last = Infinity): WeeklyWeight[] {
    return this.#weeks()
      .slice(-last)
      .map((start) => this.#week(start));
  }

  /** The week that begins on a day; null before the first weigh-in and in weeks to come. */
  weekFrom(start: Day): WeeklyWeight | null {
    const weeks = this.#weeks();
    return weeks.length > 0 && start >= weeks[0]! && start <= weeks.at(-1)! ? this.#week(start) : null;
  }
  readonly #week = this.#each((start: Day): WeeklyWeight => {
    const week = Array.from({ length: 7 }, (_, index) => start + index).filter((day) => day <= this.on);
    return weeklyWeight(
      start,
      week.flatMap((day) => this.primaryOn(day)?.kg ?? []),
      this.#firstMorning()!,
      this.on,
    );
  });

  /** The level that what rests on a weight goes by on a day: the trend, after the last weigh-in the last one held; null before the first. */
  heldOn(day: Day): number | null {
    return this.trend === null ? null : heldLevel(this.trend, day);
  }

  /** Level of the trend on a day, carried forward for some weeks after the last weigh-in; null before the first, and later. */
  readonly levelOn = this.#each((day: Day): number | null =>
    this.trend === null ? null : (levelOn(this.trend, day)?.kg ?? null),
  );

  /** Level of the trend on one of its own days, read straight from it; null on others. */
  #levelWithin(day: Day): number | null {
    return this.trend?.level[day - this.trend.first] ?? null;
  }

  /** Body weight on a day: weighed, else the trend, the last one held; null when neither is known. */
  bodyWeightOn = (day: Day): number | null => {
    const block = blockOf(day);
    return this.#bodyWeights(block)[day - block * blockDays]!;
  };
  readonly #bodyWeights = this.#each((block: number) =>
    daysOf(block).map((day): number | null => {
      const primary = day > this.on ? null : this.primaryOn(day);
      return primary?.kg ?? this.#levelWithin(day) ?? this.heldOn(day);
    }),
  );

  // Training

  /** Sessions of a day, planned ones included, in order of time and id. */
  sessionsOn(day: Day): readonly Session[] {
    return this.log.index.on("sessions", this.personId, day);
  }

  /** Days that have a session, those to come included, in order. */
  get sessionDays(): readonly Day[] {
    return this.log.index.days("sessions", this.personId);
  }

  /** Days up to the one asked about that have a session, in order. */
  get pastSessionDays(): readonly Day[] {
    return this.#pastSessionDays();
  }
  readonly #pastSessionDays = this.#kept(() => this.sessionDays.filter((day) => day <= this.on));

  /** Every session from a day to another, planned ones included, in order of date, time and id. */
  sessionsBetween(from: Day, to: Day): Session[] {
    return joined(
      this.sessionDays.filter((day) => day >= from && day <= to),
      (day) => this.sessionsOn(day),
    );
  }

  /** Sessions with a distance in a block of days, in order. */
  readonly #distanceBlock = this.#each((block: number): Session[] =>
    joined(daysOf(block), (day) => this.sessionsOn(day).filter(({ distance }) => distance)),
  );

  /** Sessions with a distance from a day up to the one asked about, in order. */
  distancesFrom(from: Day): Session[] {
    return joined(
      this.#pastBlocks().filter((block) => block >= blockOf(from)),
      this.#distanceBlock,
    ).filter(({ date }) => mustDay(date) >= from && mustDay(date) <= this.on);
  }

  /** Sessions of the seven days from `start`, planned ones included. */
  sessionsOfWeek(start: Day): Session[] {
    return Array.from({ length: 7 }, (_, index) => this.sessionsOn(start + index)).flat();
  }

  /** A person's session by id and day, or null. */
  sessionOn(day: Day, id: string): Session | null {
    return this.sessionsOn(day).find((session) => session.id === id) ?? null;
  }

  /** Performed sets of one session; none while it lies ahead. */
  setsOf(session: Session): readonly PerformedSet[] {
    const day = mustDay(session.date);
    return day > this.on ? [] : this.#performed(session);
  }
  readonly #performed = this.bySession((session) =>
    performedSets(session, mustDay(session.date), this.exercises, this.bodyWeightOn),
  );

  /** Something of each session of the log, kept a day at a time. */
  bySession<T>(compute: (session: Session) => T): (session: Session) => T {
    const onDay = this.#each(
      (day: Day) => new Map(this.sessionsOn(day).map((session) => [session.id, compute(session)])),
    );
    return (session) => onDay(mustDay(session.date)).get(session.id)!;
  }

  /** Performed sets of the week that begins on `start`, oldest first. */
  setsOfWeek(start: Day): PerformedSet[] {
    return this.sessionsOfWeek(start).flatMap((session) => this.setsOf(session));
  }

  /** What was done of each lift on some days; nothing on those that lie ahead. Of one session alone where that is given. */
  liftsDone(
    days: readonly Day[],
    sessionsOn = (day: Day): readonly Session[] => this.sessionsOn(day),
  ): Map<string, LiftRun> {
    return liftsDone(
      days.filter((day) => day <= this.on),
      sessionsOn,
      this.exercises,
      this.bodyWeightOn,
    );
  }

  /** What was done of each lift through a block of days, whatever the formula. */
  readonly #liftBlock = this.#each((block: number) => this.liftsDone(daysOf(block)));
  /** The lifts done in a block of days. */
  liftsInBlock(block: number): Iterable<string> {
    return this.#liftBlock(block).keys();
  }
  /** Blocks of days up to the one asked about that hold sessions, in order. */
  get pastBlocks(): readonly number[] {
    return this.#pastBlocks();
  }
  readonly #pastBlocks = this.#kept(() =>
    this.log.index.blocks("sessions", this.personId).filter((block) => block <= blockOf(this.on)),
  );
  readonly #run = this.#each((exerciseId: string) =>
    this.#each((block: number): LiftRun | null => this.#liftBlock(block).get(exerciseId) ?? null),
  );
  readonly #part = this.#each((exerciseId: string) =>
    this.#each((block: number): LiftPart | null => {
      const run = this.#run(exerciseId)(block);
      return run && this.withMaximum(run);
    }),
  );

  /** What was done of one lift in a block of days, with each day's highest estimate; null where it was not done. */
  partIn(exerciseId: string, block: number): LiftPart | null {
    return this.#part(exerciseId)(block);
  }

  /** Volume load of a lift on one of its days. */
  readonly volumeOn = (run: LiftRun, index: number): number =>
    this.counting.countWarmUps ? workKg(run, index) + warmUpKg(run, index) : workKg(run, index);

  /** What was done of a lift, with the highest estimate of each day. */
  withMaximum(run: LiftRun): LiftPart {
    return withMaximum(run, this.factorFor(run.exercise.id), this.bodyWeightOn);
  }

  /** The relation of repetitions to load in force for a lift. */
  readonly factorFor = this.#each((exerciseId: string): Factor => {
    const { formula } = this;
    return formula === "personal" ? curveFactor(this.curveOf(exerciseId)) : factorOf[formula];
  });

  /** A lift's own relation of repetitions to load, from its hard sets and tested maxima up to the day asked about. */
  readonly curveOf = this.#each((exerciseId: string): RepCurve => {
    const exercise = this.exercises.get(exerciseId)!;
    const tests = this.testsOf(exerciseId)
      .map(({ kg, day }) => ({ day, totalKg: kg + bodyPartOf(exercise, this.bodyWeightOn(day)) }))
      .filter(({ totalKg }) => totalKg > 0);
    return fitRepCurve(
      joined(this.#pastBlocks(), (block) => {
        const run = this.#run(exerciseId)(block);
        return run === null ? [] : curveSets(run);
      }),
      tests,
      this.on,
    );
  });

  /** What was done of one lift, oldest first. */
  readonly liftCourse = this.#each((exerciseId: string): LiftCourse =>
    this.#pastBlocks().flatMap((block) => this.partIn(exerciseId, block) ?? []),
  );
  readonly #lifted = this.#kept(() =>
    [...new Set(joined(this.#pastBlocks(), (block) => [...this.#liftBlock(block).keys()]))].sort(),
  );

  /** Every lift that was worked or tested, in order of exercise id. */
  get lifts(): LiftStanding[] {
    return this.#lifts();
  }
  readonly #lifts = this.#kept(() =>
    [
      ...new Set([
        ...this.#lifted(),
        ...this.#tested()
          .map(({ exerciseId }) => exerciseId)
          .filter((id) => this.exercises.has(id)),
      ]),
    ]
      .sort()
      .flatMap((id) => this.liftOf(id) ?? []),
  );
  readonly liftOf = this.#each(
    (exerciseId: string): LiftStanding | null =>
      liftStanding(exerciseId, this.liftCourse(exerciseId)) ??
      (this.testsOf(exerciseId).length > 0
        ? { exerciseId, best: null, latest: null, lastDone: null, sessions: 0 }
        : null),
  );

  /** Maximum in force for a lift on a day, quoted as the lift is loaded; a variation may take a share of its parent's. */
  maximumOn = (exerciseId: string, day: Day): number | null =>
    this.#maxima(exerciseId)(blockOf(day))[day - blockOf(day) * blockDays]!;

  readonly #maxima = this.#each((exerciseId: string) =>
    this.#each((block: number): (number | null)[] => {
      const parent = this.exercises.get(exerciseId)?.maximumFrom;
      if (!parent || parent.exerciseId === exerciseId) return daysOf(block).map(this.#ownMaximum(exerciseId));
      const whole = this.#ownMaximum(parent.exerciseId);
      return daysOf(block).map((day) => {
        const kg = whole(day);
        return kg === null ? null : kg * parent.ratio;
      });
    }),
  );

  readonly #tested = this.#kept(() =>
    this.#mine("maxima")
      .filter((maximum) => maximum.tested !== false && mustDay(maximum.date) <= this.on)
      .sort(byDateAndId),
  );
  /** Tested maxima of a lift, quoted as it is loaded, oldest first: those entered as such, and singles made in a session of testing. */
  readonly testsOf = this.#each((exerciseId: string): { day: Day; kg: number; maximum: Maximum | null }[] => {
    const entered = this.#tested()
      .filter((maximum) => maximum.exerciseId === exerciseId)
      .map((maximum) => ({ day: mustDay(maximum.date), kg: maximum.kg, maximum }));
    const made = joined(this.#pastBlocks(), this.#tried).flatMap((one) =>
      one.exerciseId === exerciseId ? [{ day: one.day, kg: one.kg, maximum: null }] : [],
    );
    return made.length === 0 ? entered : [...entered, ...made].sort((a, b) => a.day - b.day || a.kg - b.kg);
  });
  /** What was tested in sessions of a block of days. */
  readonly #tried = this.#each((block: number) => joined(this.#liftBlock(block).values(), testsIn));
  readonly #ownMaximum = this.#each((exerciseId: string) =>
    maximumInForce(this.liftCourse(exerciseId), this.testsOf(exerciseId)),
  );

  /** Weeks in which something was lifted, by first day, oldest first. */
  get liftedWeeks(): Day[] {
    return this.#liftedWeeks();
  }
  readonly #liftedWeeks = this.#kept(() => [
    ...new Set(joined(this.#pastBlocks(), this.#liftedDays).map((day) => weekStartOf(day, this.weekStart))),
  ]);
  readonly #liftedDays = this.#each((block: number): Day[] =>
    [...new Set(joined(this.#liftBlock(block).values(), daysOfRun))].sort((a, b) => a - b),
  );

  /** Blocks of training in the order in which they begin, those to come included. */
  get blocks(): Block[] {
    return this.#blocks();
  }
  readonly #blocks = this.#kept(() =>
    this.#mine("blocks").sort((a, b) => compare(a.startDate, b.startDate) || compare(a.id, b.id)),
  );

  // Goal

  readonly #goals = this.#kept(() => this.#mine("goals"));
  get goal(): Goal | null {
    return this.goalOn(this.on);
  }
  /** The goal in force on a day: of a measure, or with null of the weight. */
  goalOf(measureId: string | null, day: Day): Goal | null {
    return measureId === null ? this.goalOn(day) : goalInForce(this.#goals(), day, measureId);
  }
  readonly goalOn = this.#each((day: Day): Goal | null => goalInForce(this.#goals(), day));
  get line(): PlanLine | { reason: string } {
    return this.lineOn(this.on);
  }

  /** The plan line in force on a day, or why there is none. */
  readonly lineOn = this.#each((day: Day): PlanLine | { reason: string } => {
    const goal = this.goalOn(day);
    return goal === null ? { reason: "no weight goal has begun" } : planLine(goal);
  });

  /** The plan line's weight on a day up to its deadline; null without one in force. */
  planOn(day: Day): number | null {
    const line = this.lineOn(day);
    return "reason" in line || day > line.deadline ? null : planWeight(line, day);
  }

  /** Weight goals one after another, the latest first, with how each ended. */
  get goalCourses(): GoalCourse[] {
    return this.#goalCourses();
  }
  readonly #goalCourses = this.#kept(() => goalCourses(this.#goals(), this.trend, this.on));

  /** Weights on the way to the goal in force; none without a plan line. */
  get milestones(): Milestone[] {
    return this.#milestones();
  }
  readonly #milestones = this.#kept(() =>
    "reason" in this.line
      ? []
      : milestones(this.line, this.trend, this.on, this.person.units?.mass === "lb", this.goal?.milestonesKg ?? []),
  );

  /** The goal on a measure in force, and how it stands; null without one. */
  readonly measureGoal = this.#each((measureId: string): MeasureGoal | null =>
    measureGoal(
      this.goalOf(measureId, this.on),
      this.valuesOf(measureId).at(-1),
      this.measureTrend(measureId),
      this.on,
    ),
  );

  /** When the goal will be met, or why that cannot be said. */
  get projection(): Projection | { reason: string } {
    return this.#projection();
  }
  readonly #projection = this.#kept((): Projection | { reason: string } => {
    const { trend, line } = this;
    if ("reason" in line) return line;
    return project(trend, line, this.on);
  });

  /** The weight goal that begins next, when one lies ahead. */
  get nextGoal(): Goal | null {
    const ahead = this.#goals().filter((goal) => aimOf(goal) === "weight" && mustDay(goal.startDate) > this.on);
    return ahead.sort((a, b) => compare(a.startDate, b.startDate) || compare(a.id, b.id))[0] ?? null;
  }

  // Energy

  readonly #energySettings = this.#kept(() =>
    this.#mine("energySettings").sort((a, b) => compare(a.from, b.from) || compare(a.id, b.id)),
  );

  /** Energy settings in force on a day. */
  energySettingsOn(day: Day): EnergySettings | null {
    return this.#energySettings().findLast(({ from }) => mustDay(from) <= day) ?? null;
  }

  /** Latest body-fat percentage; values that nobody's body can have are passed over. */
  bodyFatOn(day: Day): { percent: number; date: string; method: string | null } | null {
    const latest = this.#bodyFats().findLast(({ date }) => mustDay(date) <= day);
    return latest === undefined ? null : { percent: latest.value, date: latest.date, method: latest.method ?? null };
  }

  /** The measures of the household, the trainee's own among them. */
  get measures(): ReadonlyMap<string, RecordOf<"measures">> {
    return this.log.index.all("measures");
  }

  /** Readings of a measure up to the day asked about, oldest first. */
  readonly readingsOf = this.#each((measureId: string) =>
    this.#mine("readings")
      .filter((reading) => reading.measureId === measureId && mustDay(reading.date) <= this.on)
      .sort(byDateAndId),
  );

  /** The same by day, values alone. */
  readonly valuesOf = this.#each((measureId: string): Reading[] =>
    this.readingsOf(measureId).map(({ date, value }) => ({ day: mustDay(date), value })),
  );
  /** The line through a measure's readings of the latest weeks; null while there is too little. */
  /** The latest reading of a measure before a day; null without one. */
  readingBefore = (measureId: string, day: Day): number | null =>
    this.valuesOf(measureId).findLast(({ day: read }) => read < day)?.value ?? null;

  readonly measureTrend = this.#each((measureId: string): MeasureTrend | null =>
    measureTrend(this.valuesOf(measureId), this.on),
  );

  /** The reading of a measure on a day, the last by id where there are several; null without one. */
  readingOn(measureId: string, day: Day): RecordOf<"readings"> | null {
    return (
      this.log.index.on("readings", this.personId, day).findLast((reading) => reading.measureId === measureId) ?? null
    );
  }

  readonly #bodyFats = this.#kept(() => {
    const ids = new Set(
      [...this.log.index.all("measures").values()]
        .filter(({ name, unit }) => (unit ?? "%").trim() === "%" && usualMeasureOf(name)?.name === "Body fat")
        .map(({ id }) => id),
    );
    return ids.size === 0
      ? []
      : this.#mine("readings")
          .filter(({ measureId, value }) => ids.has(measureId) && readingProblem(bodyFat, value) === null)
          .sort(byDateAndId);
  });

  /** What the equations are given on a day; null without a weight. */
  bodyOn(day: Day): Body | null {
    const kg = this.heldOn(day);
    if (kg === null) return null;
    const fat = this.bodyFatOn(day);
    const { birthDate, heightCm, sex } = this.person;
    return {
      kg,
      heightCm: heightCm ?? null,
      ageYears: birthDate ? ageOn(mustDay(birthDate), day) : null,
      sex: (sex ?? "unspecified") as Sex,
      fatFreeKg: fat === null ? null : kg * (1 - fat.percent / 100),
    };
  }

  restingOn(equation: EquationName, day: Day): Resting {
    const body = this.bodyOn(day);
    if (this.trend !== null && day - this.trend.last > weightServesDays)
      return { reason: lastWeighedAgo(this.trend, day) };
    return body === null ? { reason: "no weight is written" } : equations[equation].kcal(body);
  }

  // Food and notes

  /** Meals of a day, in the order written. */
  mealsOn(day: Day): readonly Meal[] {
    return this.log.index.on("meals", this.personId, day);
  }
  get mealDays(): readonly Day[] {
    return this.log.index.days("meals", this.personId);
  }

  /** Water drunk on a day, millilitres. */
  waterOn(day: Day): number {
    return this.log.index.on("water", this.personId, day).reduce((sum, { ml }) => sum + ml, 0);
  }
  get waterDays(): readonly Day[] {
    return this.log.index.days("water", this.personId);
  }

  /** The note of a day; of several the last by id. */
  noteOn(day: Day): DayNote | null {
    return this.log.index.on("dayNotes", this.personId, day).at(-1) ?? null;
  }

  /** What was written of the days between two, oldest first. */
  remarksBetween(from: Day, to: Day): Remark[] {
    return joined(
      this.log.index
        .blocks("dayNotes", this.personId)
        .filter((block) => block >= blockOf(from) && block <= blockOf(to)),
      remarks(this.log)(this.personId),
    ).filter(({ day }) => day >= from && day <= to);
  }

  /** Photographs up to the day asked about, oldest first. */
  get photos(): RecordOf<"photos">[] {
    return this.#photos();
  }
  readonly #photos = this.#kept(() =>
    this.#mine("photos")
      .filter(({ date }) => mustDay(date) <= this.on)
      .sort(byDateAndId),
  );

  #mine<K extends "maxima" | "blocks" | "goals" | "energySettings" | "readings" | "photos">(kind: K) {
    return [...this.log.index.all(kind).values()].filter(({ personId }) => personId === this.personId);
  }
}

/** So long a weight serves the equations after it was weighed: within a year most people stay within a few per cent (our judgement, no source). */
const weightServesDays = 365;

const bodyFat = { name: "Body fat", unit: "%" };

/** Plain code-unit order, the same on every machine. */
export function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

function byDateAndId(a: { date: string; id: string }, b: { date: string; id: string }): number {
  return compare(a.date, b.date) || compare(a.id, b.id);
}

/** A day as the contract writes it, or null. */
export function dateOrNull(day: Day | null): string | null {
  return day === null ? null : dateOf(day);
}
