import { ageOn, dateOf, mustDay, weekStartOf, type Day, type Weekday } from "../calendar/day";
import { groupBy } from "../calendar/groupBy";
import { weightTrend, type FittedScatter, type Trend } from "../body/trend";
import { primaries, weighed, type Weighed } from "../body/weighIns";
import { weeklyWeights, type WeeklyWeight } from "../body/weekly";
import type { FormulaChoice } from "../strength/e1rm";
import { eligibleMaxima, liftStanding, maximumInForce, type LiftStanding } from "../strength/maximum";
import { performedSets, type PerformedSet } from "../strength/sets";
import { volumeOf, type Volume } from "../strength/volume";
import { equations, type Body, type EquationName, type Resting, type Sex } from "../energy/resting";
import { goalInForce, planLine, type PlanLine } from "../goal/plan";
import { levelOn, project, projectionNeedsDays, type Projection } from "../goal/projection";
import { ofPerson, type Log } from "../log/log";
import type { EnergySettings, Goal, Meal, Person, Session, Settings, WeighIn } from "../log/records";

/**
 * What is computed of one person on one day, each part worked out when first asked for and then kept. Nothing dated later is
 * read as performed.
 */
export class Figures {
  readonly #kept = new Map<string, unknown>();

  /** @param fitted scatter of weights fitted before, for whoever asks again and again about a changing log */
  constructor(readonly log: Log, readonly person: Person, readonly on: Day, readonly fitted: FittedScatter = new Map()) {}

  #once<T>(key: string, compute: () => T): T {
    if (!this.#kept.has(key)) this.#kept.set(key, compute());
    return this.#kept.get(key) as T;
  }

  get settings(): Settings { return this.person.settings ?? {}; }
  get formula(): FormulaChoice { return this.settings.e1rmFormula ?? "mean"; }
  get weekStart(): Weekday { return (this.person.weekStart ?? 1) as Weekday; }

  // Body weight

