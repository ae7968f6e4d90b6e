import { dateOf, type Day, mustDay } from "../base/calendar/day";
import { planBand, planWeight } from "../goals/plan";
import { goalsOf } from "../goals/slice";
import type { AsOf } from "../log/asOf";
import { notesOf } from "../log/notes";
import { sessionsOf } from "../sessions/slice";
import {
  arrivalFigure,
  type ArrivalFigure,
  planFigure,
  type PlanFigure,
  trendFigure,
  type TrendFigure,
} from "./keyFigures";
import { exponentialMean, sevenDayMean, weightChange, type WeightChange } from "./movingAverage";
import { carryForward, levelOn } from "./projection";
import type { SecondOffset } from "./secondWeighIns";
import { weightOf } from "./slice";
import { isGross, type Trend, trendDay, type TrendDay } from "./trend";
import type { AfterTraining, WeekdayEffects } from "./weekday";

/** One day of the chart; on a long stretch every few days, the sessions of those between counted with it. */
export interface BodyPoint {
  date: string;
  weighedKg: number | null;
  /** The last of the day's second weigh-ins. */
  secondKg: number | null;
  gross: boolean;
  trendKg: number | null;
  low80: number | null;
  high80: number | null;
  /** The level as it was known on that day, when nothing later was. */
  knownKg: number | null;
  planKg: number | null;
  planLow: number | null;
  planHigh: number | null;
  /** The trend carried forward. */
  aheadKg: number | null;
  aheadLow: number | null;
  aheadHigh: number | null;
  /** The straight way from today's trend to the goal on its day. */
  catchUpKg: number | null;
  sessions: number;
}

/** A note that stands on the chart. */
export interface BodyMark {
  date: string;
  text: string;
  levelMayJump: boolean;
}

export interface BodyWeek {
  closingDate: string;
  from: string;
  days: number;
  medianKg: number | null;
  meanKg: number | null;
  changeKg: number | null;
  open: boolean;
  done: number;
  planned: number;
}

/**
 * One morning of a week: its weight, and whether it stands above, below or level with the morning before (nothing when
 * that was not weighed).
 */
export interface Morning {
  date: string;
  kg: number | null;
  step: "up" | "down" | "level" | null;
}

export interface MorningWeek {
  closingDate: string;
  mornings: Morning[];
  days: number;
  medianKg: number | null;
  open: boolean;
}

/** The median of one week, from the first day that counts to the closing day. */
export interface WeekMedian {
  from: string;
  closingDate: string;
  kg: number;
}

export interface BodyView {
  points: BodyPoint[];
  /** Medians of the weeks that the chart reaches over, while there are not too many to tell apart. */
  medians: WeekMedian[];
  marks: BodyMark[];
  /** How second weigh-ins run against the mornings, or why that is not known; null when there are none. */
  second: SecondOffset | { reason: string } | null;
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
  afterTraining: AfterTraining | { reason: string };
  /** The last weeks, newest first, each from its first day on; days to come are not among them. */
  byWeekday: MorningWeek[];
}

/** At most so many points are drawn; more could not be told apart on a screen. */
const pointsAtMost = 420;

/**
 * On a stretch so long that a point stands for more days than this, training is not marked: the marks would run into
 * one.
 */
const stripStep = 3;
/** So many notes stand on the chart at most, the latest of them. */
const marksAtMost = 60;

/** What a chart reaches over: the last so many days (null for the whole log), or a stretch looked at more closely. */
export interface BodyAsk {
  days: number | null;
  zoom: { from: string; to: string } | null;
}

