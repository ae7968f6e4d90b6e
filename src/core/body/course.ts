import { type Day, dayOf, mustDay } from "../base/calendar/day";
import { KG_PER_LB } from "../base/units/mass";
import { aimOf, holdingBand, isHolding, planLine, type PlanLine, planWeight } from "../goals/plan";
import type { Goal } from "../log/kinds/goals";
import { carriedDays, carryForward, heldLevel, horizonDays } from "./projection";
import type { Trend } from "./trend";

/** How one weight goal went, or goes. */
export interface GoalCourse {
  goalId: string;
  why: string | null;
  from: Day;
  /** Last day on which it was in force; null while it is. */
  until: Day | null;
  startKg: number;
  targetKg: number;
  /** Whether the scale on the deadline's morning alone decides. */
  limit: boolean;
  deadline: Day | null;
  /**
   * Trend on its last day, or on the day asked about, the last one held where nothing was weighed since; null when
   * nothing was weighed.
   */
  levelKg: number | null;
  /** Done of what was asked: 1 at the goal, negative when it went the other way. */
  share: number | null;
  /** First day on which the trend stood at the goal or beyond; for a limit, its morning when the scale showed it. */
  reached: Day | null;
  standing: "ahead" | "running" | "reached" | "not reached";
}

/** Weight goals one after another, the latest first. One ends when the next begins, or on its deadline. */
export function goalCourses(goals: readonly Goal[], trend: Trend | null, on: Day): GoalCourse[] {
  const own = goals
    .filter((goal) => aimOf(goal) === "weight" && goal.startKg != null && goal.targetKg != null)
    .sort((a, b) => (a.startDate < b.startDate ? -1 : a.startDate > b.startDate ? 1 : a.id < b.id ? -1 : 1));
  return own
    .map((goal, index): GoalCourse => {
      const [startKg, targetKg, from] = [goal.startKg!, goal.targetKg!, mustDay(goal.startDate)];
      const line = planLine(goal);
      const deadline = "reason" in line ? ("date" in goal.by ? dayOf(goal.by.date as string) : null) : line.deadline;
      const next = own[index + 1];
      const ends = Math.min(deadline ?? Infinity, next === undefined ? Infinity : mustDay(next.startDate) - 1);
      const until = ends < on ? ends : null;
      const level = trend === null || from > on ? null : heldLevel(trend, until ?? on);
      const limit = !("reason" in line) && line.limit;
      const kept = startKg === targetKg;
      const reached =
        trend === null
          ? null
          : kept
            ? keptOn(trend, targetKg, until)
            : limit
              ? madeOn(trend, startKg, targetKg, line.deadline)
              : crossing(trend, startKg, targetKg, from, Math.min(until ?? on, on));
      return {
        goalId: goal.id,
        why: goal.why ?? null,
        from,
        until,
        startKg,
        targetKg,
        limit,
        deadline,
        levelKg: level,
        share: level === null || targetKg === startKg ? null : (level - startKg) / (targetKg - startKg),
        reached,
        standing: from > on ? "ahead" : reached !== null ? "reached" : until === null ? "running" : "not reached",
      };
    })
    .reverse();
}

/** The last day of a weight that was to be kept, if it stood within the band then; null while it runs. */
function keptOn(trend: Trend, kg: number, until: Day | null): Day | null {
  const level = until === null ? null : heldLevel(trend, until);
  return level !== null && Math.abs(level - kg) <= holdingBand({ targetKg: kg }) ? until : null;
}

/** The day of a limit if the scale showed it that morning, else null. */
function madeOn(trend: Trend, startKg: number, kg: number, day: Day): Day | null {
  return beyond(trend.weighed[day - trend.first] ?? NaN, startKg, kg) ? day : null;
}

/**
 * First day of a stretch on which the trend stands at a weight or beyond it, coming from the start; null when it does
 * not.
 */
function crossing(trend: Trend, startKg: number, kg: number, from: Day, to: Day): Day | null {
  for (let day = Math.max(from, trend.first); day <= Math.min(to, trend.last); day++)
    if (beyond(trend.level[day - trend.first]!, startKg, kg)) return day;
  return null;
}

function beyond(level: number, startKg: number, kg: number): boolean {
  return kg < startKg ? level <= kg : level >= kg;
}

/** A weight on the way to the goal, the goal itself the last of them. */
export interface Milestone {
  kg: number;
  /** Day on which the plan line stands there. */
  planned: Day;
  /** First day on which the trend stood there; null while it has not. */
  reached: Day | null;
  /** Day on which the trend, carried forward, will stand there; null when it has, or will not within three years. */
  atThisPace: Day | null;
}

/**
 * Milestones from the start to the goal: the trainee's own, else every 5 kg, or every 10 lb in a log kept in pounds.
 */
export function milestones(
  line: PlanLine,
  trend: Trend | null,
  on: Day,
  pounds: boolean,
  own: readonly number[] = [],
): Milestone[] {
  if (isHolding(line)) return [];
  const step = pounds ? 10 * KG_PER_LB : 5;
  const toGo = line.targetKg - line.startKg;
  const count = Math.ceil(Math.abs(toGo) / step - 1e-9) - 1;
  const between = own
    .filter((kg) => (kg - line.startKg) * Math.sign(toGo) > 0 && (line.targetKg - kg) * Math.sign(toGo) > 0)
    .sort((a, b) => (a - b) * Math.sign(toGo));
  const weights = [
    ...(own.length > 0
      ? between
      : Array.from({ length: Math.max(0, count) }, (_, index) => line.startKg + Math.sign(toGo) * step * (index + 1))),
    line.targetKg,
  ];
  const ahead =
    trend === null || on - trend.last > carriedDays
      ? []
      : carryForward(trend, on + horizonDays).filter(({ day }) => day > on);
  return weights.map((kg): Milestone => {
    const reached = trend === null ? null : crossing(trend, line.startKg, kg, line.startDay, on);
    return {
      kg,
      planned: plannedDay(line, kg),
      reached,
      atThisPace: reached !== null ? null : (ahead.find((one) => beyond(one.kg, line.startKg, kg))?.day ?? null),
    };
  });
}

/** First day on which the plan line stands at a weight on its way, within a hair. */
function plannedDay(line: PlanLine, kg: number): Day {
  const hair = line.targetKg < line.startKg ? -1e-9 : 1e-9;
  const stands = (day: Day) => beyond(planWeight(line, day) + hair, line.startKg, kg);
  // The line is straight: the day is known but for the last bit of a division.
  const along = line.kgPerWeek === 0 ? 0 : Math.floor(((kg - hair - line.startKg) / line.kgPerWeek) * 7) - 1;
  for (let day = line.startDay + Math.max(0, Math.min(line.days, along)); day < line.deadline; day++)
    if (stands(day)) return day;
  return line.deadline;
}