  /** The primary weigh-in of each day, later days included. */
  get primaries(): Map<Day, WeighIn> { return this.#once("primaries", () => primaries(ofPerson(this.log, "weighIns", this.person.id))); }
  get weighed(): Weighed[] { return this.#once("weighed", () => weighed(this.primaries, this.on)); }
  get trend(): Trend | null { return this.#once("trend", () => weightTrend(this.weighed, this.fitted)); }
  get weekly(): WeeklyWeight[] { return this.#once("weekly", () => weeklyWeights(this.weighed, this.on, this.weekStart)); }

  /** Level of the trend on a day, carried forward after the last weigh-in; null before the first. */
  levelOn = (day: Day): number | null => {
    const trend = this.trend;
    return trend === null ? null : this.#once(`level ${day}`, () => levelOn(trend, day)?.kg ?? null);
  };

  /** Body weight on a day: weighed, else the trend; null when neither is known. */
  bodyWeightOn = (day: Day): number | null => this.#weighedByDay.get(day) ?? this.levelOn(day);

  get #weighedByDay(): Map<Day, number> { return this.#once("weighedByDay", () => new Map(this.weighed.map(({ day, kg }) => [day, kg]))); }

  // Training

  /** Every session, future ones too, in order of date, time and id. */
  get sessions(): Session[] {
    return this.#once("sessions", () => ofPerson(this.log, "sessions", this.person.id).sort((a, b) => compare(a.date, b.date) || compare(a.time ?? "", b.time ?? "") || compare(a.id, b.id)));
  }

  get sessionsByDay(): Map<Day, Session[]> { return this.#once("sessionsByDay", () => groupBy(this.sessions, ({ date }) => mustDay(date))); }

  /** Sessions of the seven days from `start`, planned ones included. */
  sessionsOfWeek(start: Day): Session[] {
    return Array.from({ length: 7 }, (_, index) => this.sessionsByDay.get(start + index) ?? []).flat();
  }

  /** Performed sets up to the day asked about, oldest first. */
  get sets(): PerformedSet[] {
    return this.#once("sets", () => this.sessions.flatMap((session) => {
      const day = mustDay(session.date);
      return day > this.on ? [] : performedSets(session, day, this.log.records.exercises, this.bodyWeightOn);
    }));
  }

  get setsBySession(): Map<string, PerformedSet[]> { return this.#once("setsBySession", () => groupBy(this.sets, ({ sessionId }) => sessionId)); }
  get setsByExercise(): Map<string, PerformedSet[]> { return this.#once("setsByExercise", () => groupBy(this.sets, ({ exercise }) => exercise.id)); }

  get lifts(): LiftStanding[] {
    return this.#once("lifts", () => [...this.setsByExercise].flatMap(([id, sets]) => liftStanding(id, sets, this.formula, this.bodyWeightOn) ?? []).sort((a, b) => compare(a.exerciseId, b.exerciseId)));
  }

  /** Maximum in force for a lift on a day, quoted as the lift is loaded; a variation may take a share of its parent's. */
  maximumOn = (exerciseId: string, day: Day): number | null => {
    const parent = this.log.records.exercises.get(exerciseId)?.maximumFrom;
    if (parent && parent.exerciseId !== exerciseId) {
      const whole = this.#ownMaximum(parent.exerciseId)(day);
      return whole === null ? null : whole * parent.ratio;
    }
    return this.#ownMaximum(exerciseId)(day);
  };

  #ownMaximum(exerciseId: string): (day: Day) => number | null {
    return this.#once(`maximum ${exerciseId}`, () => {
      const tested = ofPerson(this.log, "maxima", this.person.id).filter((maximum) => maximum.exerciseId === exerciseId && maximum.tested !== false && mustDay(maximum.date) <= this.on);
      const maxima = eligibleMaxima(this.setsByExercise.get(exerciseId) ?? [], this.formula, this.bodyWeightOn);
      return maximumInForce(maxima, tested, tested.map(({ date }) => mustDay(date)));
    });
  }

  /** Volume of each week in which something was lifted, by its first day. */
  get volumes(): Map<Day, Volume> {
    return this.#once("volumes", () => {
      const weeks = groupBy(this.sets, ({ day }) => weekStartOf(day, this.weekStart));
      return new Map([...weeks].map(([start, sets]) => [start, volumeOf(sets, this.settings, this.maximumOn, this.bodyWeightOn)]));
    });
  }

  // Goal

  get goal(): Goal | null { return this.goalOn(this.on); }

  goalOn(day: Day): Goal | null {
    return this.#once(`goal ${day}`, () => goalInForce(this.#once("goals", () => ofPerson(this.log, "goals", this.person.id)), day));
  }

  get line(): PlanLine | { reason: string } { return this.lineOn(this.on); }

  /** The plan line in force on a day, or why there is none. */
  lineOn(day: Day): PlanLine | { reason: string } {
    const goal = this.goalOn(day);
    return goal === null ? { reason: "no weight goal has begun" } : this.#once(`line ${goal.id}`, () => planLine(goal));
  }

  /** When the goal will be met, or why that cannot be said. */
  get projection(): Projection | { reason: string } {
    return this.#once("projection", () => {
      const { trend, line } = this;
      if ("reason" in line) return line;
      if (trend === null) return { reason: "no weight is written" };
      if (trend.last - trend.first < projectionNeedsDays) return { reason: "a goal's date needs weigh-ins over more than seven days" };
      return project(trend, line, this.on);
    });
  }

  /** The weight goal that begins next, when one lies ahead. */
  get nextGoal(): Goal | null {
    const ahead = ofPerson(this.log, "goals", this.person.id).filter((goal) => goal.of === "weight" && mustDay(goal.startDate) > this.on);
    return ahead.sort((a, b) => compare(a.startDate, b.startDate) || compare(a.id, b.id))[0] ?? null;
  }

  // Energy

  /** Energy settings in force on a day. */
  energySettingsOn(day: Day): EnergySettings | null {
    const all = this.#once("energySettings", () => ofPerson(this.log, "energySettings", this.person.id).sort((a, b) => compare(a.from, b.from) || compare(a.id, b.id)));
    return all.findLast(({ from }) => mustDay(from) <= day) ?? null;
  }

  /** Latest body-fat percentage by a measure in % whose name speaks of fat. */
  bodyFatOn(day: Day): { percent: number; date: string } | null {
    const latest = this.#bodyFats.findLast(({ date }) => mustDay(date) <= day);
    return latest === undefined ? null : { percent: latest.value, date: latest.date };
  }

  get #bodyFats() {
    return this.#once("bodyFats", () => {
      const ids = new Set([...this.log.records.measures.values()].filter(({ name, unit }) => unit === "%" && /fat/i.test(name)).map(({ id }) => id));
      return ofPerson(this.log, "readings", this.person.id).filter(({ measureId }) => ids.has(measureId)).sort((a, b) => compare(a.date, b.date) || compare(a.id, b.id));
    });
  }

  /** What the equations are given on a day; null without a weight. */
  bodyOn(day: Day): Body | null {
    const kg = this.levelOn(day);
    if (kg === null) return null;
    const fat = this.bodyFatOn(day);
    const { birthDate, heightCm, sex } = this.person;
    return { kg, heightCm: heightCm ?? null, ageYears: birthDate ? ageOn(mustDay(birthDate), day) : null, sex: (sex ?? "unspecified") as Sex, fatFreeKg: fat === null ? null : kg * (1 - fat.percent / 100) };
  }

  restingOn(equation: EquationName, day: Day): Resting {
    const body = this.bodyOn(day);
    return body === null ? { reason: "no weight is written" } : equations[equation].kcal(body);
  }

  /** Meals of a day, in the order written. */
  mealsOn(day: Day): Meal[] {
    return this.mealsByDay.get(day) ?? [];
  }

  get mealsByDay(): Map<Day, Meal[]> { return this.#once("mealsByDay", () => groupBy(ofPerson(this.log, "meals", this.person.id).sort((a, b) => compare(a.id, b.id)), ({ date }) => mustDay(date))); }
  get waterByDay(): Map<Day, number> {
    return this.#once("waterByDay", () => {
      const days = new Map<Day, number>();
      for (const { date, ml } of ofPerson(this.log, "water", this.person.id)) days.set(mustDay(date), (days.get(mustDay(date)) ?? 0) + ml);
      return days;
    });
  }
  get notesByDay(): Map<Day, ReturnType<Figures["notes"]>[number]> { return this.#once("notesByDay", () => new Map(this.notes().map((note) => [mustDay(note.date), note]))); }
  notes() { return ofPerson(this.log, "dayNotes", this.person.id); }
}

/** Plain code-unit order, the same on every machine. */
export function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/** The last day with an entry of this person that tells of something performed or measured; null when there is none. */
export function lastEntryDay(log: Log, personId: string): Day | null {
  const dates = [
    ...ofPerson(log, "weighIns", personId), ...ofPerson(log, "readings", personId), ...ofPerson(log, "water", personId), ...ofPerson(log, "dayNotes", personId),
    ...ofPerson(log, "sessions", personId).filter(({ status }) => status !== "planned"), ...ofPerson(log, "meals", personId).filter(({ status }) => status !== "planned"),
  ].map(({ date }) => date);
  return dates.length === 0 ? null : mustDay(dates.reduce((latest, date) => (date > latest ? date : latest)));
}

/** A day as the contract writes it, or null. */
export function dateOrNull(day: Day | null): string | null {
  return day === null ? null : dateOf(day);
}