export function bodyView(asOf: AsOf, { days, zoom }: BodyAsk): BodyView {
  const { on } = asOf;
  const trend = weightOf(asOf).trend();
  const weighed = weightOf(asOf).weighed();
  const line = goalsOf(asOf).line();
  const begin = Math.max(weighed[0]?.day ?? on, days === null ? -Infinity : on - days + 1);
  const hasLine = !("reason" in line);
  const end =
    hasLine && line.deadline > on ? Math.min(line.deadline + 7, on + Math.max(28, Math.round((on - begin) / 2))) : on;
  const [first, until] = zoom === null ? [begin, end] : [mustDay(zoom.from), mustDay(zoom.to)];
  const level = trend === null ? null : levelOn(trend, on);
  const ahead = new Map(
    trend === null || level === null ? [] : carryForward(trend, until).map((one) => [one.day, one]),
  );
  const catchUp =
    hasLine && level !== null && line.deadline > on
      ? { from: level.kg, perDay: (line.targetKg - level.kg) / (line.deadline - on) }
      : null;
  const known = trendDay(trend, trend?.last ?? on);
  const seconds = new Map(
    weightOf(asOf)
      .seconds()
      .filter(({ day }) => day >= first && day <= until)
      .map(({ day, kg }) => [day, kg]),
  );
  const step = Math.max(1, Math.ceil((until - first + 1) / pointsAtMost));
  const points: BodyPoint[] = [];
  let sessions = 0;
  for (let day = first; day <= until; day++) {
    if (step <= stripStep && day <= on && sessionsOf(asOf).trainedOn(day)) sessions += 1;
    if ((day - first) % step !== 0 && day !== on && day !== until) continue;
    const here = trendDay(trend, day);
    const next = ahead.get(day) ?? (day === on && here ? here : undefined);
    const planned = hasLine && day >= line.startDay && day <= line.deadline ? planWeight(line, day) : null;
    const band =
      planned === null || !hasLine
        ? 0
        : planBand(line, planned, ((here ?? known)?.high80 ?? 0) - ((here ?? known)?.kg ?? 0));
    points.push({
      date: dateOf(day),
      weighedKg: here?.weighedKg ?? null,
      secondKg: seconds.get(day) ?? null,
      gross: here?.gross ?? false,
      trendKg: here?.kg ?? null,
      low80: here?.low80 ?? null,
      high80: here?.high80 ?? null,
      knownKg: here?.filteredKg ?? null,
      planKg: planned,
      planLow: planned === null ? null : planned - band,
      planHigh: planned === null ? null : planned + band,
      aheadKg: next?.kg ?? null,
      aheadLow: next?.low80 ?? null,
      aheadHigh: next?.high80 ?? null,
      catchUpKg:
        catchUp !== null && hasLine && day >= on && day <= line.deadline
          ? catchUp.from + catchUp.perDay * (day - on)
          : null,
      sessions,
    });
    sessions = 0;
  }
  return {
    points,
    medians: mediansOf(asOf, first, until),
    marks: notesOf(asOf)
      .remarksBetween(first, Math.min(until, on))
      .slice(-marksAtMost)
      .map(({ day, ...rest }) => ({ date: dateOf(day), ...rest })),
    second: weightOf(asOf).seconds().length === 0 ? null : weightOf(asOf).secondOffset(),
    mornings: days === null ? weighed.length : weighed.filter(({ day }) => day >= begin).length,
    span: on - begin + 1,
    weeks: weeksOf(asOf),
    trend: trendFigure(asOf),
    plan: planFigure(asOf),
    arrival: arrivalFigure(asOf),
    change: weightChange(weighed),
    ewmaKg: exponentialMean(weighed),
    sevenDay: sevenDayMean(weighed, on),
    targetKg: hasLine ? line.targetKg : null,
    deadline: hasLine ? dateOf(line.deadline) : null,
    weekdayWeight: weightOf(asOf).weekday(),
    afterTraining: weightOf(asOf).afterTraining(),
    byWeekday: byWeekday(asOf),
    gross: grossDays(trend).map(({ day, weighedKg }) => ({ date: dateOf(day), kg: weighedKg! })),
  };
}

/** So many weeks' medians are drawn at most. */
const mediansAtMost = 60;

function mediansOf(asOf: AsOf, from: Day, to: Day): WeekMedian[] {
  const last = Math.min(to, asOf.on);
  if (last - from > 7 * mediansAtMost) return [];
  return weightOf(asOf)
    .weekly(Math.ceil((asOf.on - from) / 7) + 2)
    .filter(({ closingDay, medianKg }) => medianKg !== null && closingDay >= from && closingDay - 6 <= last)
    .map((week) => ({
      from: dateOf(Math.max(week.from, from)),
      closingDate: dateOf(Math.min(week.closingDay, last)),
      kg: week.medianKg!,
    }));
}

/** Weeks shown day by day. */
const weeksByDay = 12;

function byWeekday(asOf: AsOf): MorningWeek[] {
  return weightOf(asOf)
    .weekly(weeksByDay)
    .toReversed()
    .map(({ closingDay, days, medianKg, open }) => ({
      closingDate: dateOf(closingDay),
      days,
      medianKg,
      open,
      mornings: Array.from({ length: 7 }, (_, index) => closingDay - 6 + index)
        .filter((day) => day <= asOf.on)
        .map((day): Morning => {
          const [kg, before] = [
            weightOf(asOf).primaryOn(day)?.kg ?? null,
            weightOf(asOf).primaryOn(day - 1)?.kg ?? null,
          ];
          return {
            date: dateOf(day),
            kg,
            step: kg === null || before === null ? null : kg > before ? "up" : kg < before ? "down" : "level",
          };
        }),
    }));
}

function grossDays(trend: Trend | null): TrendDay[] {
  const days: TrendDay[] = [];
  for (let t = 0; t < (trend?.weight.length ?? 0); t++)
    if (isGross(trend!, t)) days.push(trendDay(trend, trend!.first + t)!);
  return days;
}

function weeksOf(asOf: AsOf): BodyWeek[] {
  const recent = weightOf(asOf).weekly(9);
  return recent
    .map((week, index) => {
      const before = recent[index - 1];
      const { done, planned } = sessionsOf(asOf).adherence(week.closingDay - 6, week.closingDay);
      return {
        closingDate: dateOf(week.closingDay),
        from: dateOf(week.from),
        days: week.days,
        medianKg: week.medianKg,
        meanKg: week.meanKg,
        changeKg:
          week.medianKg === null || before?.medianKg == null || week.open ? null : week.medianKg - before.medianKg,
        open: week.open,
        done,
        planned,
      };
    })
    .slice(-8);
}
