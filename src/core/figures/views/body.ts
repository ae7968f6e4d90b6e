import { dateOf } from "../../calendar/day";
import { isGross, trendDay, type Trend, type TrendDay } from "../../body/trend";
import { exponentialMean, sevenDayMean, weightChange, type WeightChange } from "../../body/familiar";
import type { AfterTraining, WeekdayEffects } from "../../body/weekday";
import { planWeight } from "../../goal/plan";
import { carryForward } from "../../goal/projection";
import { adherence } from "../../planning/adherence";
import type { Figures } from "../figures";
import { weekdayIntake } from "../foodDay";
import { arrivalFigure, planFigure, trendFigure, type ArrivalFigure, type PlanFigure, type TrendFigure } from "./today";

export interface BodyPoint { date: string; weighedKg: number | null; gross: boolean; trendKg: number | null; low80: number | null; high80: number | null; planKg: number | null; aheadKg: number | null; aheadLow: number | null; aheadHigh: number | null }

export interface BodyWeek { closingDate: string; from: string; days: number; medianKg: number | null; meanKg: number | null; changeKg: number | null; open: boolean; done: number; planned: number }

/** One morning of a week: its weight, and whether it stands above, below or level with the morning before (nothing when that was not weighed). */
export interface Morning { date: string; kg: number | null; step: "up" | "down" | "level" | null }

export interface MorningWeek { closingDate: string; mornings: Morning[]; days: number; medianKg: number | null; open: boolean }

export interface BodyView {
  points: BodyPoint[];
  mornings: number;
  /** Days from the first weigh-in shown to the last day asked about. */
  span: number;
  /** Weeks of the last two months, oldest first. */
  weeks: BodyWeek[];
  trend: TrendFigure | { reason: string };
  plan: PlanFigure | { reason: string };
  arrival: ArrivalFigure | { reason: string };
  change: WeightChange | null;
  ewmaKg: number | null;
  sevenDay: { kg: number; days: number } | null;
  targetKg: number | null;
  deadline: string | null;
  gross: { date: string; kg: number }[];
  weekdayWeight: WeekdayEffects | { reason: string };
  weekdayIntake: WeekdayEffects | { reason: string };
  afterTraining: AfterTraining | { reason: string };
  /** The last weeks, newest first, each from its first day on; days to come are not among them. */
  byWeekday: MorningWeek[];
}

/** At most so many points are drawn; more could not be told apart on a screen. */
const pointsAtMost = 420;

/** @param days how far back the chart reaches; null for the whole log */
export function bodyView(figures: Figures, days: number | null): BodyView {
  const { trend, on, weighed, line } = figures;
  const first = Math.max(weighed[0]?.day ?? on, days === null ? -Infinity : on - days + 1);
  const hasLine = !("reason" in line);
  const until = hasLine && line.deadline > on ? Math.min(line.deadline + 7, on + Math.max(28, Math.round((on - first) / 3))) : on;
  const ahead = new Map(trend === null ? [] : carryForward(trend, until).map((one) => [one.day, one]));
  const step = Math.max(1, Math.ceil((until - first + 1) / pointsAtMost));
  const points: BodyPoint[] = [];
  for (let day = first; day <= until; day++) {
    if ((day - first) % step !== 0 && day !== on && day !== until) continue;
    const here = trendDay(trend, day);
    const next = ahead.get(day) ?? (day === on && here ? { kg: here.kg, low80: here.low80, high80: here.high80 } : undefined);
    points.push({
      date: dateOf(day), weighedKg: here?.weighedKg ?? null, gross: here?.gross ?? false, trendKg: here?.kg ?? null, low80: here?.low80 ?? null, high80: here?.high80 ?? null,
      planKg: hasLine && day >= line.startDay && day <= line.deadline ? planWeight(line, day) : null,
      aheadKg: next?.kg ?? null, aheadLow: next?.low80 ?? null, aheadHigh: next?.high80 ?? null,
    });
  }
  return {
    points, mornings: days === null ? weighed.length : weighed.filter(({ day }) => day >= first).length, span: on - first + 1, weeks: weeksOf(figures), trend: trendFigure(figures), plan: planFigure(figures), arrival: arrivalFigure(figures),
    change: weightChange(weighed), ewmaKg: exponentialMean(weighed), sevenDay: sevenDayMean(weighed, on),
    targetKg: hasLine ? line.targetKg : null, deadline: hasLine ? dateOf(line.deadline) : null,
    weekdayWeight: figures.weekdayWeight, weekdayIntake: weekdayIntake(figures)(), afterTraining: figures.afterTraining, byWeekday: byWeekday(figures),
    gross: grossDays(trend).map(({ day, weighedKg }) => ({ date: dateOf(day), kg: weighedKg! })),
  };
}

/** Weeks shown day by day. */
const weeksByDay = 12;

function byWeekday(figures: Figures): MorningWeek[] {
  return figures.weekly(weeksByDay).toReversed().map(({ closingDay, days, medianKg, open }) => ({
    closingDate: dateOf(closingDay), days, medianKg, open,
    mornings: Array.from({ length: 7 }, (_, index) => closingDay - 6 + index).filter((day) => day <= figures.on).map((day): Morning => {
      const [kg, before] = [figures.primaryOn(day)?.kg ?? null, figures.primaryOn(day - 1)?.kg ?? null];
      return { date: dateOf(day), kg, step: kg === null || before === null ? null : kg > before ? "up" : kg < before ? "down" : "level" };
    }),
  }));
}

function grossDays(trend: Trend | null): TrendDay[] {
  const days: TrendDay[] = [];
  for (let t = 0; t < (trend?.weight.length ?? 0); t++) if (isGross(trend!, t)) days.push(trendDay(trend, trend!.first + t)!);
  return days;
}

function weeksOf(figures: Figures): BodyWeek[] {
  const recent = figures.weekly(9);
  return recent.map((week, index) => {
    const before = recent[index - 1];
    const { done, planned } = adherence(figures.sessionsOfWeek(week.closingDay - 6), figures.on);
    return {
      closingDate: dateOf(week.closingDay), from: dateOf(week.from), days: week.days, medianKg: week.medianKg, meanKg: week.meanKg,
      changeKg: week.medianKg === null || before?.medianKg == null || week.open ? null : week.medianKg - before.medianKg, open: week.open, done, planned,
    };
  }).slice(-8);
}
