import { type Day, monthStartOf } from "../base/calendar/day";
import { perOwner } from "../base/memo";
import { goalsOf } from "../goals/slice";
import { type AsOf, Slice } from "../log/asOf";
import type { WeighIn } from "../log/kinds/weighIns";
import { bucketDays, bucketOf, daysOfBucket } from "../log/logIndex";
import { sessionsOf } from "../sessions/slice";
import { goalCourses, type Milestone, milestones } from "./course";
import { fits, jumps, weighIns } from "./mornings";
import { heldLevel, levelOn, project, type Projection } from "./projection";
import { secondWeighInOffset } from "./secondWeighIns";
import { weightTrend } from "./trend";
import { afterTraining, effectMornings, weekdayEffects, whitened } from "./weekday";
import { weeklyWeight, type WeeklyWeight, weekStarts } from "./weekly";
import { primaryOf } from "./weighIns";

/**
 * The body weight of a person: as weighed, its trend, what moves it from day to day, and when it will stand at its
 * goal.
 */
class Weight extends Slice {
  /** The primary weigh-in of a day, also of one to come; null when there is none. */
  primaryOn(day: Day): WeighIn | null {
    return primaryOf(this.asOf.index.on("weighIns", this.asOf.personId, day));
  }

  /** The last of a day's second weigh-ins; null when there is none. */
  secondOn(day: Day): WeighIn | null {
    const all = this.asOf.index.on("weighIns", this.asOf.personId, day);
    const primary = primaryOf(all);
    return all.findLast((one) => one !== primary) ?? null;
  }

  /** Primary weigh-ins up to the day asked about, oldest first. */
  readonly weighed = this.kept(() => {
    const { log, personId, on } = this.asOf;
    const all = weighIns(log)(personId).mornings();
    return (all.at(-1)?.day ?? on) <= on ? all : all.filter(({ day }) => day <= on);
  });

  /** Days up to the one asked about on which the level may jump, as marked, oldest first. */
  readonly jumps = this.kept(() => jumps(this.asOf.log)(this.asOf.personId)().filter((day) => day <= this.asOf.on));

  /** The smoothed weight; null without a weigh-in. */
  readonly trend = this.kept(() => {
    const last = this.weighed().at(-1);
    return last === undefined
      ? null
      : weightTrend(this.weighed(), this.jumps(), fits(this.asOf.log)(this.asOf.personId)(monthStartOf(last.day)));
  });

  /** Second weigh-ins up to the day asked about, oldest first: a series of their own. */
  readonly seconds = this.kept(() =>
    weighIns(this.asOf.log)(this.asOf.personId)
      .seconds()
      .filter(({ day }) => day <= this.asOf.on),
  );
  /** How far a second weigh-in stands from its morning's, or why that cannot be said. */
  readonly secondOffset = this.kept(() => secondWeighInOffset(this.seconds()));

  readonly #effectMornings = this.kept(() => effectMornings(this.trend(), this.weighed(), this.jumps()));
  readonly #whitened = this.kept(() => {
    const mornings = this.#effectMornings();
    return "reason" in mornings ? mornings : whitened(mornings);
  });

  /** What each weekday does to the weight, or why that cannot be said. */
  readonly weekday = this.kept(() => {
    const white = this.#whitened();
    return "reason" in white ? white : weekdayEffects(white);
  });

  /** Mornings after training against mornings after rest, or why that cannot be said. */
  readonly afterTraining = this.kept(() => {
    const white = this.#whitened();
    return "reason" in white ? white : afterTraining(white, sessionsOf(this.asOf).trainedOn);
  });

  readonly #firstMorning = this.kept(() => this.weighed()[0]?.day ?? null);
  readonly #weeks = this.kept(() => {
    const first = this.#firstMorning();
    return first === null ? [] : weekStarts(first, this.asOf.on, this.asOf.weekStart);
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
  readonly #week = this.keptBy((start: Day): WeeklyWeight => {
    const week = Array.from({ length: 7 }, (_, index) => start + index).filter((day) => day <= this.asOf.on);
    return weeklyWeight(
      start,
      week.flatMap((day) => this.primaryOn(day)?.kg ?? []),
      this.#firstMorning()!,
      this.asOf.on,
    );
  });

  /**
   * The level that what rests on a weight goes by on a day: the trend, after the last weigh-in the last one held; null
   * before the first.
   */
  heldOn(day: Day): number | null {
    const trend = this.trend();
    return trend === null ? null : heldLevel(trend, day);
  }

  /**
   * Level of the trend on a day, carried forward for some weeks after the last weigh-in; null before the first, and
   * later.
   */
  readonly levelOn = this.keptBy((day: Day): number | null => {
    const trend = this.trend();
    return trend === null ? null : (levelOn(trend, day)?.kg ?? null);
  });

  /** Level of the trend on one of its own days, read straight from it; null on others. */
  #levelWithin(day: Day): number | null {
    const trend = this.trend();
    return trend?.level[day - trend.first] ?? null;
  }

  /** Body weight on a day: weighed, else the trend, the last one held; null when neither is known. */
  readonly on = (day: Day): number | null => {
    const bucket = bucketOf(day);
    return this.#inBucket(bucket)[day - bucket * bucketDays]!;
  };
  readonly #inBucket = this.keptBy((bucket: number) =>
    daysOfBucket(bucket).map((day): number | null => {
      const primary = day > this.asOf.on ? null : this.primaryOn(day);
      return primary?.kg ?? this.#levelWithin(day) ?? this.heldOn(day);
    }),
  );

  /** Weight goals one after another, the latest first, with how each ended. */
  readonly goalCourses = this.kept(() => goalCourses(goalsOf(this.asOf).all(), this.trend(), this.asOf.on));

  /** Weights on the way to the goal in force; none without a plan line. */
  readonly milestones = this.kept((): Milestone[] => {
    const line = goalsOf(this.asOf).line();
    if ("reason" in line) return [];
    const own = goalsOf(this.asOf).now()?.milestonesKg ?? [];
    return milestones(line, this.trend(), this.asOf.on, this.asOf.person.units?.mass === "lb", own);
  });

  /** When the goal will be met, or why that cannot be said. */
  readonly projection = this.kept((): Projection | { reason: string } => {
    const line = goalsOf(this.asOf).line();
    return "reason" in line ? line : project(this.trend(), line, this.asOf.on);
  });
}

export const weightOf = perOwner((asOf: AsOf) => new Weight(asOf));
