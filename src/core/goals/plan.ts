import { type Day, dayOf, mustDay } from "../base/calendar/day";
import { printDate, printDay } from "../base/calendar/print";
import { printNumber } from "../base/units/number";
import type { Goal } from "../log/kinds/goals";

/** A straight line from start weight to goal weight. */
export interface PlanLine {
  goalId: string;
  startDay: Day;
  deadline: Day;
  /** Days from start to deadline. */
  days: number;
  startKg: number;
  targetKg: number;
  /** Signed: negative when losing. */
  kgPerWeek: number;
  by: "rate" | "deadline";
  /** Whether the one morning of the deadline counts, as for a weight class. */
  limit: boolean;
}

/** Guards a whole number of days against the last bit of a division. */
const hair = 1e-9;

/**
 * The plan line of a weight goal. By rate: days = ⌈Δ / rate × 7⌉; by deadline: rate = Δ / days × 7. The sign of the
 * rate is taken from the target: a goal of losing 0.4 kg a week may be written −0.4 or 0.4.
 * @returns the line, or the reason why the goal gives none
 */
export function planLine(goal: Goal): PlanLine | { reason: string } {
  const startDay = mustDay(goal.startDate);
  if (goal.startKg === null || goal.startKg === undefined) return { reason: "the goal has no start weight" };
  if (goal.targetKg === null || goal.targetKg === undefined) return { reason: "the goal has no target weight" };
  const change = goal.targetKg - goal.startKg;
  const common = {
    goalId: goal.id,
    startDay,
    startKg: goal.startKg,
    targetKg: goal.targetKg,
    limit: goal.limit === true && "date" in goal.by,
  };
  if ("date" in goal.by) {
    const deadline = dayOf(goal.by.date as string)!;
    const days = deadline - startDay;
    if (days <= 0)
      return { reason: `the deadline ${printDay(deadline)} is not after the start ${printDate(goal.startDate)}` };
    return { ...common, deadline, days, kgPerWeek: (change / days) * 7, by: "deadline" };
  }
  const rate = Math.abs((goal.by as { rateKgPerWeek: number }).rateKgPerWeek);
  if (change === 0) return { reason: "a weight to be kept needs a day until when, not a rate" };
  if (rate === 0) return { reason: "a rate of nothing a week never arrives" };
  const days = Math.ceil((Math.abs(change) / rate) * 7 - hair);
  if (days > 36_500) return { reason: "at this rate the goal is more than a century away" };
  return { ...common, deadline: startDay + days, days, kgPerWeek: Math.sign(change) * rate, by: "rate" };
}

/** Whether a goal asks to keep a weight: its target is its start. */
export function isHolding({ startKg, targetKg }: Pick<PlanLine, "startKg" | "targetKg">): boolean {
  return startKg === targetKg;
}

/**
 * Half the width of the band within which a weight counts as kept, kilograms: 1 % of it, about what water alone moves
 * in a week (our judgement, no source).
 */
export function holdingBand({ targetKg }: Pick<PlanLine, "targetKg">): number {
  return 0.01 * targetKg;
}

/** The weight the plan line asks on a day: the start weight before it begins, the target once reached. */
export function planWeight(line: PlanLine, day: Day): number {
  const along = line.startKg + (line.kgPerWeek / 7) * Math.min(Math.max(0, day - line.startDay), line.days);
  const over = line.targetKg < line.startKg ? along < line.targetKg : along > line.targetKg;
  return over || day >= line.deadline ? line.targetKg : along;
}

/**
 * Half the width of the plan's band on a day: the largest of half a week's rate, 0.5 % of body weight and the trend's
 * own 80 % half-interval.
 */
export function planBand(line: PlanLine, kg: number, trendHalfInterval: number): number {
  return Math.max(Math.abs(line.kgPerWeek) / 2, 0.005 * kg, trendHalfInterval);
}

/** Rate needed from today's trend to stand on the target at the deadline; null on or after it. */
export function catchUpRate(line: PlanLine, trendKg: number, on: Day): number | null {
  return on >= line.deadline ? null : ((line.targetKg - trendKg) / (line.deadline - on)) * 7;
}

/** Energy content of a kilogram of weight change. Source: Wishnofsky 1958, Am J Clin Nutr 6:542 (3500 kcal a pound). */
export const kcalPerKg = 7700;

/** Daily energy balance that a weekly rate asks for: negative when losing. */
export function balanceForRate(kgPerWeek: number): number {
  return (kgPerWeek * kcalPerKg) / 7;
}

/** Weekly rate that a daily energy balance gives: the other way round. */
export function rateOfBalance(kcalPerDay: number): number {
  return (kcalPerDay * 7) / kcalPerKg;
}

/** What a goal is of: the weight where it does not say, else what it says. */
export function aimOf({ of }: Pick<Goal, "of">): string {
  return of ?? "weight";
}

/** The goal in force on a day, of the weight or of a measure by its id: of those begun by then, the one begun last. */
export function goalInForce(goals: readonly Goal[], on: Day, of = "weight"): Goal | null {
  const begun = goals.filter((goal) => aimOf(goal) === of && mustDay(goal.startDate) <= on);
  return begun.reduce<Goal | null>(
    (latest, goal) =>
      latest === null ||
      goal.startDate > latest.startDate ||
      (goal.startDate === latest.startDate && goal.id > latest.id)
        ? goal
        : latest,
    null,
  );
}

/**
 * Plain warnings about a goal, each with its reason; never a block. Limits: 1 % of body weight a week for loss and 0.5
 * % for gain, a target under BMI 18.5 (WHO), all common practice.
 */
export function goalWarnings(line: PlanLine, heightCm: number | null): string[] {
  const share = (Math.abs(line.kgPerWeek) / line.startKg) * 100;
  const warnings: string[] = [];
  if (isHolding(line)) return warnings;
  const losing = line.targetKg < line.startKg;
  if (losing && share > 1)
    warnings.push(
      `This asks ${printNumber(share, 1)} % of body weight a week; above 1 % a growing share of the loss is muscle.`,
    );
  if (!losing && share > 0.5)
    warnings.push(`This asks ${printNumber(share, 1)} % of body weight a week; above 0.5 % most of a gain is fat.`);
  if (heightCm !== null) {
    const bmi = line.targetKg / (heightCm / 100) ** 2;
    if (bmi < 18.5) warnings.push(`The target is a body mass index of ${printNumber(bmi, 1)}, under 18.5.`);
  }
  return warnings;
}
