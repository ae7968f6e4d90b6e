import type { Day } from "../base/calendar/day";
import { dateOf } from "../base/calendar/day";
import { printDay } from "../base/calendar/print";
import { capitalised } from "../base/text";
import { catchUpRate, holdingBand, isHolding, planBand, planWeight } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import type { MorningChance } from "./projection";
import { carriedDays, lastWeighedAgo, levelOn, paceKnownDays } from "./projection";
import { weightOf } from "./slice";
import { trendDay, z80 } from "./trend";

/** Where the trend stands, with how sure it is and how this morning's scale reading sits against it. */
export interface TrendFigure {
  date: string;
  kg: number;
  low80: number;
  high80: number;
  /**
   * Days since the last weigh-in, over which level and interval are carried forward; `date` is that of the weigh-in.
   */
  carriedDays: number;
  /** Rate and half its 80 % interval; null below seven days of weigh-ins. */
  kgPerWeek: number | null;
  kgPerWeekHalf80: number | null;
  weighIns: number;
  morning: { kg: number; usual: boolean } | null;
}

/** Where the trend stands against the plan line. */
export interface PlanFigure {
  planKg: number;
  aboveKg: number;
  bandKg: number;
  standing: "on plan" | "too slow" | "too fast" | "above" | "below" | "not known";
  kgPerWeek: number;
  trendKgPerWeek: number | null;
  catchUpKgPerWeek: number | null;
  losing: boolean;
}

/** When the goal will be met. */
export interface ArrivalFigure {
  targetKg: number;
  holding: boolean;
  deadline: string;
  daysLeft: number;
  chance: number;
  arrived: boolean;
  p10: string | null;
  p50: string | null;
  p90: string | null;
  onMorning: MorningChance | null;
}

export function trendFigure(asOf: AsOf): TrendFigure | { reason: string } {
  const trend = weightOf(asOf).trend();
  const weighed = weightOf(asOf).weighed();
  if (trend === null) return { reason: "No weight is written yet. Type this morning's weight above." };
  const last = trendDay(trend, trend.last)!;
  const now = levelOn(trend, asOf.on);
  if (now === null)
    return {
      reason: `${capitalised(lastWeighedAgo(trend, asOf.on))} (${printDay(trend.last)}, trend ${asOf.printer.mass(last.kg)}). Type this morning's weight above.`,
    };
  const spread = Math.sqrt(trend.residualVariance + last.sd ** 2);
  const rated = trend.last - trend.first >= 7;
  return {
    date: dateOf(last.day),
    kg: now.kg,
    low80: now.low80,
    high80: now.high80,
    carriedDays: Math.max(0, asOf.on - trend.last),
    kgPerWeek: rated ? now.kgPerWeek : null,
    kgPerWeekHalf80: rated ? z80 * last.kgPerWeekSd : null,
    weighIns: weighed.length,
    morning:
      last.weighedKg === null
        ? null
        : { kg: last.weighedKg, usual: !last.gross && Math.abs(last.weighedKg - last.kg) <= 2 * spread },
  };
}

export function planFigure(asOf: AsOf): PlanFigure | { reason: string } {
  const { on } = asOf;
  const line = goalsOf(asOf).line();
  const trend = weightOf(asOf).trend();
  if ("reason" in line) return { reason: `No plan line: ${line.reason}.` };
  const trendKg = weightOf(asOf).levelOn(on);
  if (trend === null) return { reason: "No weight is written yet." };
  if (trendKg === null)
    return {
      reason:
        on < trend.first
          ? "No weight is written yet."
          : `${capitalised(lastWeighedAgo(trend, on))}; the plan needs one of the last ${carriedDays} days.`,
    };
  const now = levelOn(trend, on)!;
  const planKg = planWeight(line, on);
  const bandKg = Math.max(planBand(line, trendKg, now.high80 - now.kg), isHolding(line) ? holdingBand(line) : 0);
  const aboveKg = trendKg - planKg;
  const losing = line.targetKg < line.startKg;
  const behind = losing ? aboveKg > bandKg : aboveKg < -bandKg;
  return {
    planKg,
    aboveKg,
    bandKg,
    standing:
      Math.abs(aboveKg) <= bandKg
        ? "on plan"
        : on - trend.last > paceKnownDays
          ? "not known"
          : isHolding(line)
            ? aboveKg > 0
              ? "above"
              : "below"
            : behind
              ? "too slow"
              : "too fast",
    losing,
    kgPerWeek: line.kgPerWeek,
    trendKgPerWeek: trend.last - trend.first >= 7 && on - trend.last <= paceKnownDays ? now.kgPerWeek : null,
    catchUpKgPerWeek: catchUpRate(line, trendKg, on),
  };
}

export function arrivalFigure(asOf: AsOf): ArrivalFigure | { reason: string } {
  const { on } = asOf;
  const line = goalsOf(asOf).line();
  const projection = weightOf(asOf).projection();
  if ("reason" in line) return { reason: `No goal date: ${line.reason}.` };
  if ("reason" in projection) return { reason: `Not known yet: ${projection.reason}.` };
  const date = (day: Day | null) => (day === null ? null : dateOf(day));
  return {
    targetKg: line.targetKg,
    holding: isHolding(line),
    deadline: dateOf(line.deadline),
    daysLeft: line.deadline - on,
    chance: projection.byDeadline,
    arrived: projection.arrived,
    onMorning: projection.onMorning,
    p10: date(projection.p10),
    p50: date(projection.p50),
    p90: date(projection.p90),
  };
}
